import { LEXICON, numberWord } from './lexicon';

/** A word of a line. */
export interface Word {
  text: string;
  low: string;
  from: number;
  to: number;
  /** A comma, a semicolon or the end of the line follows. */
  breaks: boolean;
  /** A question mark stood behind it. */
  asks: boolean;
}

const NAMED_NUMBER =
  /^(ph|gh|kh|tds|temp|no3|no2|nh3|nh4|o2|cond|condition|score|eggs?|count)[=:]?(?=[\d.,])|^(?:ph|gh|kh|tds|temp|no3|no2|nh3|nh4|o2|t)[=:]/i;
/** Where a word is cut in two or three: arrows, "3m", "~90", "90ish", "ph7.1", "x3". */
function cutsOf(text: string): number[] {
  const cuts = new Set<number>();
  for (const match of text.matchAll(/->|=>|→|>|~|&|\+/g)) {
    cuts.add(match.index);
    cuts.add(match.index + match[0].length);
  }
  const named = NAMED_NUMBER.exec(text);
  if (named) cuts.add(named[0].length);
  // "8m12f", "2dead", "lost2".
  if (/^(\d+[mf])+$/i.test(text)) for (const match of text.matchAll(/\d+|[mf]/gi)) cuts.add(match.index);
  const glued = /^(\d+)([a-z]{3,})$/i.exec(text);
  if (glued?.[1] && LEXICON.has((glued[2] ?? '').toLowerCase())) cuts.add(glued[1].length);
  const stuck = /^([a-z]{4,})(\d+)$/i.exec(text);
  if (stuck?.[1] && LEXICON.get(stuck[1].toLowerCase())?.is === 'animal') cuts.add(stuck[1].length);
  const sexed = /^(\d+)(?=(?:m|f|males?|females?)$)/i.exec(text);
  if (sexed) cuts.add(sexed[0].length);
  const vague = /^(\d+)(?=-?ish$)/i.exec(text);
  if (vague) cuts.add(vague[0].length);
  const times = /^x(?=\d+$)/i.exec(text);
  if (times) cuts.add(1);
  if (/^\d+x$/i.test(text)) cuts.add(text.length - 1);
  if (/^@\d/.test(text)) cuts.add(1);
  return [...cuts].filter((at) => at > 0 && at < text.length).sort((a, b) => a - b);
}

/** A dot behind these ends nothing. */
const ABBREVIATED = /^(ca|c|approx|abt|temp|min|max|nr|vs|etc|incl)\.$/i;

/** Words of a line; a comma between digits is a decimal sign, elsewhere it ends a clause. */
export function wordsOf(line: string): Word[] {
  return [...line.matchAll(/(?:[^\s,;()[\]"“”!]|(?<=\d),(?=\d))+/g)].flatMap((match) => {
    const asks = match[0].includes('?');
    const whole = match[0].replace(/[:.?…]+$/, '') || match[0];
    const after = line.slice(match.index + match[0].length);
    const breaks = /^\s*[,;]/.test(after) || after.trim() === '' || (/[.…]$/.test(match[0]) && !ABBREVIATED.test(match[0]));
    const edges = [0, ...cutsOf(whole), whole.length];
    return edges.slice(1).flatMap((end, i) => {
      const start = edges[i] ?? 0;
      const text = whole.slice(start, end).replace(/[=:]$/, '');
      if (text === '' || (/^x$/i.test(text) && edges.length > 2)) return [];
      const low = text === '@' ? 'at' : text.toLowerCase();
      const isLast = end === whole.length;
      return [
        {
          text,
          low,
          from: match.index + start,
          to: match.index + start + text.length,
          breaks: isLast && breaks,
          asks: isLast && asks,
        },
      ];
    });
  });
}

/** The number a word begins with, and what stands behind it; null when it begins with none. */
export function numberOf(word: Word | undefined): { value: number; rest: string; isThousand: boolean } | null {
  if (!word) return null;
  const said = numberWord(word.low);
  if (said !== null) return { value: said, rest: '', isThousand: false };
  const match = /^([+-]?(?:\d+(?:[.,]\d+)?|[.,]\d+))(.*)$/.exec(word.low);
  if (!match?.[1]) return null;
  return {
    value: Number(match[1].replace(',', '.')),
    rest: match[2] ?? '',
    isThousand: /^[1-9]\d{0,2},\d{3}$/.test(match[1]),
  };
}
/** Letters and then digits, as tanks are called: "Z9", "b2.3". */
export const looksLikeTank = (low: string): boolean => /^[a-z]{1,3}[.-]?\d{1,3}(?:[.-]\d{1,3})?[a-z]?$/.test(low);
