import { dayOfAge, type GrowthPicture } from '@freshet/core/growout';
import { formatDate } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useHouse } from '../../data';
import { measureText, useWidth } from '../../ui';

const HEIGHT = 340;
const LEFT = 44;
const BOTTOM = 34;
const TOP = 12;

/** Lengths of a brood by day: what was measured solid, its likely curve with its band, the usual one and its sisters beside it. */
export function GrowthChart({ picture }: { picture: GrowthPicture }) {
  const house = useHouse();
  const [box, width] = useWidth<HTMLDivElement>();
  const { band, usual, samples, sisters, targets, lastAge, ageDays } = picture;
  const shown = targets.filter(({ mm }) => mm <= (band.at(-1)?.high ?? 0) * 1.15);
  const most =
    Math.max(...band.map(({ high }) => high), ...shown.map(({ mm }) => mm), ...samples.map(({ meanMm }) => meanMm)) * 1.06;
  const x = (age: number) => LEFT + (age / lastAge) * (width - LEFT - 8);
  const y = (mm: number) => HEIGHT - BOTTOM - (mm / most) * (HEIGHT - BOTTOM - TOP);
  const line = (points: readonly { age: number; mm: number }[]) =>
    points.map(({ age, mm }, i) => `${i === 0 ? 'M' : 'L'}${x(age).toFixed(1)} ${y(mm).toFixed(1)}`).join('');
  const mids = band.map(({ age, mid }) => ({ age, mm: mid }));
  const past = mids.filter(({ age }) => age <= ageDays).concat({ age: ageDays, mm: picture.now.mid });
  const ahead = [{ age: ageDays, mm: picture.now.mid }, ...mids.filter(({ age }) => age > ageDays)];
  const area = `${line(band.map(({ age, high }) => ({ age, mm: high })))}${band
    .toReversed()
    .map(({ age, low }) => `L${x(age).toFixed(1)} ${y(low).toFixed(1)}`)
    .join('')}Z`;
  const step = [5, 10, 20, 50].find((mm) => most / mm <= 7) ?? 100;
  const days = [7, 14, 28, 56].find((every) => (every / lastAge) * (width - LEFT) >= 84) ?? 112;
  const from = -Math.floor(ageDays / days) * days;
  const words = `${picture.name}: about ${formatNumber(picture.now.mid)} mm on day ${Math.floor(ageDays)} of feeding, ${formatNumber(picture.now.low)} to ${formatNumber(picture.now.high)}; ${samples.length === 1 ? 'one sample' : `${samples.length} samples`}.`;
  return (
    <div ref={box}>
      {width > 0 && (
        <svg width={width} height={HEIGHT} role="img" aria-label={words}>
          {Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step).map((mm) => (
            <g key={mm}>
              <path d={`M${LEFT} ${y(mm)}H${width - 8}`} stroke="var(--rule)" />
              <text x={LEFT - 6} y={y(mm) + 4} fontSize="12" textAnchor="end" fill="var(--quiet)">
                {mm}
              </text>
            </g>
          ))}
          <text x={LEFT - 6} y={TOP} fontSize="12" textAnchor="end" fill="var(--quiet)">
            mm
          </text>
          <path d={area} fill="var(--growing)" fillOpacity="0.22" />
          {sisters.map((sister) => (
            <path key={sister.broodId} d={line(sister.line)} fill="none" stroke="var(--quiet)" strokeWidth="1.2" />
          ))}
          <path d={line(usual)} fill="none" stroke="var(--ink)" strokeWidth="1.2" strokeDasharray="1 4" strokeLinecap="round" />
          {shown.map(({ target, mm }, i) => {
            const said = { sale: 'sale', sexable: 'sexes show', colour: 'colour shows', mature: 'can breed' }[target];
            const taken = shown.slice(0, i).some((other) => Math.abs(y(other.mm) - y(mm)) < 14);
            return (
              <g key={target}>
                <path d={`M${LEFT} ${y(mm)}H${width - 8}`} stroke="var(--deep)" strokeWidth="1" strokeDasharray="6 4" />
                <text
                  x={taken ? LEFT + 14 + measureText('sexes show, 100 mm') : LEFT + 6}
                  y={y(mm) - 4}
                  fontSize="12"
                  fill="var(--deep)"
                  fontWeight="600"
                  paintOrder="stroke"
                  stroke="var(--sheet)"
                  strokeWidth="3"
                >
                  {said}, {formatNumber(mm)} mm
                </text>
              </g>
            );
          })}
          <path
            d={line(past)}
            fill="none"
            stroke="var(--growing)"
            strokeWidth="2.5"
            strokeDasharray={picture.isMeasured ? undefined : '5 4'}
          />
          <path d={line(ahead)} fill="none" stroke="var(--growing)" strokeWidth="2.5" strokeDasharray="5 4" />
          {samples.map((sample) => (
            <g key={sample.ageDays}>
              <path
                d={`M${x(sample.ageDays)} ${y(sample.smallestTenthMm)}V${y(sample.meanMm * (1 + 1.28 * sample.spread))}`}
                stroke="var(--ink)"
                strokeWidth="1.5"
              />
              <path d={`M${x(sample.ageDays) - 5} ${y(sample.smallestTenthMm)}h10`} stroke="var(--ink)" strokeWidth="1.5" />
              <circle cx={x(sample.ageDays)} cy={y(sample.meanMm)} r={4.5} fill="var(--ink)" />
            </g>
          ))}
          <path d={`M${x(ageDays)} ${TOP}V${HEIGHT - BOTTOM}`} stroke="var(--rust)" strokeWidth="1.5" />
          {Array.from({ length: Math.floor((lastAge - ageDays - from) / days) + 1 }, (_, i) => from + i * days)
            .filter((day) => day + ageDays >= 0)
            .map((day) => (
              <g key={day}>
                <path d={`M${x(ageDays + day)} ${HEIGHT - BOTTOM}v5`} stroke="var(--ink)" />
                <text
                  x={Math.min(width - 30, x(ageDays + day))}
                  y={HEIGHT - BOTTOM + 19}
                  fontSize="12"
                  textAnchor="middle"
                  fill={day === 0 ? 'var(--rust)' : 'var(--quiet)'}
                  fontWeight={day === 0 ? 700 : 400}
                >
                  {day === 0 ? 'today' : formatDate(dayOfAge(ageDays + day, ageDays, house.now(), house.timeZone), house.today)}
                </text>
              </g>
            ))}
          <path d={`M${LEFT} ${HEIGHT - BOTTOM}H${width - 8}`} stroke="var(--ink)" />
        </svg>
      )}
    </div>
  );
}
