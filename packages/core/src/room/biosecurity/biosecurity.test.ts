import fc from 'fast-check';
import {
  computeExposure,
  decideQuarantine,
  exposurePath,
  findQuarantineRisks,
  HUB,
  standingContacts,
  type BiosecurityRack,
  type Contact,
} from '../index';

const TANKS = ['a', 'b', 'c', 'd', 'e', 'f'] as const;
const contact = fc.record({
  from: fc.constantFrom(...TANKS),
  to: fc.constantFrom(...TANKS),
  kind: fc.constantFrom('water' as const, 'lot' as const, 'sump' as const),
  atMs: fc.option(fc.integer({ min: 0, max: 20 }), { nil: null }),
});

/** The same by going round all contacts until nothing changes. */
function slowly(contacts: readonly Contact[], start: string, atMs: number): Map<string, number> {
  const since = new Map([[start, atMs]]);
  for (let changed = true; changed;) {
    changed = false;
    for (const { from, to, atMs: when } of contacts) {
      const here = since.get(from);
      if (here === undefined || (when !== null && when < here)) continue;
      const arrival = when ?? here;
      if (arrival < (since.get(to) ?? Infinity)) {
        since.set(to, arrival);
        changed = true;
      }
    }
  }
  return since;
}

describe('exposure', () => {
  it('is the earliest arrival by steps that follow one another in time, as a slow search finds it', () => {
    fc.assert(
      fc.property(fc.array(contact, { maxLength: 25 }), fc.integer({ min: 0, max: 20 }), (contacts, atMs) => {
        const found = computeExposure(contacts, 'a', atMs);
        expect(new Map(found.map((one) => [one.tankId, one.sinceMs]))).toEqual(slowly(contacts, 'a', atMs));
        const byTank = new Map(found.map((one) => [one.tankId, one]));
        for (const { tankId, sinceMs } of found) {
          const path = exposurePath(byTank, tankId);
          let [here, time] = ['a', atMs];
          for (const step of path) {
            expect(step.from).toBe(here);
            expect(step.atMs ?? time).toBeGreaterThanOrEqual(time);
            [here, time] = [step.to, step.atMs ?? time];
          }
          expect([here, time]).toEqual([tankId, sinceMs]);
        }
      }),
    );
  });

  it('holds among many tanks, and gives the fewest steps where all lead there at once', () => {
    const many = Array.from({ length: 30 }, (_, i) => `t${i}`);
    const among = (kind: fc.Arbitrary<number | null>) =>
      fc.array(
        fc.record({
          from: fc.constantFrom('a', ...many),
          to: fc.constantFrom(...many),
          kind: fc.constant('water' as const),
          atMs: kind,
        }),
        { minLength: 30, maxLength: 160 },
      );
    fc.assert(
      fc.property(among(fc.integer({ min: 0, max: 400 })), (contacts) => {
        const found = computeExposure(contacts, 'a', 0);
        expect(new Map(found.map((one) => [one.tankId, one.sinceMs]))).toEqual(slowly(contacts, 'a', 0));
        const times = found.map(({ sinceMs }) => sinceMs);
        expect(times).toEqual([...times].sort((p, q) => p - q));
      }),
      { numRuns: 200 },
    );
    fc.assert(
      fc.property(among(fc.constant(null)), (contacts) => {
        // Wave by wave: the fewest steps to each.
        const steps = new Map([['a', 0]]);
        for (let wave = 0; wave <= many.length; wave++)
          for (const { from, to } of contacts) if (steps.get(from) === wave && !steps.has(to)) steps.set(to, wave + 1);
        const found = computeExposure(contacts, 'a', 0);
        const byTank = new Map(found.map((one) => [one.tankId, one]));
        const lengths = found.map(({ tankId }) => exposurePath(byTank, tankId).length);
        expect(new Map(found.map(({ tankId }, i) => [tankId, lengths[i]]))).toEqual(steps);
        expect(lengths).toEqual([...lengths].sort((p, q) => p - q));
      }),
      { numRuns: 200 },
    );
  });

  it('backwards finds exactly those from which it could have come', () => {
    fc.assert(
      fc.property(fc.array(contact, { maxLength: 20 }), fc.integer({ min: 0, max: 20 }), (contacts, byMs) => {
        const sources = new Map(computeExposure(contacts, 'a', byMs, 'sources').map((one) => [one.tankId, one.sinceMs]));
        for (const tank of TANKS) {
          const latest = sources.get(tank);
          // Leaving at the latest time it still reaches; a moment later it does not.
          if (latest !== undefined) expect(slowly(contacts, tank, latest).get('a')).toBeLessThanOrEqual(byMs);
          const later = latest === undefined ? 0 : latest + 1;
          if (later <= byMs) expect(slowly(contacts, tank, later).get('a') ?? Infinity).toBeGreaterThan(byMs);
        }
      }),
    );
  });

  it('counts a shared sump as one step, and names no hub on the way', () => {
    const hub = `${HUB}sump S1`;
    const contacts: Contact[] = ['a', 'b', 'c'].flatMap((id) => [
      { from: id, to: hub, kind: 'sump' as const, atMs: null },
      { from: hub, to: id, kind: 'sump' as const, atMs: null },
    ]);
    const found = computeExposure([...contacts, { from: 'c', to: 'd', kind: 'lot', atMs: 9 }], 'a', 5);
    const byTank = new Map(found.map((one) => [one.tankId, one]));
    expect(exposurePath(byTank, 'd')).toMatchObject([
      { from: 'a', to: 'c', kind: 'sump' },
      { from: 'c', to: 'd', kind: 'lot', atMs: 9 },
    ]);
  });
});

