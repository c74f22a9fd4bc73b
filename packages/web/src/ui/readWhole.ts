import { FieldProblem } from '../data';

/** Reads a typed number of animals; whether it is whole and in range the contract's schema says. @throws {FieldProblem} when it is no number */
export function readWhole(field: string, text: string): number {
  if (!/^\s*-?\d+([.,]\d+)?\s*$/.test(text)) throw new FieldProblem(field, 'Give a whole number.');
  return Number(text.replace(',', '.'));
}
