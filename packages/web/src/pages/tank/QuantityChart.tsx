import {
  CartesianGrid,
  ComposedChart,
  ErrorBar,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { READING_LIMITS, type Quantity } from '@freshet/contract/room';
import { formatDate, formatInstant, houseDay } from '@freshet/core/time';
import { convert, formatNumber } from '@freshet/core/units';
import { temperatureSign, useHouse, type Reply } from '../../data';

interface Point {
  at: number;
  /** By hand, with its band; by probe; expected. */
  hand?: number;
  band?: number;
  probe?: number;
  ahead?: number;
  isDoubtful?: boolean;
}

/** A quantity of a tank over time: points with their error bands, the probe's line, the range wanted, and what is expected. */
export default function QuantityChart({
  quantity,
  readings,
  series,
  wanted,
  ceiling,
  forecast,
}: {
  quantity: Quantity;
  readings: Reply<'readings'>;
  series: Reply<'series'>;
  wanted: readonly [number, number] | null;
  ceiling: number | null;
  forecast: readonly { at: number; ppm: number }[];
}) {
  const house = useHouse();
  const isTemperature = quantity === 'tempC';
  const shown = (value: number) => (isTemperature ? convert({ value, from: 'degC', to: house.units.temperature }).value : value);
  const scale = isTemperature && house.units.temperature === 'degF' ? 1.8 : 1;
  const points: Point[] = [
    ...readings.map((reading) => ({
      at: Date.parse(reading.at),
      hand: shown(reading.value),
      band: reading.band * scale,
      isDoubtful: reading.disagreesWith !== null,
    })),
    ...series.map((bucket) => ({ at: Date.parse(bucket.at), probe: shown(bucket.mean) })),
    ...forecast.map(({ at, ppm }) => ({ at, ahead: ppm })),
  ].sort((a, b) => a.at - b.at);
  const hand = points.filter((point) => point.hand !== undefined);
  const values = points.flatMap(({ hand: byHand, probe, ahead }) =>
    [byHand, probe, ahead].filter((value) => value !== undefined),
  );
  const pad = isTemperature ? 1 : Math.max(0.2, (Math.max(...values) - Math.min(...values)) * 0.15);
  const low = Math.max(isTemperature ? -10 : 0, Math.floor(Math.min(...values, ceiling ?? Infinity) - pad));
  const high = Math.ceil(Math.max(...values, ceiling ?? -Infinity) + pad);
  const step = [0.5, 1, 2, 4, 5, 10, 20, 50, 100, 200, 500].find((candidate) => (high - low) / candidate <= 5) ?? 1000;
  const first = Math.ceil(low / step) * step;
  const ticks = Array.from({ length: Math.floor((high - first) / step) + 1 }, (_, i) => first + i * step);
  const { unit } = READING_LIMITS[quantity];
  const say = (value: number) => `${formatNumber(value, 3)} ${isTemperature ? temperatureSign(house.units) : unit}`.trim();
  const isMany = hand.length > 40;
  return (
    <ResponsiveContainer width="100%" height={160}>
      <ComposedChart data={points} margin={{ top: 6, right: 8, bottom: 0, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        {wanted && (
          <ReferenceArea
            y1={Math.max(low, shown(wanted[0]))}
            y2={Math.min(high, shown(wanted[1]))}
            fill="var(--water)"
            fillOpacity={0.55}
          />
        )}
        {ceiling !== null && <ReferenceLine y={ceiling} stroke="var(--rust)" strokeWidth={1.5} />}
        <XAxis
          dataKey="at"
          type="number"
          domain={['dataMin', 'dataMax']}
          tickCount={4}
          tickFormatter={(at: number) => formatDate(houseDay(at, house.timeZone), house.today)}
          tick={{ fontSize: 12, fill: 'var(--quiet)' }}
          stroke="var(--ink)"
        />
        <YAxis domain={[low, high]} ticks={ticks} width={34} tick={{ fontSize: 12, fill: 'var(--quiet)' }} stroke="var(--ink)" />
        <Tooltip
          isAnimationActive={false}
          content={({ payload }) => {
            const point = payload?.[0]?.payload as Point | undefined;
            if (!point) return null;
            const value = point.hand ?? point.probe ?? point.ahead ?? 0;
            return (
              <div className="border border-ink bg-sheet px-2 py-1 text-note">
                {point.ahead !== undefined && 'expected '}
                {say(value)}
                {point.band !== undefined && ` ± ${formatNumber(point.band)}`}
                {point.probe !== undefined && ' by probe'}
                {point.isDoubtful && ', contradicts the one before'}{' '}
                {formatInstant(new Date(point.at).toISOString(), house.today, house.timeZone)}
              </div>
            );
          }}
        />
        <Line dataKey="probe" stroke="var(--deep)" strokeWidth={1.4} dot={false} connectNulls isAnimationActive={false} />
        {isMany ? (
          <Line dataKey="hand" stroke="var(--ink)" strokeWidth={1.5} dot={false} connectNulls isAnimationActive={false} />
        ) : (
          <Scatter dataKey="hand" fill="var(--ink)" isAnimationActive={false}>
            <ErrorBar dataKey="band" direction="y" width={3} stroke="var(--edge)" strokeWidth={1} />
          </Scatter>
        )}
        <Line
          dataKey="ahead"
          stroke="var(--ink)"
          strokeWidth={1.5}
          strokeDasharray="5 4"
          dot={false}
          connectNulls
          isAnimationActive={false}
        />
      </ComposedChart>
    </ResponsiveContainer>
  );
}
