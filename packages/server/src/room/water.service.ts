import type { BodyOf } from '@freshet/contract/endpoints';
import type { waterEndpoints } from '@freshet/contract/room';
import { changeForLimit, estimateProduction, forecastRegime, nextChangeDay, type Regime } from '@freshet/core/room';
import { CalculationError } from '@freshet/core/errors';
import { addDays, daysBetween, exactly, houseDay, type Day } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { v7 as newId } from 'uuid';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, groupBy, isDuplicate, type Clock, type Database, type Who } from '../platform';
import type { RoomService } from './room.service';
import { createReadings } from './readings';
import { createWaterRepository, type RegimeRow } from './water.repository';

type Body<Name extends keyof typeof waterEndpoints> = BodyOf<(typeof waterEndpoints)[Name]>;
const DAY_MS = 86_400_000;
const FORECAST_DAYS = 28;
/** Production is fitted to the newest readings: a tank's stock changes. */
const FIT_DAYS = 60;

const toRegime = (row: RegimeRow): Regime => ({
  changeFraction: row.changeFraction,
  everyDays: row.everyDays,
  ceilingPpm: row.ceilingPpm,
  from: row.fromDay,
});

async function named<T>(what: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (isDuplicate(error))
      throw new DomainError('request/invalid', { detail: `${what} is there already.`, pointer: '#/name', cause: error });
    throw error;
  }
}

