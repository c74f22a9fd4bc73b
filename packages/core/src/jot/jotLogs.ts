import { CalculationError } from '../errors';
import type { JotLog, JotReader } from './jotTypes';
import { readLine } from './line/readLine';

/** What a line gives for those who ask without a house: logs, or what has to be asked. */
export type JotReply = { logs: JotLog[] } | { ask: { word: string; question: string; choices: string[] } };

/**
 * A line as logs, or as the one question it leaves.
 * @throws CalculationError unknownTank, ambiguous, outOfRange or incomplete, with the word that stands in the way
 */
export function jotLogs({ line, ...reader }: JotReader & { line: string }): JotReply {
  const read = readLine(line, reader);
  if (read.kind === 'error') throw new CalculationError(read.problem.error, 'line', read.problem.message, read.problem.word);
  if (read.kind === 'ask') {
    const { word, question, choices } = read.ask;
    return { ask: { word, question, choices: choices.map(({ label }) => label) } };
  }
  return { logs: read.logs.map(({ at: _at, of: _of, ...log }) => log) };
}
