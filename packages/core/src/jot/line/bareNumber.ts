import { fail, JotQuestion, type JotReader } from '../jotTypes';
import type { Clause, Draft } from './clause';
import { celsiusOf } from './readings';
import type { Item } from './said';

/** A number with nothing beside it that says of what. */
export interface Bare {
  item: Extract<Item, { is: 'number' }>;
  /** Stands first, right beside its tank. */
  isFirst: boolean;
  isAbout: boolean;
}

/**
 * Bare numbers: a temperature where nothing else can be meant, else asked about.
 * @throws {JotQuestion} @throws {JotProblem} where two stand there
 */
export function temperatureOf(
  line: string,
  context: JotReader,
  bare: readonly Bare[],
  drafts: readonly Draft[],
  notes: Draft[],
): Draft[] {
  const { temperature } = context.units;
  const [first, second] = bare;
  if (!first) return [];
  if (second) fail('ambiguous', second.item, `${first.item.text} or ${second.item.text}: which is the temperature?`);
  if (drafts.some(({ phrase }) => phrase.kind === 'reading' && phrase.what === 'temperature'))
    fail('ambiguous', first.item, `There's a temperature already. What is ${first.item.text}?`);
  const { item } = first;
  if (item.isThousand)
    fail(
      'ambiguous',
      item,
      `${item.text} could be a thousand or a decimal. Write ${item.text.replace(',', '')} or ${item.text.replace(',', '.')}.`,
    );
  const put = (words: string) => `${line.slice(0, item.from)}${words}${line.slice(item.to)}`;
  if (temperature === 'degC' && item.isDecimal && item.value >= 4.5 && item.value <= 9.5)
    throw new JotQuestion(item, `What is ${item.text}?`, [
      { label: `pH ${item.text}`, line: put(`ph ${item.text}`) },
      { label: `${item.text} °C`, line: put(`temp ${item.text}`) },
    ]);
  const isOnly = drafts.every(({ phrase }) => phrase.kind === 'reading') && notes.length === 0;
  const usual = temperature === 'degC' ? [4, 38] : [40, 100];
  const isUsual = item.value >= (usual[0] ?? 0) && item.value <= (usual[1] ?? 0);
  if ((isOnly && !first.isAbout) || (isUsual && (item.isDecimal || first.isFirst)))
    return [{ phrase: { kind: 'reading', what: 'temperature', value: celsiusOf(temperature, item) }, at: item }];
  if (!isUsual) {
    notes.push({ phrase: { kind: 'note', text: item.text }, at: item });
    return [];
  }
  const unit = temperature === 'degC' ? '°C' : '°F';
  throw new JotQuestion(item, `What is ${item.text}?`, [
    { label: `${item.text} ${unit}`, line: put(`temp ${item.text}`) },
    { label: `${item.text} counted`, line: put(`count ${item.text}`) },
  ]);
}

/** Something was done or found: its number is no temperature. */
export const isDeed = (clause: Clause): boolean => clause.items.some((item) => item.is === 'filler' && item.isDeed === true);

/** A decimal that a heated tank shows. */
export const isHeated = ({ value, isDecimal }: Extract<Item, { is: 'number' }>, { units }: JotReader): boolean =>
  isDecimal && (units.temperature === 'degC' ? value >= 15 && value <= 35 : value >= 60 && value <= 95);
