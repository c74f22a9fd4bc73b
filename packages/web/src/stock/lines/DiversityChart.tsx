import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';

const AXIS = { tick: { fontSize: 12, fill: 'var(--quiet)' }, stroke: 'var(--ink)' } as const;

/** Diversity left after each generation: dashed as things are, dotted with one new male. */
export default function DiversityChart({ now, rescued }: { now: readonly number[]; rescued: readonly number[] }) {
  const data = now.map((value, generation) => ({ generation, now: value * 100, rescued: (rescued[generation] ?? 0) * 100 }));
  const end = data.at(-1);
  return (
    <ResponsiveContainer width="100%" height={118}>
      <LineChart data={data} margin={{ top: 6, right: 84, bottom: 0, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis dataKey="generation" type="number" domain={[0, now.length - 1]} ticks={now.map((_value, i) => i)} {...AXIS} />
        <YAxis width={50} domain={[0, 100]} ticks={[0, 50, 100]} unit=" %" {...AXIS} />
        <Line
          dataKey="now"
          stroke="var(--ink)"
          strokeWidth={1.8}
          strokeDasharray="6 4"
          dot={false}
          isAnimationActive={false}
          label={({ index, x, y }) =>
            index === now.length - 1 ? (
              <text x={Number(x) + 6} y={Number(y) + 10} fontSize={12} fill="var(--ink)">
                as it is
              </text>
            ) : (
              <g />
            )
          }
        />
        <Line
          dataKey="rescued"
          stroke="var(--deep)"
          strokeWidth={2}
          strokeDasharray="2 3"
          dot={false}
          isAnimationActive={false}
          label={({ index, x, y }) =>
            index === now.length - 1 ? (
              <text
                x={Number(x) + 6}
                y={Number(y) - (Math.abs((end?.rescued ?? 0) - (end?.now ?? 0)) < 14 ? 6 : -4)}
                fontSize={12}
                fill="var(--deep)"
              >
                one new male
              </text>
            ) : (
              <g />
            )
          }
        />
      </LineChart>
    </ResponsiveContainer>
  );
}
