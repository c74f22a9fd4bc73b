import type { CultureFood } from '../../larder';
import type { Quantity } from '../../room';
import { FOOD_NAMES } from '../../species';
import { decideLoss, EMPTY, LOSS_WORDS, totalHeads, type Heads, type LossCause } from '../../stock';
import { formatInstantRange, houseDay, middleOf, type Instant, type TimeRange } from '../../time';
import { convert, formatNumber } from '../../units';
import { JotProblem, type JotErrorKind, type JotGroup, type JotLog, type JotReader } from './jotTypes';
import { readJot } from './readJot';
import type { JotReading } from './jotWords';

/** One thing a jotted line logs in a house. */
export type JotCommand = { tankId: string } & (
  | { kind: 'reading'; quantity: Quantity; value: number; at: Instant }
  | { kind: 'change'; litres: number; at: Instant }
  | { kind: 'eggs'; count: number; white: number; laid: TimeRange }
  | { kind: 'white'; broodId: string; count: number; at: Instant }
  | { kind: 'hatched' | 'freeSwimming'; broodId: string; count: number | null; at: TimeRange }
  | { kind: 'count'; lotId: string; count: number; at: TimeRange }
  | { kind: 'lost'; lotId: string; heads: Heads; cause: LossCause; at: TimeRange }
  | { kind: 'move'; lotId: string; heads: Heads; toTankId: string; at: Instant }
  | { kind: 'harvest'; cultureId: string; at: Instant }
  | { kind: 'care'; care: 'fed' | 'sign'; text: string; at: Instant }
);

/** A tank as the jot line must know it. */
export interface JotTank {
  id: string;
  code: string;
  litres: number;
  /** Living lots in it, by what they are called; `young` ones belong to a brood, eggs included. */
  lots: readonly (Heads & { id: string; young: boolean; label: string })[];
  /** `carried` young are let go by their mother. */
  broods: readonly { id: string; stage: string; carried: boolean }[];
  /** Open attempts to which eggs seen here could belong. */
  attempts: number;
}

/** What the reading of a line depends on. */
export interface JotContext extends Omit<JotReader, 'tanks'> {
  tanks: readonly JotTank[];
  /** Running cultures, those that ripen first before the others. */
  cultures: readonly { id: string; name: string; food: CultureFood; tankId: string | null }[];
}

/** How a line is read, or the first word that is not understood. `from` and `to` are character positions, `to` excluded. */
export type JotResult =
  | { ok: true; tanks: JotTank[]; commands: JotCommand[]; readsAs: string }
  | { ok: false; problem: { error: JotErrorKind; from: number; to: number; message: string } };

type Placed = JotLog & { at: { from: number; to: number } };
type AboutGroup = Extract<Placed, { kind: 'loss' | 'count' | 'sale' | 'move' }>;

const QUANTITY: Record<JotReading, { quantity: Quantity; words: string; unit: string }> = {
  temperature: { quantity: 'tempC', words: 'temperature', unit: '°C' },
  ph: { quantity: 'ph', words: 'pH', unit: '' },
  gh: { quantity: 'ghDeg', words: 'GH', unit: '°' },
  kh: { quantity: 'khDeg', words: 'KH', unit: '°' },
  tds: { quantity: 'tdsPpm', words: 'TDS', unit: 'ppm' },
  nitrate: { quantity: 'nitratePpm', words: 'nitrate', unit: 'mg/L' },
  nitrite: { quantity: 'nitritePpm', words: 'nitrite', unit: 'mg/L' },
  ammonia: { quantity: 'ammoniaPpm', words: 'ammonia', unit: 'mg/L' },
  oxygen: { quantity: 'oxygenPpm', words: 'oxygen', unit: 'mg/L' },
};
const fail = (error: JotErrorKind, log: Placed, message: string): never => {
  throw new JotProblem(error, log.at.from, log.at.to, message);
};

/** The only brood of a tank. */
function broodOf(log: Placed, tank: JotTank, what: string): JotTank['broods'][number] {
  const [brood, second] = tank.broods;
  if (!brood) return fail('outOfRange', log, `No brood is in ${tank.code}, so "${what}" has nothing to go to.`);
  if (second) return fail('ambiguous', log, `${tank.code} holds ${tank.broods.length} broods; log this on the brood's page.`);
  return brood;
}

