import { CULTURES, type CultureFood, type CultureKind } from '../larder';
import { FOOD_NAMES, expectedLengthMm, totalHeads } from '../stock';
import { addDays, daysBetween, houseDay, type Day } from '../time';
import { deriveLarder } from './deriveLarder';
import type { ReadBrood, ReadHouse } from './readHouse';

/** What a bar of the Horizon is about; decides its colour and pattern. */
export type HorizonKind = 'eggs' | 'yolk' | 'fry' | 'growing' | 'ready' | 'breeders' | 'culture' | 'tank';

/** One bar of the Horizon, days included. */
export interface HorizonItem {
  key: string;
  kind: HorizonKind;
  from: Day;
  to: Day;
  label: string;
  /** Predicted bars are dashed, fixed ones solid. */
  predicted: boolean;
  urgent: boolean;
  subject: { kind: 'brood' | 'tank' | 'attempt' | 'larder'; id: string };
}

function broodItems(read: ReadBrood, house: ReadHouse, last: Day): HorizonItem[] {
  const { brood, species, state, lots } = read;
  const { timeZone } = house.state;
  const subject = { kind: 'brood', id: brood.id } as const;
  const codes = [...new Set(lots.map((lot) => house.tanks.get(lot.tankId ?? '')?.code).filter(Boolean))].join(', ');
  const name = species.commonName.toLowerCase();
  const items: HorizonItem[] = [];
  for (const window of state.windows) {
    if (window.status === 'observed' || !window.earliest || window.stage === 'yolkEnd' || window.stage === 'freeSwimming')
      continue;
    if (window.stage === 'firstFeed' && species.start === 'carried') continue;
    const from = houseDay(window.earliest, timeZone);
    const to = window.status === 'overdue' ? house.today : houseDay(window.latest ?? window.earliest, timeZone);
    const hatch = window.stage === 'hatch';
    items.push({
      key: `${brood.id}:${window.stage}`,
      kind: hatch ? 'eggs' : 'yolk',
      from,
      to,
      label: hatch ? `${name} ${species.start === 'carried' ? 'release' : 'hatch'} ${codes}` : `first feed ${codes}`,
      predicted: true,
      urgent: window.status === 'overdue',
      subject,
    });
  }
  if (state.feedingDays !== null && state.lengthMm !== null) {
    const rung = species.figures.ladder.find((step) => step.fromMm > (state.lengthMm ?? 0));
    for (let ahead = 1; rung && ahead <= daysBetween(house.today, last); ahead++)
      if (expectedLengthMm(species.figures, state.feedingDays + ahead) >= rung.fromMm) {
        const day = addDays(house.today, ahead);
        items.push({
          key: `${brood.id}:food:${rung.food}`,
          kind: 'fry',
          from: day,
          to: addDays(day, 1),
          label: `${FOOD_NAMES[rung.food]} from here, ${codes}`,
          predicted: true,
          urgent: false,
          subject,
        });
        break;
      }
  }
  if (state.ready) {
    const [from, to] = [houseDay(state.ready.from, timeZone), houseDay(state.ready.to, timeZone)];
    const count = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
    if (from > house.today)
      items.push({
        key: `${brood.id}:ready`,
        kind: 'ready',
        from,
        to,
        label: `${count} ${name} ready`,
        predicted: true,
        urgent: false,
        subject,
      });
  }
  return items;
}

/** Windows this long would fill the strip; they are placed last. */
const LONG_DAYS = 8;
/** What is shown first when not everything has room: what cannot be put off before what can. */
const WEIGHT: Record<HorizonKind, number> = { eggs: 0, yolk: 1, culture: 2, ready: 3, tank: 4, breeders: 5, growing: 6, fry: 6 };
const isLong = (item: HorizonItem) => daysBetween(item.from, item.to) >= LONG_DAYS;

