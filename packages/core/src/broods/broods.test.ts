import fc from 'fast-check';
import { resolveSpecies, SHIPPED_SPECIES } from '../species';
import { type Cause } from '../stock';
import {
  broodLedger,
  computeStream,
  describeBrood,
  stageSpans,
  survivalLeft,
  type BroodFacts,
  type BroodMovement,
} from './index';

const species = (key: string) => {
  const profile = SHIPPED_SPECIES.find((candidate) => candidate.key === key);
  if (!profile) throw new Error(key);
  return resolveSpecies(profile);
};
const DAY_MS = 86_400_000;
const LAID = '2026-03-01T08:00:00.000Z';
const day = (count: number) => new Date(Date.parse(LAID) + count * DAY_MS).toISOString();
const exactly = (at: string) => ({ from: at, to: at });
const facts = (more: Partial<BroodFacts> = {}): BroodFacts => ({
  laid: exactly(LAID),
  hatched: null,
  freeSwimming: null,
  eggsSeenAt: null,
  alive: 100,
  ...more,
});
const ZONE = 'Europe/Dublin';

/** A history of one brood over up to three lots in which nobody leaves who is not there. */
const history = fc
  .array(
    fc.record({
      kind: fc.constantFrom<Cause>('death', 'split', 'countCorrection', 'sale', 'infertile', 'unknown', 'cull'),
      from: fc.nat(2),
      to: fc.nat(2),
      count: fc.integer({ min: 1, max: 40 }),
    }),
    { maxLength: 30 },
  )
  .map((steps) => {
    const counts = [200, 0, 0];
    const lot = (i: number) => `lot${i}`;
    const movements: BroodMovement[] = [
      { males: 0, females: 0, unsexed: 200, fromLotId: null, toLotId: 'lot0', cause: 'birth', at: exactly(LAID) },
    ];
    steps.forEach((step, i) => {
      const at = exactly(day(i / 2 + 0.5));
      const have = counts[step.from] ?? 0;
      if (step.kind === 'countCorrection') {
        if (have === 0) return;
        counts[step.from] = have + step.count;
        movements.push({
          males: 0,
          females: 0,
          unsexed: step.count,
          fromLotId: null,
          toLotId: lot(step.from),
          cause: step.kind,
          at,
        });
        return;
      }
      if (have < step.count || (step.kind === 'split' && step.from === step.to)) return;
      counts[step.from] = have - step.count;
      if (step.kind === 'split') counts[step.to] = (counts[step.to] ?? 0) + step.count;
      movements.push({
        males: 0,
        females: 0,
        unsexed: step.count,
        fromLotId: lot(step.from),
        toLotId: step.kind === 'split' ? lot(step.to) : null,
        cause: step.kind,
        at,
      });
    });
    return { movements, counts, lotIds: ['lot0', 'lot1', 'lot2'] };
  });

describe('a brood’s account', () => {
  it('adds up to those alive, whatever happened to it', () => {
    fc.assert(
      fc.property(
        history,
        fc.boolean(),
        fc.option(fc.integer({ min: 1, max: 8 })),
        ({ movements, counts, lotIds }, born, hatchedDay) => {
          const hatched = hatchedDay === null ? null : exactly(day(hatchedDay));
          const lines = broodLedger(
            movements,
            new Set(lotIds),
            { hatched, freeSwimming: hatchedDay === null ? null : exactly(day(hatchedDay + 2)) },
            born,
          );
          const alive = counts.reduce((sum, count) => sum + count, 0);
          expect(lines.at(-1)).toEqual({ label: 'Alive', count: alive });
          expect(lines.slice(0, -1).reduce((sum, line) => sum + line.count, 0)).toBe(alive);
        },
      ),
    );
  });

  it('tells losses by stage, and sales apart from losses', () => {
    const out = (count: number, cause: Cause, at: number): BroodMovement => ({
      males: 0,
      females: 0,
      unsexed: count,
      fromLotId: 'lot0',
      toLotId: null,
      cause,
      at: exactly(day(at)),
    });
    const movements: BroodMovement[] = [
      { males: 0, females: 0, unsexed: 138, fromLotId: null, toLotId: 'lot0', cause: 'birth', at: exactly(LAID) },
      out(20, 'infertile', 1),
      out(14, 'unknown', 2),
      out(23, 'unknown', 5),
      out(13, 'death', 20),
      out(8, 'sale', 60),
    ];
    expect(broodLedger(movements, new Set(['lot0']), { hatched: exactly(day(3)), freeSwimming: exactly(day(7)) }, false)).toEqual(
      [
        { label: 'Eggs found', count: 138 },
        { label: 'White, picked', count: -20 },
        { label: 'Lost before hatching', count: -14 },
        { label: 'Lost before swimming', count: -23 },
        { label: 'Lost since', count: -13 },
        { label: 'Left the brood', count: -8 },
        { label: 'Alive', count: 60 },
      ],
    );
  });
});

