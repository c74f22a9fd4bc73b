import { createHmac, timingSafeEqual } from 'node:crypto';
import type { BodyOf } from '@freshet/contract/endpoints';
import { READING_LIMITS, type probeEndpoints, type Quantity } from '@freshet/contract/room';
import { judgeProbe, mayBeSteady, type ProbeVerdict } from '@freshet/core/room';
import type { LogService } from '../log';
import { DomainError, groupBy, isDuplicate, type Clock, type Reading, type Who } from '../platform';
import { createIngest } from './ingest';
import type { ProbeRow } from './room.repository';
import type { RoomService } from './room.service';
import type { WaterService } from './water.service';

type Body<Name extends keyof typeof probeEndpoints> = BodyOf<(typeof probeEndpoints)[Name]>;
const HOUR_MS = 3_600_000;
/** Enough to see that a probe is stuck, with a little before it. */
const JUDGED_HOURS = 7;
const JUDGED_STEP_MS = 5 * 60_000;
/** Asked for where a probe stands at a whole tenth: it may tell tenths only. */
const STEADY_HOURS = 25;
const FUTURE_MS = 15 * 60_000;
const KNOWN_MS = 10_000;
const USUAL_POINTS = 400;

/** Sends a word to a probe's stand-in; true when there is somebody to hear it. */
export type TellProbe = (probeId: string, topic: 'fault' | 'change', payload: Record<string, unknown>) => boolean;