/** The next `days` days in bars: hatches, first feeds, food changes, cultures, spawnings set up, tanks falling free, ready for sale. */
export function deriveHorizon(house: ReadHouse, days = 21): HorizonItem[] {
  const last = addDays(house.today, days - 1);
  const items = house.broods.flatMap((read) => broodItems(read, house, last));
  for (const { culture, state } of house.cultures) {
    const kind: CultureKind = CULTURES[culture.food];
    const subject = { kind: 'larder', id: culture.id } as const;
    if (state.phase === 'ripening' || state.phase === 'maybeRipe')
      items.push({
        key: `${culture.id}:ripe`,
        kind: 'culture',
        from: state.ripeFrom,
        to: state.ripeBy,
        label: `${culture.name} ripe`,
        predicted: true,
        urgent: false,
        subject,
      });
    else if (!kind.batch)
      items.push({
        key: `${culture.id}:renew`,
        kind: 'culture',
        from: state.lastDay,
        to: state.lastDay,
        label: `renew ${culture.name}`,
        predicted: true,
        urgent: false,
        subject,
      });
  }
  for (const plan of deriveLarder(house)) {
    const by = plan.startBy ?? plan.backUpBy;
    const daily = CULTURES[plan.food as CultureFood]?.batch && plan.status !== 'late';
    if (by && plan.status !== 'safe' && !daily)
      items.push({
        key: `${plan.key}:start`,
        kind: 'culture',
        from: by,
        to: by,
        label: `start ${FOOD_NAMES[plan.food]}${plan.status === 'single' ? ', back-up' : ''}`,
        predicted: false,
        urgent: plan.status === 'late',
        subject: { kind: 'larder', id: plan.key },
      });
  }
  for (const attempt of house.state.attempts) {
    const code = house.tanks.get(attempt.tankId)?.code ?? '';
    const subject = { kind: 'attempt', id: attempt.id } as const;
    if (attempt.triggerOn && !attempt.triggered && !attempt.hasBrood)
      items.push({
        key: `${attempt.id}:trigger`,
        kind: 'breeders',
        from: attempt.triggerOn,
        to: attempt.triggerOn,
        label: `trigger ${code}`,
        predicted: false,
        urgent: false,
        subject,
      });
    if (attempt.to && attempt.to >= house.today)
      items.push({
        key: `${attempt.id}:free`,
        kind: 'tank',
        from: addDays(attempt.to, 1),
        to: addDays(attempt.to, 1),
        label: `tank ${code} free`,
        predicted: true,
        urgent: false,
        subject: { kind: 'tank', id: attempt.tankId },
      });
  }
  return items
    .map((item) =>
      item.from < house.today ? { ...item, from: house.today, to: item.to < house.today ? house.today : item.to } : item,
    )
    .filter((item) => item.from <= last)
    .sort(
      (a, b) =>
        Number(b.urgent) - Number(a.urgent) ||
        Number(isLong(a)) - Number(isLong(b)) ||
        WEIGHT[a.kind] - WEIGHT[b.kind] ||
        (a.from < b.from ? -1 : a.from > b.from ? 1 : a.key < b.key ? -1 : 1),
    );
}

/** The width an item takes with its label, in days from the first; `to` excluded. */
export interface HorizonSpan {
  from: number;
  to: number;
}

/**
 * Lays items into lanes so that neither bars nor their labels overlap; earlier items are placed first.
 * @param spanOf - what an item takes with its label
 * @returns lane by item key; those that found no lane are not in it
 */
export function packLanes<Item extends { key: string }>(
  items: readonly Item[],
  lanes: number,
  spanOf: (item: Item) => HorizonSpan,
): Map<string, number> {
  const taken: HorizonSpan[][] = Array.from({ length: lanes }, () => []);
  const placed = new Map<string, number>();
  for (const item of items) {
    const { from, to } = spanOf(item);
    const lane = taken.findIndex((spans) => spans.every((span) => span.to <= from || span.from >= to));
    if (lane < 0) continue;
    taken[lane]?.push({ from, to });
    placed.set(item.key, lane);
  }
  return placed;
}
