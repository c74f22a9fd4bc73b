import { decideLoss, EMPTY, totalHeads, type Heads } from '../../stock';
import { addDays, formatInstantRange, houseDay, instantOf, type Instant, type TimeRange } from '../../time';
import { convert, formatNumber } from '../../units';

/** One thing a jotted line logs. */
export type JotCommand =
  | { kind: 'temperature'; tempC: number; at: Instant }
  | { kind: 'eggs'; count: number; white: number; laid: TimeRange }
  | { kind: 'white'; broodId: string; count: number; at: Instant }
  | { kind: 'hatched' | 'freeSwimming'; broodId: string; count: number | null; at: TimeRange }
  | { kind: 'count'; lotId: string; count: number; at: Instant }
  | { kind: 'lost'; lotId: string; heads: Heads; at: Instant };

/** A tank as the jot line must know it. */
export interface JotTank {
  id: string;
  code: string;
  /** Living lots in it; `young` ones belong to a brood, eggs included. */
  lots: readonly (Heads & { id: string; young: boolean })[];
  broods: readonly { id: string; stage: string }[];
  /** Open attempts to which eggs seen here could belong. */
  attempts: number;
}

/** What the reading of a line depends on. */
export interface JotContext {
  tanks: readonly JotTank[];
  now: Instant;
  timeZone: string;
  temperatureUnit: 'degC' | 'degF';
}

/** How a line is read, or the first word that is not understood. `from` and `to` are character positions, `to` excluded. */
export type JotResult =
  | { ok: true; tank: JotTank; commands: JotCommand[]; readsAs: string }
  | { ok: false; problem: { from: number; to: number; message: string } };

interface Word {
  text: string;
  from: number;
  to: number;
}

class JotProblem extends Error {
  constructor(
    readonly from: number,
    readonly to: number,
    message: string,
  ) {
    super(message);
  }
}

const WORDS = 'Try: 25.5, 78F, eggs 120, 18 white, hatched 90, swimming 81, count 60, lost 2, since 22:00, at 7:30.';
const SYNONYMS: Record<string, JotCommand['kind'] | 'since' | 'at' | 'yesterday'> = {
  egg: 'eggs',
  eggs: 'eggs',
  white: 'white',
  whites: 'white',
  hatched: 'hatched',
  hatch: 'hatched',
  swimming: 'freeSwimming',
  'free-swimming': 'freeSwimming',
  swim: 'freeSwimming',
  free: 'freeSwimming',
  count: 'count',
  counted: 'count',
  lost: 'lost',
  dead: 'lost',
  died: 'lost',
  temp: 'temperature',
  temperature: 'temperature',
  since: 'since',
  at: 'at',
  yesterday: 'yesterday',
};
const MAX_COUNT = 100_000;

function words(line: string): Word[] {
  return [...line.matchAll(/[^\s,;]+/g)].map((match) => ({
    text: match[0],
    from: match.index,
    to: match.index + match[0].length,
  }));
}

function wholeNumber(word: Word): number {
  const value = Number(word.text);
  if (!Number.isInteger(value) || value < 0 || value > MAX_COUNT)
    throw new JotProblem(
      word.from,
      word.to,
      `"${word.text}" is not a number of animals: whole, 0 to ${formatNumber(MAX_COUNT, 6)}.`,
    );
  return value;
}

const isNumber = (word: Word | undefined): word is Word => word !== undefined && /^\d+$/.test(word.text);

/** A temperature typed with or without its unit; whatever lies outside 0 to 45 °C is refused. */
function readTemperature(word: Word, unit: JotContext['temperatureUnit']): number | null {
  const match = /^(-?\d+(?:\.\d+)?)°?([cf])?$/i.exec(word.text);
  if (!match) return null;
  const typed = match[2]?.toLowerCase();
  const from = typed === 'f' ? 'degF' : typed === 'c' ? 'degC' : unit;
  const { value } = convert({ value: Math.max(-400, Number(match[1])) < -273 ? -273 : Number(match[1]), from, to: 'degC' });
  if (value < 0 || value > 45)
    throw new JotProblem(word.from, word.to, `${word.text} is ${formatNumber(value, 3)} °C; a tank is 0 to 45 °C.`);
  return value;
}

/** The latest moment at or before now with this wall-clock time, or on the day before when `yesterday` was said. */
function readClock(word: Word | undefined, context: JotContext, after: Word, yesterday: boolean): Instant {
  const match = /^(\d{1,2})[:.](\d{2})$/.exec(word?.text ?? '');
  const at = word ?? after;
  if (!match || Number(match[1]) > 23 || Number(match[2]) > 59)
    throw new JotProblem(at.from, at.to, `After "${after.text}" a time is needed, such as 22:00.`);
  const time = `${(match[1] ?? '').padStart(2, '0')}:${match[2] ?? ''}`;
  const today = houseDay(context.now, context.timeZone);
  const instant = instantOf(today, time, context.timeZone);
  return instant > context.now || yesterday ? instantOf(addDays(today, -1), time, context.timeZone) : instant;
}