/** Probes: who they are, what they send, what is wrong with them or with the water they hang in. */
export function createProbes({
  clock,
  log,
  room,
  water,
  secret,
}: {
  clock: Clock;
  log: LogService;
  room: RoomService;
  water: WaterService;
  /** Signs the probes' tokens; none of them is stored. */
  secret: string;
}) {
  const { probes, samples } = room.repository;
  const ingest = createIngest((rows) => samples.insert(rows));
  const known = new Map<string, { probe: (ProbeRow & { houseId: string }) | null; untilMs: number }>();
  let tell: TellProbe = () => false;

  const tokenOf = (probeId: string) =>
    `${probeId}.${createHmac('sha256', secret).update(`probe ${probeId}`).digest('base64url')}`;
  /** The probe whose token this is; asked of the database once in a while. */
  async function byToken(token: string): Promise<ProbeRow & { houseId: string }> {
    const probeId = token.split('.')[0] ?? '';
    const want = Buffer.from(tokenOf(probeId));
    const got = Buffer.from(token);
    const nowMs = performance.now();
    let found = known.get(probeId);
    if (want.length === got.length && timingSafeEqual(want, got)) {
      if (!found || found.untilMs < nowMs) {
        found = { probe: await room.repository.probeById(probeId), untilMs: nowMs + KNOWN_MS };
        known.set(probeId, found);
      }
      if (found.probe) return found.probe;
    }
    throw new DomainError('room/unknown-token', { detail: 'No probe has this token. Its keeper finds it under Probes.' });
  }

  async function getProbe(who: Who, probeId: string): Promise<ProbeRow> {
    const probe = await probes.get(who, probeId);
    if (!probe) throw new DomainError('request/not-found', { detail: 'There’s no such probe.' });
    return probe;
  }

  /** What is wrong with each probe now. @param wanted - range of the species by tank id */
  async function judge(
    at: Reading,
    wanted: ReadonlyMap<string, readonly [number, number]>,
  ): Promise<{ probe: ProbeRow; last: { at: string; value: number } | null; verdicts: ProbeVerdict[] }[]> {
    const now = clock.now();
    const fromMs = Date.parse(now) - JUDGED_HOURS * HOUR_MS;
    const rows = await probes.find(at, {}, { order: [['name', 'ASC']] });
    if (rows.length === 0) return [];
    const tankIds = [...new Set(rows.map((row) => row.tankId))];
    const since = new Date(fromMs).toISOString();
    const [recent, latest, changed, hand, equipped] = await Promise.all([
      samples.recent(at, tankIds, fromMs, JUDGED_STEP_MS),
      samples.latest(at, tankIds),
      water.repository.changesSince(at, since),
      room.repository.newestOf(at, ['tempC'], since),
      room.repository.equippedOf(at, tankIds),
    ]);
    const recentBy = groupBy(recent, (row) => row.tankId);
    const steady = [...recentBy.values()].filter(mayBeSteady).flatMap(([row]) => row?.tankId ?? []);
    const dayMs = Date.parse(now) - STEADY_HOURS * HOUR_MS;
    for (const [tankId, rows] of groupBy(await samples.recent(at, steady, dayMs, 1), (row) => row.tankId))
      recentBy.set(tankId, rows);
    const latestBy = new Map(latest.map((row) => [row.tankId, row]));
    const changesBy = groupBy(changed, (row) => row.tankId);
    const handBy = groupBy(hand, (row) => row.tankId);
    return rows.map((probe) => {
      const last = latestBy.get(probe.tankId) ?? null;
      const near = recentBy.get(probe.tankId) ?? [];
      const byHand = handBy.get(probe.tankId)?.at(-1) ?? null;
      return {
        probe,
        last,
        verdicts: judgeProbe({
          samples: near.length > 0 ? near : last ? [last] : [],
          wantedC: wanted.get(probe.tankId) ?? null,
          changes: (changesBy.get(probe.tankId) ?? []).map((row) => row.at),
          byHand: byHand ? { at: byHand.at, value: byHand.value } : null,
          nightDropC: equipped.get(probe.tankId)?.nightDropC ?? 0,
          now,
        }),
      };
    });
  }

  /** How many messages of each house were kept here. */
  const heard = new Map<string, number>();

  async function accept(token: string, readings: Body<'sendSamples'>['readings']): Promise<number> {
    const probe = await byToken(token);
    const latest = Date.parse(clock.now()) + FUTURE_MS;
    for (const [i, { at, quantity, value }] of readings.entries()) {
      const limit = READING_LIMITS[quantity];
      if (value < limit.min || value > limit.max)
        throw new DomainError('request/invalid', {
          detail: `${limit.label} lies between ${limit.min} and ${limit.max} ${limit.unit}`.trim() + '.',
          pointer: `#/readings/${i}/value`,
        });
      if (Date.parse(at) > latest)
        throw new DomainError('request/invalid', {
          detail: 'That is in the future; set the probe’s clock.',
          pointer: `#/readings/${i}/at`,
        });
    }
    await ingest.add(
      readings.map(({ at, quantity, value }) => ({
        houseId: probe.houseId,
        tankId: probe.tankId,
        quantity,
        atMs: Date.parse(at),
        value,
      })),
    );
    heard.set(probe.houseId, (heard.get(probe.houseId) ?? 0) + 1);
    return readings.length;
  }

  log.declare({
    probe: {
      apply: async (scope, body) => {
        const tank = await room.getTank(scope, body.tankId);
        try {
          await probes.insert(scope, { id: body.probeId, entryId: scope.entryId, name: body.name, tankId: tank.id });
        } catch (error) {
          if (isDuplicate(error))
            throw new DomainError('request/invalid', {
              detail: `${body.name} is there already.`,
              pointer: '#/name',
              cause: error,
            });
          throw error;
        }
        return { text: `Probe ${body.name} in ${tank.code}`, tankId: tank.id, subjectId: body.probeId };
      },
      undo: { tables: [probes] },
    },
  });

  return {
    /** Changes when probes of a house sent something: at once here, after `everyMs` when another server heard them. */
    liveMark: (at: Reading, everyMs: number): string =>
      `${Math.floor(Date.parse(clock.now()) / everyMs)}.${heard.get(at.houseId) ?? 0}`,
    judge,
    accept,
    tokenOf,
    /** Lets a line to the stand-ins be laid after start. */
    onTell: (line: TellProbe) => {
      tell = line;
    },
    /** Stand-ins play what happens to the water of their tank. */
    async tellChange(who: Who, change: { tankId: string; litres: number; tempC: number | null }): Promise<void> {
      for (const probe of await probes.find(who, { tankId: change.tankId }))
        tell(probe.id, 'change', { litres: change.litres, tempC: change.tempC });
    },

    async probes(who: Who, wanted: ReadonlyMap<string, readonly [number, number]>) {
      const [judged, tankRows] = await Promise.all([judge(who, wanted), room.repository.tanks.find(who)]);
      const codes = new Map(tankRows.map((tank) => [tank.id, tank.code]));
      return judged.map(({ probe, last, verdicts }) => ({
        id: probe.id,
        name: probe.name,
        tankId: probe.tankId,
        tankCode: codes.get(probe.tankId) ?? '',
        lastAt: last?.at ?? null,
        lastTempC: last?.value ?? null,
        faults: verdicts,
      }));
    },
    async probeKey(who: Who, probeId: string) {
      const probe = await getProbe(who, probeId);
      return { token: tokenOf(probe.id), topic: `freshet/probes/${probe.id}/readings`, httpPath: '/api/probe-readings' };
    },
    async playFault(who: Who, probeId: string, fault: Body<'playFault'>['fault']) {
      const probe = await getProbe(who, probeId);
      return { sent: tell(probe.id, 'fault', { fault }) };
    },
    async series(who: Who, tankId: string, query: { quantity: Quantity; from: string; to: string; points?: number | undefined }) {
      const tank = await room.getTank(who, tankId);
      const [fromMs, toMs] = [Date.parse(query.from), Date.parse(query.to)];
      if (toMs <= fromMs)
        throw new DomainError('request/invalid', { detail: 'The first time must be before the second.', pointer: '#/from' });
      return samples.series(who, tank.id, query.quantity, fromMs, toMs, (toMs - fromMs) / (query.points ?? USUAL_POINTS));
    },
  };
}
export type ProbesService = ReturnType<typeof createProbes>;
