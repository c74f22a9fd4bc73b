import { NEVER_RELEASE } from '@freshet/core/sales';
import { labelSheet, type Label } from '../print';
import type { Packed } from './packed';

/** One label a bag: who, how many, the code that leads back to their parents. @param origin - where the house is reached */
export const labelsOf = (packed: readonly Packed[], origin: string): Label[] =>
  packed.flatMap(({ speciesName, scientificName, heads, words, papers, code, plan }) => {
    const bags = plan.bags;
    return Array.from({ length: bags }, (_, i): Label => {
      // Even shares; the first bags take what is left over.
      const inBag = Math.floor(heads / bags) + (i < heads % bags ? 1 : 0);
      return {
        code,
        address: `${origin}/sales/trail/${code}`,
        lines: [
          `${inBag} ${speciesName}`,
          scientificName,
          [words, papers].filter(Boolean).join('; '),
          bags > 1 ? `bag ${i + 1} of ${bags}` : '',
          NEVER_RELEASE,
        ].filter(Boolean),
      };
    });
  });

/** Labels for bags as PDF. */
export const bagLabels = (packed: readonly Packed[], origin: string): Promise<Uint8Array> =>
  labelSheet('Bag labels', labelsOf(packed, origin));
