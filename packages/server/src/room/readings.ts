import { errorBand, findDisagreements, type MeasuringMethod } from '@freshet/core/room';
import type { Clock, Who } from '../platform';
import type { RoomService } from './room.service';
import type { CalibrationRow, createWaterRepository, MeterRow } from './water.repository';

const DAY_MS = 86_400_000;
const USUAL_METHOD = { tempC: 'meter' } as const;

/** Readings and how far they can be believed. */
export function createReadings({
  clock,
  room,
  repository,
}: {
  clock: Clock;
  room: RoomService;
  repository: ReturnType<typeof createWaterRepository>;
}) {
  const { meters } = repository;

  /** When an instrument was last calibrated by an instant. */
  function calibrationAt(meter: MeterRow | undefined, rows: readonly CalibrationRow[], at: string) {
    if (!meter?.everyDays) return null;
    const last = rows.findLast((row) => row.meterId === meter.id && row.at <= at);
    return { everyDays: meter.everyDays, daysSince: last ? (Date.parse(at) - Date.parse(last.at)) / DAY_MS : null };
  }

  return {
    /** Readings of a tank with their error bands, and which contradict one another. */
    async readings(who: Who, tankId: string, days: number) {
      const tank = await room.getTank(who, tankId);
      const since = new Date(Date.parse(clock.now()) - days * DAY_MS).toISOString();
      const [rows, meterRows, dates, changed] = await Promise.all([
        room.repository.readingsSince(who, tank.id, since),
        meters.find(who),
        repository.allCalibrations(who),
        repository.changesOf(who, tank.id, since),
      ]);
      const byId = new Map(meterRows.map((meter) => [meter.id, meter]));
      const banded = rows.map(({ id, quantity, value, at, method, meterId }) => {
        const how: MeasuringMethod = method ?? (USUAL_METHOD as Partial<Record<string, MeasuringMethod>>)[quantity] ?? 'drops';
        const band = errorBand(quantity, how, value, calibrationAt(byId.get(meterId ?? ''), dates, at));
        return { id, quantity, value, at, method: how, band };
      });
      const against = new Map(
        findDisagreements(
          banded,
          changed.map((row) => row.at),
        ).map(({ earlier, later }) => [later.id, earlier.id]),
      );
      return banded.map((reading) => ({ ...reading, disagreesWith: against.get(reading.id) ?? null }));
    },
  };
}
