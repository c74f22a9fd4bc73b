import { compareWalk, type WalkPlace } from '../room';
import { METHOD_TEMPLATES, totalHeads } from '../stock';
import { daysBetween, formatDay, type Day } from '../time';
import { formatNumber } from '../units';
import type { LifeStage } from '../broods';
import { broodChores } from './chores/broodChores';
import type { Chore, ChoreKind } from './chores/chore';
import { conditioningChores } from './chores/conditioningChores';
import { attemptChores, keeperChores, tooColdToFeed } from './chores/keeperChores';
import { cultureChores, hatchChore, startChores } from './chores/larderChores';
import { meterChores, roomChores } from './chores/roomChores';
import type { Alarm } from './alarm';
import { deriveAlarms } from './deriveAlarms';
import { deriveLarder } from './deriveLarder';
import type { HouseLot, HouseOutcome, HouseTank } from './houseState';
import type { ReadBrood, ReadHouse } from './readHouse';

export type { Alarm } from './alarm';
export type { Chore, ChoreKind } from './chores/chore';

/** One stop of the walk. */
export interface RoundStop {
  /** Null for the larder shelf, where cultures without a tank stand. */
  tankId: string | null;
  code: string;
  rackCode: string;
  quarantine: boolean;
  who: string;
  detail: string;
  stage: LifeStage | 'breeders' | 'culture' | null;
  /** To know, not to tick. */
  notes: string[];
  chores: Chore[];
}

/** The round of one day. */
export interface Round {
  day: Day;
  stops: RoundStop[];
  alarms: Alarm[];
  total: number;
  done: number;
  /** Rough minutes for what is left. */
  minutesLeft: number;
}

const SECONDS: Record<ChoreKind, number> = {
  feed: 40,
  pickWhite: 180,
  change: 240,
  dye: 60,
  look: 40,
  removeAdults: 240,
  temperature: 20,
  startCulture: 300,
  setHatch: 180,
  feedCulture: 60,
  checkRipe: 40,
  harvest: 120,
  renewCulture: 300,
  trigger: 600,
  setUp: 900,
  waterChange: 360,
  feedFilter: 30,
  testWater: 300,
  calibrate: 420,
  condition: 60,
  score: 90,
};
const LARDER_POSITION = 800;

function describeLots(
  lots: readonly HouseLot[],
  broods: readonly ReadBrood[],
  house: ReadHouse,
): Pick<RoundStop, 'who' | 'detail' | 'stage'> {
  const young = broods[0];
  if (young) {
    const here = young.lots.filter((lot) => lots.includes(lot)).reduce((sum, lot) => sum + totalHeads(lot), 0);
    const word = { eggs: 'eggs', yolk: 'with yolk', fry: 'fry', growing: 'juveniles', ready: 'ready for sale' }[
      young.state.stage
    ];
    const age =
      young.state.feedingDays === null ? `day ${young.state.ageDays}` : `day ${Math.floor(young.state.feedingDays)} of feeding`;
    const more = lots.filter((lot) => lot.broodId === null).reduce((sum, lot) => sum + totalHeads(lot), 0);
    return {
      who: young.species.commonName,
      detail: `${here} ${word}, ${age}${more > 0 ? `; ${more} ${more === 1 ? 'adult' : 'adults'}` : ''}${broods.length > 1 ? `; ${broods.length} broods` : ''}`,
      stage: young.state.stage,
    };
  }
  const names = [...new Set(lots.map((lot) => house.state.species.get(lot.speciesKey)?.commonName ?? lot.speciesKey))];
  const [males, females, unsexed] = (['males', 'females', 'unsexed'] as const).map((sex) =>
    lots.reduce((sum, lot) => sum + lot[sex], 0),
  ) as [number, number, number];
  return {
    who: names.join(', '),
    detail: [males && `${males} m`, females && `${females} f`, unsexed && `${unsexed} unsexed`].filter(Boolean).join(', '),
    stage: lots.length > 0 ? 'breeders' : null,
  };
}

function notesFor(tank: HouseTank, broods: readonly ReadBrood[], house: ReadHouse): string[] {
  const notes: string[] = [];
  const quarantine = house.state.room.quarantines.get(tank.id);
  if (tank.quarantine || quarantine !== undefined)
    notes.push(
      `Quarantine: its own net, hose and towel. Wash hands after.${quarantine ? ` Until ${formatDay(quarantine.endsOn, house.today)}.` : ''}`,
    );
  for (const { species, state } of broods)
    if (state.stage === 'eggs' && METHOD_TEMPLATES[species.method].guards === 'male')
      notes.push('The male is on eggs: look from a distance, do not lift the cave.');
    else if (state.stage === 'eggs' && species.start === 'carried') notes.push('The mother carries: no net, no big change.');
  for (const { species } of broods) if (species.caution) notes.push(species.caution);
  const coldC = tooColdToFeed(house, tank.id);
  if (coldC !== null && house.lotsByTank.has(tank.id)) notes.push(`${formatNumber(coldC)} °C: no food, it would rot.`);
  return [...new Set(notes)];
}

/** Puts outcomes beside their chores; outcomes whose chore is gone (a culture that was started) stay visible as done. */
function settle(chores: readonly Chore[], outcomes: ReadonlyMap<string, HouseOutcome>, used: Set<string>): Chore[] {
  return chores.map((chore) => {
    const outcome = outcomes.get(chore.key);
    if (!outcome) return chore;
    used.add(chore.key);
    return {
      ...chore,
      overdue: false,
      outcome: { entryId: outcome.entryId, status: outcome.status, amount: outcome.amount, by: outcome.by },
    };
  });
}