interface Draft {
  kind: JotCommand['kind'];
  value: number | null;
  word: Word;
  sex?: keyof Heads | undefined;
}

const SEXES: Record<string, keyof Heads> = {
  m: 'males',
  male: 'males',
  males: 'males',
  f: 'females',
  female: 'females',
  females: 'females',
};

/** Reads the words behind the tank code into drafts and a time. */
function readPhrases(list: readonly Word[], context: JotContext): { drafts: Draft[]; since: Instant | null; at: Instant | null } {
  const drafts: Draft[] = [];
  let since: Instant | null = null;
  let at: Instant | null = null;
  const yesterday = list.some((word) => word.text.toLowerCase() === 'yesterday');
  for (let i = 0; i < list.length; i++) {
    const word = list[i];
    if (!word) continue;
    const meaning = SYNONYMS[word.text.toLowerCase()];
    const next = list[i + 1];
    if (meaning === 'yesterday') continue;
    if (meaning === 'since' || meaning === 'at') {
      const instant = readClock(next, context, word, yesterday);
      if (meaning === 'since') since = instant;
      else at = instant;
      i++;
    } else if (meaning === 'temperature') {
      const value = next ? readTemperature(next, context.temperatureUnit) : null;
      if (value === null)
        throw new JotProblem(
          (next ?? word).from,
          (next ?? word).to,
          'After "temp" a temperature is needed, such as 25.5 or 78F.',
        );
      drafts.push({ kind: 'temperature', value, word });
      i++;
    } else if (meaning) {
      if (word.text.toLowerCase() === 'free' && next?.text.toLowerCase() === 'swimming') i++;
      const number = list[i + 1];
      const takes = isNumber(number) && !(SYNONYMS[list[i + 2]?.text.toLowerCase() ?? ''] === 'white' && meaning !== 'white');
      if (takes) i++;
      const sex = takes && meaning === 'lost' ? SEXES[list[i + 1]?.text.toLowerCase() ?? ''] : undefined;
      if (sex) i++;
      drafts.push({ kind: meaning, value: takes && number ? wholeNumber(number) : null, word, sex });
    } else if (
      isNumber(word) &&
      next &&
      SYNONYMS[next.text.toLowerCase()] &&
      !['since', 'at', 'yesterday', 'temperature'].includes(SYNONYMS[next.text.toLowerCase()] ?? '')
    ) {
      drafts.push({ kind: SYNONYMS[next.text.toLowerCase()] as JotCommand['kind'], value: wholeNumber(word), word: next });
      i++;
    } else {
      const value = readTemperature(word, context.temperatureUnit);
      if (value === null) throw new JotProblem(word.from, word.to, `"${word.text}" is not understood. ${WORDS}`);
      drafts.push({ kind: 'temperature', value, word });
    }
  }
  return { drafts, since, at };
}

function needed(draft: Draft): number {
  if (draft.value === null)
    throw new JotProblem(draft.word.from, draft.word.to, `How many? Write a number beside "${draft.word.text}".`);
  return draft.value;
}

function checkTank(draft: Draft, tank: JotTank): void {
  const { from, to, text } = draft.word;
  if (draft.kind === 'eggs' && tank.attempts === 0)
    throw new JotProblem(from, to, `No spawning attempt is open in ${tank.code}; start one under Spawns first.`);
  if (draft.kind === 'eggs' && tank.attempts > 1)
    throw new JotProblem(from, to, `${tank.attempts} attempts are open in ${tank.code}; log the eggs on the attempt's page.`);
  if (!['white', 'hatched', 'freeSwimming'].includes(draft.kind)) return;
  if (tank.broods.length === 0) throw new JotProblem(from, to, `No brood is in ${tank.code}, so "${text}" has nothing to go to.`);
  if (tank.broods.length > 1)
    throw new JotProblem(from, to, `${tank.code} holds ${tank.broods.length} broods; log this on the brood's page.`);
}

/** The lot a count or loss is about: the only one, or the only young ones beside adults. */
function lotOf(draft: Draft, tank: JotTank): JotTank['lots'][number] {
  const { from, to } = draft.word;
  const young = tank.lots.filter((lot) => lot.young);
  const lot = tank.lots.length === 1 ? tank.lots[0] : young.length === 1 ? young[0] : undefined;
  if (lot) return lot;
  throw new JotProblem(
    from,
    to,
    tank.lots.length === 0
      ? `Nobody is booked in ${tank.code}.`
      : `${tank.code} holds ${tank.lots.length} groups; log this on the tank's page.`,
  );
}

function lossOf(draft: Draft, tank: JotTank, at: Instant): JotCommand {
  const lot = lotOf(draft, tank);
  const count = needed(draft);
  const { from, to } = draft.word;
  const have = draft.sex ? { ...EMPTY, [draft.sex]: lot[draft.sex] } : lot;
  if (count > totalHeads(have))
    throw new JotProblem(from, to, `Only ${totalHeads(have)} ${draft.sex ?? ''} are booked in ${tank.code}.`.replace('  ', ' '));
  const decision = decideLoss(have, count);
  if (!decision.ok) throw new JotProblem(from, to, `${decision.message} Write "lost ${count} male" or "lost ${count} female".`);
  return { kind: 'lost', lotId: lot.id, heads: decision.heads, at };
}

