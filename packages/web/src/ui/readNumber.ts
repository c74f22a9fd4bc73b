import { FieldProblem } from '../data';

/** A number as typed, with comma or point; null where nothing is typed. @throws {FieldProblem} with `wrong` where it is none */
export function readNumber(field: string, text: string, wrong = 'Give a number.'): number | null {
  if (!text.trim()) return null;
  const value = Number(text.replace(',', '.'));
  if (!Number.isFinite(value)) throw new FieldProblem(field, wrong);
  return value;
}