/** The group a log is about: the one named by sex or age, or the only one. */
function lotOf(log: AboutGroup, tank: JotTank): JotTank['lots'][number] {
  const { sex, group }: JotGroup = log;
  const fits = tank.lots.filter(
    (lot) => (!group || lot.young === (group === 'young')) && (!sex || lot[sex] > 0) && totalHeads(lot) > 0,
  );
  const [lot, second] = fits;
  if (lot && !second) return lot;
  if (tank.lots.length === 0) return fail('outOfRange', log, `Nobody is booked in ${tank.code}.`);
  if (!lot) return fail('outOfRange', log, `No ${sex ?? (group === 'young' ? 'young' : 'adults')} are booked in ${tank.code}.`);
  const bothAges = fits.some(({ young }) => young) && fits.some(({ young }) => !young);
  const labels = fits.map(({ label }) => label).join(' or ');
  return fail(
    'ambiguous',
    log,
    `${labels}: which is meant? ${bothAges && fits.length === 2 ? 'Write "adults" or "young" behind the number.' : "Log this on the tank's page."}`,
  );
}

/** The animals of a group that are meant, by sex. */
function headsOf(log: AboutGroup, lot: JotTank['lots'][number], tank: JotTank): Heads {
  const have = log.sex ? { ...EMPTY, [log.sex]: lot[log.sex] } : lot;
  const { males, females, unsexed } = have;
  if (log.count === null) return { males, females, unsexed };
  if (log.count > totalHeads(have))
    return fail('outOfRange', log, `Only ${totalHeads(have)} ${log.sex ? `${log.sex} ` : ''}are booked in ${tank.code}.`);
  const decision = decideLoss({ males, females, unsexed }, log.count);
  if (decision.ok) return decision.heads;
  return fail('ambiguous', log, `${decision.message} Write "${log.count} male" or "${log.count} female".`);
}

function toCommand(log: Placed, tank: JotTank, context: JotContext): JotCommand {
  const tankId = tank.id;
  const span = { from: log.from, to: log.to };
  // What is booked at one instant is booked in the middle of its span.
  const at = middleOf(span);
  switch (log.kind) {
    case 'reading':
      return { kind: 'reading', tankId, quantity: QUANTITY[log.what].quantity, value: log.value, at };
    case 'change':
      return { kind: 'change', tankId, litres: 'litres' in log ? log.litres : log.fraction * tank.litres, at };
    case 'eggs':
      return eggsOf(log, log.count, log.white ?? 0, tank);
    case 'white':
      return { kind: 'white', tankId, broodId: broodOf(log, tank, 'white').id, count: log.count, at };
    case 'stage': {
      const { stage, count } = log;
      if (stage !== 'released')
        return {
          kind: stage,
          tankId,
          broodId: broodOf(log, tank, stage === 'hatched' ? 'hatched' : 'swimming').id,
          count,
          at: span,
        };
      const carried = tank.broods.filter((brood) => brood.carried);
      if (carried.length === 1 && carried[0]) return { kind: 'freeSwimming', tankId, broodId: carried[0].id, count, at: span };
      if (carried.length > 1) return fail('ambiguous', log, `${tank.code} holds ${carried.length} broods that are carried.`);
      if (count === null || count === 0) return fail('incomplete', log, 'How many young? Write a number beside it.');
      return eggsOf(log, count, 0, tank);
    }
    case 'count':
      return { kind: 'count', tankId, lotId: lotOf(log, tank).id, count: log.count, at: span };
    case 'loss':
    case 'sale': {
      const lot = lotOf(log, tank);
      const cause = log.kind === 'sale' ? 'sale' : (log.cause ?? 'unknown');
      return { kind: 'lost', tankId, lotId: lot.id, heads: headsOf(log, lot, tank), cause, at: span };
    }
    case 'move': {
      const lot = lotOf(log, tank);
      const to = context.tanks.find(({ code }) => code === log.toTank);
      return { kind: 'move', tankId, lotId: lot.id, heads: headsOf(log, lot, tank), toTankId: to?.id ?? '', at };
    }
    case 'harvest': {
      const same = context.cultures.filter(({ food }) => food === log.food);
      const culture = same.find((one) => one.tankId === tankId) ?? same[0];
      return culture
        ? { kind: 'harvest', tankId, cultureId: culture.id, at }
        : fail('outOfRange', log, `No culture of ${FOOD_NAMES[log.food]} is running.`);
    }
    case 'feed':
      return { kind: 'care', care: 'fed', tankId, text: FOOD_NAMES[log.food], at };
    case 'sign':
      return { kind: 'care', care: 'sign', tankId, text: log.text, at };
  }
}

/** Eggs or newborn of the one attempt that is open. */
function eggsOf(log: Placed, count: number, white: number, tank: JotTank): JotCommand {
  if (tank.attempts === 0)
    return fail(
      'outOfRange',
      log,
      `No spawning attempt is open in ${tank.code}; log it on the tank's page with "Eggs or young found".`,
    );
  if (tank.attempts > 1)
    return fail('ambiguous', log, `${tank.attempts} attempts are open in ${tank.code}; log this on the attempt's page.`);
  return { kind: 'eggs', tankId: tank.id, count, white, laid: { from: log.from, to: log.to } };
}

