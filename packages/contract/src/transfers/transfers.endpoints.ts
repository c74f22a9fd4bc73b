import * as v from 'valibot';
import { COMPARED } from '@freshet/core/transfers';
import { endpoint } from '../endpoints';
import { Id } from '../values';

/** What to know before a lot goes to another tank. */
export const Transfer = v.object({
  rows: v.array(
    v.object({
      quantity: v.picklist(COMPARED),
      source: v.nullable(v.number()),
      target: v.nullable(v.number()),
      differs: v.boolean(),
    }),
  ),
  floatMinutes: v.nullable(v.number()),
  drip: v.nullable(v.object({ hours: v.number(), finalLitres: v.number(), limitedBy: v.picklist(COMPARED), why: v.string() })),
  warnings: v.array(
    v.object({
      kind: v.picklist([
        'eats',
        'parentage',
        'quarantine',
        'notReady',
        'crowded',
        'temperature',
        'water',
        'unknownWater',
        'proven',
        'company',
      ]),
      text: v.string(),
    }),
  ),
});
const Litres = v.pipe(
  v.string(),
  v.transform(Number),
  v.number(),
  v.gtValue(0, 'More than nothing.'),
  v.maxValue(1000, 'At most 1000 L.'),
);

export const transfersEndpoints = {
  transfer: endpoint({
    method: 'GET',
    path: '/api/transfers',
    summary: 'Two tanks side by side for a lot that is to go from one to the other: waters, float and drip, warnings',
    role: 'viewer',
    query: v.object({ lotId: Id, toTankId: Id, bagLitres: v.optional(Litres), dripLitresPerHour: v.optional(Litres) }),
    reply: Transfer,
  }),
};
