import { COVERS, LEVERS, RECIPE_FIELDS, type Cover, type Lever, type Recipe, type TriggerStep } from '@freshet/core/spawning';
import { convert, formatNumber, parseQuantity } from '@freshet/core/units';
import { FieldProblem, type House } from '../data';

/** A trigger step as it is typed. */
export interface StepDraft {
  lever: Lever;
  day: string;
  share: string;
  degC: string;
  hours: string;
}
/** A recipe as it is typed: every field as text, until it is read. */
export interface RecipeDraft {
  fields: Record<string, string>;
  covered: boolean;
  cover: Cover[];
  steps: StepDraft[];
  seasons: Recipe['seasons'];
}

type Units = House['units'];
const text = (value: number | null, figures = 3) => (value === null ? '' : formatNumber(value, figures));
const inDegrees = (kelvin: number, { temperature }: Units) => (temperature === 'degF' ? kelvin * 1.8 : kelvin);

/** A recipe as fields to type in, in the house's units. */
export function toDraft(recipe: Recipe, units: Units): RecipeDraft {
  const fields: Record<string, string> = {};
  for (const { key } of RECIPE_FIELDS) {
    const value = recipe[key];
    if (typeof value !== 'number') fields[key] = value === null ? '' : String(value);
    else if (key === 'tempC') fields[key] = text(convert({ value, from: 'degC', to: units.temperature }).value);
    else if (key === 'litres') fields[key] = text(convert({ value, from: 'L', to: units.volume }).value);
    else if (key === 'depthCm' && units.volume === 'galUS') fields[key] = text(value / 2.54);
    else fields[key] = text(key === 'dailyChangeFraction' ? value * 100 : value);
  }
  return {
    fields,
    covered: recipe.covered,
    cover: [...recipe.cover],
    seasons: recipe.seasons,
    steps: recipe.steps.map(({ lever, day, share, degC, hours }) => ({
      lever,
      day: String(day),
      share: text(share === null ? null : share * 100),
      degC: text(degC === null ? null : inDegrees(degC, units)),
      hours: text(hours),
    })),
  };
}

function number(field: string, typed: string): number | null {
  if (typed.trim() === '') return null;
  const value = Number(typed.trim().replace('%', '').replace(',', '.'));
  if (!Number.isFinite(value)) throw new FieldProblem(field, 'Give a number.');
  return value;
}
function quantity(
  field: string,
  typed: string,
  kind: 'temperature' | 'volume' | 'length',
  unit: Parameters<typeof parseQuantity>[2],
) {
  if (typed.trim() === '') return null;
  const parsed = parseQuantity(typed, kind, unit);
  if (!parsed.ok) throw new FieldProblem(field, parsed.message);
  return parsed.value;
}

/** Reads what was typed. @throws {FieldProblem} at `recipe.…` for what cannot be read */
export function fromDraft({ fields, covered, cover, steps, seasons }: RecipeDraft, units: Units): Recipe {
  const read: Record<string, unknown> = { covered, cover, seasons };
  for (const { key, kind, canBeEmpty } of RECIPE_FIELDS) {
    const [typed, at] = [fields[key] ?? '', `recipe.${key}`];
    if (kind === 'flag') continue;
    if (key === 'tempC') read[key] = quantity(at, typed, 'temperature', units.temperature);
    else if (key === 'litres') read[key] = quantity(at, typed, 'volume', units.volume);
    else if (key === 'depthCm') read[key] = quantity(at, typed, 'length', units.volume === 'galUS' ? 'in' : 'cm');
    else if (key === 'dailyChangeFraction') read[key] = (number(at, typed) ?? 0) / 100;
    else if (kind === 'number') read[key] = number(at, typed) ?? (canBeEmpty ? null : 0);
    else read[key] = typed.trim() || null;
  }
  read.steps = steps.map((step): TriggerStep => {
    const share = number('recipe.steps', step.share);
    const degrees = number('recipe.steps', step.degC.replace(/°?[CF]$/i, ''));
    return {
      lever: step.lever,
      day: number('recipe.steps', step.day) ?? 0,
      share: share === null ? null : share / 100,
      degC: degrees === null ? null : units.temperature === 'degF' ? degrees / 1.8 : degrees,
      hours: number('recipe.steps', step.hours),
    };
  });
  return read as unknown as Recipe;
}

/** What is wrong by field, of a form whose values hold a recipe's. */
export const messagesOf = (errors: object | undefined): Record<string, string | undefined> =>
  Object.fromEntries(
    Object.entries((errors ?? {}) as Record<string, { message?: string } | undefined>).map(([key, error]) => [
      key,
      error?.message,
    ]),
  );

export { COVERS, LEVERS };
