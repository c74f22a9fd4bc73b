import type { Reply } from '../../data';
import { useWidth } from '../../ui';

type Flow = Reply<'growoutRecord'>['flow'];

const HEIGHT = 250;
const BOX_H = 54;
const MIDDLE = 104;

/** The way of a species through the house: breeders, young by stage, who is chosen back, who lives on and who left, each with its number. */
export function FlowPicture({ flow, name }: { flow: Flow; name: string }) {
  const [box, width] = useWidth<HTMLDivElement>();
  const steps = [
    { key: 'breeders', words: 'breeders', count: flow.breeders + flow.chosen },
    { key: 'eggs', words: 'eggs', count: flow.eggs },
    { key: 'fry', words: 'small young', count: flow.fry },
    { key: 'growing', words: 'growing', count: flow.growing },
    { key: 'ready', words: 'of sale size', count: flow.ready },
  ];
  const boxW = Math.max(84, Math.min(128, (width - 40) / 6.4));
  const step = (width - boxW - 4) / 5;
  const x = (i: number) => 2 + i * step;
  const outs = [
    { words: 'sold', count: flow.sold, y: 14 },
    { words: 'given away', count: flow.given, y: 80 },
    { words: 'live on here', count: flow.retired, y: 146 },
  ];
  const arrow = { fill: 'none', stroke: 'var(--edge)', strokeWidth: 2, markerEnd: 'url(#flow-tip)' } as const;
  return (
    <div ref={box}>
      {width > 0 && (
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`${name}: ${steps.map(({ words, count }) => `${count} ${words}`).join(', ')}; in a year ${outs.map(({ words, count }) => `${count} ${words}`).join(', ')}, ${flow.lost} lost; ${flow.chosen} chosen back`}
        >
          <defs>
            <marker id="flow-tip" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
              <path d="M0 0 8 4 0 8z" fill="var(--edge)" />
            </marker>
          </defs>
          {steps.slice(1).map(({ key }, i) => (
            <path key={key} d={`M${x(i) + boxW} ${MIDDLE}H${x(i + 1) - 2}`} {...arrow} />
          ))}
          {outs.map(({ words, y }) => (
            <path
              key={words}
              d={`M${x(4) + boxW} ${MIDDLE}C${x(4) + boxW + 20} ${MIDDLE} ${x(5) - 24} ${y + BOX_H / 2} ${x(5) - 2} ${y + BOX_H / 2}`}
              {...arrow}
            />
          ))}
          <path
            d={`M${x(3) + boxW / 2} ${MIDDLE + BOX_H / 2}V${HEIGHT - 30}H${x(0) + boxW / 2}V${MIDDLE + BOX_H / 2 + 3}`}
            {...arrow}
            stroke="var(--deep)"
          />
          <text
            x={(x(0) + x(3) + boxW) / 2}
            y={HEIGHT - 12}
            textAnchor="middle"
            fontSize="13"
            fill="var(--deep)"
            fontWeight="600"
          >
            chosen back as breeders: {flow.chosen}
          </text>
          <text x={x(1) + boxW / 2} y={MIDDLE - BOX_H / 2 - 26} textAnchor="middle" fontSize="13" fill="var(--quiet)">
            {flow.born} in a year
          </text>
          <text x={x(2) + boxW / 2} y={MIDDLE + BOX_H / 2 + 18} textAnchor="middle" fontSize="13" fill="var(--rust)">
            {flow.lost} lost in a year
          </text>
          {steps.map(({ key, words, count }, i) => (
            <g key={key}>
              <rect
                x={x(i)}
                y={MIDDLE - BOX_H / 2}
                width={boxW}
                height={BOX_H}
                fill={`url(#stage-${key === 'breeders' ? 'breeders' : key})`}
                fillOpacity={count > 0 ? 0.55 : 0.15}
                stroke="var(--ink)"
              />
              <rect
                x={x(i) + 5}
                y={MIDDLE - BOX_H / 2 + 5}
                width={boxW - 10}
                height={BOX_H - 10}
                fill="var(--sheet)"
                fillOpacity="0.9"
              />
              <text
                x={x(i) + boxW / 2}
                y={MIDDLE - 2}
                textAnchor="middle"
                fontSize="19"
                fontWeight="700"
                fill="var(--ink)"
                className="font-mono"
              >
                {count}
              </text>
              <text x={x(i) + boxW / 2} y={MIDDLE + 15} textAnchor="middle" fontSize="12.5" fill="var(--ink)">
                {words}
              </text>
            </g>
          ))}
          {outs.map(({ words, count, y }) => (
            <g key={words}>
              <rect
                x={x(5)}
                y={y}
                width={boxW}
                height={BOX_H}
                fill="var(--sheet)"
                stroke="var(--ink)"
                strokeDasharray={words === 'live on here' ? undefined : '4 3'}
              />
              <text
                x={x(5) + boxW / 2}
                y={y + 24}
                textAnchor="middle"
                fontSize="19"
                fontWeight="700"
                fill="var(--ink)"
                className="font-mono"
              >
                {count}
              </text>
              <text x={x(5) + boxW / 2} y={y + 42} textAnchor="middle" fontSize="12.5" fill="var(--ink)">
                {words}
              </text>
            </g>
          ))}
        </svg>
      )}
    </div>
  );
}