function toCommands(drafts: readonly Draft[], tank: JotTank, span: TimeRange): JotCommand[] {
  const eggs = drafts.find((draft) => draft.kind === 'eggs');
  const white = drafts.find((draft) => draft.kind === 'white');
  const commands: JotCommand[] = [];
  for (const draft of drafts) {
    if (draft === white && eggs) continue;
    checkTank(draft, tank);
    if (draft.kind === 'eggs') {
      const [count, whites] = [needed(draft), white ? needed(white) : 0];
      if (white && whites > count)
        throw new JotProblem(white.word.from, white.word.to, `More white eggs (${whites}) than eggs (${count}).`);
      if (count === 0) throw new JotProblem(draft.word.from, draft.word.to, 'At least one egg.');
      commands.push({ kind: 'eggs', count, white: whites, laid: span });
    } else if (draft.kind === 'temperature') commands.push({ kind: 'temperature', tempC: draft.value ?? 0, at: span.to });
    else if (draft.kind === 'hatched' || draft.kind === 'freeSwimming')
      commands.push({ kind: draft.kind, broodId: tank.broods[0]?.id ?? '', count: draft.value, at: span });
    else if (draft.kind === 'white')
      commands.push({ kind: 'white', broodId: tank.broods[0]?.id ?? '', count: needed(draft), at: span.to });
    else if (draft.kind === 'count')
      commands.push({ kind: 'count', lotId: lotOf(draft, tank).id, count: needed(draft), at: span.to });
    else commands.push(lossOf(draft, tank, span.to));
  }
  return commands;
}

/** Which group of several a count or loss is read for. */
function group(lotId: string, tank: JotTank): string {
  return tank.lots.length > 1 && tank.lots.some((lot) => lot.id === lotId && lot.young) ? ' of the young' : '';
}

function describe(command: JotCommand, tank: JotTank, context: JotContext): string {
  const today = houseDay(context.now, context.timeZone);
  const when = (range: TimeRange) => formatInstantRange(range, today, context.timeZone);
  switch (command.kind) {
    case 'temperature':
      return context.temperatureUnit === 'degF'
        ? `temperature ${formatNumber(convert({ value: command.tempC, from: 'degC', to: 'degF' }).value, 3)} °F (${formatNumber(command.tempC, 3)} °C)`
        : `temperature ${formatNumber(command.tempC, 3)} °C`;
    case 'eggs':
      return `clutch of ${command.count} eggs${command.white > 0 ? `, ${command.white} of them white` : ''}, laid ${when(command.laid)}`;
    case 'white':
      return `${command.count} white eggs picked`;
    case 'hatched':
      return `hatched${command.count === null ? '' : `, ${command.count} counted`} ${when(command.at)}`;
    case 'freeSwimming':
      return `free-swimming${command.count === null ? '' : `, ${command.count} counted`} ${when(command.at)}`;
    case 'count':
      return `${command.count} counted${group(command.lotId, tank)}`;
    case 'lost': {
      const { males, females, unsexed } = command.heads;
      const sexes = [males && `${males} male`, females && `${females} female`, unsexed && String(unsexed)]
        .filter(Boolean)
        .join(' and ');
      return `${sexes} lost${group(command.lotId, tank)}`;
    }
  }
}

/**
 * Reads one jotted line, "B2.3 eggs 120, 18 white, since 22:00": a tank code, then what was seen, in any order.
 * Nothing is logged by reading; the result says how the line is understood or which word is not.
 */
export function parseJot(line: string, context: JotContext): JotResult {
  const [first, ...rest] = words(line);
  try {
    if (!first) throw new JotProblem(0, line.length, 'Begin with a tank, such as A1.2.');
    const tank = context.tanks.find((candidate) => candidate.code.toLowerCase() === first.text.toLowerCase());
    if (!tank) throw new JotProblem(first.from, first.to, `No tank is called "${first.text}".`);
    if (rest.length === 0) throw new JotProblem(first.to, first.to, WORDS);
    const { drafts, since, at } = readPhrases(rest, context);
    if (drafts.length === 0) throw new JotProblem(rest[0]?.from ?? 0, rest.at(-1)?.to ?? line.length, `What was seen? ${WORDS}`);
    const to = at ?? context.now;
    const span = { from: since ?? to, to };
    if (span.from > span.to)
      throw new JotProblem(rest[0]?.from ?? 0, rest.at(-1)?.to ?? line.length, '"since" is later than "at".');
    const commands = toCommands(drafts, tank, span);
    return {
      ok: true,
      tank,
      commands,
      readsAs: `${tank.code}: ${commands.map((command) => describe(command, tank, context)).join('; ')}`,
    };
  } catch (error) {
    if (error instanceof JotProblem) return { ok: false, problem: { from: error.from, to: error.to, message: error.message } };
    throw error;
  }
}
