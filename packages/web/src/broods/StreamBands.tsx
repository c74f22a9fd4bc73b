import { useId } from 'react';
import { stageFill, type StageKind } from '../ui';
import type { Reply } from '../data';
import { outline, type BandShape, type EdgePoint } from './streamShape';

type Stages = Reply<'broods'>[number]['stages'];

/** The bands of one stream, filled by stage; ahead of now dashed, with its fan. */
export function StreamBands({
  bands,
  stages,
  x,
  nowMs,
  left,
  right,
  mixed = [],
}: {
  bands: readonly BandShape[];
  stages: Stages;
  x: (ms: number) => number;
  nowMs: number;
  left: number;
  right: number;
  /** Parts of bands that are of other broods. */
  mixed?: readonly { key: string; part: readonly EdgePoint[] }[];
}) {
  const id = useId();
  const nowX = x(nowMs);
  const spans = stages.map((span, i) => {
    const from = Math.max(left, Math.min(right, i === 0 ? left : x(Date.parse(span.from))));
    const next = stages[i + 1];
    return { stage: span.stage as StageKind, from, to: next ? Math.max(left, Math.min(right, x(Date.parse(next.from)))) : right };
  });
  return (
    <g clipPath={`url(#${id}-all)`}>
      <defs>
        <pattern id={`${id}-mixed`} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" stroke="var(--ink)" strokeWidth="2.2" />
        </pattern>
        <clipPath id={`${id}-all`}>
          <rect x={left - 1} y={-2000} width={Math.max(0, right - left + 2)} height={6000} />
        </clipPath>
        {spans.map((span) => (
          <clipPath key={span.stage} id={`${id}-${span.stage}`}>
            <rect x={span.from} y={-2000} width={Math.max(0, span.to - span.from)} height={6000} />
          </clipPath>
        ))}
      </defs>
      {spans.map((span) => (
        <g key={span.stage} clipPath={`url(#${id}-${span.stage})`}>
          {bands.map((band) => (
            <g key={band.lotId}>
              <path d={outline(band.fan)} fill={stageFill(span.stage)} fillOpacity="0.28" />
              <path d={outline(band.ahead)} fill={stageFill(span.stage)} fillOpacity="0.42" />
              <path d={outline(band.haze)} fill={stageFill(span.stage)} fillOpacity="0.45" />
              <path d={outline(band.past)} fill={stageFill(span.stage)} />
            </g>
          ))}
        </g>
      ))}
      {mixed.map(({ key, part }) => (
        <path
          key={key}
          d={outline(part)}
          fill={`url(#${id}-mixed)`}
          fillOpacity="0.55"
          stroke="var(--ink)"
          strokeDasharray="2 2"
        />
      ))}
      {bands.map((band) => (
        <g key={band.lotId} fill="none" stroke="var(--ink)">
          <path d={outline(band.past)} strokeWidth="1" />
          <path d={outline(band.haze)} strokeDasharray="1.5 3.5" />
          <path d={outline(band.ahead)} strokeDasharray="6 4" />
          <path d={outline(band.fan)} strokeDasharray="1.5 3.5" />
        </g>
      ))}
      {spans
        .filter((span) => span.from > nowX && span.from < right - 1)
        .map((span) =>
          bands
            .filter((band) => band.fan.length > 0)
            .map((band) => {
              const at = band.fan.find((point) => point.x >= span.from) ?? band.fan.at(-1);
              return at ? (
                <path
                  key={band.lotId + span.stage}
                  d={`M${span.from} ${at.top}V${at.bottom}`}
                  stroke="var(--ink)"
                  strokeDasharray="6 4"
                />
              ) : null;
            }),
        )}
    </g>
  );
}
