import * as v from 'valibot';
import { Id, Instant, Name, Override } from '../values';

/** How a length was taken. */
export const LENGTH_METHODS = ['ruler', 'graphPaper', 'photograph'] as const;
/** A sample of lengths of a lot, one for each animal measured. */
export const SampleLengths = v.object({
  id: Id,
  lotId: Id,
  at: Instant,
  method: v.picklist(LENGTH_METHODS),
  lengthsMm: v.pipe(
    v.array(
      v.pipe(v.number('Give lengths in mm.'), v.gtValue(0, 'A length is above 0 mm.'), v.maxValue(2000, 'At most 2000 mm.')),
    ),
    v.minLength(1, 'Give at least one length.'),
    v.maxLength(1000, 'At most 1000 lengths.'),
  ),
  override: Override,
});

const share = (of: string) =>
  v.pipe(v.number(`Give the share of ${of}.`), v.minValue(0, 'At least 0 %.'), v.maxValue(1, 'At most 100 %.'));
/** A mark of sex that a keeper has found, beside the shipped ones. */
export const NewMark = v.pipe(
  v.object({
    id: Id,
    speciesKey: v.pipe(v.string(), v.maxLength(40)),
    name: Name,
    look: v.pipe(v.string(), v.trim(), v.minLength(1, 'Say how to look.'), v.maxLength(200, 'At most 200 characters.')),
    fromMm: v.pipe(v.number('Give the length.'), v.minValue(0, 'Not negative.'), v.maxValue(2000, 'At most 2000 mm.')),
    pIfMale: share('males'),
    pIfFemale: share('females'),
  }),
  v.forward(
    v.check(({ pIfMale, pIfFemale }) => Math.abs(pIfMale - pIfFemale) > 0.005, 'Shown as often by both, it tells nothing.'),
    ['pIfFemale'],
  ),
);

/** Days on which too young ones will be ripe, and from when they can have a brood; null where nothing says so. */
export const Ripe = v.nullable(
  v.object({ from: v.string(), to: v.string(), broodFrom: v.string(), by: v.picklist(['age', 'length', 'both']) }),
);
