import { chore, tick, type Chore } from '../agenda';
import type { RoomTank, VesselKind } from '../room';
import type { Larvae } from '../species';
import { addDays, daysBetween, formatDay, houseDay, plusDays, type Day, type Instant } from '../time';
import { formatNumber } from '../units';
import { BROODS_CHORES } from './choreKinds';
import type { BroodsView, ReadBrood } from './facts';
import { freeVessels, holdsOnlyYoung } from './residents';

/** One step of a salinity time-table. */
export interface SaltStep {
  /** Hours after the first. */
  atHours: number;
  /** Salt in the water after it, g/L. */
  gPerL: number;
}
/** A step up: salt dissolved and poured in. */
export interface SaltUp extends SaltStep {
  addG: number;
}
/** A step back to fresh water: so much out, as much fresh water in. */
export interface SaltDown extends SaltStep {
  changeLitres: number;
}

/**
 * From fresh to salt water and back in equal steps. Up: grams of sea salt to the litres at hand, weighed dry, the litres taken as they
 * are. Down: of the volume, 1 - after / before is changed for fresh water; the last step leaves a tenth of the salt, which the next
 * water changes take. Source: docs/sources.md#larval-salt
 * @param input.hours - from the first step to the last; 0 for all at once
 */
export function larvalSalt({
  litres,
  toGPerL,
  hours,
  steps,
}: {
  litres: number;
  toGPerL: number;
  hours: number;
  steps: number;
}): { up: SaltUp[]; down: SaltDown[] } {
  const at = (i: number) => (steps > 1 ? (hours * i) / (steps - 1) : 0);
  const up = Array.from({ length: steps }, (_, i) => ({
    atHours: at(i),
    gPerL: (toGPerL * (i + 1)) / steps,
    addG: (toGPerL / steps) * litres,
  }));
  const levels = Array.from({ length: steps }, (_, i) => (i === steps - 1 ? toGPerL / 10 : toGPerL * (1 - (i + 1) / steps)));
  const down = levels.map((gPerL, i) => ({
    atHours: at(i),
    gPerL,
    changeLitres: litres * (1 - gPerL / (i === 0 ? toGPerL : (levels[i - 1] ?? toGPerL))),
  }));
  return { up, down };
}

/** The time-table of larvae let go at a moment, in a vessel of some litres. */
export interface LarvalTable {
  up: (SaltUp & { at: Instant })[];
  down: SaltDown[];
  /** When the first may settle, and the last. */
  settleFrom: Instant;
  settleTo: Instant;
  toGPerL: number;
  litres: number;
}

const STEPS = 4;
const UP_HOURS = 24;
/** Dates and grams for the larvae of one brood: the middle of what its species stands, in a day. */
export function larvalTable(larvae: Larvae, litres: number, released: Instant): LarvalTable {
  const toGPerL = Math.round((larvae.saltGPerL[0] + larvae.saltGPerL[1]) / 2);
  const { up, down } = larvalSalt({ litres, toGPerL, hours: UP_HOURS, steps: STEPS });
  return {
    up: up.map((step) => ({ ...step, at: plusDays(released, step.atHours / 24) })),
    down,
    settleFrom: plusDays(released, larvae.settleDays[0]),
    settleTo: plusDays(released, larvae.settleDays[1]),
    toGPerL,
    litres,
  };
}

/** Their jar, salt water and algae are made ready so many days before the first may be let go. */
const READY_DAYS = 6;
const ALGAE = 'Use a salt-water alga, such as Tetraselmis or Nannochloropsis; fresh-water green water dies in salt.';
/** Vessels that larvae can be salted in. */
const JARS: readonly VesselKind[] = ['larvalJar', 'tub', 'bowl'];

/** Before they are let go: a jar, salt water and algae, days ahead. */
function jarChores({ brood, species, state }: ReadBrood, larvae: Larvae, view: BroodsView, tank: RoomTank, day: Day): Chore[] {
  const release = state.windows.find(({ stage }) => stage === 'hatch');
  if (!release?.earliest || state.stage !== 'eggs') return [];
  const from = houseDay(release.earliest, view.timeZone);
  if (day < addDays(from, -READY_DAYS)) return [];
  const free = freeVessels(view, JARS);
  const toGPerL = Math.round((larvae.saltGPerL[0] + larvae.saltGPerL[1]) / 2);
  return [
    chore(BROODS_CHORES.larvalJar, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: 'Get a jar, sea salt and marine algae ready for the larvae',
      amountText: free.length > 0 ? free.map(({ code }) => code).join(' or ') : 'none is free: set one up',
      overdue: day > from,
      why: [
        `She could let them go from ${formatDay(from, view.today)}. In fresh water all ${species.commonName.toLowerCase()} larvae die within ${formatNumber(larvae.withinDays)} days.`,
        `They need ${formatNumber(toGPerL)} g/L of sea salt, light day and night, and air so slow that you can count the bubbles.`,
        ALGAE,
        'Move her to a tank of her own before that day, or catch the larvae with a light and a tube: salt must not reach the others.',
      ],
    }),
  ];
}

