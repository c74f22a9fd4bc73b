/**
 * The generation of young, one on from the later of their parents': F2 and F2 give F3, wild or bought-in stock gives F1.
 * @param parents - generations as written; what is not "F" and a number counts as F0
 */
export function nextGeneration(parents: readonly (string | null)[]): string {
  const numbers = parents.map((text) => Number(/^\s*F\s*(\d{1,4})\s*$/i.exec(text ?? '')?.[1] ?? 0));
  return `F${Math.max(0, ...numbers) + 1}`;
}
