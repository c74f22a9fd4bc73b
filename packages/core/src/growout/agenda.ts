import { BAR_RANK, chore, tick, type Agenda, type Alarm, type Bar, type PlacedChore } from '../agenda';
import { residentsOf, type ReadBrood } from '../broods';
import { codeOf } from '../room';
import { methodOf } from '../species';
import { mayBeMixed, totalHeads } from '../stock';
import { addDays, daysBetween, formatDay, houseDay, type Day } from '../time';
import { formatNumber, roundToFigures } from '../units';
import { bookingAlarms } from './bookingAlarms';
import { dayIn, growthOf, likelyDays } from './broodGrowth';
import { GROWOUT_CHORES } from './choreKinds';
import { crowdingForecast, youngCarried } from './crowding';
import type { GrowoutView, PlacedMove } from './facts';
import { dangerRatio, shareAtRisk } from './grading';
import { lengthAt } from './growth';

const CROWD_BAR_DAYS = 21;
/** Young are measured and sorted once they are so long and so many days on food. */
const MEASURABLE_MM = 8;
const MEASURABLE_DAYS = 14;
/** Lengths are asked for when the newest are so old. */
const MEASURE_DAYS = 21;
const PART_AHEAD_DAYS = 7;
/** At most so many of a brood at risk from their sisters before sorting is asked for, and a spread that shows. */
const RISK_SHARE = 0.02;
const SPREAD_SHOWS = 0.2;
/** Without a length on the recipe young leave a colony at this, mm. */
const COLONY_OUT_MM = 10;

/** Tanks that are tight or too full today: said before stunting begins. What only comes stands in the Horizon. */
function crowdingAlarms(view: GrowoutView): Alarm[] {
  return [...view.lotsByTank.keys()].flatMap((tankId): Alarm[] => {
    const tank = view.tanks.get(tankId);
    const crowd = crowdingForecast(view, tankId, 0);
    if (!tank || !crowd?.tightOn) return [];
    const { fullOn, most } = crowd;
    const { figures, commonName } = most.species;
    const isFull = fullOn !== null;
    const mm = crowd.mostMm ?? figures.saleMm[0];
    // Room is booked for some of them: that stands in the Horizon until it is too full.
    const leaving = view.moves.find(({ lotId }) => lotId === most.lot.id);
    if (leaving && !isFull) return [];
    const carried = (side: 'tight' | 'full') => youngCarried(figures, mm, tank, side);
    const room =
      figures.limitedBy === 'floor' ? `${formatNumber(tank.floorM2 * 10_000)} cm² of floor` : `${formatNumber(tank.litres)} L`;
    const here = most.heads + crowd.others;
    const plenty = Math.max(1, Math.round((carried('tight') + carried('full')) / 2));
    const long = `${most.lengthBy === 'curve' ? 'about ' : ''}${formatNumber(mm)} mm`;
    const bound = isFull ? `${plenty} is plenty at ${long}` : `${Math.floor(carried('full'))} at ${long} would fill it`;
    const act = leaving
      ? `${leaving.heads} go to ${codeOf(view, leaving.toTankId)} on ${formatDay(leaving.on, view.today)}, as planned.`
      : isFull
        ? `Move or sell about ${roundToFigures(Math.max(1, here - plenty), here - plenty >= 100 ? 2 : 1)} before they stunt; stunted fish don’t catch up.`
        : 'Find them more room before they stunt; stunted fish don’t catch up.';
    return [
      {
        key: `crowd:${tankId}`,
        about: {
          topic: isFull ? 'full' : 'filling',
          part: `${tank.code}: ${here} ${crowd.others > 0 ? 'animals' : commonName.toLowerCase()}, ${isFull ? `${plenty} is plenty` : bound}`,
        },
        severity: isFull ? 'now' : 'soon',
        title: isFull ? `${tank.code} is too full.` : `${tank.code} is getting full.`,
        text: `${most.heads} ${commonName.toLowerCase()}${crowd.others > 0 ? ` and ${crowd.others} others` : ''} in ${room}; ${bound}. ${act}`,
        subject: { kind: 'growout', id: tankId },
      },
    ];
  });
}

