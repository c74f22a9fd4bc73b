import { useState } from 'react';
import { LOSS_WORDS } from '@freshet/core/stock';
import { addDays, houseDay, daysBetween, formatDate, startOfDay } from '@freshet/core/time';
import { formatRange } from '@freshet/core/units';
import { measureText, useWidth } from '../ui';
import { useHouse, type Reply } from '../data';
import { MixedLine } from './MixedLine';
import { StreamBands } from './StreamBands';
import { readStream } from './streamReading';
import { headsWhenSeen, mixedPart, shapeStream, type BandShape } from './streamShape';

type Page = Reply<'brood'>;
interface Note {
  x: number;
  text: string;
  anchorY: number;
  above: boolean;
}

const DAY_MS = 86_400_000;
const CAUSE_WORDS: Record<string, string> = {
  ...LOSS_WORDS,
  birth: 'eggs more',
  infertile: 'white, picked',
  undo: 'taken back',
  countCorrection: 'more than booked',
  merge: 'joined',
};
/** Days that a key moves the reading. */
const KEY_DAYS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 };
const NOTE_ROWS = 3;
const ROW_PX = 17;
const AXIS_PX = 44;
const BAND_PX = 128;

/** What is worth saying beside the stream: eggs, stages, forks, and every narrowing of more than a twentieth. */
function notesOf(page: Page, x: (ms: number) => number, bands: readonly BandShape[]): Note[] {
  const notes: Note[] = [];
  const edgeAt = (lotId: string, px: number, above: boolean) => {
    const past = bands.find((band) => band.lotId === lotId)?.past ?? [];
    const point = past.findLast((candidate) => candidate.x <= px + 0.5) ?? past[0];
    return point ? (above ? point.top : point.bottom) : 0;
  };
  for (const span of page.stages) {
    const { stage, from } = span;
    if (span.predicted || (stage !== 'yolk' && stage !== 'fry')) continue;
    const band = page.stream.bands.find((candidate) => (candidate.points[0]?.at ?? '') <= from) ?? page.stream.bands[0];
    if (!band) continue;
    const px = x(Date.parse(from));
    notes.push({
      x: px,
      text: `${stage === 'yolk' ? 'hatched' : page.born ? 'born' : page.carried ? 'let go' : 'free-swimming'} ${headsWhenSeen(page, { stage, from })}`,
      anchorY: edgeAt(band.lotId, px, true),
      above: true,
    });
  }
  for (const band of page.stream.bands) {
    const [first] = band.points;
    if (first && band.parentLotId === null && !page.born)
      notes.push({
        x: x(Date.parse(first.at)),
        text: `${first.count} eggs`,
        anchorY: edgeAt(band.lotId, x(Date.parse(first.at)), true),
        above: true,
      });
    if (first && band.parentLotId !== null)
      notes.push({
        x: x(Date.parse(first.at)),
        text: `split, ${first.count} moved`,
        anchorY: edgeAt(band.parentLotId, x(Date.parse(first.at)) - 1, true),
        above: true,
      });
    for (const point of band.points.slice(1)) {
      if (point.cause === 'split' || Math.abs(point.change) < Math.max(3, page.began / 20)) continue;
      const px = x(Date.parse(point.at));
      notes.push({
        x: px,
        text: `${Math.abs(point.change)} ${CAUSE_WORDS[point.cause] ?? point.cause}`,
        anchorY: edgeAt(band.lotId, px, false),
        above: false,
      });
    }
  }
  return notes.sort((a, b) => a.x - b.x);
}

/** Puts notes into rows so that none runs into another; those without room are left to the ledger. */
function packNotes(notes: readonly Note[], right: number): (Note & { row: number; textX: number })[] {
  const taken: Record<string, number[]> = {
    above: Array<number>(NOTE_ROWS).fill(-Infinity),
    below: Array<number>(NOTE_ROWS).fill(-Infinity),
  };
  return notes.flatMap((note) => {
    const width = measureText(note.text) + 10;
    const textX = Math.min(note.x + 4, right - width);
    const ends = taken[note.above ? 'above' : 'below'] ?? [];
    const row = ends.findIndex((end) => end <= textX);
    if (row < 0) return [];
    ends[row] = textX + width;
    return [{ ...note, row, textX }];
  });
}

/** Before they feed the coming days matter, not the months to sale: the picture then ends some weeks after the first feed. */
const WEEKS_AFTER_FEED = 3;
function nearEnd(page: Page): number | null {
  if (page.stage !== 'eggs' && page.stage !== 'yolk') return null;
  const feed = page.windows.find((window) => window.stage === 'firstFeed');
  return feed?.latest ? Date.parse(feed.latest) + WEEKS_AFTER_FEED * 7 * DAY_MS : null;
}

