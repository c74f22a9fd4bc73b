import { atLeast, type CrossClass } from '@freshet/core/stock';
import { showPercent } from '../../data';
import type { Gene } from './gene';

const CONFIDENCE = 0.95;

/** A kind of young as a key: sex and looks. */
export const classKey = (kind: CrossClass, loci: readonly Gene[]) =>
  [kind.sex, ...loci.map(({ locus }) => kind.phenotypes[locus])].join(' ');

/** Kinds of young with their shares, how many to raise, and what was counted. */
export function CrossYoung({
  classes,
  loci,
  wanted,
  counted,
  count,
}: {
  classes: readonly CrossClass[];
  loci: readonly Gene[];
  wanted: number;
  counted: Readonly<Record<string, string>>;
  count: (key: string, text: string) => void;
}) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left">
        <thead className="border-b border-ink text-note text-quiet">
          <tr>
            <th className="py-1 font-normal">Sex</th>
            {loci.map(({ locus }) => (
              <th key={locus} className="font-normal">
                {locus}
              </th>
            ))}
            <th className="text-right font-normal">Share</th>
            <th className="text-right font-normal">Raise for {wanted}</th>
            <th className="w-24 pl-4 font-normal">Counted</th>
          </tr>
        </thead>
        <tbody>
          {classes.map((kind) => {
            const key = classKey(kind, loci);
            return (
              <tr key={key} className="border-b border-rule">
                <td className="py-1">{kind.sex}</td>
                {loci.map(({ locus }) => (
                  <td key={locus} className="font-mono">
                    {kind.phenotypes[locus]}
                  </td>
                ))}
                <td className="text-right font-semibold">{showPercent(kind.probability)}</td>
                <td className="text-right">{atLeast({ probability: kind.probability, wanted, confidence: CONFIDENCE }).count}</td>
                <td className="pl-4">
                  <input
                    className="control min-h-9!"
                    inputMode="numeric"
                    aria-label={`Counted: ${key}`}
                    value={counted[key] ?? ''}
                    onChange={(event) => count(key, event.target.value)}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
