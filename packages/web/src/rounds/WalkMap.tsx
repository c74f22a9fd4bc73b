import type { KeyboardEvent } from 'react';
import { RackElevation } from '../room';
import { useGet } from '../data';
import { useWidth } from '../ui';
import { isDone, type WalkItem } from './walkItems';

type State = 'done' | 'next' | 'open';

/** The line of the walk each tank is served by: its own stop, else the feeding of its rack, the first that is still open. */
function linesByTank(items: readonly WalkItem[]): Map<string, { item: WalkItem; who: string }> {
  const lines = new Map<string, { item: WalkItem; who: string }>();
  for (const item of items)
    for (const stop of item.kind === 'feeding' ? item.feeding.stops : []) {
      const before = lines.get(stop.tankId ?? '');
      if (!before || isDone(before.item)) lines.set(stop.tankId ?? '', { item, who: stop.who });
    }
  for (const item of items) if (item.kind === 'stop') lines.set(item.stop.tankId ?? '', { item, who: item.stop.who });
  return lines;
}

function goTo(number: number): void {
  const stop = document.getElementById(`stop-${number}`);
  stop?.scrollIntoView({ block: 'start', behavior: 'smooth' });
  stop?.focus({ preventScroll: true });
}

/** Today's stops on the racks: each tank carries its number; done ones are filled, the next one is rust. */
export function WalkMap({ items, nextNumber }: { items: readonly WalkItem[]; nextNumber: number | null }) {
  const room = useGet('room');
  const [measure, width] = useWidth<HTMLDivElement>();
  const lines = linesByTank(items);
  // A box is found at the tank it hangs in, where that has no line of its own.
  const boxes = (room.data?.vessels ?? []).filter(({ id }) => lines.has(id));
  const lineOf = (tankId: string) => {
    const box = boxes.find(({ inTankId }) => inTankId === tankId);
    return lines.get(tankId) ?? (box && lines.get(box.id));
  };
  const spans = new Map<string, [number, number]>();
  const apart = new Map<string, number[]>();
  for (const { number, rackCode, stop } of items) {
    // A tank in quarantine among healthy ones is served last, apart from its rack.
    if (stop?.quarantine && !room.data?.racks.find((rack) => rack.code === rackCode)?.quarantine) {
      apart.set(rackCode, [...(apart.get(rackCode) ?? []), number]);
      continue;
    }
    const span = spans.get(rackCode);
    spans.set(rackCode, [span?.[0] ?? number, number]);
  }
  return (
    <div ref={measure} className="mb-3 hidden min-h-[120px] sm:block">
      {width > 0 && room.data && (
        <RackElevation
          racks={room.data.racks}
          width={width}
          maxScale={0.92}
          label="The walk through the racks"
          caption={(rack) => {
            const span = spans.get(rack.code);
            return `${rack.quarantine ? 'own tools' : ''} ${span ? (span[0] === span[1] ? span[0] : `${span[0]} – ${span[1]}`) : ''}${[...(apart.get(rack.code) ?? [])].map((number) => `, ${number}`).join('')}`;
          }}
          draw={({ tank }, box) => {
            const found = lineOf(tank.id);
            const number = found?.item.number ?? 0;
            const state: State = found && isDone(found.item) ? 'done' : found && number === nextNumber ? 'next' : 'open';
            const fill = { done: 'var(--ink)', next: 'var(--rust)', open: 'var(--sheet)' }[state];
            const size = Math.min(13, box.width / 1.35, box.height * 0.8);
            return (
              <g
                {...(found
                  ? {
                      className: 'cursor-pointer',
                      role: 'link',
                      tabIndex: 0,
                      'aria-label': `Stop ${number}: ${tank.code}, ${found.who}`,
                      onClick: () => goTo(number),
                      onKeyDown: (event: KeyboardEvent) => event.key === 'Enter' && goTo(number),
                    }
                  : {})}
              >
                <title>{found ? `${number}: ${tank.code}, ${found.who}` : `${tank.code}: nothing to do`}</title>
                <rect x={box.x} y={box.y} width={box.width} height={box.height} fill={found ? 'var(--sheet)' : 'none'} />
                <rect
                  x={box.x}
                  y={box.y + box.height - box.water}
                  width={box.width}
                  height={box.water}
                  fill="var(--water)"
                  opacity={found ? 1 : 0.35}
                />
                <rect
                  x={box.x}
                  y={box.y}
                  width={box.width}
                  height={box.height}
                  fill="none"
                  stroke="var(--ink)"
                  strokeDasharray={found ? undefined : '3 3'}
                  strokeWidth={state === 'next' ? 2 : 1}
                />
                {found && (
                  <>
                    {state !== 'open' && (
                      <rect
                        x={box.x + 1}
                        y={box.y + box.height / 2 - size * 0.72}
                        width={box.width - 2}
                        height={size * 1.44}
                        fill={fill}
                      />
                    )}
                    <text
                      x={box.x + box.width / 2}
                      y={box.y + box.height / 2 + size * 0.36}
                      textAnchor="middle"
                      fontSize={size}
                      fontWeight="700"
                      fill={state === 'open' ? 'var(--ink)' : 'var(--sheet)'}
                    >
                      {number}
                    </text>
                  </>
                )}
              </g>
            );
          }}
        />
      )}
    </div>
  );
}