/** Larvae that swim where others live: they are taken out before any salt goes in. */
function larvaeOut({ brood, species }: ReadBrood, larvae: Larvae, view: BroodsView, tank: RoomTank, day: Day): Chore[] {
  const free = freeVessels(view, JARS);
  const [only] = free.length === 1 ? free : [];
  const released = houseDay(brood.freeSwimming?.to ?? view.now, view.timeZone);
  const latest = addDays(released, Math.floor(larvae.withinDays));
  return [
    chore(BROODS_CHORES.larvaeOut, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: 'Take the larvae into a jar of their own',
      amountText: free.length > 0 ? free.map(({ code }) => code).join(' or ') : 'none is free: set one up',
      overdue: day > released,
      why: [
        `They go to a light in a dark room; draw them off with a tube. By ${formatDay(latest, view.today)} they must be in salt water, or they die.`,
        `The salt is worked out by the jar’s litres once they’re in it. No salt goes into ${tank.code}: others live there.`,
        only ? `Ticking logs the move to ${only.code}.` : `Log it with Send on ${tank.code}.`,
      ],
      caution: `No salt into ${tank.code}: ${species.commonName.toLowerCase()} adults can’t stand it.`,
      tick: only ? tick('boxed', brood.id, only.id) : null,
    }),
  ];
}

/** What larvae ask for by the day: a jar before, salt in steps, green water, and a look for those that settle. */
export function larvaeChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, species } = read;
  if (!species.larvae) return [];
  if (!brood.freeSwimming) return jarChores(read, species.larvae, view, tank, day);
  if (!holdsOnlyYoung(view, tank.id)) return larvaeOut(read, species.larvae, view, tank, day);
  const dayOf = (at: string) => houseDay(at, view.timeZone);
  const table = larvalTable(species.larvae, tank.litres, brood.freeSwimming.to);
  const since = daysBetween(dayOf(brood.freeSwimming.to), day);
  const subject = `${brood.id}:${tank.id}`;
  const steps = table.up.filter(({ at }) => dayOf(at) === day);
  const salt = steps.reduce((sum, { addG }) => sum + addG, 0);
  const chores: Chore[] = [];
  if (steps.length > 0)
    chores.push(
      chore(BROODS_CHORES.larvalSalt, {
        subject,
        day,
        text: `Salt for the larvae, to ${formatNumber(steps.at(-1)?.gPerL ?? 0)} g/L, ${steps.length === 1 ? 'at once' : `in ${steps.length} steps`}`,
        amount: { value: Math.round(salt * 10) / 10, unit: 'g' },
        amountText: `${formatNumber(salt)} g`,
        why: [
          `${formatNumber(table.toGPerL)} g/L in ${formatNumber(table.litres)} L within a day of release, in ${STEPS} equal steps of ${formatNumber((table.toGPerL / STEPS) * table.litres)} g.`,
          `In fresh water all larvae die within ${formatNumber(species.larvae.withinDays)} days. Use sea salt, dissolved first, in a vessel without their mother.`,
        ],
        caution: 'Salt creeps and conducts electricity. Use drip loops and a residual-current breaker, plugs above the water.',
      }),
    );
  if (since >= 0 && day <= dayOf(table.settleTo))
    chores.push(
      chore(BROODS_CHORES.larvalFood, {
        subject,
        day,
        text: 'Add marine green water for the larvae; keep it tinted',
        amountText: 'pale green',
        why: [
          'They filter algae day and night; clear water means no food. Keep the light on and the air bubbling slowly.',
          ALGAE,
        ],
      }),
    );
  if (day >= dayOf(table.settleFrom) && day <= addDays(dayOf(table.settleTo), 7))
    chores.push(
      chore(BROODS_CHORES.settled, {
        subject,
        day,
        text: 'Look for settled young, then go back to fresh water',
        amountText: table.down.map(({ changeLitres }) => `${formatNumber(changeLitres)} L`).join(', '),
        why: [
          `Settled ones walk on the bottom instead of hanging head down. Due ${formatDay(dayOf(table.settleFrom), view.today)} to ${formatDay(dayOf(table.settleTo), view.today)}.`,
          'Each step: that much out, and the same of fresh water at the same temperature in, half a day apart. Later changes take out the rest of the salt.',
        ],
      }),
    );
  return chores;
}
