import { memo } from 'react';
import type { Reply } from '../data';
import { stageFill } from '../ui';
import type { Box, Tank } from './layoutRoom';
import type { OverlayMark } from './overlay';
import { overlayFill } from './OverlayPatterns';

type Life = Reply<'tankLife'>[number];

/** "As 110": who, in two letters, and how many. */
function inShort(life: Life | undefined): string {
  if (!life) return '';
  const initials = [...new Set(life.lots.map((lot) => lot.initials))];
  return initials.length > 0 ? `${initials.slice(0, 2).join(' ')} ${life.heads}` : '';
}

/** What lives in a tank, in words. */
export function describeLife(life: Life | undefined, code: string): string {
  if (!life || (life.lots.length === 0 && life.cultures.length === 0)) return `${code}: empty`;
  const names = [...new Set(life.lots.map((lot) => lot.speciesName)), ...life.cultures.map((culture) => culture.name)];
  return `${code}: ${names.join(', ')}${life.heads > 0 ? `, ${life.heads}` : ''}`;
}

/** One tank of the picture: water at its level, who lives there, or what an overlay says. */
export const TankPicture = memo(function TankPicture({
  tank,
  box,
  life,
  mark,
}: {
  tank: Tank;
  box: Box;
  life: Life | undefined;
  /** Null shows life. */
  mark: OverlayMark | null;
}) {
  const { code } = tank;
  const size = Math.max(8.5, Math.min(13, (box.width - 4) / (code.length * 0.62)));
  const short = mark ? mark.text : inShort(life);
  const band = Math.min(box.water * 0.42, 34);
  const textSize = Math.min(12, (box.width - 4) / Math.max(1, short.length * 0.54));
  const room = box.height > 40 && textSize >= 8.5;
  const isEmpty = !life?.stage;
  const waterTop = box.y + box.height - box.water;
  return (
    <>
      <rect x={box.x} y={box.y} width={box.width} height={box.height} fill="var(--sheet)" />
      <rect
        x={box.x}
        y={waterTop}
        width={box.width}
        height={box.water}
        fill={mark ? overlayFill(mark.step) : isEmpty ? 'none' : 'var(--water)'}
      />
      {!mark && life?.stage && (
        <rect
          x={box.x + 2.5}
          y={box.y + box.height - band - 2}
          width={box.width - 5}
          height={band}
          fill={stageFill(life.stage)}
        />
      )}
      <rect
        x={box.x}
        y={box.y}
        width={box.width}
        height={box.height}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.4"
        strokeDasharray={isEmpty ? '4 3' : undefined}
      />
      {life?.quarantine && (
        <path d={`M${box.x + box.width - 9} ${box.y + 1}h8v8z`} fill="var(--rust)">
          <title>in quarantine</title>
        </path>
      )}
      <text
        x={box.x + 3}
        y={box.y + size + 1}
        fontSize={size}
        fontWeight="700"
        fontFamily="'Atkinson Hyperlegible Mono Variable'"
        fill="var(--ink)"
        stroke="var(--sheet)"
        strokeWidth="2.5"
        paintOrder="stroke"
      >
        {code}
      </text>
      {room && short && (
        <text
          x={box.x + box.width / 2}
          y={mark ? box.y + box.height / 2 + 8 : box.y + box.height - band - 7}
          fontSize={textSize}
          textAnchor="middle"
          fill="var(--ink)"
          {...(mark ? { stroke: 'var(--sheet)', strokeWidth: 3, paintOrder: 'stroke', fontWeight: 600 } : {})}
        >
          {short}
        </text>
      )}
    </>
  );
});
