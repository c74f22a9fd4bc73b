import { computeStream, survival, type BroodMovement } from '../packages/core/src/broods';
import { shapeStream } from '../packages/web/src/broods/streamShape';

// Streams and survival at the size of a large house; the limits are those of a screen that answers at once.

const say = (line: string) => process.stdout.write(`${line}\n`);
const NOW = Date.parse('2026-11-24T07:12:00.000Z');
const DAY_MS = 86_400_000;
const at = (day: number) => new Date(NOW - day * DAY_MS).toISOString();

function best(runs: number, work: () => unknown): number {
  let least = Infinity;
  for (let i = 0; i < runs; i++) {
    const started = performance.now();
    work();
    least = Math.min(least, performance.now() - started);
  }
  return least;
}

const BROODS = 500;
const EACH = 40;
/** Forty movements: laid, losses day by day, and a split into a second tank halfway. */
function movementsOf(brood: number): BroodMovement[] {
  const [a, b] = [`a${brood}`, `b${brood}`];
  return Array.from({ length: EACH }, (_, i): BroodMovement => {
    const when = at(EACH + (brood % 60) - i);
    const moved = i === EACH / 2;
    return {
      males: 0,
      females: 0,
      unsexed: i === 0 ? 400 : moved ? 120 : 3,
      cause: i === 0 ? 'birth' : moved ? 'split' : 'unknown',
      fromLotId: i === 0 ? null : i > EACH / 2 && i % 2 === 0 ? b : a,
      toLotId: i === 0 ? a : moved ? b : null,
      at: { from: when, to: when },
    };
  });
}
const all = Array.from({ length: BROODS }, (_, brood) => movementsOf(brood));
const milestones = (brood: number) => ({ laid: at(EACH + (brood % 60)), feed: at(30), ready: at(-60) });
const streams = () =>
  all.map((movements, brood) => computeStream(movements, [`a${brood}`, `b${brood}`], [0.2, 0.6], milestones(brood), at(0)));
const told = best(5, streams);
const drawn = streams();
const frame = { x: (ms: number) => ((ms - NOW) / DAY_MS) * 8 + 800, nowMs: NOW, perHead: 0.08, top: 5, gap: 2, forkPx: 8 };
const shaped = best(5, () =>
  drawn.map((stream) => shapeStream({ stream } as unknown as Parameters<typeof shapeStream>[0], frame)),
);
say(
  `${BROODS} broods, ${BROODS * EACH} movements: streams worked out in ${told.toFixed(0)} ms, all shaped in ${shaped.toFixed(0)} ms (bound 150; a page draws only those in sight)`,
);

const events = Array.from({ length: 10_000 }, (_, i) => ({
  day: i % 400,
  deaths: i % 3 === 0 ? 1 : 0,
  removedAlive: i % 3 === 1 ? 1 : 0,
}));
const lived = best(20, () => survival({ start: 10_000, events }));
say(`survival of 10,000 fish with 10,000 events: ${lived.toFixed(1)} ms (bound 10)`);
