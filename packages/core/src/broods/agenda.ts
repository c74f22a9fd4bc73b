import { BAR_RANK, groupBy, type Agenda, type Alarm, type Bar } from '../agenda';
import { codesOf } from '../room';
import { wouldEat, wouldSeize } from '../species';
import { formatDay, formatInstant, houseDay } from '../time';
import { broodChores } from './broodChores';
import { BROODS_CHORES } from './choreKinds';
import { dropBars, dropChores } from './drops';
import { isResting, type BroodsView, type ReadBrood } from './facts';
import { leaveAlarms } from './leaves';
import { collectChores, peatBars } from './peat';
import { residentsOf, type Resident } from './residents';
import { isStripped } from './stripping';

/** A brood of which nobody said for weeks what became of it: one question, with the ways to answer it on its page. */
function forgottenAlarm({ brood, species, state }: ReadBrood, codes: string, { now, today, timeZone }: BroodsView): Alarm {
  const due = state.windows.find(({ status }) => status === 'overdue');
  const stage = due?.stage === 'hatch' ? (species.start === 'carried' ? 'let go' : 'hatched') : 'swum free';
  return {
    key: `forgotten:${brood.id}`,
    severity: 'soon',
    title: `${codes}: what became of ${brood.name}?`,
    text: `They should have ${stage} by ${formatDay(houseDay(due?.latest ?? now, timeZone), today)}, and nothing was logged since. Count them, write them off, or log that they’re still ${state.stage === 'eggs' ? 'eggs' : 'there'}.`,
    subject: { kind: 'brood', id: brood.id },
  };
}

function broodAlarms(view: BroodsView): Alarm[] {
  const alarms: Alarm[] = [];
  const { now, timeZone } = view;
  for (const read of view.broods) {
    const { brood, species, state } = read;
    // Peat waits for its wetting: its day is a chore, not a hatch that failed.
    if (isResting(read)) continue;
    const subject = { kind: 'brood', id: brood.id } as const;
    const codes = codesOf(
      view,
      read.lots.map((lot) => lot.tankId),
    );
    if (state.isForgotten) {
      alarms.push(forgottenAlarm(read, codes, view));
      continue;
    }
    for (const window of state.windows)
      if (window.status === 'overdue')
        alarms.push({
          key: `overdue:${brood.id}:${window.stage}`,
          severity: 'now',
          title: `${codes}: ${window.stage === 'hatch' ? 'no hatch' : 'not swimming'} logged.`,
          text: `${species.commonName} should have ${window.stage === 'hatch' ? 'hatched' : 'swum free'} by ${formatInstant(window.latest ?? now, view.today, timeZone)}. ${species.eggsRest && window.stage === 'hatch' ? 'Log who hatched; what lies still can go back into damp peat.' : 'Look with a torch and log what you see.'}`,
          subject,
        });
      else if (window.status === 'notReached' && window.stage === 'hatch')
        alarms.push({
          key: `cold:${brood.id}`,
          severity: 'now',
          title: `${codes}: too cold to develop.`,
          text: window.why.notes.at(-1) ?? '',
          subject,
        });
  }
  return alarms;
}

/** Broods of which nothing can be worked out: said, not left out. */
const troubleAlarms = (view: BroodsView): Alarm[] =>
  view.troubled.map(({ brood, lots, trouble }) => ({
    key: `trouble:${brood.id}`,
    severity: 'now',
    title: `${codesOf(
      view,
      lots.map((lot) => lot.tankId),
    )}: ${brood.name} has no dates.`,
    text: `${trouble} Correct the figures under Species; nothing is due for this brood until then.`,
    subject: { kind: 'species', id: brood.speciesKey },
  }));

