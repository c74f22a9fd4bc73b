import { FOOD_NAMES, type FigureKey, type Figures } from '@freshet/core/species';
import { formatNumber, formatRange } from '@freshet/core/units';

/** How each figure is called, what it is measured in, and how it is written. */
export const FIGURES: Record<
  FigureKey,
  { label: string; unit: string; kind: 'range' | 'number' | 'duration' | 'ladder' | 'foods' | 'choice' }
> = {
  tempC: { label: 'Temperature, adults', unit: '°C', kind: 'range' },
  ph: { label: 'pH', unit: '', kind: 'range' },
  ghDeg: { label: 'Hardness', unit: '°dGH', kind: 'range' },
  eggTempC: { label: 'Temperature, eggs', unit: '°C', kind: 'range' },
  developmentZeroC: { label: 'Development stands still at', unit: '°C', kind: 'number' },
  hatch: { label: 'Laying to hatch (or letting go)', unit: 'days', kind: 'duration' },
  yolk: { label: 'Hatch to end of yolk', unit: 'days', kind: 'duration' },
  freeSwimming: { label: 'Hatch to free-swimming (or letting go)', unit: 'days', kind: 'duration' },
  interval: { label: 'Brood to brood', unit: 'days', kind: 'duration' },
  clutch: { label: 'Clutch', unit: '', kind: 'range' },
  fryMm: { label: 'Length at first feed', unit: 'mm', kind: 'range' },
  adultMm: { label: 'Length, adults', unit: 'mm', kind: 'range' },
  maturityMm: { label: 'Length at maturity', unit: 'mm', kind: 'range' },
  maturityDays: { label: 'Age at maturity', unit: 'days', kind: 'range' },
  saleMm: { label: 'Length at sale', unit: 'mm', kind: 'range' },
  saleDays: { label: 'Age at sale', unit: 'days', kind: 'range' },
  ladder: { label: 'Foods, by the smallest tenth', unit: '', kind: 'ladder' },
  juvenilesPerLitre: { label: 'Young of sale size per litre', unit: '', kind: 'range' },
  survivalToSale: { label: 'Share that reaches sale', unit: '', kind: 'range' },
  limitedBy: { label: 'How many is limited by', unit: '', kind: 'choice' },
  juvenilesPerM2: { label: 'Young of sale size per m² of floor', unit: '', kind: 'range' },
  bodyGPerMm3: { label: 'Weight over length³', unit: 'g/mm³', kind: 'number' },
  naupliiAt4Mm: { label: 'Brine shrimp a meal at 4 mm', unit: 'nauplii', kind: 'number' },
  adultFeedShare: { label: 'Dry food a day, share of weight', unit: '', kind: 'range' },
  adultFoods: { label: 'Grown animals live on', unit: '', kind: 'foods' },
  eggsEatenBy: { label: 'Eggs are eaten by', unit: '', kind: 'choice' },
  fryEatenBy: { label: 'Fry are eaten by', unit: '', kind: 'choice' },
};
const EATERS = { nobody: 'nobody', parents: 'the parents', anyAdult: 'any adult' } as const;
/** What can be chosen for a figure. */
export const CHOICES: Partial<Record<FigureKey, Readonly<Record<string, string>>>> = {
  eggsEatenBy: EATERS,
  fryEatenBy: EATERS,
  limitedBy: { litres: 'litres', floor: 'floor area' },
};
/** How well a figure is known, in words. */
export const GRADE_WORDS = { recorded: 'well established', relative: 'from a relative', guess: 'a guess' } as const;

/** A figure in words. */
export function showFigure(key: FigureKey, figures: Figures): string {
  const value = figures[key];
  const { unit } = FIGURES[key];
  if (value === null) return 'does not apply';
  if (key === 'bodyGPerMm3') return `${formatNumber(figures.bodyGPerMm3 * 1e5)} × 10⁻⁵ ${unit}`;
  if (typeof value === 'number') return `${formatNumber(value)} ${unit}`.trim();
  if (typeof value === 'string') return CHOICES[key]?.[value] ?? value;
  if (key === 'adultFoods') return figures.adultFoods.map((food) => FOOD_NAMES[food]).join(', ');
  if (key === 'adultFeedShare') return `${formatRange([figures.adultFeedShare[0] * 100, figures.adultFeedShare[1] * 100])} %`;
  if (key === 'ladder')
    return figures.ladder.map((rung) => `${FOOD_NAMES[rung.food]}${rung.fromMm > 0 ? ` from ${rung.fromMm} mm` : ''}`).join(', ');
  if ('atC' in value) return `${formatRange(value.days)} days at ${formatNumber(value.atC)} °C`;
  return `${formatRange(value as readonly [number, number])} ${unit}`.trim();
}
