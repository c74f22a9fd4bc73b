import { changeForLimit, estimateProduction, forecastRegime, nextChangeDay, type Regime } from '@freshet/core/room';
import { CalculationError } from '@freshet/core/errors';
import { addDays, daysBetween, everyDays, houseDay, type Day } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { v7 as newId } from 'uuid';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, groupBy, isDuplicate, type Clock, type Database, type Reading, type Who } from '../platform';
import type { RoomService } from './room.service';
import { createReadings } from './readings';
import { createWaterRepository, type RegimeRow } from './water.repository';

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

/** A regime in words. */
const regimeWords = ({ changeFraction, everyDays: days }: Pick<RegimeRow, 'changeFraction' | 'everyDays'>): string =>
  `change ${formatNumber(changeFraction * 100)} % ${days === null ? 'when readings ask for it' : everyDays(days)}`;

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
  tellProbes,
}: {
  database: Database;
  clock: Clock;
  log: LogService;
  room: RoomService;
  /** Tells the probes in a tank that its water was changed; they are a part that is made later. */
  tellProbes: (who: Who, change: { tankId: string; litres: number; tempC: number | null }) => Promise<void>;
}) {
  const repository = createWaterRepository(database);
  const { waters, analyses, changes, regimes, meters, calibrations } = repository;

  const usedSince = (isUsed: boolean): void => {
    if (isUsed) throw new DomainError('log/later-entries', { detail: 'It was used since; undo that first.' });
  };
  async function waterName(at: Reading, waterId: string | null): Promise<string | null> {
    if (waterId === null) return null;
    const water = await waters.get(at, waterId);
    if (!water) throw new DomainError('request/not-found', { detail: 'There’s no such water.', pointer: '#/waterId' });
    return water.name;
  }

  async function applyChange(
    scope: Scope,
    body: { tankId: string; litres: number; waterId: string | null; tempC: number | null; at: string },
  ): Promise<Applied> {
    const { entryId } = scope;
    const tank = await room.getTank(scope, body.tankId);
    const fraction = tank.litres > 0 ? body.litres / tank.litres : 1;
    if (fraction > 1.05 && !scope.override)
      throw new DomainError('room/implausible-reading', {
        detail: `${tank.code} holds ${formatNumber(tank.litres)} L. If more was run through, say so.`,
        pointer: '#/litres',
      });
    const name = await waterName(scope, body.waterId);
    const { tankId, litres, waterId, tempC, at } = body;
    await changes.insert(scope, { id: newId(), entryId, tankId, litres, fraction: Math.min(1, fraction), waterId, tempC, at });
    const words = [
      `${formatNumber(litres)} L changed`,
      name && `with ${name}`,
      tempC !== null && `at ${formatNumber(tempC, 3)} °C`,
    ];
    return { text: `${tank.code}: ${words.filter(Boolean).join(' ')}`, tankId, subjectId: tankId };
  }

  async function applyCalibration(scope: Scope, body: { meterId: string; at: string }): Promise<Applied> {
    const meter = await meters.get(scope, body.meterId);
    if (!meter) throw new DomainError('request/not-found', { detail: 'There’s no such instrument.' });
    const row = { id: newId(), entryId: scope.entryId, meterId: meter.id, at: body.at };
    await calibrations.insert(scope, row);
    return { text: `${meter.name} calibrated`, subjectId: meter.id };
  }

  /** The newest analysis of each value of a water. */
  async function newestNitrate(at: Reading, waterId: string | null): Promise<number> {
    if (waterId === null) return 0;
    const rows = await analyses.find(at, { waterId }, { order: [['at', 'ASC']] });
    return rows.findLast((row) => row.nitratePpm !== null)?.nitratePpm ?? 0;
  }

  /** Meters with the day their next calibration is due. */
  async function metersDue(who: Who) {
    const rows = await meters.find(who, {}, { order: [['name', 'ASC']] });
    const last = await repository.lastCalibrations(
      who,
      rows.map(({ id }) => id),
    );
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
  async function regimesDue(who: Who, tankIds: readonly string[]) {
    const [inForce, last] = await Promise.all([repository.regimesInForce(who, tankIds), repository.lastChanges(who, tankIds)]);
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

  log.declare({
    water: {
      apply: async (scope, body) => {
        const { entryId } = scope;
        const { waterId, name, kind } = body;
        await named(name, () => waters.insert(scope, { id: waterId, entryId, name, kind }));
        return { text: `Source water ${name} added`, subjectId: waterId };
      },
      undo: {
        tables: [waters],
        async before(scope, { subjectId: waterId }) {
          for (const table of [analyses, changes, regimes])
            usedSince((await table.find(scope, { waterId }, { limit: 1 })).length > 0);
        },
      },
    },
    analysis: {
      apply: async (scope, body) => {
        const name = await waterName(scope, body.waterId);
        const { id: _id, ...row } = body;
        await analyses.insert(scope, { id: newId(), entryId: scope.entryId, ...row });
        const words = [
          body.ghDeg !== null && `GH ${formatNumber(body.ghDeg, 3)}`,
          body.khDeg !== null && `KH ${formatNumber(body.khDeg, 3)}`,
          body.tdsPpm !== null && `TDS ${formatNumber(body.tdsPpm, 3)} ppm`,
          body.ph !== null && `pH ${formatNumber(body.ph, 3)}`,
          body.tempC !== null && `${formatNumber(body.tempC, 3)} °C`,
          body.nitratePpm !== null && `nitrate ${formatNumber(body.nitratePpm, 3)} mg/L`,
        ];
        return { text: `${name}: ${words.filter(Boolean).join(', ')}`, subjectId: body.waterId };
      },
      undo: { tables: [analyses] },
    },
    change: {
      apply: (scope, body) => applyChange(scope, body),
      ticks: {
        waterChange: (_scope, { id, amount, at }) =>
          amount ? { tankId: id, litres: amount, waterId: null, tempC: null, at } : null,
      },
      after: (who, body) => tellProbes(who, body),
      undo: { tables: [changes] },
    },
    regime: {
      apply: async (scope, body) => {
        const tank = await room.getTank(scope, body.tankId);
        await waterName(scope, body.waterId);
        const { id: _id, version, override: _override, ...row } = body;
        const before = (await repository.regimesInForce(scope, [tank.id])).get(tank.id);
        await log.mustBeNewest(scope, version, before, {
          theirs: before ? regimeWords(before) : 'no regime',
          yours: regimeWords(row),
        });
        await regimes.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          at: scope.now,
          fromDay: houseDay(scope.now, scope.timeZone),
          ...row,
        });
        return { text: `${tank.code}: ${regimeWords(row)}`, tankId: tank.id, subjectId: tank.id };
      },
      undo: { tables: [regimes] },
    },
    meter: {
      apply: async (scope, body) => {
        const { entryId } = scope;
        const { meterId, name, quantity, method, everyDays } = body;
        await named(name, () => meters.insert(scope, { id: meterId, entryId, name, quantity, method, everyDays }));
        return { text: `Instrument ${name} added`, subjectId: meterId };
      },
      undo: {
        tables: [meters],
        before: async (scope, { subjectId: meterId }) =>
          usedSince((await calibrations.find(scope, { meterId }, { limit: 1 })).length > 0),
      },
    },
    calibration: {
      apply: (scope, body) => applyCalibration(scope, body),
      ticks: { calibrated: (_scope, { id, at }) => ({ meterId: id, at }) },
      undo: { tables: [calibrations] },
    },
  });

  return {
    repository,
    ...createReadings({ clock, room, repository }),
    /** Refuses an instrument that is not of this house. */
    async mustHaveMeter(scope: Scope, meterId: string): Promise<void> {
      if (!(await meters.get(scope, meterId)))
        throw new DomainError('request/not-found', { detail: 'There’s no such instrument.', pointer: '#/meterId' });
    },
    applyChange,
    applyCalibration,
    metersDue,
    regimesDue,

    async waters(who: Who) {
      const [rows, found] = await Promise.all([waters.find(who, {}, { order: [['id', 'ASC']] }), repository.allAnalyses(who)]);
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
          who,
          { tankId: tank.id },
          {
            order: [
              ['at', 'ASC'],
              ['id', 'ASC'],
            ],
          },
        ),
        repository.changesOf(who, tank.id, since),
        repository.lastChanges(who, [tank.id]),
        room.repository.readingsSince(who, tank.id, since),
      ]);
      const row = rows.at(-1) ?? null;
      const regime = row ? toRegime(row) : null;
      const day = (at: string) => houseDay(at, who.timeZone);
      const sourcePpm = await newestNitrate(who, row?.waterId ?? null);
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
        applyChange,
        regime: regime && row ? { ...regime, waterId: row.waterId, version: row.entryId } : null,
        nextChange: regime ? nextChangeDay(regime, lastChange) : null,
        changes: changed.map(({ id, at, litres, fraction, waterId, tempC }) => ({ id, at, litres, fraction, waterId, tempC })),
        production,
        sourcePpm,
        forecast,
      };
    },
  };
}
export type WaterService = ReturnType<typeof createWater>;
