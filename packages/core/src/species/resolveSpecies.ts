import methodsJson from './methods.json';
import speciesJson from './species.json';
import type { FigureKey, Figures, Method, MethodTemplate, ResolvedSpecies, SpeciesProfile } from './profile';

/** The template of every breeding method. */
export const METHOD_TEMPLATES = methodsJson as unknown as Record<Method, MethodTemplate>;

/** The species that ship with Freshet, with the figures that differ from their method's. */
export const SHIPPED_SPECIES = speciesJson as unknown as readonly SpeciesProfile[];

/**
 * Fills a profile from its method's template and lays the breeder's own figures over it.
 * @param own - the breeder's figures, by key; they win over both
 */
export function resolveSpecies(profile: SpeciesProfile, own: Partial<Figures> = {}, shipped = true): ResolvedSpecies {
  const template = METHOD_TEMPLATES[profile.method];
  const origins = {} as Record<FigureKey, 'method' | 'species' | 'own'>;
  for (const key of Object.keys(template.figures) as FigureKey[])
    origins[key] = key in own ? 'own' : key in profile.figures ? 'species' : 'method';
  return {
    ...profile,
    start: template.start,
    guards: template.guards,
    eggPlan: template.eggPlan,
    eggsRest: template.eggsRest,
    waterSteps: template.waterSteps,
    shipped,
    figures: { ...template.figures, ...profile.figures, ...own },
    origins,
  };
}

/** The food a length of `mm` can take: the highest rung reached; the first rung when none is. */
export function foodFor(figures: Pick<Figures, 'ladder'>, mm: number) {
  const reached = figures.ladder.filter((rung) => rung.fromMm <= mm);
  return (reached.at(-1) ?? figures.ladder[0])?.food ?? 'finePowder';
}

const middle = (range: readonly [number, number]) => (range[0] + range[1]) / 2;

/** Von Bertalanffy through the young's length and the middle of the sale length at the middle of the sale age. */
function growthCurve(figures: Figures): { start: number; limit: number; ratePerDay: number } {
  const start = middle(figures.fryMm);
  const limit = Math.max(figures.adultMm[1], middle(figures.saleMm) * 1.05);
  const atSale = Math.min(Math.max(middle(figures.saleMm), start * 1.05), limit * 0.98);
  return { start, limit, ratePerDay: Math.log((limit - start) / (limit - atSale)) / Math.max(1, middle(figures.saleDays)) };
}

/**
 * Expected mean length at an age since first feeding, mm: von Bertalanffy through the young's length, the middle of the sale
 * length at the middle of the sale age, towards the adult length. Source: docs/sources.md#growth
 */
export function expectedLengthMm(figures: Figures, ageDays: number): number {
  const { start, limit, ratePerDay } = growthCurve(figures);
  return limit - (limit - start) * Math.exp(-ratePerDay * Math.max(0, ageDays));
}

/** The age since first feeding, days, at which the expected length is reached; 0 when they start longer, null when never. */
export function expectedAgeDays(figures: Figures, lengthMm: number): number | null {
  const { start, limit, ratePerDay } = growthCurve(figures);
  if (lengthMm <= start) return 0;
  return lengthMm >= limit ? null : Math.log((limit - start) / (limit - lengthMm)) / ratePerDay;
}
