import {
  breederLimits,
  checkCompany,
  FIRST_CONDITIONING_DAYS,
  LOSS_WORDS,
  ripeIn,
  sexWords,
  summariseLengths,
  totalHeads,
  type Heads,
} from '@freshet/core/stock';
import { formatNumber } from '@freshet/core/units';
import { addDays, houseDay } from '@freshet/core/time';
import { DomainError, type Clock, type Who } from '../platform';
import type { RoomService } from '../room';
import type { BroodstockRepository } from './broodstock.repository';
import type { KinshipService } from './kinship.service';
import { toLotView, type LotViews } from './lotViews';
import type { LotRow, MovementRow, StockRepository } from './stock.repository';
import { headWords } from './headWords';

const ORIGIN = { wild: 'wild caught', imported: 'imported', local: 'bred nearby', ownBrood: 'own brood' } as const;
const LEFT: Partial<Record<MovementRow['cause'], string>> = {
  ...LOSS_WORDS,
  infertile: 'white, picked',
  countCorrection: 'counted anew',
};

export interface Happening {
  at: string;
  kind: string;
  words: string;
  path: string | null;
}

/** One lot with its life. */
export function createLotCards({
  clock,
  room,
  stockRepository,
  repository,
  views,
  kinship,
}: {
  clock: Clock;
  room: RoomService;
  stockRepository: StockRepository;
  repository: BroodstockRepository;
  views: LotViews;
  kinship: KinshipService;
}) {
  /** What the ledger tells of a lot, in words. */
  function moved(lot: LotRow, row: MovementRow, called: (lotId: string) => string): Happening | null {
    const heads = headWords(row);
    const other = row.fromLotId === lot.id ? row.toLotId : row.fromLotId;
    const path = other ? `/stock/${other}` : null;
    if (row.cause === 'sexing')
      return row.toLotId === lot.id ? { at: row.fromAt, kind: 'sexing', words: `sexed: ${heads}`, path: null } : null;
    if (row.cause === 'undo') return { at: row.fromAt, kind: 'undo', words: `${heads} taken back`, path };
    if (row.fromLotId === lot.id)
      return {
        at: row.fromAt,
        kind: row.toLotId ? 'split' : 'loss',
        words: row.toLotId ? `${heads} split off${other ? `: ${called(other)}` : ''}` : `${heads} ${LEFT[row.cause] ?? 'left'}`,
        path,
      };
    if (row.cause === 'split') return { at: row.fromAt, kind: 'came', words: `${heads} out of ${called(other ?? '')}`, path };
    if (row.cause === 'merge') return { at: row.fromAt, kind: 'merge', words: `${heads} joined: ${called(other ?? '')}`, path };
    if (row.cause === 'birth')
      return {
        at: row.fromAt,
        kind: 'came',
        words: `${heads} laid or born`,
        path: lot.broodId ? `/broods/${lot.broodId}` : null,
      };
    return {
      at: row.fromAt,
      kind: 'came',
      words:
        row.cause === 'acquired'
          ? [`${heads} came`, ORIGIN[lot.origin], lot.acquiredFrom].filter(Boolean).join(', ')
          : `${heads} more were counted`,
      path: null,
    };
  }

  return async (who: Who, lotId: string) => {
    const lot = await stockRepository.lots.get(who, lotId);
    if (!lot) throw new DomainError('request/not-found', { detail: 'There’s no such lot.' });
    const { timeZone } = who;
    const [
      facts,
      living,
      assessments,
      samples,
      conditions,
      movements,
      placed,
      programmes,
      gradings,
      throwbacks,
      photoIds,
      rooms,
    ] = await Promise.all([
      views.facts(who),
      stockRepository.living(who),
      repository.assessmentsOf(who, lotId),
      stockRepository.samplesOf(who, [lotId]),
      repository.conditionsOf(who, lotId),
      stockRepository.movementsOf(who, [lotId]),
      stockRepository.placementsOf(who, [lotId]),
      repository.programmesOf(who, lotId),
      repository.gradingsOf(who, lotId),
      repository.throwbacksOf(who, lotId),
      repository.photoIds(who, lotId),
      room.repository.all(who),
    ]);
    const parents = await kinship.parentsOf(who, lot, facts.broods);
    const related = await stockRepository.byIds(who, [
      ...new Set(
        [
          ...movements.flatMap(({ fromLotId, toLotId }) => [fromLotId, toLotId]),
          ...[...parents.sires, ...parents.dams].map((parent) => parent.lotId),
        ].filter((id): id is string => id !== null),
      ),
    ]);
    const relatedById = new Map(related.map((one) => [one.id, one]));
    const called = (id: string): string => {
      const other = relatedById.get(id);
      if (!other) return 'a lot that is gone';
      return (
        other.name ??
        [facts.codes.get(other.tankId ?? ''), headWords(other), other.line && `line ${other.line}`].filter(Boolean).join(', ')
      );
    };
    const together = living.filter(
      (one) => one.speciesKey === lot.speciesKey && (one.id === lot.id || (lot.tankId !== null && one.tankId === lot.tankId)),
    );
    const { view, readinessWithChecks, isYoung } = toLotView(lot, together, facts);
    const grown = together.filter((one) => one.id === lot.id || !toLotView(one, together, facts).isYoung);
    const kind = facts.kinds.get(lot.speciesKey);
    const tank = rooms.tanks.find(({ id }) => id === lot.tankId);
    const today = houseDay(clock.now(), timeZone);
    const newestSample = samples.at(-1);
    const sampled = newestSample ? summariseLengths(newestSample.lengths).meanMm : null;
    const ripe =
      kind && !lot.isRetired
        ? ripeIn({ ageDays: view.ageDays, lengthMm: facts.lengths.get(lotId) ?? sampled }, kind.figures)
        : null;
    const sum = (sex: keyof Heads) => grown.reduce((all, one) => all + one[sex], 0);
    const spawnings = facts.broods
      .filter(({ sires, dams }) => sires.includes(lotId) || dams.includes(lotId))
      .map(({ id, name, laidAt, sires, dams }) => {
        const role = sires.includes(lotId) ? ('sire' as const) : ('dam' as const);
        return { broodId: id, name, on: laidAt, role, alone: (role === 'sire' ? sires : dams).length === 1 };
      })
      .sort((a, b) => (a.on < b.on ? -1 : 1));
    const happenings: Happening[] = [
      ...movements.flatMap((row) => moved(lot, row, called) ?? []),
      ...placed.slice(1).map(({ at, tankId }) => ({
        at,
        kind: 'move',
        words: `into ${facts.codes.get(tankId) ?? 'a tank'}`,
        path: `/tanks/${tankId}`,
      })),
      ...spawnings.map(({ broodId, name, on, role }) => ({
        at: on,
        kind: 'spawned',
        words: `${role === 'sire' ? 'sired' : 'mother of'} ${name}`,
        path: `/broods/${broodId}`,
      })),
      ...assessments.map(({ at, pMale }) => ({
        at,
        kind: 'sexing',
        words: `looked at for sex: ${sexWords(pMale)}`,
        path: null,
      })),
      ...samples.map(({ at, lengths }) => ({
        at,
        kind: 'condition' as const,
        words: `${lengths.length} measured: ${formatNumber(summariseLengths(lengths).meanMm, 3)} mm on average`,
        path: null,
      })),
      ...conditions.map(({ at, score, lengthMm }) => ({
        at,
        kind: 'condition',
        words: `condition ${score} of 5${lengthMm === null ? '' : `, ${lengthMm} mm`}`,
        path: null,
      })),
      ...gradings.map(({ at, kept, animals }) => ({
        at,
        kind: 'grading',
        words: `${kept} of ${animals.length} kept`,
        path: null,
      })),
      ...throwbacks.map(({ at, what, seen, ofCount }) => ({
        at,
        kind: 'throwback',
        words: `throwback, ${what}: ${seen} of ${ofCount}`,
        path: null,
      })),
    ];
    const label = (side: readonly { lotId: string; probability: number | null }[]) => {
      const open = side.filter(({ probability }) => probability === null);
      const heads = open.reduce(
        (all, one) => all + Math.max(1, totalHeads(relatedById.get(one.lotId) ?? { males: 0, females: 0, unsexed: 0 })),
        0,
      );
      return side.map(({ lotId: id, probability }) => ({
        lotId: id,
        probability: probability ?? Math.max(1, totalHeads(relatedById.get(id) ?? { males: 0, females: 0, unsexed: 0 })) / heads,
        label: called(id),
      }));
    };
    return {
      lot: view,
      retiredOrGone: lot.isRetired || totalHeads(lot) === 0,
      caution: kind?.caution ?? null,
      readiness: {
        ...(readinessWithChecks ?? { state: 'unknown' as const, checks: [], isDueForReplacement: false }),
        ripe: ripe && {
          from: addDays(today, ripe.fromDays),
          to: addDays(today, ripe.toDays),
          broodFrom: addDays(today, ripe.fromDays + FIRST_CONDITIONING_DAYS),
          by: ripe.by,
        },
      },
      company:
        tank && kind && !isYoung
          ? {
              tankCode: tank.code,
              checks: checkCompany(
                {
                  males: sum('males'),
                  females: sum('females'),
                  unsexed: sum('unsexed'),
                  litres: tank.litres,
                  floorM2: (tank.lengthCm * tank.widthCm) / 10_000,
                  shelters: rooms.equipped.get(tank.id)?.shelters ?? null,
                },
                breederLimits(kind.method, kind.figures, kind.breeders),
              ),
            }
          : null,
      sires: label(parents.sires),
      dams: label(parents.dams),
      parentsFromBrood: parents.fromBrood,
      samples: [...samples].reverse().map(({ id, at, method, lengths }) => ({ id, at, method, lengthsMm: lengths })),
      assessments: assessments.map(({ id, at, lengthMm, answers, pMale }) => ({ id, at, lengthMm, answers, pMale })),
      conditions: conditions.map(({ id, at, score, signs, lengthMm, weightG, note }) => ({
        id,
        at,
        score,
        signs,
        lengthMm,
        weightG,
        note,
      })),
      programmes: programmes.map(({ id, fromDay, toDay, foods, mealsPerDay, separated, water, isEnded }) => ({
        id,
        from: fromDay,
        to: toDay,
        foods,
        mealsPerDay,
        separated,
        water,
        isRunning: !isEnded && toDay >= today,
      })),
      spawnings,
      gradings: gradings.map(({ id, at, criteria, animals, kept }) => ({ id, at, criteria, animals, kept })),
      throwbacks: throwbacks.map(({ id, at, what, seen, ofCount }) => ({ id, at, what, seen, of: ofCount })),
      photoIds,
      life: happenings.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0)),
    };
  };
}
