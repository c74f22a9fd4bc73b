import { nextDrop } from '@freshet/core/broods';
import { exactly } from '@freshet/core/time';
import { groupBy, type Clock, type Who } from '../platform';
import type { RoomService } from '../room';
import type { SpeciesService } from '../species';
import type { StockService } from '../stock';
import type { BroodsRepository } from './broods.repository';

const DAY_MS = 86_400_000;

interface Deps {
  clock: Clock;
  room: RoomService;
  stock: StockService;
  species: SpeciesService;
  repository: BroodsRepository;
}

/** Livebearers with their drops. The number of queries does not grow with them. */
export function createDrops({ clock, room, stock, species, repository }: Deps) {
  return async (who: Who) => {
    const [kinds, living, rows, tanks] = await Promise.all([
      species.all(who),
      stock.repository.living(who),
      repository.withParents(who),
      room.repository.tanks.find(who),
    ]);
    const mothers = living.filter((lot) => {
      const kind = kinds.get(lot.speciesKey);
      return kind?.start === 'born' && lot.females > 0 && lot.broodId === null && !lot.isRetired;
    });
    if (mothers.length === 0) return [];
    const ids = new Set(mothers.map(({ id }) => id));
    const droppedBy = groupBy(
      rows.filter(({ lotId, role }) => role === 'dam' && lotId !== null && ids.has(lotId)),
      (row) => row.lotId ?? '',
    );
    const newestIds = mothers.flatMap(({ id }) => droppedBy.get(id)?.at(-1)?.id ?? []);
    const [newest, counts] = await Promise.all([
      repository.byIds(who, [...new Set(newestIds)]),
      repository.countsOf(who, [...new Set(newestIds)]),
    ]);
    const newestBy = new Map(newest.map((row) => [row.id, row]));
    const countBy = new Map(counts.map((row) => [row.broodId, Number(row.eggs ?? 0)]));
    const sinceOf = (id: string, fallback: string) => newestBy.get(droppedBy.get(id)?.at(-1)?.id ?? '')?.laidFrom ?? fallback;
    const since = mothers.reduce((least, { id, since: came }) => {
      const at = sinceOf(id, came);
      return at < least ? at : least;
    }, clock.now());
    const warmth = groupBy(await room.repository.newestOf(who, ['tempC'], since), (row) => row.tankId);
    const codes = new Map(tanks.map(({ id, code }) => [id, code]));
    return mothers
      .flatMap((lot) => {
        const kind = kinds.get(lot.speciesKey);
        if (!kind) return [];
        const own = droppedBy.get(lot.id) ?? [];
        const last = newestBy.get(own.at(-1)?.id ?? '') ?? null;
        const gaps = own
          .slice(1)
          .map((row, i) => (Date.parse(String(row.laidFrom)) - Date.parse(String(own[i]?.laidFrom))) / DAY_MS)
          .sort((a, b) => a - b);
        const males = living
          .filter((one) => one.speciesKey === lot.speciesKey && one.tankId === lot.tankId && one.broodId === null)
          .reduce((sum, one) => sum + one.males, 0);
        // Before a first drop she is counted from when males were beside her; without them nothing is said.
        const from = last ? { from: last.laidFrom, to: last.laidTo } : males > 0 ? exactly(lot.since) : null;
        const readings = (warmth.get(lot.tankId ?? '') ?? []).map(({ at, value }) => ({ at, tempC: value }));
        return [
          {
            lotId: lot.id,
            label: lot.name ?? kind.commonName,
            speciesKey: lot.speciesKey,
            speciesName: kind.commonName,
            tankId: lot.tankId,
            tankCode: codes.get(lot.tankId ?? '') ?? null,
            females: lot.females,
            males,
            last: last && {
              broodId: last.id,
              name: last.name,
              at: { from: last.laidFrom, to: last.laidTo },
              count: countBy.get(last.id) ?? 0,
            },
            drops: own.length,
            ownDays: gaps.length > 0 ? (gaps[Math.floor(gaps.length / 2)] ?? null) : null,
            next: from && nextDrop(kind, from, readings, clock.now(), who.timeZone),
          },
        ];
      })
      .sort((a, b) => ((a.next?.earliest ?? '9') < (b.next?.earliest ?? '9') ? -1 : 1));
  };
}
export type DropsReader = ReturnType<typeof createDrops>;