describe('a brood’s stream', () => {
  const milestones = { laid: LAID, feed: day(8), ready: day(90) };

  it('is as thick as the ledger says, band by band, and never thinner than nothing', () => {
    fc.assert(
      fc.property(history, ({ movements, counts, lotIds }) => {
        const stream = computeStream(movements, lotIds, [0.2, 0.6], milestones, day(20));
        expect(stream.alive).toBe(counts.reduce((sum, count) => sum + count, 0));
        for (const band of stream.bands) {
          expect(band.points.at(-1)?.count).toBe(counts[Number(band.lotId.slice(3))]);
          expect(band.points.every((point) => point.count >= 0)).toBe(true);
          for (const [i, point] of band.points.entries()) if (i > 0) expect(point.at > (band.points[i - 1]?.at ?? '')).toBe(true);
        }
      }),
    );
  });

  it('forks where a lot was split off, and names its parent', () => {
    const movements: BroodMovement[] = [
      { males: 0, females: 0, unsexed: 80, fromLotId: null, toLotId: 'a', cause: 'birth', at: exactly(LAID) },
      { males: 0, females: 0, unsexed: 30, fromLotId: 'a', toLotId: 'b', cause: 'split', at: exactly(day(19)) },
    ];
    const { bands } = computeStream(movements, ['a', 'b'], [0.2, 0.6], milestones, day(27));
    expect(bands.map((band) => [band.lotId, band.parentLotId, band.points.map((point) => point.count)])).toEqual([
      ['a', null, [80, 50]],
      ['b', 'a', [30]],
    ]);
  });

  it('is expected to thin within a fan that opens from today’s headcount', () => {
    const movements: BroodMovement[] = [
      { males: 0, females: 0, unsexed: 100, fromLotId: null, toLotId: 'a', cause: 'birth', at: exactly(LAID) },
    ];
    const forecast = computeStream(movements, ['a'], [0.2, 0.6], milestones, LAID).bands[0]?.forecast ?? [];
    expect(forecast[0]).toMatchObject({ low: 100, high: 100 });
    expect(forecast.at(-1)?.low).toBeCloseTo(20, 6);
    expect(forecast.at(-1)?.high).toBeCloseTo(60, 6);
    for (const [i, point] of forecast.entries())
      if (i > 0) expect(point.high - point.low).toBeGreaterThan((forecast[i - 1]?.high ?? 0) - (forecast[i - 1]?.low ?? 0) - 30);
  });

  it('has half of the losses behind it at first feed, all of them at sale', () => {
    expect([0, 4, 8, 49, 90, 120].map((at) => survivalLeft(at, 0, 8, 90))).toEqual([1, 0.75, 0.5, 0.25, 0, 0]);
  });
});

describe('where a brood stands', () => {
  it('changes only by what was seen: eggs stay eggs until a hatch is logged', () => {
    const late = describeBrood(facts(), species('lemon-tetra'), [{ at: LAID, tempC: 25 }], day(30), ZONE);
    expect(late.stage).toBe('eggs');
    expect(late.next).toMatchObject({ stage: 'hatch', status: 'overdue' });
  });

  it('grows from fry to ready by the species’ curve once it feeds, and climbs the ladder', () => {
    const kind = species('lemon-tetra');
    const swimming = facts({ hatched: exactly(day(2)), freeSwimming: exactly(day(6)) });
    const at = (age: number) => describeBrood(swimming, kind, [], day(6 + age), ZONE);
    expect([1, 40, 120].map((age) => at(age).stage)).toEqual(['fry', 'growing', 'ready']);
    const foods = [0, 10, 20, 40, 80].map((age) => kind.figures.ladder.findIndex((rung) => rung.food === at(age).food));
    expect(foods).toEqual([...foods].sort((a, b) => a - b));
    const { ready } = at(1);
    expect(ready !== null && ready.from < ready.to).toBe(true);
  });

  it('counts its age in days of the house from the middle of an uncertain laying', () => {
    const uncertain = facts({ laid: { from: '2026-03-03T08:00:00.000Z', to: '2026-03-09T08:00:00.000Z' } });
    expect(describeBrood(uncertain, species('lemon-tetra'), [], '2026-03-16T20:00:00.000Z', ZONE).ageDays).toBe(10);
  });
});

describe('the stages of a stream', () => {
  const spans = (key: string, given: BroodFacts, now: string) =>
    stageSpans(given, species(key), describeBrood(given, species(key), [], now, ZONE), now);

  it('come in order, seen ones fixed and coming ones predicted', () => {
    const found = spans('lemon-tetra', facts({ hatched: exactly(day(2)) }), day(3));
    expect(found.map((span) => span.stage)).toEqual(['eggs', 'yolk', 'fry', 'growing', 'ready']);
    expect(found.map((span) => span.predicted)).toEqual([false, false, true, true, true]);
    expect(found.map((span) => span.from)).toEqual(found.map((span) => span.from).sort());
  });

  it('leave out what a species does not have', () => {
    expect(spans('humpback-limia', facts(), day(3)).map((span) => span.stage)).toEqual(['fry', 'growing', 'ready']);
    expect(spans('green-babaulti', facts(), day(3)).map((span) => span.stage)).not.toContain('yolk');
  });
});
