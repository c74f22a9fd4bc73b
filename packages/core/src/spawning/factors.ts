import { COVERS, LEVERS, type Lever } from './schools';
import type { Recipe } from './recipeFields';
import { COVER_WORDS, LEVER_WORDS } from './schools';

/** How a factor is told: "with a cooler change", "without". */
interface FactorWords {
  label: string;
  with: string;
  without: string;
}
const FIXED: Record<string, FactorWords> = {
  rain: { label: 'Rain or osmosis water', with: 'with rain or osmosis water', without: 'without' },
  bareTank: { label: 'Bare, fresh tank', with: 'in a bare tank', without: 'in a mature one' },
  covered: { label: 'Sides covered', with: 'covered', without: 'open' },
  company: { label: 'Company in the tank', with: 'with other species', without: 'alone' },
  liveFood: { label: 'Live food in the fortnight before', with: 'with live food', without: 'without' },
  pressureFalling: { label: 'Falling air pressure', with: 'while it fell', without: 'otherwise' },
  fullMoon: { label: 'Full moon', with: 'around full moon', without: 'at other times' },
  newMoon: { label: 'New moon', with: 'around new moon', without: 'at other times' },
  winterHalf: { label: 'Cold half of the year', with: 'in the cold half', without: 'in the warm half' },
  femalesFirst: { label: 'Females in first', with: 'with females in first', without: 'otherwise' },
  conditioned: { label: 'Conditioned beforehand', with: 'after conditioning', without: 'without' },
};
/** Numbers: how they are called and their unit. */
export const NUMBERS: Record<string, { label: string; unit: string }> = {
  tempC: { label: 'Temperature', unit: '°C' },
  ghDeg: { label: 'Hardness', unit: '°dGH' },
  ph: { label: 'pH', unit: '' },
  changeShare: { label: 'Size of the change', unit: '%' },
  coolerC: { label: 'Step in temperature', unit: '°C' },
  daysSinceLast: { label: 'Days since their last spawning', unit: 'days' },
  condition: { label: 'Condition of the parents', unit: '' },
  females: { label: 'Females', unit: '' },
  dayHours: { label: 'Length of the day', unit: 'h' },
};

export const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
/** The words of a factor. */
export function factorWords(name: string): FactorWords {
  if (FIXED[name]) return FIXED[name];
  const [kind, what = ''] = name.split(':');
  if (kind === 'lever') {
    const words = LEVER_WORDS[what as Lever];
    return { label: words, with: `with ${lower(words)}`, without: 'without' };
  }
  if (kind === 'cover') {
    const words = COVER_WORDS[what as keyof typeof COVER_WORDS];
    return { label: words.charAt(0).toUpperCase() + words.slice(1), with: `with ${words}`, without: 'without' };
  }
  if (kind === 'tank') return { label: `In ${what}`, with: `in ${what}`, without: 'elsewhere' };
  if (kind === 'tag') return { label: `“${what}”`, with: `with “${what}”`, without: 'without' };
  const number = NUMBERS[name];
  return { label: number?.label ?? name, with: 'more', without: 'less' };
}

/** What a recipe alone says of an attempt. */
export function recipeFactors(recipe: Recipe): Record<string, boolean | number | null> {
  const levers = new Set<Lever>(recipe.steps.map(({ lever }) => lever));
  // What the school of the trigger says is done, too, where no steps were written down.
  if (recipe.trigger === 'coolChange') levers.add('cooler');
  if (recipe.trigger === 'warm') levers.add('warmer');
  if (recipe.trigger === 'dawnLightAndFood') levers.add('liveFood');
  if (recipe.trigger === 'season') levers.add('season');
  const covers = new Set(recipe.cover.map(({ kind }) => kind));
  return {
    ...Object.fromEntries(LEVERS.filter((lever) => lever !== 'wait').map((lever) => [`lever:${lever}`, levers.has(lever)])),
    ...(covers.size === 0 ? {} : Object.fromEntries(COVERS.map((kind) => [`cover:${kind}`, covers.has(kind)]))),
    bareTank: recipe.tankSchool === 'bare',
    covered: recipe.covered,
    femalesFirst: recipe.firstIn === 'females',
    females: recipe.females,
  };
}

/** Strong levers first: of several that always went together the first is kept. */
const WEIGHT = [
  'lever:cooler',
  'lever:warmer',
  'lever:liveFood',
  'lever:softer',
  'lever:season',
  'lever:dark',
  'lever:levelDown',
  'lever:light',
  'lever:flow',
];
const weightOf = ({ factor }: { factor: string }) => WEIGHT.indexOf(factor) + 1 || WEIGHT.length + 1;
export const byWeight = (a: { factor: string }, b: { factor: string }) => weightOf(a) - weightOf(b);
