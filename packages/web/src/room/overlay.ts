import { TANK_STATES, type TankState } from '@freshet/core/room';
import { daysBetween, formatDay, houseDay } from '@freshet/core/time';
import { convert, formatNumber } from '@freshet/core/units';
import { temperatureSign, type House, type Reply } from '../data';

type Life = Reply<'tankLife'>[number];

/** What can be laid over the room. */
export const OVERLAYS = ['life', 'temperature', 'nitrate', 'change', 'crowding', 'tight', 'readiness', 'free'] as const;
export type Overlay = (typeof OVERLAYS)[number];
export const OVERLAY_WORDS: Record<Overlay, string> = {
  life: 'Life',
  temperature: 'Temperature',
  nitrate: 'Nitrate',
  change: 'Last change',
  crowding: 'Crowding',
  tight: 'Filling from',
  readiness: 'Readiness',
  free: 'Next free',
};

/** The keeper's words for the states of a tank. */
export const STATE_WORDS: Record<TankState, string> = {
  settingUp: 'being set up',
  cycling: 'cycling',
  ready: 'ready',
  inUse: 'in use',
  resting: 'resting',
  empty: 'empty',
  disinfected: 'disinfected',
};

/** Steps from little to much, each with its own pattern; null where nothing is known. */
export interface OverlayMark {
  step: 0 | 1 | 2 | 3 | 4 | null;
  text: string;
}
const stepOf = (value: number, bounds: readonly [number, number, number, number]): OverlayMark['step'] =>
  ((bounds.findIndex((bound) => value < bound) + 5) % 5) as 0 | 1 | 2 | 3 | 4;

const BOUNDS = {
  temperature: [18, 22, 25, 27],
  nitrate: [10, 20, 30, 40],
  change: [2, 5, 8, 15],
  crowding: [0.25, 0.5, 0.75, 1],
  free: [1, 8, 22, 60],
  tight: [1, 8, 22, 43],
} as const;
/** Ready is plain water; what needs the keeper is dense; what is taken stays clear. */
const STATE_STEP: Record<TankState, OverlayMark['step']> = {
  ready: 0,
  inUse: null,
  resting: 1,
  settingUp: 2,
  cycling: 3,
  empty: 2,
  disinfected: 4,
};

/** What an overlay says of a tank: how much, and in words that fit on it. */
export function overlayMark(
  overlay: Exclude<Overlay, 'life'>,
  life: Life | undefined,
  { today, timeZone, units }: Pick<House, 'today' | 'timeZone' | 'units'>,
): OverlayMark {
  const unknown: OverlayMark = { step: null, text: '–' };
  if (!life) return unknown;
  switch (overlay) {
    case 'temperature': {
      if (!life.tempC) return unknown;
      const { value } = convert({ value: life.tempC.value, from: 'degC', to: units.temperature });
      return { step: stepOf(life.tempC.value, BOUNDS.temperature), text: `${formatNumber(value, 3)}°` };
    }
    case 'nitrate':
      return life.nitrate ? { step: stepOf(life.nitrate.ppm, BOUNDS.nitrate), text: formatNumber(life.nitrate.ppm) } : unknown;
    case 'change': {
      if (!life.lastChange) return unknown;
      const days = daysBetween(houseDay(life.lastChange, timeZone), today);
      return { step: stepOf(days, BOUNDS.change), text: `${days} d` };
    }
    case 'crowding':
      return life.crowding === null
        ? unknown
        : { step: stepOf(life.crowding, BOUNDS.crowding), text: `${formatNumber(life.crowding * 100)} %` };
    case 'tight': {
      if (!life.tightOn) return unknown;
      const days = daysBetween(today, life.tightOn);
      // The sooner the denser.
      return {
        step: (4 - (stepOf(days, BOUNDS.tight) ?? 4)) as 0 | 1 | 2 | 3 | 4,
        text: days <= 0 ? 'now' : formatDay(life.tightOn, today),
      };
    }
    case 'readiness':
      return { step: STATE_STEP[life.readiness.state], text: STATE_WORDS[life.readiness.state] };
    case 'free': {
      if (!life.freeOn) return unknown;
      const days = daysBetween(today, life.freeOn);
      return { step: stepOf(days, BOUNDS.free), text: days <= 0 ? 'free' : formatDay(life.freeOn, today) };
    }
  }
}

/** The legend of an overlay: each step in words. */
export function overlayLegend(
  overlay: Exclude<Overlay, 'life'>,
  { units }: Pick<House, 'units'>,
): { step: OverlayMark['step']; words: string }[] {
  if (overlay === 'readiness')
    return ([0, 1, 2, 3, 4, null] as const).map((step) => ({
      step,
      words: TANK_STATES.filter((state) => STATE_STEP[state] === step)
        .map((state) => STATE_WORDS[state])
        .join(' or '),
    }));
  if (overlay === 'tight')
    return [
      { step: 0, words: 'later' },
      { step: 1, words: 'within six weeks' },
      { step: 2, words: 'within three weeks' },
      { step: 3, words: 'within a week' },
      { step: 4, words: 'now' },
      { step: null, words: 'enough room for eight weeks' },
    ];
  const show = (value: number) =>
    overlay === 'temperature'
      ? formatNumber(convert({ value, from: 'degC', to: units.temperature }).value, 3)
      : overlay === 'crowding'
        ? String(value * 100)
        : String(value);
  const unit = {
    temperature: temperatureSign(units),
    nitrate: 'mg/L',
    change: 'days',
    crowding: '% of what it can hold',
    free: 'days',
  }[overlay];
  const bounds = BOUNDS[overlay].map(show);
  return [
    { step: 0, words: overlay === 'free' ? 'free now' : `under ${bounds[0]} ${unit}` },
    { step: 1, words: `to ${bounds[1]}` },
    { step: 2, words: `to ${bounds[2]}` },
    { step: 3, words: `to ${bounds[3]}` },
    { step: 4, words: 'more' },
    { step: null, words: overlay === 'free' ? 'no date yet' : 'not known' },
  ];
}
