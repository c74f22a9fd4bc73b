import { totalHeads } from '../../stock';
import { formatInstantRange, houseDay } from '../../time';
import { Commander } from './commander';
import { describeCommand } from './describeCommand';
import type { JotCommand, JotContext, JotTank } from './jotHouseTypes';
import { JotProblem, JotQuestion, type JotAsk, type JotError, type JotTankTold } from '../jotTypes';
import { namesOf, type Names } from '../words/names';
import { readLine } from '../line/readLine';

/** How a line is read, what it leaves to be asked, or why it cannot be logged. */
export type JotResult =
  | { ok: true; tanks: JotTank[]; commands: JotCommand[]; readsAs: string; notes: number }
  | { ok: false; ask: JotAsk; problem: null }
  | { ok: false; ask: null; problem: JotError };

/** The tanks of a house as a line is read against them. */
const toldOf = (tanks: readonly JotTank[]): JotTankTold[] =>
  tanks.map(({ code, litres, lots }) => ({
    code,
    litres,
    groups: lots.map((lot) => ({
      name: lot.label,
      species: lot.speciesName,
      stage: lot.stage,
      heads: totalHeads(lot),
      males: lot.males + lot.females > 0 ? lot.males : null,
      females: lot.males + lot.females > 0 ? lot.females : null,
    })),
  }));

/** What a line is read against, made once for a house and kept while somebody types. */
export interface JotHouse {
  told: JotTankTold[];
  names: Names;
}
export const jotHouse = (tanks: readonly JotTank[]): JotHouse => {
  const told = toldOf(tanks);
  return { told, names: namesOf(told) };
};

/**
 * Reads one jotted line for a house: what `readLine` understands, with the animals, broods and cultures that are meant, read back with
 * day and time. Nothing is logged by reading; a line is logged whole or not at all.
 * @param house - made from the context's tanks by `jotHouse`; made anew when left out
 */
export function parseJot(line: string, context: JotContext, house: JotHouse = jotHouse(context.tanks)): JotResult {
  const { now, timeZone, units, cultures } = context;
  const outlets = [...(context.outlets ?? []), ...(context.buyers ?? []).map(({ name }) => name)];
  const read = readLine(line, { now, timeZone, units, outlets, cultures, tanks: house.told }, house.names);
  if (read.kind === 'error') return { ok: false, ask: null, problem: read.problem };
  if (read.kind === 'ask') return { ok: false, ask: read.ask, problem: null };
  try {
    const byCode = new Map(context.tanks.map((tank) => [tank.code, tank]));
    const commander = new Commander(line, context);
    const placed = read.logs.flatMap((log) => {
      const tank = byCode.get(log.tank ?? '') ?? null;
      return commander.toCommands(log, tank).map((command) => ({ log, tank, command }));
    });
    const today = houseDay(now, timeZone);
    const parts = new Map<string, string[]>();
    for (const { log, tank, command } of placed) {
      const when = formatInstantRange({ from: log.from, to: log.to }, today, timeZone);
      const key = `${tank?.code ?? ''}|${when}`;
      parts.set(key, [...(parts.get(key) ?? []), describeCommand(log, command, tank, context)]);
    }
    const readsAs = [...parts].map(([key, words]) => {
      const [code = '', when = ''] = key.split('|');
      return `${code ? `${code}: ` : ''}${words.join('; ')} · ${when}`;
    });
    return {
      ok: true,
      tanks: [...new Set(placed.flatMap(({ tank }) => tank ?? []))],
      commands: placed.map(({ command }) => command),
      readsAs: readsAs.join(' | ').replaceAll(', ·', ' ·').replaceAll(', laid ·', ' laid ·'),
      notes: placed.filter(({ command }) => command.kind === 'care' && command.care === 'note').length,
    };
  } catch (error) {
    const at = error instanceof JotProblem || error instanceof JotQuestion ? error.at : null;
    if (!at) throw error;
    const word = line.slice(at.from, at.to);
    if (error instanceof JotQuestion)
      return { ok: false, ask: { ...at, word, question: error.question, choices: error.choices }, problem: null };
    const { error: kind, message } = error as JotProblem;
    return { ok: false, ask: null, problem: { error: kind, ...at, word, message } };
  }
}