function leftOver(outcome: HouseOutcome): Chore {
  return {
    key: outcome.choreKey,
    kind: outcome.choreKey.split(':')[0] as ChoreKind,
    mark: 'do',
    text: outcome.text,
    amount: null,
    amountText: outcome.amount === null ? '' : `${formatNumber(outcome.amount)} ${outcome.unit ?? ''}`,
    why: [],
    caution: null,
    overdue: false,
    log: null,
    outcome: { entryId: outcome.entryId, status: outcome.status, amount: outcome.amount, by: outcome.by },
  };
}

/**
 * The round of a day: every stop with its chores, in the order of one walk through the room, with the outcomes logged so far.
 * Nothing of it is stored; planning again with newer facts is always consistent.
 * @param day - today or a coming day; later days take today's headcounts
 */
export function deriveRound(house: ReadHouse, day: Day): Round {
  const outcomes = new Map(
    house.state.outcomes.filter((outcome) => outcome.day === day).map((outcome) => [outcome.choreKey, outcome]),
  );
  const used = new Set<string>();
  const placed: { place: WalkPlace; stop: RoundStop }[] = [];
  const plans = deriveLarder(house);
  const shelf: Chore[] = [...startChores(plans, day, house.today)];
  const hatching = hatchChore(house, day);
  if (hatching) shelf.push(hatching);
  const cultureByTank = new Map<string, Chore[]>();
  const cultureNames = new Map<string, string[]>();
  for (const described of house.cultures) {
    const { culture } = described;
    const chores = cultureChores(described, house, day);
    if (!culture.tankId) shelf.push(...chores);
    else {
      cultureByTank.set(culture.tankId, [...(cultureByTank.get(culture.tankId) ?? []), ...chores]);
      cultureNames.set(culture.tankId, [...(cultureNames.get(culture.tankId) ?? []), culture.name]);
    }
  }
  for (const tank of house.state.tanks) {
    const lots = house.lotsByTank.get(tank.id) ?? [];
    const broods = house.broodsByTank.get(tank.id) ?? [];
    const attempts = house.attemptsByTank.get(tank.id) ?? [];
    const adults = lots.filter((lot) => lot.broodId === null);
    const chores = [
      ...broods.flatMap((read) =>
        read.lots.filter((lot) => lot.tankId === tank.id).flatMap((lot) => broodChores(read, tank, lot, house, day)),
      ),
      ...keeperChores(
        adults,
        attempts.find((attempt) => adults.some((lot) => attempt.parentLotIds.includes(lot.id))) ?? null,
        house,
        day,
      ),
      ...conditioningChores(adults, house, day),
      ...attempts.flatMap((attempt) => attemptChores(attempt, day, house)),
      ...(cultureByTank.get(tank.id) ?? []),
    ];
    chores.push(...roomChores(tank, house, day, chores));
    const unique = [...new Map(chores.map((chore) => [chore.key, chore])).values()];
    const remembered = [...outcomes.values()].filter(
      (outcome) => outcome.tankId === tank.id && !unique.some((chore) => chore.key === outcome.choreKey),
    );
    const settled = [...settle(unique, outcomes, used), ...remembered.map(leftOver)];
    const notes = notesFor(tank, broods, house);
    if (settled.length === 0 && (notes.length === 0 || lots.length === 0)) continue;
    const described =
      lots.length > 0
        ? describeLots(lots, broods, house)
        : {
            who: cultureNames.get(tank.id)?.join(', ') ?? attempts[0]?.name ?? 'empty',
            detail: cultureNames.has(tank.id) ? 'culture' : '',
            stage: cultureNames.has(tank.id) ? ('culture' as const) : null,
          };
    placed.push({
      place: {
        quarantine: tank.quarantine,
        rackPosition: tank.rackPosition,
        nursery: broods.length > 0,
        shelfLevel: tank.shelfLevel,
        leftCm: tank.leftCm,
        code: tank.code,
      },
      stop: {
        tankId: tank.id,
        code: tank.code,
        rackCode: tank.rackCode,
        quarantine: tank.quarantine,
        ...described,
        notes,
        chores: settled,
      },
    });
  }
  // What has no tank: the live food, and the instruments on the bench.
  const placeless = [
    { code: 'Larder', who: 'Live food', detail: 'cultures and hatches', stage: 'culture' as const, chores: shelf },
    { code: 'Bench', who: 'Instruments', detail: 'calibration', stage: null, chores: meterChores(house, day) },
  ];
  for (const [i, { chores: due, ...named }] of placeless.entries()) {
    const keys = new Set(due.map((chore) => chore.key));
    const settled = [
      ...settle(due, outcomes, used),
      ...[...outcomes.values()]
        .filter((outcome) => outcome.tankId === null && !keys.has(outcome.choreKey))
        .filter((outcome) => outcome.choreKey.startsWith('calibrate:') === (named.code === 'Bench'))
        .map(leftOver),
    ];
    if (settled.length === 0) continue;
    placed.push({
      place: { quarantine: false, rackPosition: LARDER_POSITION + i, nursery: false, shelfLevel: 0, leftCm: 0, code: named.code },
      stop: { tankId: null, rackCode: '', quarantine: false, notes: [], ...named, chores: settled },
    });
  }
  const stops = placed.sort((a, b) => compareWalk(a.place, b.place)).map(({ stop }) => stop);
  const chores = stops.flatMap((stop) => stop.chores);
  const open = chores.filter((chore) => !chore.outcome);
  return {
    day,
    stops,
    alarms: daysBetween(house.today, day) === 0 ? deriveAlarms(house, plans) : [],
    total: chores.length,
    done: chores.length - open.length,
    minutesLeft: Math.round(open.reduce((sum, chore) => sum + SECONDS[chore.kind], 0) / 60),
  };
}
