import type { Figures } from './figures';

/** A figure that contradicts another one, and how. */
export interface Contradiction {
  figure: keyof Figures;
  message: string;
}

const STAGES = { hatch: 'the hatch', yolk: 'the yolk', freeSwimming: 'swimming', interval: 'the interval of broods' } as const;

/**
 * The first figure that contradicts another, so that nothing could be worked out from them: development that stands still where a
 * stage is said to go on, young longer than adults, a sale before the young can eat. Null when they go together.
 */
export function findContradiction(figures: Figures | undefined): Contradiction | null {
  if (!figures) return null;
  for (const [stage, words] of Object.entries(STAGES) as [keyof typeof STAGES, string][]) {
    const duration = figures[stage];
    if (duration && duration.atC <= figures.developmentZeroC)
      return {
        figure: 'developmentZeroC',
        message: `Development would stand still at ${figures.developmentZeroC} °C, but ${words} is given for ${duration.atC} °C. The standstill must be colder.`,
      };
  }
  if (figures.eggTempC[1] <= figures.developmentZeroC)
    return {
      figure: 'eggTempC',
      message: `Eggs would never develop: they stand still at ${figures.developmentZeroC} °C and colder.`,
    };
  if (figures.fryMm[0] >= figures.adultMm[1]) return { figure: 'fryMm', message: 'Young would be longer than adults.' };
  if (figures.saleMm[0] >= figures.adultMm[1] * 1.5)
    return { figure: 'saleMm', message: 'They would be sold longer than adults grow.' };
  return null;
}
