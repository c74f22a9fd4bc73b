import { startsFor } from '@freshet/core/larder';
import { planAttempt, type PlanMark } from '@freshet/core/spawning';
import { addDays, daysBetween, formatDay, houseDay } from '@freshet/core/time';
import { inUnits, formatNumber } from '@freshet/core/units';
import { showTemperature, useGet, useHouse, type Reply } from '../../data';
import { measureText, useWidth } from '../../ui';

type Attempt = Reply<'attempt'>;
const TEMP_H = 54;
const LANE = 21;
const TOP = 20;

/** What stands on the line: planned ones hollow, what was done and seen filled. */
interface Mark {
  key: string;
  at: number;
  to: number;
  label: string;
  isSeen: boolean;
  look: 'plan' | 'done' | 'sign' | 'eggs';
}

/** As much of a text as there is room for. */
function fitted(text: string, room: number): string {
  if (measureText(text) <= room) return text;
  const kept = [...text].length;
  for (let length = kept - 1; length > 3; length--) {
    const short = `${text.slice(0, length).trimEnd()} …`;
    if (measureText(short) <= room) return short;
  }
  return '…';
}

/** Packs labels into lanes from the left, none over another. */
function inLanes(marks: readonly Mark[], x: (ms: number) => number, width: number) {
  const ends: number[] = [];
  return [...marks]
    .sort((a, b) => a.at - b.at)
    .map((mark) => {
      const from = x(mark.at);
      const bar = Math.max(9, x(mark.to) - from);
      const [before, behind] = [from - 5, width - from - bar - 5];
      const words = fitted(mark.label, Math.max(before, behind) - 9);
      const label = measureText(words) + 14;
      const flip = label > behind && before > behind;
      const [left, right] = flip ? [from - label, from + bar] : [from, from + bar + label];
      let lane = ends.findIndex((end) => end <= left);
      if (lane < 0) lane = ends.length;
      ends[lane] = right;
      return { mark, words, from, bar, flip, lane };
    });
}

/**
 * An attempt on one line of time: conditioning, settling, trigger, eggs and decision days, what was seen and done on it, and the
 * temperature of its tank below.
 */
