import type { KeyboardEvent } from 'react';
import { RackElevation } from '../room';
import { useGet } from '../data';
import { useWidth } from '../ui';
import type { Stop } from './chore';

type State = 'done' | 'next' | 'open';

/** Share of a stop that is ticked. */
const progress = (stop: Stop) =>
  stop.chores.length === 0 ? 1 : stop.chores.filter((chore) => chore.outcome).length / stop.chores.length;

function goTo(number: number): void {
  const stop = document.getElementById(`stop-${number}`);
  stop?.scrollIntoView({ block: 'start', behavior: 'smooth' });
  stop?.focus({ preventScroll: true });
}

/** Today's stops on the racks: each tank carries its number; done ones are filled, the next one is rust. */
export function WalkMap({ stops, nextNumber }: { stops: readonly Stop[]; nextNumber: number | null }) {
  const room = useGet('room');
  const [measure, width] = useWidth<HTMLDivElement>();
  const numbers = new Map(stops.map((stop, i) => [stop.tankId ?? '', { number: i + 1, stop }]));
  const spans = new Map<string, [number, number]>();
  const apart = new Map<string, number[]>();
  for (const [i, stop] of stops.entries()) {
    // A tank in quarantine among healthy ones is served last, apart from its rack.
    if (stop.quarantine && !room.data?.racks.find((rack) => rack.code === stop.rackCode)?.quarantine) {
      apart.set(stop.rackCode, [...(apart.get(stop.rackCode) ?? []), i + 1]);
      continue;
    }
    const span = spans.get(stop.rackCode);
    spans.set(stop.rackCode, [span?.[0] ?? i + 1, i + 1]);
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
            const found = numbers.get(tank.id);
            const state: State = found && progress(found.stop) === 1 ? 'done' : found?.number === nextNumber ? 'next' : 'open';
            const fill = { done: 'var(--ink)', next: 'var(--rust)', open: 'var(--sheet)' }[state];
            const size = Math.min(13, box.width / 1.35, box.height * 0.8);
            return (
              <g
                {...(found
                  ? {
                      className: 'cursor-pointer',
                      role: 'link',
                      tabIndex: 0,
                      'aria-label': `Stop ${found.number}: ${tank.code}, ${found.stop.who}`,
                      onClick: () => goTo(found.number),
                      onKeyDown: (event: KeyboardEvent) => event.key === 'Enter' && goTo(found.number),
                    }
                  : {})}
              >
                <title>{found ? `${found.number}: ${tank.code}, ${found.stop.who}` : `${tank.code}: nothing to do`}</title>
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
                      {found.number}
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
