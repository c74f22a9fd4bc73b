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

/** What is done on the page an alarm leads to. */
export function subjectWords({ kind }: Item['subject']): string {
  return {
    brood: 'Open the brood',
    tank: 'Open the tank',
    attempt: 'Change the plan',
    larder: 'First foods',
    growout: 'Find them room',
    species: 'Correct the figures',
    order: 'Open the order',
  }[kind];
}
