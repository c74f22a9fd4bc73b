import { FOOD_CLASSES } from '@freshet/core/larder';
import { addDays, formatDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useHouse, type Reply } from '../../data';
import type { DrawnVessel } from './TidePicture';

type Class = Reply<'larderTide'>['classes'][number];

/** What the touched day tells: who needs how much, and which vessel gives it. */
export function DayCard({
  tide,
  vessels,
  day,
  close,
}: {
  tide: Class;
  vessels: readonly DrawnVessel[];
  day: number;
  close: () => void;
}) {
  const house = useHouse();
  const needs = tide.rows.filter(({ mid }) => (mid[day] ?? 0) > 0);
  const gives = vessels.filter(({ ripeDay, lastDay }) => ripeDay <= day && day <= lastDay);
  const given = gives.reduce((sum, { perDay }) => sum + perDay, 0) + (tide.tin?.perDay[day] ?? 0);
  const need = needs.reduce((sum, { mid }) => sum + (mid[day] ?? 0), 0);
  return (
    <div aria-live="polite">
      <div className="flex items-start justify-between gap-3">
        <b>{formatDay(addDays(house.today, day), house.today)}</b>
        <button type="button" className="link text-quiet" onClick={close} aria-label="Close this day">
          close
        </button>
      </div>
      {needs.length === 0 && <p>Nothing needs it.</p>}
      <ul>
        {needs.slice(0, 5).map((row) => (
          <li key={row.key} className="flex justify-between gap-3">
            <span className="min-w-0 truncate">{row.label}</span>
            <b className="shrink-0">{formatNumber(row.mid[day] ?? 0)} ml</b>
          </li>
        ))}
        {needs.length > 5 && <li className="text-quiet">and {needs.length - 5} more</li>}
      </ul>
      <ul className="mt-1 border-t border-rule pt-1">
        {gives.map((vessel) => (
          <li key={vessel.id} className="flex justify-between gap-3">
            <span className="min-w-0 truncate">
              {vessel.name}
              {vessel.plan ? ', planned' : ''}
            </span>
            <span className="shrink-0">gives {formatNumber(vessel.perDay)} ml</span>
          </li>
        ))}
        {tide.tin && (tide.tin.perDay[day] ?? 0) > 0 && (
          <li className="flex justify-between gap-3">
            <span>hatched from {tide.tin.name}</span>
            <span className="shrink-0">{formatNumber(tide.tin.perDay[day] ?? 0)} ml</span>
          </li>
        )}
        {gives.length === 0 && !tide.tin && needs.length > 0 && <li>No culture is sure to be ripe.</li>}
      </ul>
      {need > given * 1.02 && <p className="mt-1 font-semibold text-rust">Bridge: {FOOD_CLASSES[tide.key].bridge}.</p>}
    </div>
  );
}
