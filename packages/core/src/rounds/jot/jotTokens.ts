import { lexicon } from '../../time';
import { VOLUME_SPELLINGS } from '../../units';
import { fail, type Word } from './jotTypes';
import { FILLERS, GROUPS, numberWord, READING_BY_WORD, SEXES } from './jotWords';

/** Words of a line; a comma between digits is a decimal sign, elsewhere it ends a phrase. */
export function wordsOf(line: string): Word[] {
  return [...line.matchAll(/(?:[^\s,;]|(?<=\d),(?=\d))+/g)].map((match) => {
    const text = match[0].replace(/[:.!?]+$/, '') || match[0];
    const after = line.slice(match.index + match[0].length);
    return {
      text,
      low: text === '@' ? 'at' : text.toLowerCase(),
      from: match.index,
      to: match.index + text.length,
      breaks: /^\s*[,;]/.test(after) || after.trim() === '',
    };
  });
}

/** The number a word begins with, and what stands behind it; null when it begins with none. */
export function numberOf(word: Word | undefined): { value: number; rest: string } | null {
  if (!word) return null;
  const said = numberWord(word.low);
  if (said !== null) return { value: said, rest: '' };
  const match = /^([+-]?(?:\d+(?:[.,]\d+)?|[.,]\d+))(.*)$/.exec(word.low);
  if (!match?.[1]) return null;
  if (/^[1-9]\d{0,2},\d{3}$/.test(match[1]))
    fail(
      'ambiguous',
      word,
      `"${word.text}" may be a thousand or a decimal: write ${match[1].replace(',', '')} or ${match[1].replace(',', '.')}.`,
    );
  return { value: Number(match[1].replace(',', '.')), rest: match[2] ?? '' };
}
export const isNumber = (word: Word | undefined): word is Word => numberOf(word)?.rest === '';

/** Units behind a reading. */
export const UNITS = /^(ppm|mg\/?l|mg|°|deg|degrees?|d|dgh|dkh|°d|µs|us)$/;
export const VOLUMES = lexicon<'L' | 'mL' | 'galUS' | 'galUK'>(VOLUME_SPELLINGS);
/** What may stand between a number and its word: "2 of the females died". */
export const besides = (low = '') => FILLERS.has(low) || low in SEXES || low in GROUPS;
/** Letters and then digits, as tanks are called: "Z9", "b2.3". */
export const looksLikeTank = (low: string) =>
  /^[a-z]{1,3}[.-]?\d{1,3}(?:[.-]\d{1,3})?[a-z]?$/.test(low) && !READING_BY_WORD.has(low);