/** When broods can be sold, tanks get tight, and who moves on. */
function growoutBars(view: GrowoutView): Bar[] {
  const items: Bar[] = [];
  for (const { brood, species, state, lots } of view.broods)
    if (state.ready) {
      const [from, to] = [houseDay(state.ready.from, view.timeZone), houseDay(state.ready.to, view.timeZone)];
      const count = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
      if (from > view.today)
        items.push({
          key: `${brood.id}:ready`,
          kind: 'ready',
          rank: BAR_RANK.ready,
          from,
          to,
          label: `${count} ${species.commonName.toLowerCase()} ready`,
          predicted: true,
          urgent: false,
          subject: { kind: 'brood', id: brood.id },
        });
    }
  for (const tankId of view.lotsByTank.keys()) {
    const tightOn = crowdingForecast(view, tankId, CROWD_BAR_DAYS)?.tightOn;
    if (tightOn && tightOn > view.today)
      items.push({
        key: `${tankId}:tight`,
        kind: 'tank',
        rank: BAR_RANK.tank,
        from: tightOn,
        to: addDays(tightOn, 2),
        label: `${codeOf(view, tankId)} tight`,
        predicted: true,
        urgent: false,
        subject: { kind: 'growout', id: tankId },
      });
  }
  for (const move of view.moves)
    items.push({
      key: `${move.id}:move`,
      kind: 'tank',
      rank: BAR_RANK.tank,
      from: move.on < view.today ? view.today : move.on,
      to: move.on < view.today ? view.today : move.on,
      label: `${move.heads} into ${codeOf(view, move.toTankId)}`,
      predicted: false,
      urgent: move.on < view.today,
      subject: { kind: 'growout', id: move.toTankId },
    });
  return items;
}

/** Moves of the plan that was taken, on their day and until they are made. */
function moveChore(view: GrowoutView, move: PlacedMove, day: Day): PlacedChore[] {
  const lot = view.stock.lots.find(({ id }) => id === move.lotId);
  if (!lot || day < move.on) return [];
  const species = view.species.get(lot.speciesKey);
  const code = codeOf(view, move.toTankId);
  const heads = Math.min(move.heads, totalHeads(lot));
  return [
    {
      tankId: lot.tankId,
      chore: chore(GROWOUT_CHORES.moveYoung, {
        subject: move.id,
        day,
        text: `Move ${heads === totalHeads(lot) ? 'all' : heads} ${species?.commonName.toLowerCase() ?? ''} to ${code}`,
        amount: { value: heads, unit: 'heads' },
        amountText: `${heads} to ${code}`,
        overdue: day > move.on,
        why: [
          `From your plan for ${formatDay(move.on, view.today)}, so they have room to grow.`,
          `Compare the two waters first; Send on ${codeOf(view, lot.tankId)} opens the transfer sheet. Ticking logs the move.`,
        ],
        caution: species?.caution ?? null,
        tick: tick('moveYoung', move.id),
      }),
    },
  ];
}

/** Lots of a brood by tank, the first of each. */
const firstLots = ({ lots }: ReadBrood) => [...new Map(lots.map((lot) => [lot.tankId, lot])).values()];