const tank = (id: string, leftCm: number) => ({
  id,
  code: id,
  lengthCm: 60,
  widthCm: 30,
  heightCm: 30,
  facing: 'long' as const,
  leftCm,
  totalKg: 50,
  hasLid: true,
});
const rack = (id: string, shelves: ReturnType<typeof tank>[][], more: Partial<BiosecurityRack> = {}): BiosecurityRack => ({
  id,
  code: id,
  kind: 'rack',
  sump: null,
  tools: null,
  quarantine: false,
  shelves: shelves.map((tanks, i) => ({ level: i + 1, tanks })),
  ...more,
});

describe('contacts of a room', () => {
  it('are drips on what stands right below, and water shared by a sump, across racks too', () => {
    const racks = [
      rack('A', [[tank('A1', 0), tank('A2', 61)], [tank('A3', 30)]], { sump: 'S1' }),
      rack('B', [[tank('B1', 0)]], { sump: 'S1' }),
      rack('C', [[tank('C1', 0)], [tank('C2', 100)]]),
    ];
    const contacts = standingContacts(racks);
    const splash = contacts.filter(({ kind }) => kind === 'splash').map(({ from, to }) => `${from}>${to}`);
    expect(splash).toEqual(['A1>A3', 'A2>A3']);
    const sump = computeExposure(
      contacts.filter(({ kind }) => kind === 'sump'),
      'B1',
      0,
    );
    expect(
      sump
        .map(({ tankId }) => tankId)
        .filter((id) => !id.startsWith(HUB))
        .sort(),
    ).toEqual(['A1', 'A2', 'A3', 'B1']);
  });

  it('by tools leave a quarantine with its own out', () => {
    const racks = [rack('A', [[tank('A1', 0), tank('A2', 61)]]), rack('Q', [[tank('Q1', 0)]], { quarantine: true })];
    const reached = (id: string) =>
      computeExposure(standingContacts(racks), id, 0)
        .map(({ tankId }) => tankId)
        .filter((one) => !one.startsWith(HUB));
    expect(reached('A1').sort()).toEqual(['A1', 'A2']);
    expect(reached('Q1')).toEqual(['Q1']);
  });

  it('break a quarantine above healthy stock or on its sump, and say whom it would reach', () => {
    const stacked = [rack('A', [[tank('top', 0)], [tank('middle', 0)], [tank('low', 0)]])];
    expect(findQuarantineRisks(stacked, new Set(['top']))).toEqual([
      { tankId: 'top', kind: 'splash', reached: ['middle', 'low'] },
    ]);
    expect(findQuarantineRisks(stacked, new Set(['low']))).toEqual([]);
    expect(findQuarantineRisks(stacked, new Set(['top', 'middle', 'low']))).toEqual([]);
    const shared = [rack('A', [[tank('x', 0), tank('y', 61)]], { sump: 'S' })];
    expect(findQuarantineRisks(shared, new Set(['x']))).toEqual([{ tankId: 'x', kind: 'sump', reached: ['y'] }]);
  });
});

describe('a quarantine', () => {
  it('ends so many days after the last arrival or the last sign of illness', () => {
    expect(decideQuarantine(null, null, 28, '2026-03-10')).toBeNull();
    expect(decideQuarantine('2026-03-01', null, 28, '2026-03-10')).toEqual({
      from: '2026-03-01',
      endsOn: '2026-03-29',
      daysLeft: 19,
    });
    expect(decideQuarantine('2026-03-01', '2026-03-09', 28, '2026-03-10')).toMatchObject({
      from: '2026-03-09',
      endsOn: '2026-04-06',
    });
    expect(decideQuarantine('2026-01-01', null, 28, '2026-03-10')?.daysLeft).toBe(0);
  });
});
