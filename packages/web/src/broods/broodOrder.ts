import type { Reply } from '../data';

type Brood = Reply<'broods'>[number];
export const BROOD_ORDERS = { newest: 'newest first', next: 'what comes next', tank: 'tank', species: 'species' } as const;
export type BroodOrder = keyof typeof BROOD_ORDERS;

const tankOf = ({ lots }: Brood) => lots.find(({ count }) => count > 0)?.tankCode ?? '~';
const nextOf = ({ next, ready }: Brood) => next?.earliest ?? ready?.from ?? '9';
const byText = (a: string, b: string) => a.localeCompare(b, undefined, { numeric: true });

/** Broods narrowed by species, stage and what is typed (name, species or tank), in an order. */
export function orderBroods(
  broods: readonly Brood[],
  { order, species, stage, find }: { order: BroodOrder; species: string; stage: string; find: string },
): Brood[] {
  const typed = find.trim().toLowerCase();
  const kept = broods.filter(
    (brood) =>
      (species === '' || brood.speciesKey === species) &&
      (stage === '' || brood.stage === stage) &&
      (typed === '' ||
        [brood.name, brood.speciesName, ...brood.lots.map(({ tankCode }) => tankCode ?? '')].some((text) =>
          text.toLowerCase().includes(typed),
        )),
  );
  const by: Record<BroodOrder, (a: Brood, b: Brood) => number> = {
    newest: (a, b) => byText(b.laid.to, a.laid.to),
    next: (a, b) => byText(nextOf(a), nextOf(b)),
    tank: (a, b) => byText(tankOf(a), tankOf(b)),
    species: (a, b) => byText(a.speciesName, b.speciesName) || byText(b.laid.to, a.laid.to),
  };
  return kept.sort(by[order]);
}
