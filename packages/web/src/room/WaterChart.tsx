import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { formatDate, houseDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useHouse, type Reply } from '../data';

type Water = Reply<'waters'>[number];

/** A source water's hardness and alkalinity over time: solid GH, dashed KH. */
export default function WaterChart({ water }: { water: Water }) {
  const house = useHouse();
  const data = water.analyses.map(({ at, ghDeg, khDeg }) => ({ at: Date.parse(at), ghDeg, khDeg }));
  const high = Math.ceil(Math.max(4, ...data.map(({ ghDeg, khDeg }) => Math.max(ghDeg ?? 0, khDeg ?? 0))) / 4) * 4;
  return (
    <ResponsiveContainer width="100%" height={150}>
      <LineChart data={data} margin={{ top: 6, right: 44, bottom: 0, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis
          dataKey="at"
          type="number"
          domain={['dataMin', 'dataMax']}
          tickCount={5}
          tickFormatter={(at: number) => formatDate(houseDay(at, house.timeZone), house.today)}
          tick={{ fontSize: 12, fill: 'var(--quiet)' }}
          stroke="var(--ink)"
        />
        <YAxis
          width={30}
          allowDecimals={false}
          domain={[0, high]}
          ticks={Array.from({ length: high / 4 + 1 }, (_, i) => i * 4)}
          interval={0}
          tick={{ fontSize: 12, fill: 'var(--quiet)' }}
          stroke="var(--ink)"
        />
        <Tooltip
          isAnimationActive={false}
          content={({ payload }) => {
            const point = payload?.[0]?.payload as (typeof data)[number] | undefined;
            return point ? (
              <div className="border border-ink bg-sheet px-2 py-1 text-note">
                {formatDate(houseDay(point.at, house.timeZone), house.today)}: GH{' '}
                {point.ghDeg === null ? '–' : formatNumber(point.ghDeg, 3)}, KH{' '}
                {point.khDeg === null ? '–' : formatNumber(point.khDeg, 3)}
              </div>
            ) : null;
          }}
        />
        <Line
          dataKey="ghDeg"
          name="GH"
          stroke="var(--ink)"
          strokeWidth={1.8}
          dot={{ r: 2.2, fill: 'var(--ink)' }}
          connectNulls
          isAnimationActive={false}
        />
        <Line
          dataKey="khDeg"
          name="KH"
          stroke="var(--deep)"
          strokeWidth={1.8}
          strokeDasharray="2 3"
          dot={{ r: 2.2, fill: 'var(--deep)' }}
          connectNulls
          isAnimationActive={false}
        />
      </LineChart>
    </ResponsiveContainer>
  );
}
