import * as v from 'valibot';
import { CalculationError } from '@freshet/core/errors';
import { countPicture, PICTURE_FAULT_WORDS, type Picture } from '@freshet/core/pictures';

const above0 = (what: string) => v.pipe(v.number(`${what} is a number.`), v.gtValue(0, `${what} is above 0.`));

/** What is counted in a picture, and what is known of its scale. */
export const CountOptionsSchema = v.object({
  kind: v.picklist(['eggs', 'young'], 'Say what is counted: "eggs" or "young".'),
  mmPerPixel: v.nullish(v.pipe(above0('mmPerPixel'), v.maxValue(10, 'At most 10 mm a pixel.'))),
  grid: v.nullish(v.object({ mm: v.pipe(above0('The grid'), v.maxValue(100, 'At most 100 mm.')) }, 'The grid is {"mm": n}.')),
  sensitivity: v.nullish(v.pipe(above0('The sensitivity'), v.maxValue(4, 'At most 4.'))),
});

/** A picture counted for the command line: the figures, or what was wrong at which field. */
export function countForCommand(picture: Picture, asked: unknown) {
  const options = v.safeParse(CountOptionsSchema, asked);
  if (!options.success)
    return {
      error: 'invalidInput',
      field: v.getDotPath(options.issues[0]) ?? null,
      message: options.issues[0].message,
    };
  try {
    const { count, low95, high95, white, lengthsMm, faults } = countPicture(picture, options.output);
    return { count, low95, high95, white, lengthsMm, notes: faults.map((fault) => PICTURE_FAULT_WORDS[fault]) };
  } catch (error) {
    if (error instanceof CalculationError) return { error: error.code, field: error.field, message: error.message };
    throw error;
  }
}
