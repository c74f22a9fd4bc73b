import { Link } from 'react-router';
import { clutchesByFemale, sizeByAge, type BroodOutcome } from '@freshet/core/broods';
import { formatDay, houseDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useHouse } from '../../data';
import { Panel } from '../../ui';

const PLOT = { width: 380, height: 150, left: 42, bottom: 28 };
const MONTH_DAYS = 30.44;

/** Clutch size against the mother's age. */
function SizePlot({ outcomes }: { outcomes: readonly BroodOutcome[] }) {
  const points = sizeByAge(outcomes);
  if (points.length < 3) return null;
  const oldest = Math.max(...points.map(({ ageDays }) => ageDays)) / MONTH_DAYS;
  const largest = Math.max(...points.map(({ size }) => size));
  const x = (days: number) => PLOT.left + (days / MONTH_DAYS / (oldest * 1.05)) * (PLOT.width - PLOT.left - 10);
  const y = (size: number) => 8 + (1 - size / (largest * 1.05)) * (PLOT.height - 8 - PLOT.bottom);
  return (
    <figure className="mt-2">
      <svg
        viewBox={`0 0 ${PLOT.width} ${PLOT.height}`}
        className="w-full max-w-lg"
        role="img"
        aria-label="Clutch size by the mother's age"
      >
        <path d={`M${PLOT.left},8 V${y(0)} H${PLOT.width - 8}`} fill="none" stroke="var(--edge)" />
        {[0, largest / 2, largest].map((size) => (
          <text key={size} x={PLOT.left - 6} y={y(size) + 4} textAnchor="end" fontSize={11} fill="var(--quiet)">
            {Math.round(size)}
          </text>
        ))}
        {[0.25, 0.5, 0.75, 1].map((part) => (
          <text
            key={part}
            x={x(oldest * part * MONTH_DAYS)}
            y={PLOT.height - 10}
            textAnchor="middle"
            fontSize={11}
            fill="var(--quiet)"
          >
            {formatNumber(oldest * part)} mo
          </text>
        ))}
        {points.map(({ broodId, ageDays, size, name }) => (
          <circle key={broodId} cx={x(ageDays)} cy={y(size)} r={4.2} fill="var(--deep)" opacity={0.85}>
            <title>{`${name}: ${Math.round(size)} at ${formatNumber(ageDays / MONTH_DAYS)} months`}</title>
          </circle>
        ))}
      </svg>
      <figcaption className="text-note text-quiet">
        Clutch size and the mother’s age; with several mothers, an equal share each.
      </figcaption>
    </figure>
  );
}

/** Who lays how often, and how many at what age. */
export function FemalesPanel({ outcomes }: { outcomes: readonly BroodOutcome[] }) {
  const house = useHouse();
  const females = clutchesByFemale(outcomes);
  return (
    <Panel title="Broods by female">
      {females.length === 0 && <p className="text-quiet">To compare females, spawn them one at a time and give them names.</p>}
      {females.slice(0, 5).map(({ lotId, label, clutches, perYear, lastLaid }) => (
        <p key={lotId} className="flex flex-wrap justify-between gap-x-4 border-b border-rule py-1.5">
          <Link to={`/stock/${lotId}`} className="link font-semibold">
            {label}
          </Link>
          <span>
            {clutches === 1 ? 'one brood' : `${clutches} broods`}
            {perYear !== null && (
              <>
                , <b>{formatNumber(perYear)} a year</b>
              </>
            )}
            <span className="text-quiet">, last {formatDay(houseDay(lastLaid, house.timeZone), house.today)}</span>
          </span>
        </p>
      ))}
      <SizePlot outcomes={outcomes} />
    </Panel>
  );
}
