import { useRef } from 'react';
import type { Counted } from '@freshet/core/pictures';

/** One with a ring around it. */
export type Ringed = Counted & { isAdded: boolean };

/** A tap this near a ring means it, in pixels of the screen. */
const TAP_PX = 22;

/** The picture with a ring around each that was found; a tap corrects it. */
export function Rings({
  url,
  size,
  rings,
  tap,
}: {
  url: string;
  size: { width: number; height: number };
  rings: readonly Ringed[];
  tap: (x: number, y: number, reach: number) => void;
}) {
  const box = useRef<SVGSVGElement>(null);
  const stroke = Math.max(size.width, size.height) / 420;
  return (
    <div className="relative bg-shade">
      {/* Decoded away from the page: a picture of twelve megapixels holds no frame up. */}
      <img src={url} alt="" decoding="async" className="absolute inset-0 size-full object-contain" />
      <svg
        ref={box}
        viewBox={`0 0 ${size.width} ${size.height}`}
        className="relative max-h-[58vh] w-full cursor-crosshair touch-manipulation"
        role="img"
        aria-label={`${rings.length} ringed; tap to correct`}
        onClick={(event) => {
          const at = box.current?.getBoundingClientRect();
          if (!at) return;
          const scale = Math.max(size.width / at.width, size.height / at.height);
          const [left, top] = [(at.width - size.width / scale) / 2, (at.height - size.height / scale) / 2];
          tap((event.clientX - at.left - left) * scale, (event.clientY - at.top - top) * scale, TAP_PX * scale);
        }}
      >
        {rings.map(({ x, y, r, isWhite, isAdded }, i) => (
          <g key={i}>
            <circle cx={x} cy={y} r={r * 1.15 + stroke} fill="none" stroke="#fff" strokeWidth={stroke * 2.2} opacity={0.75} />
            <circle
              cx={x}
              cy={y}
              r={r * 1.15 + stroke}
              fill="none"
              stroke={isWhite ? '#b23a12' : '#0b4f4a'}
              strokeWidth={stroke * 1.2}
              strokeDasharray={isWhite ? `${stroke * 4} ${stroke * 2}` : isAdded ? `${stroke} ${stroke * 2}` : undefined}
            />
          </g>
        ))}
      </svg>
    </div>
  );
}
