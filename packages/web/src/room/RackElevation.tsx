import type { ReactNode } from 'react';
import { layoutRoom, YARD_SCALE, type DrawnRack, type DrawnRow, type DrawnTank, type Rack } from './layoutRoom';

interface Props {
  racks: readonly Rack[];
  /** Width of the picture, px. */
  width: number;
  rowWidthCm?: number;
  /** Greatest scale, px per cm. */
  maxScale?: number;
  label: string;
  /** What is drawn inside and over a tank; its box is in px. */
  draw: (tank: DrawnTank, box: { x: number; y: number; width: number; height: number; water: number }) => ReactNode;
  /** What stands behind a rack's code; its name by default. */
  caption?: (rack: Rack) => string;
}

const CAPTION_PX = 22;

/** A rack's name and what is to know of its picture. */
function nameOf(rack: Rack): string {
  const sump = rack.sump ? `, all on sump ${rack.sump}` : '';
  return `${rack.name}${sump}${rack.kind === 'yard' && YARD_SCALE === 0.5 ? ', drawn at half scale' : ''}`;
}

function RackFrame({ drawn, scale, floor }: { drawn: DrawnRack; scale: number; floor: number }) {
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
}

function Row({
  row,
  scale,
  draw,
  caption,
  offset,
}: { row: DrawnRow; scale: number; offset: number } & Pick<Props, 'draw' | 'caption'>) {
  const floor = offset + row.height * scale;
  return (
    <g>
      {row.racks.map((drawn) => (
        <g key={drawn.rack.id}>
          <RackFrame drawn={drawn} scale={scale} floor={floor} />
          {drawn.tanks.map((tank) => (
            <g key={tank.tank.id}>
              {draw(tank, {
                x: tank.x * scale,
                y: floor + tank.y * scale,
                width: tank.width * scale,
                height: tank.height * scale,
                water: tank.water * scale,
              })}
            </g>
          ))}
          <text x={drawn.x * scale} y={floor + 17} fontSize="13" fill="var(--ink)">
            <tspan fontWeight="700">{drawn.rack.code}</tspan> {caption ? caption(drawn.rack) : nameOf(drawn.rack)}
          </text>
        </g>
      ))}
    </g>
  );
}

/** The racks to scale, as you stand before them. */
export function RackElevation({ racks, width, rowWidthCm = Infinity, maxScale = 2, label, draw, caption }: Props) {
  const rows = layoutRoom(racks, rowWidthCm);
  const margin = 10;
  const widest = Math.max(1, ...rows.map((row) => row.width));
  const scale = Math.min(maxScale, (width - 2 * margin) / widest);
  const offsets = rows.map((_row, i) =>
    rows.slice(0, i).reduce((sum, row) => sum + row.height * scale + CAPTION_PX + 14, margin),
  );
  const height = rows.reduce((sum, row) => sum + row.height * scale + CAPTION_PX + 14, margin) - 8;
  return (
    <svg width={width} height={Math.max(20, height)} role="group" aria-label={label} className="block select-none">
      <g transform={`translate(${margin} 0)`}>
        {rows.map((row, i) => (
          <Row
            key={row.racks[0]?.rack.id ?? i}
            row={row}
            scale={scale}
            offset={offsets[i] ?? 0}
            draw={draw}
            {...(caption ? { caption } : {})}
          />
        ))}
      </g>
    </svg>
  );
}
