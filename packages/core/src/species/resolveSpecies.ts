import * as v from 'valibot';
import { FIGURE_KEYS, type FigureKey, type Figures } from './figures';
import { METHODS, type Grade, type Method } from './kinds';
import methodsJson from './methods.json';
import { MethodTemplateSchema, ShippedSpeciesSchema, type MethodTemplate } from './method';
import type { ResolvedSpecies, SpeciesProfile } from './profile';
import speciesJson from './species.json';

/** The template of every breeding method. */
export const METHOD_TEMPLATES = v.parse(v.strictObject(v.entriesFromList(METHODS, MethodTemplateSchema)), methodsJson);

/** The rules of a species' method: what no species says for itself. */
export const methodOf = ({ method }: { method: Method }): MethodTemplate => METHOD_TEMPLATES[method];

/** The species that ship with Freshet, with the figures that differ from their method's. */
export const SHIPPED_SPECIES = v.parse(v.array(ShippedSpeciesSchema), speciesJson);

/**
 * Fills a profile from its method's template and lays the breeder's own figures over it.
 * @param own - the breeder's figures, by key; they win over both
 */
export function resolveSpecies(profile: SpeciesProfile, own: Partial<Figures> = {}, shipped = true): ResolvedSpecies {
  const template = METHOD_TEMPLATES[profile.method];
  const origins = {} as Record<FigureKey, 'method' | 'species' | 'own'>;
  const grades = {} as Record<FigureKey, Grade>;
  for (const key of FIGURE_KEYS) {
    origins[key] = key in own ? 'own' : key in profile.figures ? 'species' : 'method';
    grades[key] = key in own ? 'recorded' : key in profile.figures ? (profile.grade ?? 'guess') : 'guess';
  }
  return {
    ...profile,
    start: template.start,
    law: template.law ?? null,
    strip: template.strip ?? null,
    colourAt: template.colourAt ?? null,
    guards: profile.guards ?? template.guards,
    eggPlan: profile.eggPlan ?? template.eggPlan,
    eggsRest: template.eggsRest,
    waterSteps: template.waterSteps,
    hangs: template.hangs,
    leaves: profile.leaves ?? template.leaves,
    eggSite: template.eggSite,
    eggCare: template.eggCare,
    larvae: template.larvae ?? null,
    shipped,
    figures: { ...template.figures, ...profile.figures, ...own },
    origins,
    grades,
  };
}