/** How a log was understood, in the house's units. */
function describe(log: Placed, command: JotCommand, tank: JotTank, context: JotContext): string {
  const fahrenheit = context.units.temperature === 'degF';
  const label = 'lotId' in command && tank.lots.length > 1 ? tank.lots.find(({ id }) => id === command.lotId)?.label : undefined;
  const heads = (some: Heads) =>
    [some.males && `${some.males} male`, some.females && `${some.females} female`, some.unsexed && String(some.unsexed)]
      .filter(Boolean)
      .join(' and ');
  const of = label ? ` of ${label}` : '';
  switch (command.kind) {
    case 'reading': {
      const { words, unit } = QUANTITY[log.kind === 'reading' ? log.what : 'temperature'];
      if (command.quantity !== 'tempC') return `${words} ${formatNumber(command.value, 3)} ${unit}`.trimEnd();
      const value = fahrenheit ? convert({ value: command.value, from: 'degC', to: 'degF' }).value : command.value;
      return `temperature ${formatNumber(value, 3)} ${fahrenheit ? '°F' : '°C'}`;
    }
    case 'change': {
      const gallons = context.units.volume === 'galUS';
      const value = gallons ? convert({ value: command.litres, from: 'L', to: 'galUS' }).value : command.litres;
      return `${formatNumber(value, 3)} ${gallons ? 'gal' : 'L'} of water changed`;
    }
    case 'eggs':
      return log.kind === 'stage'
        ? `${command.count} young born`
        : `clutch of ${command.count} ${command.count === 1 ? 'egg' : 'eggs'}${command.white > 0 ? `, ${command.white} of them white` : ''}, laid`;
    case 'white':
      return `${command.count} white ${command.count === 1 ? 'egg' : 'eggs'} picked`;
    case 'hatched':
      return `hatched${command.count === null ? '' : `, ${command.count} counted,`}`;
    case 'freeSwimming':
      return `${log.kind === 'stage' && log.stage === 'released' ? 'young let go' : 'free-swimming'}${command.count === null ? '' : `, ${command.count} counted,`}`;
    case 'count':
      return `${command.count} counted${of}`;
    case 'lost':
      return `${heads(command.heads)}${of} ${command.cause === 'unknown' ? 'lost' : LOSS_WORDS[command.cause]}`;
    case 'move':
      return `${heads(command.heads)}${of} moved to ${context.tanks.find(({ id }) => id === command.toTankId)?.code ?? '?'}`;
    case 'harvest':
      return `${context.cultures.find(({ id }) => id === command.cultureId)?.name ?? 'culture'} harvested`;
    case 'care':
      return command.care === 'fed' ? `fed ${command.text}` : `seen: ${command.text}`;
  }
}

/**
 * Reads one jotted line for a house: what `readJot` understands, with the animals, broods and cultures that are meant, read back with
 * day and time. Nothing is logged by reading; a line is logged whole or not at all.
 */
export function parseJot(line: string, context: JotContext): JotResult {
  // Which group is meant is decided here, where the groups are known by name.
  const tanks = context.tanks.map(({ code, litres }) => ({ code, litres, groups: 1 }));
  const read = readJot(line, { ...context, tanks });
  if (!read.ok) return { ok: false, problem: read.problem };
  try {
    const byCode = new Map(context.tanks.map((tank) => [tank.code, tank]));
    const placed = read.logs.flatMap((log) => {
      const tank = byCode.get(log.tank);
      return tank ? [{ log, tank, command: toCommand(log, tank, context) }] : [];
    });
    const today = houseDay(context.now, context.timeZone);
    const parts = new Map<string, string[]>();
    for (const { log, tank, command } of placed) {
      const when = formatInstantRange({ from: log.from, to: log.to }, today, context.timeZone);
      const key = `${tank.code}|${when}`;
      parts.set(key, [...(parts.get(key) ?? []), describe(log, command, tank, context)]);
    }
    const readsAs = [...parts].map(
      ([key, words]) => `${key.split('|')[0] ?? ''}: ${words.join('; ')} · ${key.split('|')[1] ?? ''}`,
    );
    return {
      ok: true,
      tanks: [...new Set(placed.map(({ tank }) => tank))],
      commands: placed.map(({ command }) => command),
      readsAs: readsAs.join(' | ').replaceAll(', ·', ' ·').replaceAll(', laid ·', ' laid ·'),
    };
  } catch (error) {
    if (!(error instanceof JotProblem)) throw error;
    return { ok: false, problem: { error: error.error, from: error.from, to: error.to, message: error.message } };
  }
}
