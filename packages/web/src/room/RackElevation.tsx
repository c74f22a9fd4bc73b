import { memo, type ReactNode } from 'react';
import {
  computeElevation,
  MARGIN_PX,
  YARD_SCALE,
  type Box,
  type DrawnRack,
  type DrawnTank,
  type Elevation,
  type Rack,
} from './layoutRoom';

interface Props {
  racks: readonly Rack[];
  /** Width of the picture, px. */
  width: number;
  rowWidthCm?: number;
  /** Greatest scale, px per cm. */
  maxScale?: number;
  label: string;
  /** What is drawn inside and over a tank; its box is in px. */
  draw: (tank: DrawnTank, box: Box) => ReactNode;
  /** What stands behind a rack's code; its name by default. */
  caption?: (rack: Rack) => string;
  /** Laid out already, for a picture that is also dragged in. */
  elevation?: Elevation;
  /** What is drawn over all of it. */
  children?: ReactNode;
}

/** A rack's name and what is to know of its picture. */
function nameOf(rack: Rack): string {
  const sump = rack.sump ? `, all on sump ${rack.sump}` : '';
  return `${rack.name}${sump}${rack.kind === 'yard' && YARD_SCALE === 0.5 ? ', drawn at half scale' : ''}`;
}

const RackFrame = memo(function RackFrame({ drawn, scale, floor }: { drawn: DrawnRack; scale: number; floor: number }) {
  const { rack, x, width, top, bottom, shelves } = drawn;
  const px = (cm: number) => cm * scale;
  return (
    <g stroke="var(--ink)" fill="none">
      {rack.kind === 'rack' && <path d={`M${px(x)} ${floor + px(top)}V${floor}M${px(x + width)} ${floor + px(top)}V${floor}`} />}
      {rack.quarantine && (
        <rect x={px(x) - 8} y={floor + px(top) - 8} width={px(width) + 16} height={-px(top) + 12} strokeDasharray="2 4" />
      )}
      {shelves.map((shelf) => (
        <path
          key={shelf.y}
          d={`M${px(shelf.x) - (rack.kind === 'rack' ? 0 : 6)} ${floor + px(shelf.y) + 1}h${px(shelf.width) + (rack.kind === 'rack' ? 0 : 12)}`}
          strokeWidth="2.5"
        />
      ))}
      {rack.sump && bottom - (shelves[0]?.y ?? 0) > 1 && (
        <>
          <rect
            x={px(x) + 6}
            y={floor + px(shelves[0]?.y ?? 0) + 6}
            width={px(width) * 0.3}
            height={px(bottom - (shelves[0]?.y ?? 0)) - 7}
            fill="var(--water)"
          />
          {px(width) > 240 && (
            <text x={px(x) + 12} y={floor - 8} fontSize="12" fill="var(--ink)" stroke="none">
              sump {rack.sump}
            </text>
          )}
          <path
            d={`M${px(x) + 3} ${floor + px(top) + 8}V${floor + px(shelves[0]?.y ?? 0) + 12}h4`}
            stroke="var(--deep)"
            strokeWidth="2"
          />
        </>
      )}
    </g>
  );
});

/** The racks to scale, as you stand before them. */
export function RackElevation({
  racks,
  width,
  rowWidthCm = Infinity,
  maxScale = 2,
  label,
  draw,
  caption,
  elevation,
  children,
}: Props) {
  const laid = elevation ?? computeElevation(racks, width, rowWidthCm, maxScale);
  return (
    <svg width={width} height={laid.height} role="group" aria-label={label} className="block select-none">
      <g transform={`translate(${MARGIN_PX} 0)`}>
        {laid.rows.map(({ row, floor }) =>
          row.racks.map((drawn) => (
            <g key={drawn.rack.id}>
              <RackFrame drawn={drawn} scale={laid.scale} floor={floor} />
              <text x={drawn.x * laid.scale} y={floor + 17} fontSize="13" fill="var(--ink)">
                <tspan fontWeight="700">{drawn.rack.code}</tspan> {caption ? caption(drawn.rack) : nameOf(drawn.rack)}
              </text>
            </g>
          )),
        )}
      </g>
      {laid.tanks.map(({ drawn, box }) => (
        <g key={drawn.tank.id}>{draw(drawn, box)}</g>
      ))}
      {children}
    </svg>
  );
}