/** Source waters, changes and regimes, instruments and how far their readings can be trusted. */
export function createWater({
  database,
  clock,
  log,
  room,
}: {
  database: Database;
  clock: Clock;
  log: LogService;
  room: RoomService;
}) {
  const repository = createWaterRepository(database);
  const { waters, analyses, changes, regimes, meters, calibrations } = repository;
  const now = () => exactly(clock.now());

  log.onUndo({
    tables: [waters, analyses, changes, regimes, meters, calibrations],
    async before({ who, tx }, entry) {
      const where = { kind: entry.kind, id: entry.subjectId };
      const inUse =
        where.kind === 'water'
          ? [
              ...(await analyses.find(who.houseId, { waterId: where.id }, { tx, limit: 1 })),
              ...(await changes.find(who.houseId, { waterId: where.id }, { tx, limit: 1 })),
              ...(await regimes.find(who.houseId, { waterId: where.id }, { tx, limit: 1 })),
            ]
          : where.kind === 'meter'
            ? await calibrations.find(who.houseId, { meterId: where.id }, { tx, limit: 1 })
            : [];
      if (inUse.length > 0) throw new DomainError('log/later-entries', { detail: 'It was used since; take that back first.' });
    },
  });

  async function waterName(who: Who, waterId: string | null, scope: Scope): Promise<string | null> {
    if (waterId === null) return null;
    const water = await waters.get(who.houseId, waterId, { tx: scope.tx });
    if (!water) throw new DomainError('request/not-found', { detail: 'There is no such water.', pointer: '#/waterId' });
    return water.name;
  }

  async function applyChange(
    scope: Scope,
    body: { tankId: string; litres: number; waterId: string | null; tempC: number | null; at: string },
  ): Promise<Applied> {
    const { who, tx, entryId } = scope;
    const tank = await room.getTank(who, body.tankId, scope);
    const fraction = tank.litres > 0 ? body.litres / tank.litres : 1;
    if (fraction > 1.05 && !scope.override)
      throw new DomainError('room/implausible-reading', {
        detail: `${tank.code} holds ${formatNumber(tank.litres)} L. If more was run through, say so.`,
        pointer: '#/litres',
      });
    const name = await waterName(who, body.waterId, scope);
    const { tankId, litres, waterId, tempC, at } = body;
    await changes.insert(
      who.houseId,
      { id: newId(), entryId, tankId, litres, fraction: Math.min(1, fraction), waterId, tempC, at },
      tx,
    );
    const words = [
      `${formatNumber(litres)} L changed`,
      name && `with ${name}`,
      tempC !== null && `at ${formatNumber(tempC, 3)} °C`,
    ];
    return { text: `${tank.code}: ${words.filter(Boolean).join(' ')}`, tankId, subjectId: tankId };
  }

  async function applyCalibration(scope: Scope, body: { meterId: string; at: string }): Promise<Applied> {
    const meter = await meters.get(scope.who.houseId, body.meterId, { tx: scope.tx });
    if (!meter) throw new DomainError('request/not-found', { detail: 'There is no such instrument.' });
    const row = { id: newId(), entryId: scope.entryId, meterId: meter.id, at: body.at };
    await calibrations.insert(scope.who.houseId, row, scope.tx);
    return { text: `${meter.name} calibrated`, subjectId: meter.id };
  }

  /** The newest analysis of each value of a water. */
  async function newestNitrate(houseId: string, waterId: string | null): Promise<number> {
    if (waterId === null) return 0;
    const rows = await analyses.find(houseId, { waterId }, { order: [['at', 'ASC']] });
    return rows.findLast((row) => row.nitratePpm !== null)?.nitratePpm ?? 0;
  }

  /** Meters with the day their next calibration is due. */
  async function metersDue(who: Pick<Who, 'houseId' | 'timeZone'>) {
    const [rows, dates] = await Promise.all([
      meters.find(who.houseId, {}, { order: [['name', 'ASC']] }),
      repository.allCalibrations(who.houseId),
    ]);
    const last = new Map(dates.map((row) => [row.meterId, row.at]));
    return rows.map(({ entryId: _entry, ...meter }) => {
      const calibratedAt = last.get(meter.id) ?? null;
      const dueOn: Day | null =
        meter.everyDays === null
          ? null
          : calibratedAt === null
            ? houseDay(clock.now(), who.timeZone)
            : addDays(houseDay(calibratedAt, who.timeZone), meter.everyDays);
      return { ...meter, calibratedAt, dueOn };
    });
  }

  /** Regimes in force with their next change, by tank. */
  async function regimesDue(who: Pick<Who, 'houseId' | 'timeZone'>) {
    const [inForce, last] = await Promise.all([repository.regimesInForce(who.houseId), repository.lastChanges(who.houseId)]);
    return {
      lastChanges: last,
      regimes: [...inForce].map(([tankId, row]) => {
        const changed = last.get(tankId);
        return {
          tankId,
          regime: toRegime(row),
          dueOn: nextChangeDay(toRegime(row), changed ? houseDay(changed, who.timeZone) : null),
        };
      }),
    };
  }

  return {
    repository,
    ...createReadings({ clock, room, repository }),
    applyChange,
    applyCalibration,
    metersDue,
    regimesDue,

    async waters(who: Who) {
      const [rows, found] = await Promise.all([
        waters.find(who.houseId, {}, { order: [['id', 'ASC']] }),
        repository.allAnalyses(who.houseId),
      ]);
      const byWater = groupBy(found, (row) => row.waterId);
      return rows.map(({ id, name, kind }) => ({
        id,
        name,
        kind,
        analyses: (byWater.get(id) ?? []).map(({ entryId: _entry, waterId: _water, ...analysis }) => analysis),
      }));
    },
    meters: (who: Who) => metersDue(who),

    /** Changes, regime, and what the regime does to nitrate. */
    async tankRegime(who: Who, tankId: string) {
      const tank = await room.getTank(who, tankId);
      const today = houseDay(clock.now(), who.timeZone);
      const since = new Date(Date.parse(clock.now()) - FIT_DAYS * DAY_MS).toISOString();
      const [rows, changed, last, readings] = await Promise.all([
        regimes.find(
          who.houseId,
          { tankId: tank.id },
          {
            order: [
              ['at', 'ASC'],
              ['id', 'ASC'],
            ],
          },
        ),
        repository.changesOf(who.houseId, tank.id, since),
        repository.lastChanges(who.houseId),
        room.repository.readingsSince(who.houseId, tank.id, since),
      ]);
      const row = rows.at(-1) ?? null;
      const regime = row ? toRegime(row) : null;
      const day = (at: string) => houseDay(at, who.timeZone);
      const sourcePpm = await newestNitrate(who.houseId, row?.waterId ?? null);
      const nitrate = readings
        .filter((reading) => reading.quantity === 'nitratePpm')
        .map(({ value, at }) => ({ day: day(at), ppm: value }));
      const production = estimateProduction(
        nitrate,
        changed.map(({ at, fraction }) => ({ day: day(at), fraction })),
        sourcePpm,
      );
      const start = nitrate.at(-1);
      const lastAt = last.get(tank.id);
      const lastChange = lastAt ? day(lastAt) : null;
      let forecast = null;
      if (regime && production && start) {
        const ahead = forecastRegime({
          start,
          ppmPerDay: production.ppmPerDay,
          sourcePpm,
          regime,
          lastChange,
          days: Math.max(0, daysBetween(start.day, today)) + FORECAST_DAYS,
        });
        let smallestFraction: number | null = null;
        if (regime.ceilingPpm !== null && regime.everyDays !== null)
          try {
            smallestFraction = changeForLimit({
              productionPpmPerDay: production.ppmPerDay,
              sourcePpm,
              everyDays: regime.everyDays,
              limitPpm: regime.ceilingPpm,
            }).changeFraction;
          } catch (error) {
            if (!(error instanceof CalculationError)) throw error;
          }
        forecast = { ...ahead, smallestFraction };
      }
      return {
        regime: regime && row ? { ...regime, waterId: row.waterId } : null,
        nextChange: regime ? nextChangeDay(regime, lastChange) : null,
        changes: changed.map(({ id, at, litres, fraction, waterId, tempC }) => ({ id, at, litres, fraction, waterId, tempC })),
        production,
        sourcePpm,
        forecast,
      };
    },

    addWater: (who: Who, body: Body<'addWater'>) =>
      log.record(who, { id: body.id, kind: 'water', when: now() }, async ({ tx, entryId }) => {
        const { waterId, name, kind } = body;
        await named(name, () => waters.insert(who.houseId, { id: waterId, entryId, name, kind }, tx));
        return { text: `Source water ${name} added`, subjectId: waterId };
      }),
    addAnalysis: (who: Who, body: Body<'addAnalysis'>) =>
      log.record(who, { id: body.id, kind: 'analysis', when: exactly(body.at) }, async (scope) => {
        const name = await waterName(who, body.waterId, scope);
        const { id: _id, ...row } = body;
        await analyses.insert(who.houseId, { id: newId(), entryId: scope.entryId, ...row }, scope.tx);
        const words = [
          body.ghDeg !== null && `GH ${formatNumber(body.ghDeg, 3)}`,
          body.khDeg !== null && `KH ${formatNumber(body.khDeg, 3)}`,
          body.tdsPpm !== null && `TDS ${formatNumber(body.tdsPpm, 3)} ppm`,
          body.ph !== null && `pH ${formatNumber(body.ph, 3)}`,
          body.tempC !== null && `${formatNumber(body.tempC, 3)} °C`,
          body.nitratePpm !== null && `nitrate ${formatNumber(body.nitratePpm, 3)} mg/L`,
        ];
        return { text: `${name}: ${words.filter(Boolean).join(', ')}`, subjectId: body.waterId };
      }),
    logChange: (who: Who, body: Body<'logChange'>) =>
      log.record(who, { id: body.id, kind: 'change', when: exactly(body.at), override: body.override }, (scope) =>
        applyChange(scope, body),
      ),
    setRegime: (who: Who, body: Body<'setRegime'>) =>
      log.record(who, { id: body.id, kind: 'regime', when: now() }, async (scope) => {
        const tank = await room.getTank(who, body.tankId, scope);
        await waterName(who, body.waterId, scope);
        const { id: _id, ...row } = body;
        await regimes.insert(
          who.houseId,
          { id: newId(), entryId: scope.entryId, at: scope.now, fromDay: houseDay(scope.now, who.timeZone), ...row },
          scope.tx,
        );
        const every =
          row.everyDays === null ? 'when readings ask for it' : row.everyDays === 1 ? 'every day' : `every ${row.everyDays} days`;
        return {
          text: `${tank.code}: change ${formatNumber(row.changeFraction * 100)} % ${every}`,
          tankId: tank.id,
          subjectId: tank.id,
        };
      }),
    addMeter: (who: Who, body: Body<'addMeter'>) =>
      log.record(who, { id: body.id, kind: 'meter', when: now() }, async ({ tx, entryId }) => {
        const { meterId, name, quantity, method, everyDays } = body;
        await named(name, () => meters.insert(who.houseId, { id: meterId, entryId, name, quantity, method, everyDays }, tx));
        return { text: `Instrument ${name} added`, subjectId: meterId };
      }),
    calibrate: (who: Who, body: Body<'calibrate'>) =>
      log.record(who, { id: body.id, kind: 'calibration', when: exactly(body.at) }, (scope) => applyCalibration(scope, body)),
  };
}
export type WaterService = ReturnType<typeof createWater>;
