import { stageTimes } from '@freshet/core/spawning';
import type { LossCause } from '@freshet/core/stock';
import { plusDays } from '@freshet/core/time';
import type { ResolvedSpecies } from '../../core/src/species';
import type { AttemptPlan } from './attempts';
import type { Story } from './story';

const DAY_MS = 86_400_000;
/** Days in peat until the bag of the story is wetted. */
const WET_AFTER_DAYS = 165;
const EMPTY = { males: 0, females: 0, unsexed: 0 };

/** What the story needs to know of the house. */
export interface Places {
  tankId(code: string): string;
  tempC(code: string): number;
}

/** The look at half past seven or half past six after an instant, and the one before it. */
function nextLook(at: string): { from: string; to: string } {
  const halfDay = DAY_MS / 2;
  const offset = 6.5 * 3_600_000;
  const slot = Math.ceil((Date.parse(at) - offset) / halfDay);
  return { from: new Date((slot - 1) * halfDay + offset).toISOString(), to: new Date(slot * halfDay + offset).toISOString() };
}

/** When a stage came, some way into its window at the tank's usual temperature. */
function stageAt(
  story: Story,
  species: ResolvedSpecies,
  days: readonly [number, number],
  atC: number,
  startedAt: string,
  tempC: number,
): string {
  const warmth = atC - species.figures.developmentZeroC;
  const share = story.random.between(0.35, 0.65);
  const wanted = (days[0] + (days[1] - days[0]) * share) * warmth;
  return stageTimes({
    model: { kind: 'degreeDays', baseC: species.figures.developmentZeroC, degreeDays: [wanted, wanted] },
    startedAt,
    tempC,
  }).earliest;
}

interface Growing {
  broodId: string;
  lots: { id: string; tank: string; count: number }[];
}

function lose(story: Story, lot: Growing['lots'][number], count: number, at: string, cause: LossCause, note?: string): void {
  const taken = Math.min(count, lot.count);
  if (taken < 1 || at > story.now) return;
  lot.count -= taken;
  story.write(at, 'lose', {
    id: story.newId(at),
    lotId: lot.id,
    heads: { ...EMPTY, unsexed: taken },
    cause,
    at,
    ...(note ? { note } : {}),
  });
}

/** Weekly counts, moves, and the end of those that were raised or lost long ago. */
function growUp(story: Story, plan: AttemptPlan, growing: Growing, swimming: string, laid: string, places: Places): void {
  const { random } = story;
  const moves = [...(plan.moves ?? [])].sort((a, b) => a.day - b.day);
  /** Moves that fall due before an instant: the headcount of their day goes. */
  const moveUntil = (until: string) => {
    for (let move = moves[0]; move && plusDays(laid, move.day) < until; move = moves[0]) {
      moves.shift();
      const at = plusDays(laid, move.day);
      const [first] = growing.lots;
      if (!first || at > story.now) continue;
      const moved = Math.round(first.count * move.share);
      if (moved < 1 || first.tank === move.tank) continue;
      const newLotId = story.newId(at);
      story.write(at, 'move', {
        id: story.newId(at),
        lotId: first.id,
        newLotId,
        toTankId: places.tankId(move.tank),
        heads: { ...EMPTY, unsexed: moved },
        at,
      });
      if (moved === first.count) first.tank = move.tank;
      else {
        first.count -= moved;
        growing.lots.push({ id: newLotId, tank: move.tank, count: moved });
      }
    }
  };
  for (let week = 1; week < 60; week++) {
    const at = plusDays(nextLook(plusDays(swimming, week * 7)).to, 0);
    moveUntil(at);
    if (at > story.now || growing.lots.every((lot) => lot.count === 0)) return;
    const since = (Date.parse(at) - Date.parse(laid)) / DAY_MS;
    for (const lot of growing.lots) {
      if (plan.moves?.some((move) => move.day > since - 1 && move.day <= since + 6)) continue;
      const share = plan.fate === 'lost' && week > 1 ? 0.6 : random.between(0.01, 0.07) / Math.sqrt(week);
      const gone = Math.round(lot.count * share);
      if (plan.fate === 'lost' && week === 4) lose(story, lot, lot.count, at, 'unknown', 'none left, water went off');
      else if (gone > 0) {
        lot.count -= gone;
        story.write(at, 'count', { id: story.newId(at), lotId: lot.id, counted: lot.count, at });
      }
      if (plan.fate === 'raised' && week >= 11)
        lose(
          story,
          lot,
          Math.ceil(lot.count / 2),
          plusDays(at, 0.1),
          'sale',
          ['Thistlewick Aquatics', 'The Glass Heron', 'Quayside Exchange'][week % 3],
        );
      if (plan.fate === 'raised' && week >= 13) lose(story, lot, lot.count, plusDays(at, 0.2), 'sale', 'Quayside Exchange');
    }
  }
}