export function AttemptLine({
  attempt,
  species,
  triggerDays,
  clutches,
}: {
  attempt: Attempt;
  species: Reply<'species'>[number] | undefined;
  triggerDays: readonly [number, number];
  clutches: readonly { id: string; name: string; from: string; to: string }[];
}) {
  const house = useHouse();
  const [box, wide] = useWidth<HTMLDivElement>();
  const width = Math.max(340, wide);
  const noon = (day: string) => Date.parse(`${day}T12:00:00Z`);
  const { conditioningFrom, from, setUpOn, triggerOn, to } = attempt;
  const plan: PlanMark[] =
    species && setUpOn && triggerOn
      ? planAttempt({
          recipe: attempt.recipe,
          days: { conditioningFrom, from, setUpOn, triggerOn, to: to ?? addDays(triggerOn, 14) },
          figures: species.figures as Parameters<typeof planAttempt>[0]['figures'],
          start: species.start,
          triggerDays,
          cultureStarts: startsFor,
        }).filter(({ kind }) => kind !== 'sale')
      : [];
  const seen: Mark[] = [
    ...attempt.events.map((event) => ({
      key: event.id,
      at: Date.parse(event.from),
      to: Date.parse(event.to),
      label: inUnits(`${event.words.length > 42 ? `${event.words.slice(0, 40)} …` : event.words}`, house.units),
      isSeen: true,
      look: event.kind === 'settling' ? ('sign' as const) : ('done' as const),
    })),
    ...clutches.map((clutch) => ({
      key: clutch.id,
      at: Date.parse(clutch.from),
      to: Date.parse(clutch.to),
      label: species?.start === 'born' ? 'young born' : species?.start === 'carried' ? 'carrying seen' : 'eggs',
      isSeen: true,
      look: 'eggs' as const,
    })),
  ];
  const hasEggs = clutches.length > 0;
  const planned: Mark[] = plan
    .filter(({ kind }) => !(hasEggs && ['eggs', 'decide', 'free', 'hatch', 'swim'].includes(kind)))
    .filter(({ kind }) => !(attempt.triggered && kind === 'trigger'))
    .map(({ kind, day, to: end, words }, i) => ({
      key: `${kind}${i}`,
      at: noon(day),
      to: noon(end),
      label: inUnits(words, house.units),
      isSeen: false,
      look: 'plan',
    }));
  const marks = [...planned, ...seen];
  const now = Date.parse(house.now());
  const firstMs = Math.min(now, noon(from), ...marks.map(({ at }) => at)) - 86_400_000;
  const lastMs =
    Math.max(...marks.map((mark) => mark.to), attempt.outcome ? 0 : now, noon(from) + 5 * 86_400_000) + 2 * 86_400_000;
  const x = (ms: number) => 6 + ((width - 12) * (ms - firstMs)) / (lastMs - firstMs);
  const placed = inLanes(marks, x, width);
  const lanes = Math.max(1, ...placed.map(({ lane }) => lane + 1));
  const ago = Math.min(400, Math.max(7, Math.ceil((now - firstMs) / 86_400_000) + 1));
  const readings = useGet('readings', { params: { tankId: attempt.tankId }, query: { days: String(ago) } });
  const temps = (readings.data ?? [])
    .filter(({ quantity, at }) => quantity === 'tempC' && Date.parse(at) >= firstMs && Date.parse(at) <= lastMs)
    .map(({ at, value }) => ({ ms: Date.parse(at), value }))
    .sort((a, b) => a.ms - b.ms);
  const [low, high] = [Math.min(...temps.map(({ value }) => value)), Math.max(...temps.map(({ value }) => value))];
  const tempTop = TOP + lanes * LANE + 14;
  const y = (value: number) => tempTop + TEMP_H - 8 - ((TEMP_H - 16) * (value - low)) / Math.max(0.5, high - low);
  const height = tempTop + (temps.length > 1 ? TEMP_H : 4);
  const days = daysBetween(houseDay(firstMs, house.timeZone), houseDay(lastMs, house.timeZone));
  const step = [1, 2, 4, 7, 14, 28, 56].find((one) => (days / one) * 62 < width) ?? 90;
  const ticks = Array.from({ length: Math.floor(days / step) + 1 }, (_, i) =>
    addDays(houseDay(firstMs, house.timeZone), i * step),
  );
  return (
    <div ref={box} className="w-full">
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`${attempt.name} by day: ${marks.map(({ label, at }) => `${formatDay(houseDay(at, house.timeZone), house.today)} ${label}`).join('; ')}`}
        className="block"
      >
        {ticks.map((day) => (
          <g key={day}>
            <line x1={x(noon(day))} x2={x(noon(day))} y1={TOP - 2} y2={height} stroke="var(--rule)" />
            <text
              x={x(noon(day)) + 3}
              y={13}
              className="fill-quiet text-note"
              visibility={x(noon(day)) + 50 > width ? 'hidden' : undefined}
            >
              {formatDay(day, house.today).replace(/^\w+ /, '')}
            </text>
          </g>
        ))}
        {!attempt.outcome && <line x1={x(now)} x2={x(now)} y1={TOP - 4} y2={height} stroke="var(--rust)" strokeWidth={2} />}
        {placed.map(({ mark, words, from: left, bar, flip, lane }) => {
          const top = TOP + 4 + lane * LANE;
          const fill =
            mark.look === 'plan'
              ? 'var(--sheet)'
              : mark.look === 'eggs'
                ? 'var(--eggs)'
                : mark.look === 'sign'
                  ? 'var(--water)'
                  : 'var(--deep)';
          return (
            <g key={mark.key}>
              <rect
                x={left}
                y={top}
                width={bar}
                height={13}
                rx={mark.look === 'sign' ? 6 : 0}
                fill={fill}
                stroke="var(--ink)"
                strokeDasharray={mark.isSeen ? undefined : '3 2'}
              />
              <text
                x={flip ? left - 5 : left + bar + 5}
                y={top + 11}
                textAnchor={flip ? 'end' : 'start'}
                className={mark.isSeen ? 'fill-ink text-note font-semibold' : 'fill-quiet text-note'}
              >
                {words}
              </text>
            </g>
          );
        })}
        {temps.length > 1 && (
          <>
            <text x={8} y={tempTop + 2} className="fill-quiet text-note">
              {attempt.tankCode}, {showTemperature(low, house)} to {showTemperature(high, house)}
            </text>
            <polyline
              points={temps.map(({ ms, value }) => `${formatNumber(x(ms), 5)},${formatNumber(y(value), 5)}`).join(' ')}
              fill="none"
              stroke="var(--deep)"
              strokeWidth={1.5}
            />
          </>
        )}
      </svg>
    </div>
  );
}
