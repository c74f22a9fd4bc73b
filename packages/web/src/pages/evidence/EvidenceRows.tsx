import { factorWords, sureWords, type EvidenceRow } from '@freshet/core/spawning';
import { inARow } from '@freshet/core/time';
import { inUnits } from '@freshet/core/units';
import { showPercent, useHouse } from '../../data';
import { Why } from '../../ui';

const BAR = 168;

/** A share with its range: a dot on a line from nothing to all. */
function RateBar({ tally, isBetter }: { tally: EvidenceRow['with']; isBetter: boolean }) {
  const x = (share: number) => 4 + (BAR - 8) * share;
  const { low95, high95, mean } = tally.rate;
  return (
    <svg
      width={BAR}
      height={18}
      role="img"
      aria-label={`${tally.successes} of ${tally.trials}, likely ${showPercent(low95)} to ${showPercent(high95)}`}
    >
      <line x1={x(0)} x2={x(1)} y1={9} y2={9} stroke="var(--rule)" />
      <rect
        x={x(low95)}
        y={5}
        width={Math.max(2, x(high95) - x(low95))}
        height={8}
        fill={isBetter ? 'var(--fry)' : 'var(--water)'}
        stroke="var(--edge)"
      />
      <circle cx={x(mean)} cy={9} r={3.5} fill="var(--ink)" />
    </svg>
  );
}

/** One thing done or not done: both sides with their ranges, and how sure. */
export function EvidenceLine({ row }: { row: EvidenceRow }) {
  const { units } = useHouse();
  const better = row.probability >= 0.5;
  const [withWords, withoutWords] = [inUnits(row.withWords, units), inUnits(row.withoutWords, units)];
  const side = (tally: EvidenceRow['with'], words: string, isBetter: boolean) => (
    <div className="flex flex-col">
      <RateBar tally={tally} isBetter={isBetter && row.claim} />
      <span>
        <b>
          {tally.successes} of {tally.trials}
        </b>{' '}
        {words}
      </span>
    </div>
  );
  return (
    <li
      className={`grid gap-x-5 gap-y-1 border-b border-rule py-2.5 md:grid-cols-[190px_minmax(0,1fr)_minmax(0,1fr)_230px] ${row.claim ? 'border-l-4 border-l-deep bg-sheet pl-3' : 'pl-4'}`}
    >
      <b className={row.claim ? '' : 'font-semibold text-quiet'}>{row.label}</b>
      {side(row.with, withWords, better)}
      {side(row.without, withoutWords, !better)}
      <span className={row.claim ? 'font-semibold' : 'text-quiet'}>
        {sureWords(row)}{' '}
        <Why
          about={row.label}
          inputs={[
            { label: withWords, value: `${row.with.successes} of ${row.with.trials}` },
            { label: withoutWords, value: `${row.without.successes} of ${row.without.trials}` },
            { label: 'Could be chance alone', value: row.p === null ? 'can’t tell' : showPercent(row.p) },
            { label: 'Corrected for all that was looked at', value: row.q === null ? 'can’t tell' : showPercent(row.q) },
          ]}
          formula="How likely one share is above the other, and Fisher’s exact test, corrected for how many things were compared."
          notes={[
            'In your tanks, with your fish. Others may find something else.',
            ...(row.together.length > 0
              ? [
                  `Always stood together with: ${row.together.map((name) => factorWords(name).label.toLowerCase()).join(', ')}. Try one without the other to tell them apart.`,
                ]
              : []),
          ]}
          source="docs/sources.md#evidence-screen"
        />
        {row.often.length > 0 && (
          <span className="block text-note font-normal text-quiet">
            mostly went with{' '}
            {row.often
              .slice(0, 2)
              .map((name) => factorWords(name).label.toLowerCase())
              .join(', ')}
            ; it could be that instead
          </span>
        )}
        {row.together.length > 0 && (
          <span className="block text-note font-normal text-quiet">
            you always had {inARow(row.together.map((name) => factorWords(name).label.toLowerCase()))} too, so it could be that
          </span>
        )}
      </span>
    </li>
  );
}
