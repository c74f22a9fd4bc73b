import type { Reply } from '../data';

type Item = Reply<'horizon'>['items'][number];

/** Where an item is about. */
export function subjectPath({ kind, id }: Item['subject']): string {
  return {
    brood: `/broods/${id}`,
    tank: `/tanks/${id}`,
    attempt: `/spawns/${id}`,
    larder: '/larder',
    growout: '/growout',
    species: `/species/${id}`,
    order: `/sales/orders/${id}`,
  }[kind];
}
