import { useState } from 'react';
import { takingsBySpecies, type SpeciesTakings } from '@freshet/core/sales';
import { MONTHS } from '@freshet/core/time';
import { useGet, useHouse, type Reply } from '../data';
import { Loaded, SelectField } from '../ui';
import { showMoney } from './money';

const WIDTH = 408;
/** For the price last paid, behind its dot. */
const TAIL = 52;
const BARS = 40;
const PRICES = 26;

const monthName = (month: string): string => (MONTHS[Number(month.slice(5, 7)) - 1] ?? '').slice(0, 3);

/** Months that are named below: each January, and the ends where no January is near. */
function isTold(months: SpeciesTakings['months'], i: number): boolean {
  const isJanuary = (at: number) => months[at]?.month.endsWith('-01') ?? false;
  if (isJanuary(i)) return true;
  const near = [1, 2, 3].some((off) => isJanuary(i + off) || isJanuary(i - off));
  return (i === 0 || i === months.length - 1) && !near;
}

/** Heads by month as bars, and above them what one brought, on a scale of its own from nothing up. */
function Months({ line, currency }: { line: SpeciesTakings; currency: string }) {
  const most = Math.max(1, ...line.months.map(({ heads }) => heads));
  const dearest = Math.max(1, ...line.months.map(({ meanCents }) => meanCents ?? 0));
  const step = WIDTH / line.months.length;
  const bottom = PRICES + BARS;
  const dots = line.months.flatMap(({ meanCents }, i) =>
    meanCents === null ? [] : [{ x: i * step + step / 2, y: 3 + (1 - meanCents / dearest) * (PRICES - 6), meanCents }],
  );
  const last = dots.at(-1);
  return (
    <svg
      width={WIDTH + TAIL}
      height={bottom + 15}
      role="img"
      aria-label={`${line.speciesName}: ${line.months
        .filter(({ heads }) => heads > 0)
        .map(
          ({ month, heads, meanCents }) =>
            `${month} ${heads}${meanCents === null ? '' : ` at ${showMoney(Math.round(meanCents), currency)}`}`,
        )
        .join(', ')}`}
    >
      <path
        d={dots.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('')}
        fill="none"
        stroke="var(--quiet)"
        strokeDasharray="2 2"
      />
      {dots.map(({ x, y }) => (
        <circle key={x} cx={x} cy={y} r="2.6" fill="var(--ink)" />
      ))}
      {last && (
        <text x={last.x + 6} y={last.y + 6} fontSize="12" className="fill-ink font-mono">
          {showMoney(Math.round(last.meanCents), currency)}
        </text>
      )}
      {line.months.map(({ month, heads }, i) => {
        const height = (heads / most) * (BARS - 12);
        return (
          heads > 0 && (
            <g key={month}>
              <rect x={i * step + 2} y={bottom - height} width={Math.min(24, step - 4)} height={height} fill="var(--ready)" />
              <text x={i * step + step / 2} y={bottom - height - 2} textAnchor="middle" fontSize="11" className="fill-ink">
                {heads}
              </text>
            </g>
          )
        );
      })}
      <path d={`M0 ${bottom}H${WIDTH}`} stroke="var(--edge)" />
      {line.months.map(
        ({ month }, i) =>
          isTold(line.months, i) && (
            <text
              key={month}
              x={i === 0 ? 0 : i === line.months.length - 1 ? WIDTH : i * step + step / 2}
              y={bottom + 12}
              textAnchor={i === 0 ? 'start' : i === line.months.length - 1 ? 'end' : 'middle'}
              fontSize="11"
              className="fill-quiet"
            >
              {month.endsWith('-01') ? month.slice(0, 4) : `${monthName(month)} ${month.slice(2, 4)}`}
            </text>
          ),
      )}
    </svg>
  );
}

function Lines({ takings, buyers, currency }: { takings: Reply<'takings'>; buyers: Reply<'buyers'>; currency: string }) {
  const house = useHouse();
  const [buyerId, setBuyerId] = useState('');
  const lines = takingsBySpecies(
    takings.filter((one) => buyerId === '' || one.buyerId === buyerId),
    house.today,
    currency,
  );
  if (takings.length === 0) return null;
  return (
    <section aria-label="What sold, and for how much" className="mt-4 border border-ink bg-sheet">
      <div className="flex flex-wrap items-center justify-between gap-3 border-b border-ink px-3 py-2">
        <h2>
          What sold, and for how much <span className="font-normal text-quiet">by month; bars: fish, dots: price each</span>
        </h2>
        <SelectField label="Buyer" boxClass="w-52" value={buyerId} onChange={(event) => setBuyerId(event.target.value)}>
          <option value="">all</option>
          {buyers
            .filter((one) => one.heads > 0)
            .map((one) => (
              <option key={one.buyerId} value={one.buyerId}>
                {one.name}
              </option>
            ))}
        </SelectField>
      </div>
      <ul>
        {lines.map((line) => (
          <li
            key={line.speciesKey}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-3 py-1.5 last:border-0"
          >
            <span className="min-w-0 flex-1 basis-64">
              <b>{line.speciesName}</b> <span className="text-quiet">{line.heads} in two years</span>
              <span className="block text-note text-quiet">{line.words}</span>
            </span>
            <span className="max-w-full overflow-x-auto">
              <Months line={line} currency={currency} />
            </span>
          </li>
        ))}
      </ul>
      {lines.length === 0 && <p className="px-3 py-3 text-quiet">They bought nothing in two years.</p>}
    </section>
  );
}

/** Which species go, when, and what one brings: to all buyers or to one. */
export function Takings({ buyers, currency }: { buyers: Reply<'buyers'>; currency: string }) {
  const reply = useGet('takings');
  return (
    <Loaded reply={reply} what="what went month by month">
      {(takings) => <Lines takings={takings} buyers={buyers} currency={currency} />}
    </Loaded>
  );
}
