import { attemptState, SIGN_WORDS, type Sign } from '@freshet/core/spawning';
import type { ResolvedSpecies } from '@freshet/core/species';
import { breederLimits } from '@freshet/core/stock';
import { addDays, houseDay } from '@freshet/core/time';
import type { Clock, Reading, Who } from '../platform';
import type { RoomService } from '../room';
import type { SpeciesService } from '../species';
import type { LotRow, StockService } from '../stock';
import type { AttemptFacts, AttemptRow } from './spawning.repository';

/** Broods of some attempts with how many live, as a later area knows them. */
export type BroodsBy = (
  at: Reading,
  attemptIds: readonly string[],
) => Promise<ReadonlyMap<string, readonly { id: string; alive: number; laidTo: string }[]>>;

/** How a parent lot is called: species, line, generation. */
export function labelOf(lot: LotRow | undefined, kinds: ReadonlyMap<string, ResolvedSpecies>): string {
  if (!lot) return 'gone';
  return [lot.name ?? kinds.get(lot.speciesKey)?.commonName ?? lot.speciesKey, lot.line && `line ${lot.line}`, lot.generation]
    .filter(Boolean)
    .join(', ');
}

export function createReplies({
  clock,
  room,
  stock,
  species,
  factsOf,
}: {
  clock: Clock;
  room: RoomService;
  stock: StockService;
  species: SpeciesService;
  factsOf: (at: Reading, rows: AttemptRow[]) => Promise<AttemptFacts[]>;
}) {
  /** Attempts as they are shown. */
  return async (who: Who, rows: AttemptRow[], broodsBy: BroodsBy) => {
    const today = houseDay(clock.now(), who.timeZone);
    const [facts, tankRows, kinds, broods] = await Promise.all([
      factsOf(who, rows),
      room.repository.tanks.find(who),
      species.all(who),
      broodsBy(
        who,
        rows.map(({ id }) => id),
      ),
    ]);
    const parentIds = new Set(facts.flatMap((attempt) => attempt.parents.map(({ lotId }) => lotId)));
    const lotRows = await stock.repository.byIds(who, [...parentIds]);
    const codes = new Map(tankRows.map((tank) => [tank.id, tank.code]));
    const lots = new Map(lotRows.map((lot) => [lot.id, lot]));
    /** The day until which the females rest after their last clutch, by the habits of their method. */
    const restUntil = (attempt: AttemptFacts) => {
      const last = (broods.get(attempt.id) ?? [])
        .map(({ laidTo }) => laidTo)
        .sort()
        .at(-1);
      const kind = kinds.get(attempt.speciesKey);
      return last && kind ? addDays(houseDay(last, who.timeZone), breederLimits(kind.method, kind.figures).femaleRestDays) : null;
    };
    return facts.map((attempt) => ({
      id: attempt.id,
      name: attempt.name,
      speciesKey: attempt.speciesKey,
      tankId: attempt.tankId,
      tankCode: codes.get(attempt.tankId) ?? '',
      from: attempt.from,
      to: attempt.ended?.day ?? attempt.to,
      conditioningFrom: attempt.conditioningFrom,
      setUpOn: attempt.setUpOn,
      triggerOn: attempt.triggerOn,
      triggered: attempt.triggered ? { from: attempt.triggered.fromAt, to: attempt.triggered.toAt } : null,
      triggerNote: attempt.triggered?.note ?? null,
      recipe: attempt.recipe,
      recipeRef: attempt.recipeRef,
      tags: attempt.tags ?? [],
      state: attemptState(
        {
          from: attempt.from,
          conditioningFrom: attempt.conditioningFrom,
          setUpOn: attempt.setUpOn,
          triggered: attempt.triggered !== null,
          clutches: broods.get(attempt.id)?.length ?? 0,
          alive: (broods.get(attempt.id) ?? []).reduce((sum, brood) => sum + brood.alive, 0),
          outcome: attempt.ended?.outcome ?? null,
          restUntil: restUntil(attempt),
        },
        today,
      ),
      restUntil: restUntil(attempt),
      events: attempt.events.flatMap(({ id, kind, fromAt, toAt, note, outcome }) =>
        kind === 'dated'
          ? []
          : [
              {
                id,
                kind,
                from: fromAt,
                to: toAt,
                words:
                  kind === 'settling'
                    ? [SIGN_WORDS[outcome as Sign], note].filter(Boolean).join(', ')
                    : kind === 'ended'
                      ? [outcome, note].filter(Boolean).join(', ')
                      : (note ?? 'triggered'),
                sign: kind === 'settling' ? (outcome as Sign) : null,
              },
            ],
      ),
      parents: attempt.parents.map(({ lotId, role }) => ({ lotId, role, label: labelOf(lots.get(lotId), kinds) })),
      outcome: attempt.ended?.outcome ?? null,
      note: attempt.ended?.note ?? attempt.note,
      inbreeding: null as number | null,
      firstLight: null as string | null,
      broodIds: (broods.get(attempt.id) ?? []).map(({ id }) => id),
    }));
  };
}
