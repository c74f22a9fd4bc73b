import { formatNumber } from '@freshet/core/units';
import { KinPatterns, KinShade } from './HeatMap';
import type { LineAnimal } from './useLine';

/** What the keeper says of a pair. */
export type Wish = 'keep' | 'apart' | null;
const NEXT: Record<'keep' | 'apart' | 'free', Wish> = { free: 'keep', keep: 'apart', apart: null };
const WORDS = { keep: 'must be', apart: 'must not be', free: '' } as const;

/** Males by females: the inbreeding of their young, who is paired, what is asked for. One tap: keep, apart, free. */
export function PairingGrid({
  males,
  females,
  inbreedingOf,
  paired,
  wishOf,
  wish,
}: {
  males: readonly LineAnimal[];
  females: readonly LineAnimal[];
  inbreedingOf: (male: string, female: string) => number;
  paired: ReadonlySet<string>;
  wishOf: (male: string, female: string) => Wish;
  wish: (male: string, female: string, next: Wish) => void;
}) {
  return (
    <div className="max-h-[340px] overflow-auto">
      <KinPatterns />
      <table className="border-collapse text-center">
        <thead>
          <tr>
            <th className="sticky left-0 bg-sheet px-2 text-left text-note font-normal text-quiet">inbreeding of fry, %</th>
            {females.map((female) => (
              <th key={female.id} className="max-w-24 px-1 pb-1 text-note font-semibold break-words">
                {female.label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {males.map((male) => (
            <tr key={male.id}>
              <th className="sticky left-0 max-w-40 truncate bg-sheet px-2 text-left text-note font-semibold">{male.label}</th>
              {females.map((female) => {
                const kin = inbreedingOf(male.id, female.id);
                const asked = wishOf(male.id, female.id);
                const isPaired = paired.has(`${male.id} ${female.id}`);
                return (
                  <td key={female.id} className="p-0.5">
                    <button
                      type="button"
                      className={`relative block h-11 w-20 ${isPaired ? 'border-[3px] border-ink' : 'border border-rule'}`}
                      aria-pressed={isPaired}
                      aria-label={`${male.label} and ${female.label}: ${formatNumber(kin * 100)} %${isPaired ? ', paired' : ''}${asked ? `, ${WORDS[asked]}` : ''}`}
                      onClick={() => wish(male.id, female.id, NEXT[asked ?? 'free'])}
                    >
                      <svg aria-hidden className="absolute inset-0 size-full" preserveAspectRatio="none" viewBox="0 0 80 44">
                        <KinShade kin={kin} x={0} y={0} size={80} />
                      </svg>
                      <span className="relative bg-sheet px-1 font-semibold">{formatNumber(kin * 100)}</span>
                      {asked && (
                        <span aria-hidden className="absolute top-0 right-0 bg-ink px-1 text-note text-sheet">
                          {asked === 'keep' ? 'keep' : 'apart'}
                        </span>
                      )}
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
