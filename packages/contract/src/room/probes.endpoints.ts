import * as v from 'valibot';
import { QUANTITIES } from '@freshet/core/room';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Id, Instant, Name } from '../values';

/** Faults that the shipped stand-in can be told to play. */
export const PLAYED_FAULTS = ['none', 'stuck', 'drifting', 'silent', 'heaterFailed'] as const;

export const NewProbe = v.object({
  id: Id,
  probeId: Id,
  name: Name,
  tankId: v.pipe(v.string(), v.minLength(1, 'Choose a tank.'), Id),
});

/** Most values in one message. */
export const SAMPLES_AT_ONCE = 2000;
export const Samples = v.object({
  readings: v.pipe(
    v.array(v.object({ at: Instant, quantity: v.picklist(QUANTITIES), value: v.pipe(v.number(), v.finite()) })),
    v.minLength(1, 'At least one reading.'),
    v.maxLength(SAMPLES_AT_ONCE, `At most ${SAMPLES_AT_ONCE} readings in one message.`),
  ),
});

export const Probe = v.object({
  id: v.string(),
  name: v.string(),
  tankId: v.string(),
  tankCode: v.string(),
  lastAt: v.nullable(v.string()),
  lastTempC: v.nullable(v.number()),
  faults: v.array(
    v.object({
      fault: v.picklist(['silent', 'stuck', 'outOfRange', 'changingFast', 'drifting']),
      since: v.string(),
      value: v.number(),
      by: v.number(),
    }),
  ),
});

const Whole = v.pipe(v.string(), v.transform(Number), v.integer());
/** What is logged here: who may, and which addresses show it. */
export const probeEntries = entries({
  probe: { role: 'keeper', words: 'probe', touches: [...TOUCHES.probes] },
});

export const probeEndpoints = {
  probes: endpoint({
    method: 'GET',
    path: '/api/probes',
    summary: 'Probes, what they last sent and what is wrong',
    role: 'viewer',
    reply: v.array(Probe),
  }),
  addProbe: probeEntries.probe({
    path: '/api/probes',
    summary: 'Add a probe to a tank',
    body: NewProbe,
  }),
  probeKey: endpoint({
    method: 'GET',
    path: '/api/probes/:probeId/key',
    summary: 'Token and topic by which a probe sends',
    role: 'keeper',
    reply: v.object({ token: v.string(), topic: v.string(), httpPath: v.string() }),
  }),
  playFault: endpoint({
    method: 'PUT',
    path: '/api/probes/:probeId/fault',
    summary: 'Tell the shipped stand-in to play a fault',
    role: 'keeper',
    body: v.object({ fault: v.picklist(PLAYED_FAULTS) }),
    reply: v.object({ sent: v.boolean() }),
    touches: ['/api/probes'],
  }),
  series: endpoint({
    method: 'GET',
    path: '/api/tanks/:tankId/series',
    summary: 'What probes measured in a tank, thinned to what a chart needs',
    role: 'viewer',
    query: v.object({
      quantity: v.picklist(QUANTITIES),
      from: Instant,
      to: Instant,
      points: v.optional(v.pipe(Whole, v.minValue(10), v.maxValue(2000))),
    }),
    reply: v.array(v.object({ at: v.string(), mean: v.number(), low: v.number(), high: v.number(), count: v.number() })),
  }),
  sendSamples: endpoint({
    method: 'POST',
    path: '/api/probe-readings',
    summary: 'Readings of a probe, one or many; its token as "Authorization: Bearer"; sent again they are recorded once',
    role: null,
    body: Samples,
    reply: v.object({ accepted: v.number() }),
    touches: ['/api/probes', '/api/tanks', '/api/rounds'],
  }),
};