function stageBars(read: ReadBrood, view: BroodsView): Bar[] {
  const { brood, species, state, lots } = read;
  if (isResting(read)) return peatBars(read, view);
  // Nobody waits for them any more, until somebody says so.
  if (state.isForgotten) return [];
  const { timeZone } = view;
  const subject = { kind: 'brood', id: brood.id } as const;
  const codes = codesOf(
    view,
    lots.map((lot) => lot.tankId),
  );
  const name = species.commonName.toLowerCase();
  const items: Bar[] = [];
  for (const window of state.windows) {
    if (window.status === 'observed' || !window.earliest || window.stage === 'yolkEnd' || window.stage === 'freeSwimming')
      continue;
    if (window.stage === 'firstFeed' && species.start === 'carried') continue;
    const from = houseDay(window.earliest, timeZone);
    const to = window.status === 'overdue' ? view.today : houseDay(window.latest ?? window.earliest, timeZone);
    const hatch = window.stage === 'hatch';
    items.push({
      key: `${brood.id}:${window.stage}`,
      kind: hatch ? 'eggs' : 'yolk',
      rank: hatch ? BAR_RANK.hatch : BAR_RANK.firstFeed,
      from,
      to,
      label: hatch ? `${name} ${species.start === 'carried' ? 'release' : 'hatch'} ${codes}` : `first feed ${codes}`,
      predicted: true,
      urgent: window.status === 'overdue',
      subject,
    });
  }
  return items;
}

/** Who else lives with eggs or young, where that matters; crayfish of one brood are a danger to one another. */
function companyNotes(view: BroodsView, tankId: string): string[] {
  const residents = residentsOf(view, tankId);
  const young = residents.filter(({ brood }) => brood !== null);
  const others = residents.filter(({ brood, isYoung }) => brood === null && !isYoung);
  const takes = (eater: Resident) =>
    young.some(({ stage, species, smallestMm }) =>
      stage === 'eggs' || stage === 'yolk'
        ? // Those of their own kind leave by its plan.
          species.key !== eater.species.key && (species.figures.eggsEatenBy === 'anyAdult' || species.guards === 'nobody')
        : smallestMm !== null &&
          wouldEat({ species: eater.species, lengthMm: eater.lengthMm ?? 0 }, { species, lengthMm: smallestMm, isYoung: true }),
    );
  const named = (some: readonly Resident[]) =>
    [...groupBy(some, ({ species }) => species.commonName.toLowerCase())]
      .map(([name, all]) => `${all.reduce((sum, { heads }) => sum + heads, 0)} ${name}`)
      .join(', ');
  const eaters = others.filter(takes);
  const seizers = residents.filter(({ species }) => residents.some((other) => wouldSeize(species, other.species)));
  const resting = residents.filter(({ species }) => seizers.some((one) => wouldSeize(one.species, species)));
  const eating = eaters.reduce((sum, { heads }) => sum + heads, 0);
  return [
    ...(eaters.length > 0
      ? [
          `${named(eaters)} ${eating === 1 ? 'lives' : 'live'} here too: ${eating === 1 ? 'it eats' : 'they eat'} ${young.some(({ stage }) => stage === 'eggs') ? 'eggs' : 'small fry'}.`,
        ]
      : []),
    ...(seizers.length > 0
      ? [`${named(seizers)} live here too and grab ${named(resting).replace(/\d+ /g, '')} resting on the bottom. Separate them.`]
      : []),
    ...(young.some(({ species, lengthMm, heads }) => species.hangs && lengthMm !== null && heads > 1)
      ? ['Young crayfish eat the ones that moult. Give each a hiding place and take the largest out.']
      : []),
  ];
}

function notes(view: BroodsView, tankId: string): string[] {
  const broods = view.broodsByTank.get(tankId) ?? [];
  const found: string[] = [];
  for (const { brood, species, state } of broods)
    if (state.stage === 'eggs' && species.guards === 'male')
      found.push('The male is on eggs. Look from a distance and don’t lift the cave.');
    else if (state.stage === 'eggs' && species.start === 'carried' && !isStripped({ brood }))
      found.push('She’s carrying. No net, no big water change.');
  found.push(...companyNotes(view, tankId));
  for (const { species } of broods) if (species.caution) found.push(species.caution);
  for (const { lots, trouble } of view.troubled) if (lots.some((lot) => lot.tankId === tankId)) found.push(trouble);
  return found;
}

export const broodsAgenda: Agenda<BroodsView> = {
  kinds: BROODS_CHORES,
  chores: (view, day) => [
    ...dropChores(view, day),
    ...collectChores(view, day),
    ...[...view.broodsByTank].flatMap(([tankId, broods]) => {
      const tank = view.tanks.get(tankId);
      return tank ? broods.flatMap((read) => broodChores(read, tank, view, day).map((due) => ({ tankId, chore: due }))) : [];
    }),
  ],
  alarms: (view) => [...troubleAlarms(view), ...leaveAlarms(view), ...broodAlarms(view)],
  bars: (view) => [...view.broods.flatMap((read) => stageBars(read, view)), ...dropBars(view)],
  notes,
};