/** A clutch from laying to today, as it would have been logged. */
export function tellBrood(
  story: Story,
  plan: AttemptPlan,
  attemptId: string,
  species: ResolvedSpecies,
  places: Places,
): { swimming: string | null } {
  const { random } = story;
  const laidDays = plan.laidDaysAgo ?? 0;
  const laidAt = plusDays(story.now, -laidDays);
  const seen = nextLook(laidAt);
  const laid = seen.to > story.now ? { from: laidAt, to: laidAt } : seen;
  const tempC = places.tempC(plan.tank);
  const born = species.start === 'born';
  const carried = species.start === 'carried';
  const [broodId, lotId] = [story.newId(laid.to), story.newId(laid.to)];
  const white = born || carried || species.eggsRest ? 0 : Math.round(plan.eggs * random.between(0.06, 0.16));
  story.write(laid.to, 'addClutch', { id: story.newId(laid.to), broodId, lotId, attemptId, laid, count: plan.eggs, white });
  const growing: Growing = { broodId, lots: [{ id: lotId, tank: plan.tank, count: plan.eggs - white }] };
  const lot = growing.lots[0];
  if (!lot || laid.to > story.now) return { swimming: null };
  if (born) {
    growUp(story, plan, growing, laid.to, laid.to, places);
    return { swimming: laid.to };
  }
  const { hatch, freeSwimming } = species.figures;
  if (!hatch || !freeSwimming) return { swimming: null };
  const hatched = nextLook(stageAt(story, species, hatch.days, hatch.atC, laid.to, tempC));
  for (let day = 1; !carried && day < 4; day++) {
    const at = plusDays(laid.to, day);
    const count = Math.round(lot.count * random.between(0.02, 0.05));
    if (at >= hatched.from || at > story.now || count < 1 || species.guards === 'male' || species.eggsRest) break;
    lot.count -= count;
    story.write(at, 'pickWhite', { id: story.newId(at), broodId, count, at });
  }
  if (hatched.to > story.now) {
    // Peat is taken out of the adults' tank and lies in a bag.
    const bagged = plusDays(laid.to, 1);
    if (species.eggsRest) {
      story.write(bagged, 'logCare', {
        id: story.newId(bagged),
        tankId: places.tankId(plan.tank),
        care: 'looked',
        what: 'peat for eggs',
        amount: null,
        unit: null,
        at: bagged,
      });
      story.write(bagged, 'bagPeat', {
        id: story.newId(bagged),
        broodId,
        vesselId: story.newId(bagged),
        at: bagged,
        label: 'N3',
        place: 'tea tin, linen shelf',
        moisture: 'damp',
        wetOn: plusDays(laid.to, WET_AFTER_DAYS).slice(0, 10),
      });
    }
    if (plan.box) {
      const at = plusDays(laid.to, 0.1);
      story.write(at, 'keepEggs', {
        id: story.newId(at),
        broodId,
        at,
        plan: 'pullEggs',
        fungus: 'leaves',
        dyeMgPerL: null,
        dyeStockPercent: null,
        dailyChangeFraction: 0.3,
        container: 'hatching box',
        why: 'the mop is picked each morning',
        toTankId: places.tankId(plan.box),
      });
    }
    for (const [i, picked] of (plan.picks ?? []).entries()) {
      const at = plusDays(laid.to, i + 1);
      story.write(at, 'pickEggs', { id: story.newId(at), broodId, picked, at: { from: plusDays(at, -0.5), to: at }, next: null });
    }
    return { swimming: null };
  }
  // Eggs left where they stick without their parents go white more often than those beside an air-stone.
  const afterHatch = Math.round(lot.count * random.between(0.82, 0.95) * (plan.eggPlan === 'removeParents' ? 0.8 : 1));
  if (!carried) {
    lot.count = afterHatch;
    story.write(hatched.to, 'observe', {
      id: story.newId(hatched.to),
      broodId,
      kind: 'hatched',
      at: hatched,
      counted: afterHatch,
    });
  }
  const swims = carried ? hatched : nextLook(stageAt(story, species, freeSwimming.days, freeSwimming.atC, hatched.to, tempC));
  if (swims.to > story.now) return { swimming: null };
  lot.count = Math.max(1, Math.round(lot.count * random.between(0.78, 0.94)));
  story.write(swims.to, 'observe', { id: story.newId(swims.to), broodId, kind: 'freeSwimming', at: swims, counted: lot.count });
  growUp(story, plan, growing, swims.to, laid.to, places);
  return { swimming: swims.to };
}
