import { tryCompute } from '@freshet/core/errors';
import { FOOD_NAMES, lifeOf, type ResolvedSpecies, type SpeciesLife } from '@freshet/core/species';
import { formatNumber, formatRange } from '@freshet/core/units';
import { showTemperature, useHouse, type Reply } from '../data';
import { stageFill, Why, type StageKind } from '../ui';
import { GRADE_WORDS } from './figures';

type Species = Reply<'species'>[number];

const WIDTH = 1000;
const LEFT = 118;
const ROW = 20;
const WHO = {
  adults: 'adults out',
  female: 'female out',
  male: 'male out',
  mother: 'mother out',
  youngMales: 'young males apart',
} as const;

/** Days from laying (or birth): the early days matter most, so the scale is by the square root. */
function scale(end: number) {
  return (day: number) => LEFT + (WIDTH - LEFT - 8) * Math.sqrt(Math.max(0, Math.min(day, end)) / end);
}

const middle = (range: readonly [number, number] | null) => (range ? (range[0] + range[1]) / 2 : 0);

function Picture({ life, species }: { life: SpeciesLife; species: Species }) {
  const hatch = middle(life.hatchDays);
  const feed = middle(life.swimDays);
  const end = feed + life.saleDays[1] * 1.05;
  const x = scale(end);
  const sale = feed + life.saleDays[0];
  const grown = feed + life.saleDays[0] * 0.4;
  const stages: [StageKind, number, number][] = [
    ['eggs', 0, hatch],
    ['yolk', hatch, feed],
    ['fry', feed, grown],
    ['growing', grown, sale],
    ['ready', sale, end],
  ];
  const ticks = [0, 3, 7, 14, 30, 60, 90, 120, 180, 240, 365].filter((day) => day <= end);
  const top = 26;
  const foodsTop = top + 34;
  const leavesTop = foodsTop + life.foods.length * ROW + 8;
  const height = leavesTop + life.leaves.length * ROW + 24;
  const name = (text: string, y: number) => (
    <text x={LEFT - 8} y={y} textAnchor="end" className="fill-quiet text-note">
      {text}
    </text>
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="min-w-[720px]"
      role="img"
      aria-label={`The life of ${species.commonName} from ${species.start === 'born' ? 'birth' : 'laying'} to sale`}
    >
      {name(species.start === 'born' ? 'young' : 'stage', top + 14)}
      {stages
        .filter(([, from, to]) => to > from)
        .map(([kind, from, to]) => (
          <g key={kind}>
            <rect x={x(from)} y={top} width={x(to) - x(from)} height={22} fill={stageFill(kind)} stroke="var(--ink)" />
            {x(to) - x(from) > 46 && (
              <text x={(x(from) + x(to)) / 2} y={top - 6} textAnchor="middle" className="fill-ink text-note">
                {kind === 'yolk' && species.start === 'carried' ? (species.hangs ? 'hanging on' : 'held') : kind}
              </text>
            )}
          </g>
        ))}
      {life.foods.map(({ food, fromDay, toDay }, i) => {
        const y = foodsTop + i * ROW;
        return (
          <g key={food}>
            {name(FOOD_NAMES[food], y + 10)}
            <rect
              x={x(feed + fromDay)}
              y={y}
              width={Math.max(2, x(feed + toDay) - x(feed + fromDay))}
              height={12}
              fill={stageFill('culture')}
              stroke="var(--ink)"
              strokeWidth="0.7"
            />
            <title>{`${FOOD_NAMES[food]}: day ${fromDay} to ${toDay} of feeding`}</title>
          </g>
        );
      })}
      {life.leaves.map(({ who, latestDay }, i) => {
        const y = leavesTop + i * ROW;
        return (
          <g key={`${who}${i}`}>
            {name(WHO[who], y + 11)}
            {latestDay !== null && (
              <>
                <path d={`M${x(latestDay)} ${y}l7 6-7 6z`} className="fill-rust" />
                <text x={x(latestDay) + 12} y={y + 11} className="fill-ink text-note">
                  {latestDay === 0 ? 'the same day' : `day ${latestDay} at the latest`}
                </text>
              </>
            )}
          </g>
        );
      })}
      {ticks.map((day) => (
        <g key={day}>
          <line x1={x(day)} x2={x(day)} y1={top + 22} y2={height - 18} stroke="var(--rule)" strokeWidth="0.6" />
          <text x={x(day)} y={height - 5} textAnchor="middle" className="fill-quiet text-note">
            {day}
          </text>
        </g>
      ))}
      {name(species.start === 'born' ? 'days from birth' : 'days from laying', height - 5)}
    </svg>
  );
}

/** A whole life at the middle of the species' range, as broods, feeding and sale are worked out from it. */
export function LifeStrip({ species }: { species: Species }) {
  const house = useHouse();
  const tempC = (species.figures.tempC[0] + species.figures.tempC[1]) / 2;
  const worked = tryCompute(() => lifeOf(species as unknown as ResolvedSpecies, tempC));
  if (!worked.ok) return <p className="mb-3 border border-rule bg-sheet px-4 py-3 text-quiet">{worked.trouble}</p>;
  const life = worked.value;
  const length = (day: string) => `${formatNumber(life.lengthMm[day] ?? 0)} mm`;
  return (
    <section aria-label="Life" className="mb-3 border border-rule bg-sheet px-4 py-3">
      <p className="mb-2">
        <b>A life at {showTemperature(tempC, house)}</b>
        {life.hatchDays && (
          <>
            {species.hangs ? ', eggs for ' : species.start === 'carried' ? ', carried for ' : ', hatch in '}
            {formatRange(life.hatchDays)} days
          </>
        )}
        {life.swimDays && `, ${species.hangs ? 'young let go' : 'swimming'} after ${formatRange(life.swimDays)}`}; {length('0')}{' '}
        at the first feed, {length('30')} after a month; for sale after {formatRange(life.saleDays)} days of feeding. A grown one
        takes about {formatNumber(life.adultDryGPerDay * 1000)} mg of dry food a day.{' '}
        <span className="text-quiet">These figures are {GRADE_WORDS[life.grade]}.</span>{' '}
        <Why
          about="The life"
          formula="Stages from the warmth eggs need; foods from the day the smallest fry can eat them; length by a Gompertz curve."
          notes={['Your own measurements and dates replace it.']}
          source="docs/sources.md#life"
        />
      </p>
      <div className="overflow-x-auto">
        <Picture life={life} species={species} />
      </div>
    </section>
  );
}
