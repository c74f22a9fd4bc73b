import * as v from 'valibot';
import { Id } from '../values';

/** Lots that may be the parents of one side, with their chances. */
export const Candidates = v.pipe(
  v.array(
    v.object({
      lotId: Id,
      probability: v.pipe(
        v.number('Give the chance.'),
        v.gtValue(0, 'A chance is above 0.'),
        v.maxValue(1, 'A chance is at most 1.'),
      ),
    }),
  ),
  v.maxLength(40, 'At most forty.'),
  v.check((parents) => new Set(parents.map(({ lotId }) => lotId)).size === parents.length, 'Each lot once.'),
  v.check(
    (parents) => parents.reduce((sum, { probability }) => sum + probability, 0) <= 1 + 1e-9,
    'The chances add up to more than 1.',
  ),
);
