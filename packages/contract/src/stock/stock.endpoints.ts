import * as v from 'valibot';
import { LOSS_CAUSES } from '@freshet/core/stock';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Day, Heads, Id, Instant, Name, Note, Override, When, WholeCount } from '../values';
import { Lot, ORIGINS } from './lot.schema';

const SomeHeads = v.pipe(
  Heads,
  v.forward(
    v.check((heads) => heads.males + heads.females + heads.unsexed > 0, 'At least one animal.'),
    ['unsexed'],
  ),
);

export const NewLot = v.object({
  id: Id,
  lotId: Id,
  speciesKey: v.pipe(v.string(), v.minLength(1, 'Choose a species.')),
  line: v.nullable(Name),
  generation: v.nullable(v.pipe(v.string(), v.trim(), v.maxLength(10))),
  origin: v.picklist(ORIGINS),
  acquiredFrom: v.nullable(Note),
  tankId: v.pipe(v.string(), v.minLength(1, 'Choose a tank.'), Id),
  heads: SomeHeads,
  at: Instant,
  /** Name of a single animal or of the group. */
  name: v.optional(v.nullable(Name)),
  bornOn: v.optional(v.nullable(Day)),
  permit: v.optional(v.nullable(Note)),
  override: Override,
});

export const NewMove = v.object({
  id: Id,
  lotId: Id,
  /** Id of the lot that is made in the other tank when only part is moved. */
  newLotId: Id,
  toTankId: v.pipe(v.string(), v.minLength(1, 'Choose a tank.'), Id),
  heads: SomeHeads,
  at: Instant,
  override: Override,
});

export const NewLoss = v.object({
  id: Id,
  lotId: Id,
  heads: SomeHeads,
  cause: v.picklist(LOSS_CAUSES),
  at: When,
  note: v.optional(Note),
  override: Override,
});

/** How a count came about. */
export const COUNT_WAYS = ['all', 'taps', 'squares', 'cups', 'photograph', 'recapture'] as const;
export const NewCount = v.pipe(
  v.object({
    id: Id,
    lotId: Id,
    counted: WholeCount,
    /** The range it lies in where it was worked out and not counted to the last; absent for an exact one. */
    low: v.optional(WholeCount),
    high: v.optional(WholeCount),
    how: v.optional(v.picklist(COUNT_WAYS)),
    at: When,
    override: Override,
  }),
  v.forward(
    v.check(
      ({ counted, low, high }) => (low ?? counted) <= counted && counted <= (high ?? counted),
      'The count lies in its range.',
    ),
    ['counted'],
  ),
);

/** What is logged here: who may, and which addresses show it. */
export const stockEntries = entries({
  lot: { role: 'keeper', words: 'new lot', touches: [...TOUCHES.lots, ...TOUCHES.descent, ...TOUCHES.room] },
  move: { role: 'sitter', words: 'move', touches: [...TOUCHES.lots, ...TOUCHES.broods, ...TOUCHES.descent, ...TOUCHES.room] },
  loss: { role: 'sitter', words: 'loss', touches: [...TOUCHES.lots, ...TOUCHES.broods, ...TOUCHES.descent, ...TOUCHES.room] },
  count: { role: 'sitter', words: 'count', touches: [...TOUCHES.lots, ...TOUCHES.broods, ...TOUCHES.descent] },
});

export const stockEndpoints = {
  lots: endpoint({ method: 'GET', path: '/api/lots', summary: 'Living lots', role: 'viewer', reply: v.array(Lot) }),
  addLot: stockEntries.lot({
    path: '/api/lots',
    summary: 'Record broodstock into a tank',
    body: NewLot,
  }),
  move: stockEntries.move({
    path: '/api/moves',
    summary: 'Move a lot, or split part of it off',
    body: NewMove,
  }),
  lose: stockEntries.loss({
    path: '/api/losses',
    summary: 'Log animals lost, sold or given away',
    body: NewLoss,
  }),
  count: stockEntries.count({
    path: '/api/counts',
    summary: 'Log a count; the ledger follows it',
    body: NewCount,
  }),
  balance: endpoint({
    method: 'GET',
    path: '/api/lots/balance',
    summary: 'Proof of the headcount ledger',
    role: 'viewer',
    reply: v.object({
      cameIn: v.number(),
      left: v.number(),
      alive: v.number(),
      balanced: v.boolean(),
      wrongLots: v.array(v.string()),
    }),
  }),
};
