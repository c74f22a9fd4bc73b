import { CartesianGrid, Line, LineChart, ReferenceArea, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { formatDate, formatInstant, houseDay } from '@freshet/core/time';
import { convert } from '@freshet/core/units';
import { showTemperature, useHouse } from '../data';

/** Temperatures of a tank over the last weeks, with the range its species wants. */
export default function TemperatureChart({
  readings,
  wanted,
}: {
  readings: readonly { at: string; value: number }[];
  wanted: readonly [number, number] | null;
}) {
  const house = useHouse();
  const shown = (tempC: number) => convert({ value: tempC, from: 'degC', to: house.units.temperature }).value;
  const data = readings.map((reading) => ({ at: Date.parse(reading.at), shown: shown(reading.value), tempC: reading.value }));
  const values = data.map((point) => point.shown);
  const [low, high] = [Math.floor(Math.min(...values) - 1), Math.ceil(Math.max(...values) + 1)];
  const step = high - low > 8 ? 4 : high - low > 4 ? 2 : 1;
  const ticks = Array.from({ length: Math.floor((high - low) / step) + 1 }, (_, i) => low + i * step);
  return (
    <ResponsiveContainer width="100%" height={150}>
      <LineChart data={data} margin={{ top: 6, right: 8, bottom: 0, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        {wanted && (
          <ReferenceArea
            y1={Math.max(low, shown(wanted[0]))}
            y2={Math.min(high, shown(wanted[1]))}
            fill="var(--water)"
            fillOpacity={0.55}
          />
        )}
        <XAxis
          dataKey="at"
          type="number"
          domain={['dataMin', 'dataMax']}
          tickCount={4}
          tickFormatter={(at: number) => formatDate(houseDay(at, house.timeZone), house.today)}
          tick={{ fontSize: 12, fill: 'var(--quiet)' }}
          stroke="var(--ink)"
        />
        <YAxis
          domain={[low, high]}
          ticks={ticks}
          width={30}
          allowDecimals={false}
          tick={{ fontSize: 12, fill: 'var(--quiet)' }}
          stroke="var(--ink)"
        />
        <Tooltip
          isAnimationActive={false}
          content={({ payload }) => {
            const point = payload?.[0]?.payload as { at: number; tempC: number } | undefined;
            return point ? (
              <div className="border border-ink bg-sheet px-2 py-1 text-note">
                {showTemperature(point.tempC, house)}{' '}
                {formatInstant(new Date(point.at).toISOString(), house.today, house.timeZone)}
              </div>
            ) : null;
          }}
        />
        <Line
          dataKey="shown"
          stroke="var(--ink)"
          strokeWidth={1.5}
          dot={data.length < 40 ? { r: 1.8, fill: 'var(--ink)' } : false}
          isAnimationActive={false}
        />
      </LineChart>
    </ResponsiveContainer>
  );
}