function Axis({ page, x, y, left, right }: { page: Page; x: (ms: number) => number; y: number; left: number; right: number }) {
  const house = useHouse();
  const first = addDays(house.today, -page.ageDays);
  const lastDay = Math.ceil(
    daysBetween(first, house.today) +
      (right - x(Date.parse(house.now()))) /
        Math.max(0.01, x(Date.parse(page.laid.from) + DAY_MS) - x(Date.parse(page.laid.from))),
  );
  const perDay = x(Date.parse(page.laid.from) + DAY_MS) - x(Date.parse(page.laid.from));
  const step = [1, 2, 7, 14, 28, 56, 112].find((days) => days * perDay >= 86) ?? 224;
  const days = Array.from({ length: Math.floor(lastDay / step) + 1 }, (_, i) => i * step);
  return (
    <g stroke="var(--ink)">
      <path d={`M${left} ${y}H${right}`} />
      {days.map((day) => {
        const date = addDays(first, day);
        const px = Math.max(left, x(Date.parse(startOfDay(date, house.timeZone))));
        return px > right - 30 ? null : (
          <g key={day}>
            <path d={`M${px} ${y}v7`} />
            <text x={px} y={y + 20} fontSize="13" textAnchor={day === 0 ? 'start' : 'middle'} fill="var(--ink)" stroke="none">
              day {day}
            </text>
            <text x={px} y={y + 36} fontSize="12" textAnchor={day === 0 ? 'start' : 'middle'} fill="var(--quiet)" stroke="none">
              {formatDate(date, house.today)}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** A brood through time: a band as thick as the living headcount, forked by splits, dashed ahead of now with its fan. */
export function StreamPicture({ page }: { page: Page }) {
  const house = useHouse();
  const [readMs, setReadMs] = useState<number | null>(null);
  const [measure, width] = useWidth<HTMLDivElement>();
  const nowMs = Date.parse(house.now());
  const startMs = Date.parse(page.laid.from);
  const lastMs = Math.max(
    nowMs + (nowMs - startMs) * 0.25 + 2 * DAY_MS,
    ...page.stream.bands.flatMap((band) => band.forecast.map((point) => Date.parse(point.at))),
  );
  const endMs = Math.min(lastMs, nearEnd(page) ?? Infinity);
  const cut = endMs < lastMs;
  const [left, right] = [22, Math.max(120, width - 22)];
  const x = (at: number) => left + ((at - startMs) / (endMs - startMs)) * (right - left);
  const most = Math.max(1, ...page.stream.bands.map((band) => Math.max(...band.points.map((point) => point.count))));
  const top = 14 + NOTE_ROWS * ROW_PX + 8;
  const shaped = shapeStream(page, { x, nowMs, perHead: BAND_PX / most, top, gap: 26, forkPx: 26 });
  const notes = packNotes(notesOf(page, x, shaped.bands), right);
  const below = Math.max(-1, ...notes.filter((note) => !note.above).map((note) => note.row));
  const axisY = shaped.bottom + 16 + (below + 1) * ROW_PX;
  const nowX = x(nowMs);
  const mixed = page.mixed.flatMap(({ lotId, name, heads, since }) => {
    const band = shaped.bands.find((one) => one.lotId === lotId);
    return band && band.count > 0 ? [{ key: lotId + name, part: mixedPart(band, heads / band.count, x(Date.parse(since))) }] : [];
  });
  const noteY = (note: { above: boolean; row: number }) =>
    note.above ? top - 10 - note.row * ROW_PX : shaped.bottom + 14 + note.row * ROW_PX;
  const codes = new Map(page.lots.map((lot) => [lot.id, lot]));
  const dayOf = (at: number) => Math.max(0, Math.round((at - startMs) / DAY_MS));
  const timeAt = (px: number) => startMs + Math.min(1, Math.max(0, (px - left) / (right - left))) * (endMs - startMs);
  const readWords = (at: number) => {
    const bands = readStream(page.stream, at, nowMs).filter(({ count, high }) => count > 0 || high > 0);
    const heads = bands.map(({ lotId, count, low, high, isExpected }) => {
      const where = codes.get(lotId)?.tankCode ?? 'no tank';
      return `${isExpected ? 'about ' : ''}${count}${low < high ? ` (${low} to ${high})` : ''} in ${where}`;
    });
    const last = bands
      .map(({ change }) => change)
      .find((change) => change && Math.abs(Date.parse(change.at) - at) < DAY_MS && change.by !== 0);
    const why = last ? `; ${last.by > 0 ? '+' : '−'}${Math.abs(last.by)} ${CAUSE_WORDS[last.cause] ?? last.cause}` : '';
    return `${formatDate(houseDay(new Date(at).toISOString(), house.timeZone), house.today)}, day ${dayOf(at)}: ${heads.join(', ') || 'none'}${why}`;
  };
  return (
    <div ref={measure} className="border border-rule bg-sheet">
      {width > 0 && (
        <svg
          width={width}
          height={axisY + AXIS_PX}
          role="slider"
          tabIndex={0}
          aria-valuemin={0}
          aria-valuemax={dayOf(endMs)}
          aria-valuenow={dayOf(readMs ?? nowMs)}
          aria-valuetext={readMs === null ? undefined : readWords(readMs)}
          onPointerMove={(event) => setReadMs(timeAt(event.clientX - event.currentTarget.getBoundingClientRect().left))}
          onPointerDown={(event) => setReadMs(timeAt(event.clientX - event.currentTarget.getBoundingClientRect().left))}
          onPointerLeave={(event) => event.pointerType === 'mouse' && setReadMs(null)}
          onBlur={() => setReadMs(null)}
          onKeyDown={(event) => {
            const by = KEY_DAYS[event.key];
            if (event.key === 'Escape') setReadMs(null);
            if (by === undefined) return;
            event.preventDefault();
            const to = (readMs ?? nowMs) + by * (event.shiftKey ? 7 : 1) * DAY_MS;
            setReadMs(Math.min(endMs, Math.max(startMs, to)));
          }}
          aria-label={`${page.name}: ${page.began} at first, ${page.alive} alive now, in ${page.lots.filter((lot) => lot.count > 0).length} tanks`}
          className="block touch-pan-y"
        >
          <StreamBands bands={shaped.bands} stages={page.stages} x={x} nowMs={nowMs} left={left} right={right} mixed={mixed} />
          {notes.map((note) => (
            <path
              key={`${note.text}${note.x}`}
              d={`M${note.x} ${note.anchorY}V${noteY(note) + (note.above ? -9 : 1)}`}
              stroke="var(--ink)"
              strokeWidth="0.8"
            />
          ))}
          <path d={`M${nowX} 8V${axisY}`} stroke="var(--rust)" strokeWidth="2" />
          <text
            x={nowX > right - 110 ? nowX - 6 : nowX + 6}
            y="16"
            fontSize="13"
            fontWeight="700"
            fill="var(--rust)"
            textAnchor={nowX > right - 110 ? 'end' : 'start'}
          >
            today, day {page.ageDays}
          </text>
          {notes.map((note) => (
            <text
              key={`${note.text}${note.x}`}
              x={note.textX}
              y={noteY(note)}
              fontSize="13"
              fill="var(--ink)"
              stroke="var(--sheet)"
              strokeWidth="4"
              paintOrder="stroke"
              strokeLinejoin="round"
            >
              {note.text}
            </text>
          ))}
          {shaped.bands
            .filter((band) => band.count > 0)
            .map((band) => {
              const lot = codes.get(band.lotId);
              const last = band.fan.at(-1);
              const expected = page.stream.bands.find((candidate) => candidate.lotId === band.lotId)?.forecast.at(-1);
              const label = `${lot?.tankCode ?? 'no tank'}: ${band.count}`;
              const wide = right - nowX > measureText(label) + 30;
              return (
                <g
                  key={band.lotId}
                  fontSize="13"
                  fill="var(--ink)"
                  stroke="var(--sheet)"
                  strokeWidth="4"
                  paintOrder="stroke"
                  strokeLinejoin="round"
                >
                  <text x={wide ? nowX + 10 : nowX - 10} textAnchor={wide ? 'start' : 'end'} y={band.laneY + 5} fontWeight="700">
                    {label}
                  </text>
                  {last && expected && right - nowX > 330 && (
                    <text x={right - 8} y={band.laneY + 5} textAnchor="end">
                      {formatRange([Math.floor(expected.low), Math.ceil(expected.high)])} at sale
                      {cut && page.ready
                        ? `, ready from ${formatDate(houseDay(page.ready.from, house.timeZone), house.today)} →`
                        : ''}
                    </text>
                  )}
                </g>
              );
            })}
          <Axis page={page} x={x} y={axisY} left={left} right={right} />
          {readMs !== null && (
            <path
              d={`M${x(readMs)} 24V${axisY}`}
              stroke="var(--ink)"
              strokeWidth="1.5"
              strokeDasharray="3 3"
              pointerEvents="none"
            />
          )}
        </svg>
      )}
      <p className="min-h-8 px-4 pt-1.5 pb-1 text-note text-quiet">
        {readMs === null ? (
          'Touch the stream, or use the arrow keys, to read a day.'
        ) : (
          <b className="text-ink">{readWords(readMs)}</b>
        )}
      </p>
      <MixedLine page={page} />
    </div>
  );
}
