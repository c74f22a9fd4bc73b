import type { Reply } from '../data';

type Item = Reply<'horizon'>['items'][number];

/** Where an item is about. */
export function subjectPath(subject: Item['subject']): string {
  return { brood: `/broods/${subject.id}`, tank: `/tanks/${subject.id}`, attempt: `/spawns/${subject.id}`, larder: '/larder' }[
    subject.kind
  ];
}