/** What growing young ask for: lengths, sorting, sexes apart, out of the colony. */
function youngChores(view: GrowoutView, read: ReadBrood, day: Day): PlacedChore[] {
  const { species, state, brood, lots } = read;
  const growth = growthOf(read);
  if (!growth || state.stage === 'eggs' || state.stage === 'yolk') return [];
  const found: PlacedChore[] = [];
  const add = (kind: (typeof GROWOUT_CHORES)['gradeYoung'], tankId: string | null, draft: Parameters<typeof chore>[1]) => {
    if (tankId) found.push({ tankId, chore: chore(kind, { ...draft, subject: `${brood.id}:${tankId}` }) });
  };
  const base = { subject: '', day };
  const last = brood.measured ? houseDay(brood.measured.at, view.timeZone) : null;
  const big = growth.ageDays >= MEASURABLE_DAYS && lengthAt(growth.middle, growth.ageDays) >= MEASURABLE_MM;
  const [first] = firstLots(read);
  if (big && first && state.stage !== 'ready' && (last === null || daysBetween(last, day) >= MEASURE_DAYS))
    add(GROWOUT_CHORES.measureYoung, first.tankId, {
      ...base,
      text: `Measure some ${species.commonName.toLowerCase()}`,
      amountText: last === null ? 'never measured' : `last ${formatDay(last, view.today)}`,
      why: [
        'Sale, food and room go by length. Until you measure, it’s estimated from the species.',
        'Ticking logs one typical length. Ten on graph paper are far better: Measure on the brood’s page.',
      ],
      tick: tick('measureYoung', first.id),
    });
  const school = read.attempt?.recipe.growing ?? null;
  const risk = shareAtRisk(growth.cv, dangerRatio(species));
  if (big && school !== 'together' && growth.cv >= SPREAD_SHOWS && risk >= RISK_SHARE && state.stage !== 'ready')
    for (const lot of firstLots(read))
      add(GROWOUT_CHORES.gradeYoung, lot.tankId, {
        ...base,
        text: `Sort the ${species.commonName.toLowerCase()} by size`,
        amountText: `spread ${formatNumber(growth.cv * 100)} %`,
        why: [
          `Lengths scatter by ${formatNumber(growth.cv * 100)} % of the mean: about ${formatNumber(risk * 100)} % could be taken by the largest of their own.`,
          'Use two nets and three bowls. The sheet is under Growth. Prefer to keep them together? Say so in the recipe and this won’t be asked.',
        ],
      });
  const { parted } = methodOf(species);
  const partMm = parted?.mm ?? species.figures.maturityMm[0];
  const [byLength, byAge] = [
    dayIn(likelyDays(growth, partMm, 0.1), view.today),
    parted?.days == null ? null : addDays(view.today, Math.ceil(parted.days - growth.ageDays)),
  ];
  const partOn = [byLength, byAge].filter((one) => one !== null).sort()[0];
  const unsexed = lots.reduce((sum, lot) => sum + lot.unsexed, 0);
  const mixed = lots.filter(mayBeMixed);
  if (parted && partOn && addDays(partOn, -PART_AHEAD_DAYS) <= day && mixed.length > 0)
    for (const lot of mixed)
      add(GROWOUT_CHORES.partSexes, lot.tankId, {
        ...base,
        text: `Separate males and females: ${species.commonName.toLowerCase()}`,
        amountText: unsexed > 0 ? `${unsexed} not sexed` : 'males from females',
        why: [
          `${partOn === byLength ? `The first tenth is about ${formatNumber(partMm)} mm` : `They are ${parted.days ?? ''} days old`} on ${formatDay(partOn, view.today)}.`,
          parted.why,
          'The sexing help is on their card. Keep them together if you want them to pair off.',
        ],
      });
  found.push(...colonyChores(view, read, day));
  return found;
}

/** Young that live with their parents, and the recipe says that they leave at a length. */
function colonyChores(view: GrowoutView, read: ReadBrood, day: Day): PlacedChore[] {
  const { species, attempt, brood } = read;
  const growth = growthOf(read);
  if (attempt?.recipe.outOfColony !== 'atLength' || !growth) return [];
  const outMm = attempt.recipe.colonyOutMm ?? COLONY_OUT_MM;
  if (lengthAt(growth.middle, growth.ageDays + daysBetween(view.today, day)) < outMm) return [];
  return firstLots(read).flatMap(({ tankId }): PlacedChore[] => {
    const parents = tankId
      ? residentsOf(view, tankId).filter((one) => one.species.key === species.key && one.brood === null && !one.isYoung)
      : [];
    return parents.length === 0
      ? []
      : [
          {
            tankId,
            chore: chore(GROWOUT_CHORES.outOfColony, {
              subject: `${brood.id}:${tankId ?? ''}`,
              day,
              text: `Take the young ${species.commonName.toLowerCase()} out of the colony`,
              amountText: `${formatNumber(outMm)} mm reached`,
              why: ['The recipe says so at this length. Move them with Send on the tank and this goes away.'],
            }),
          },
        ];
  });
}

/** Where small young live: what every hand at that tank must know. */
function growoutNotes(view: GrowoutView, tankId: string): string[] {
  const isChanged = view.room.regimes.some((one) => one.tankId === tankId && one.dueOn !== null && one.dueOn <= view.today);
  const small = (view.broodsByTank.get(tankId) ?? []).some(({ state }) => state.stage === 'fry' || state.stage === 'yolk');
  return small && isChanged ? ['Tiny fry: siphon through a net and check the bucket. New water within 1 °C.'] : [];
}

export const growoutAgenda: Agenda<GrowoutView> = {
  kinds: GROWOUT_CHORES,
  chores: (view, day) => [
    ...view.moves.flatMap((move) => moveChore(view, move, day)),
    ...view.broods.flatMap((read) => youngChores(view, read, day)),
  ],
  alarms: (view) => [...crowdingAlarms(view), ...bookingAlarms(view)],
  bars: growoutBars,
  notes: growoutNotes,
};
