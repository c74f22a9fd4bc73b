import { sexRatioPoints, type BroodOutcome } from '@freshet/core/broods';
import { findSexShift, learnSexShift } from '@freshet/core/stock';
import { formatNumber } from '@freshet/core/units';
import { showPercent, showTemperature, useHouse } from '../../data';
import { Panel, Why } from '../../ui';

const PLOT = { width: 380, height: 160, left: 44, bottom: 28 };

/** The sexes of the house's own broods against the surroundings of their first weeks, with the curve as they have shifted it. */
export function SexRatioPanel({ speciesKey, outcomes }: { speciesKey: string; outcomes: readonly BroodOutcome[] }) {
  const house = useHouse();
  const shift = findSexShift(speciesKey);
  const by = shift?.by ?? (sexRatioPoints(outcomes, 'ph').length > sexRatioPoints(outcomes, 'tempC').length ? 'ph' : 'tempC');
  const points = sexRatioPoints(outcomes, by);
  const curve = learnSexShift(shift, by, points);
  const males = outcomes.reduce((sum, one) => sum + one.males, 0);
  const females = outcomes.reduce((sum, one) => sum + one.females, 0);
  const values = [...points.map(({ value }) => value), ...(curve?.points.map(([value]) => value) ?? [])];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const pad = Math.max(0.3, (high - low) * 0.08);
  const x = (value: number) => PLOT.left + ((value - low + pad) / (high - low + 2 * pad)) * (PLOT.width - PLOT.left - 10);
  const y = (share: number) => 8 + (1 - share) * (PLOT.height - 8 - PLOT.bottom);
  const show = (value: number) => (by === 'tempC' ? showTemperature(value, house) : `pH ${formatNumber(value)}`);
  return (
    <Panel title="Sexes">
      <p>
        {males + females === 0 ? (
          <span className="text-quiet">No young sexed yet.</span>
        ) : (
          <>
            <b>
              {males} males, {females} females
            </b>{' '}
            sexed out of all broods.
          </>
        )}
      </p>
      {curve && (
        <figure className="mt-2">
          <svg
            viewBox={`0 0 ${PLOT.width} ${PLOT.height}`}
            className="w-full max-w-lg"
            role="img"
            aria-label={`Share of males from ${show(low)} to ${show(high)}`}
          >
            <path d={`M${PLOT.left},8 V${y(0)} H${PLOT.width - 8}`} fill="none" stroke="var(--edge)" />
            <path d={`M${PLOT.left},${y(0.5)} H${PLOT.width - 8}`} stroke="var(--rule)" strokeDasharray="3 4" />
            {[0, 0.5, 1].map((share) => (
              <text key={share} x={PLOT.left - 6} y={y(share) + 4} textAnchor="end" fontSize={11} fill="var(--quiet)">
                {share * 100} %
              </text>
            ))}
            {curve.points.map(([value]) => (
              <text key={value} x={x(value)} y={PLOT.height - 10} textAnchor="middle" fontSize={11} fill="var(--quiet)">
                {by === 'tempC' ? showTemperature(value, house) : formatNumber(value)}
              </text>
            ))}
            {shift && (
              <polyline
                points={shift.points.map(([value, share]) => `${x(value)},${y(share)}`).join(' ')}
                fill="none"
                stroke="var(--quiet)"
                strokeDasharray="2 4"
              />
            )}
            <polyline
              points={curve.points.map(([value, share]) => `${x(value)},${y(share)}`).join(' ')}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={1.8}
              strokeDasharray="6 4"
            />
            {points.map(({ broodId, name, value, males: sons, females: daughters }) => (
              <circle key={broodId} cx={x(value)} cy={y(sons / (sons + daughters))} r={4} fill="var(--deep)">
                <title>{`${name}: ${sons} of ${sons + daughters} males at ${show(value)}`}</title>
              </circle>
            ))}
          </svg>
          <figcaption className="text-note text-quiet">
            Males against {by === 'ph' ? 'pH' : 'warmth'} of the first weeks
            {curve.animals === 0
              ? ', as published; your own broods change it once you sex some young'
              : `; dots: your own broods${shift ? '; dotted: as published' : ''}; dashed: with your ${curve.animals} animals counted in`}{' '}
            <Why
              about="Share of males"
              inputs={curve.points.map(([value, share]) => ({ label: show(value), value: showPercent(share) }))}
              formula="A published point counts as twenty animals. Each of your broods counts at the nearest point."
              notes={[curve.evidence]}
              source="docs/sources.md#sex-shift"
            />
          </figcaption>
        </figure>
      )}
      {!curve && (
        <p className="text-note text-quiet">
          With four broods raised at different warmth or pH, and five sexed young each, your own curve shows here.
        </p>
      )}
    </Panel>
  );
}
