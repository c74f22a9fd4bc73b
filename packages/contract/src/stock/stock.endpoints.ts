import * as v from 'valibot';
import { endpoint } from '../endpoints';
import { EVERYTHING, Written } from '../log';
import { Day, Heads, Id, Instant, Name, Note, Override, WholeCount } from '../values';
import { Lot, ORIGINS } from './lot.schema';

/** Causes a keeper gives for a loss. */
export const LOSS_CAUSES = ['death', 'cull', 'predation', 'unknown', 'sale', 'gift'] as const;

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
  at: Instant,
  note: v.optional(Note),
  override: Override,
});

export const NewCount = v.object({ id: Id, lotId: Id, counted: WholeCount, at: Instant, override: Override });

export const stockEndpoints = {
  lots: endpoint({ method: 'GET', path: '/api/lots', summary: 'Living lots', role: 'viewer', reply: v.array(Lot) }),
  addLot: endpoint({
    method: 'POST',
    path: '/api/lots',
    summary: 'Record broodstock into a tank',
    role: 'keeper',
    body: NewLot,
    reply: Written,
    touches: EVERYTHING,
  }),
  move: endpoint({
    method: 'POST',
    path: '/api/moves',
    summary: 'Move a lot, or split part of it off',
    role: 'sitter',
    body: NewMove,
    reply: Written,
    touches: EVERYTHING,
  }),
  lose: endpoint({
    method: 'POST',
    path: '/api/losses',
    summary: 'Log animals lost, sold or given away',
    role: 'sitter',
    body: NewLoss,
    reply: Written,
    touches: EVERYTHING,
  }),
  count: endpoint({
    method: 'POST',
    path: '/api/counts',
    summary: 'Log a count; the ledger follows it',
    role: 'sitter',
    body: NewCount,
    reply: Written,
    touches: EVERYTHING,
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
