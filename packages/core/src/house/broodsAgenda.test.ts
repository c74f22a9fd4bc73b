import { broodChores, BROODS_CHORES, computeStream, type BroodMovement, type EggKeeping, type ReadBrood } from '../broods';
import { addDays } from '../time';
import { attempt, brood, exactly, house, lot, NOW, tank, TODAY, view, type Told } from './houseFixture';

/** Every chore of one brood in T1 on a day, as kind, text and amount; hand-worked rows stand beside what it says. */
function asked(told: Partial<Told>, day = TODAY): string[] {
  const seen = view(house(told));
  const read = seen.broods[0] as ReadBrood;
  const stop = seen.tanks.get('T1');
  if (!stop) throw new Error('T1');
  return broodChores(read, stop, seen, day).map(({ kind, text, amountText }) => `${kind}: ${text} ${amountText}`.trim());
}
const of = (kind: keyof typeof BROODS_CHORES, rows: readonly string[]) =>
  rows.filter((row) => row.startsWith(`${kind}: `)).map((row) => row.slice(kind.length + 2));
const at = (day: string, time = '08:00') => `${day}T${time}:00.000Z`;

const keeping = (more: Partial<EggKeeping> = {}): EggKeeping => ({
  plan: 'pullEggs',
  fungus: 'flow',
  dyeMgPerL: null,
  dyeStockPercent: null,
  dailyChangeFraction: 0.5,
  container: null,
  since: null,
  why: null,
  ...more,
});
/** Angelfish eggs in a box of so many litres, laid on Monday the 9th at 26 °C. */
const box = (litres: number, kept: Partial<EggKeeping> = {}, more: Partial<Told['broods'][number]> = {}): Partial<Told> => ({
  tanks: [tank('T1', { litres }), tank('T2')],
  broods: [brood('B', 'angelfish', { laid: exactly(at('2026-03-09')), keeping: keeping(kept), ...more })],
  lots: [lot('e', 'T1', 'angelfish', { broodId: 'B', unsexed: 90 })],
  temperatures: { T1: { at: NOW, tempC: 26 } },
});
const DYE = { fungus: 'dye', dyeMgPerL: 2, dyeStockPercent: 1 } as const;

describe('a box of eggs', () => {
  it('changes its share of the water; below five litres a cup, and never more than its share', () => {
    const rows: [litres: number, share: number, asks: string[]][] = [
      [20, 0.5, ['Change water, same temperature 10 L']],
      [20, 0.3, ['Change water, same temperature 6 L']],
      [5, 0.5, ['Change water, same temperature 2.5 L']],
      [4.9, 0.5, ['Swap a cup of water, same temperature 0.25 L']],
      // A tenth of a litre and a half is less than a cup.
      [1.5, 0.1, ['Swap a cup of water, same temperature 0.15 L']],
      [20, 0, []],
    ];
    for (const [litres, dailyChangeFraction, asks] of rows)
      expect([litres, of('eggChange', asked(box(litres, { dailyChangeFraction })))]).toEqual([litres, asks]);
  });

  it('is only what was taken apart: not eggs left with their parents, not outdoors', () => {
    for (const plan of ['leaveWithParents', 'removeParents'] as const)
      expect(of('eggChange', asked(box(20, { plan })))).toEqual([]);
    expect(of('eggChange', asked(box(20, { plan: 'tumbler' })))).toEqual(['Change water, same temperature 10 L']);
    const outside = { ...box(20), tanks: [tank('T1', { litres: 20, outdoor: true })] };
    expect(of('eggChange', asked(outside))).toEqual([]);
    expect(of('pickWhite', asked(outside))).toEqual([]);
    expect(of('pickWhite', asked(box(20)))).toEqual(['Pick white eggs all']);
  });

  it('gets dye for the new water each day, and on the first day for the water that stayed', () => {
    // 2 mg/L of a 1 % stock (10 mg/ml): 0.2 ml a litre.
    expect(of('dye', asked(box(20, DYE)))).toEqual(['Add dye for the new water 2 ml']);
    const first = { ...DYE, since: at('2026-03-10', '07:00') };
    expect(of('dye', asked(box(20, first)))).toEqual([
      'Add dye for the new water 2 ml',
      'First dose of dye, for the water you didn’t change 2 ml',
    ]);
    // No change at all: the whole box on its first day, nothing after.
    const still = { ...first, dailyChangeFraction: 0 };
    expect(of('dye', asked(box(20, still)))).toEqual(['First dose of dye, for the water you didn’t change 4 ml']);
    expect(of('dye', asked(box(20, still), '2026-03-11'))).toEqual([]);
    // A fifth of the strength, five times the drops; a third of the change.
    expect(of('dye', asked(box(20, { ...DYE, dyeStockPercent: 0.2, dailyChangeFraction: 0.3 })))).toEqual([
      'Add dye for the new water 6 ml',
    ]);
    for (const half of [{ dyeMgPerL: null }, { dyeStockPercent: null }, { fungus: 'leaves' as const }])
      expect(of('dye', asked(box(20, { ...DYE, ...half })))).toEqual([]);
  });

  it('is not changed on the day it is due, but where dye asks for it', () => {
    const seen = view(house(box(20)));
    const hatch = seen.broods[0]?.state.windows.find(({ stage }) => stage === 'hatch');
    const [from, to] = [(hatch?.earliest ?? '').slice(0, 10), (hatch?.latest ?? '').slice(0, 10)];
    expect(from >= '2026-03-10' && to >= from).toBe(true);
    expect(of('eggChange', asked(box(20), addDays(from, -1)))).toHaveLength(from > TODAY ? 1 : 0);
    expect(of('eggChange', asked(box(20), from))).toEqual([]);
    expect(of('eggChange', asked(box(20), to))).toEqual([]);
    expect(of('eggChange', asked(box(20), addDays(to, 1)))).toHaveLength(1);
    expect(of('eggChange', asked(box(20, DYE), from))).toHaveLength(1);
  });

  it('is cleared of dye after the hatch: so many halves until a twentieth is left', () => {
    const hatched = (share: number) =>
      box(20, { ...DYE, dailyChangeFraction: share }, { hatched: exactly(at('2026-03-10', '06:00')) });
    const clear = 'Change water to clear the dye, same temperature';
    // 0.5^5 = 3 %: five changes, the first on the day of the hatch.
    expect(of('clearDye', asked(hatched(0.5)))).toEqual([`${clear} 10 L, 1 of 5`]);
    expect(of('clearDye', asked(hatched(0.5), '2026-03-14'))).toEqual([`${clear} 10 L, 5 of 5`]);
    expect(of('clearDye', asked(hatched(0.5), '2026-03-15'))).toEqual([]);
    expect(of('clearDye', asked(hatched(0.5), '2026-03-09'))).toEqual([]);
    // 0.7^9 = 4 %; more than half is never changed; nothing said is a half.
    expect(of('clearDye', asked(hatched(0.3)))).toEqual([`${clear} 6 L, 1 of 9`]);
    expect(of('clearDye', asked(hatched(0.8)))).toEqual([`${clear} 10 L, 1 of 5`]);
    expect(of('clearDye', asked(hatched(0)))).toEqual([`${clear} 10 L, 1 of 5`]);
    expect(of('clearDye', asked(box(20, { fungus: 'flow' }, { hatched: exactly(at('2026-03-10', '06:00')) })))).toEqual([]);
    expect(of('clearDye', asked(box(20, { ...DYE, plan: 'removeParents' }, { hatched: exactly(NOW) })))).toEqual([]);
  });

  it('gets leaves on its first day and every seventh, by its litres', () => {
    const leaves = (day: string, litres = 54) =>
      of('eggCare', asked(box(litres, { fungus: 'leaves' }), day)).filter((row) => /cones?/.test(row));
    expect(leaves('2026-03-09')).toEqual(['Add leaves or alder cones to the eggs 5 cones or 1 leaf']);
    expect(leaves('2026-03-09', 10)).toEqual(['Add leaves or alder cones to the eggs 1 cone or 1 leaf']);
    expect(leaves('2026-03-09', 100)).toEqual(['Add leaves or alder cones to the eggs 10 cones or 3 leaves']);
    expect(leaves('2026-03-10')).toEqual([]);
    expect(leaves('2026-03-08')).toEqual([]);
    expect(leaves('2026-03-16')).toEqual(['Swap the leaves or cones 5 cones or 1 leaf']);
    // Kept so from later on, it begins then.
    const later = box(54, { fungus: 'leaves', since: at('2026-03-10', '07:00') });
    expect(of('eggCare', asked(later)).some((row) => row.startsWith('Add leaves or alder'))).toBe(true);
  });

  it('does what its plan asks once: as it begins, before the hatch, after it', () => {
    const tumbler = (more: Partial<Told['broods'][number]> = {}) => box(20, { plan: 'tumbler' }, more);
    const hatch = (view(house(tumbler())).broods[0]?.state.windows.find(({ stage }) => stage === 'hatch')?.earliest ?? '').slice(
      0,
      10,
    );
    const care = (told: Partial<Told>, day: string) => of('eggCare', asked(told, day));
    expect(care(tumbler(), '2026-03-09')).toContain('Set the tumbler: every egg rolls, none hits the wall');
    expect(care(tumbler(), hatch)).not.toContain('A little more flow through the tumbler');
    expect(care(tumbler(), addDays(hatch, -1))).toContain('A little more flow through the tumbler');
    const hatched = tumbler({ hatched: exactly(NOW) });
    expect(care(hatched, TODAY)).toContain('Less flow as tails show; shells out');
    expect(care(hatched, addDays(TODAY, 1))).not.toContain('Less flow as tails show; shells out');
    expect(care(hatched, addDays(hatch, -1))).not.toContain('A little more flow through the tumbler');
  });

  it('warns of dye where shrimp live, and names the tank the change is of', () => {
    const seen = view(
      house({
        ...box(20, DYE),
        lots: [lot('e', 'T1', 'angelfish', { broodId: 'B' }), lot('s', 'T1', 'green-babaulti', { broodId: 'S' })],
      }),
    );
    const stop = seen.tanks.get('T1');
    const chores = stop ? broodChores(seen.broods[0] as ReadBrood, stop, seen, TODAY) : [];
    expect(chores.find(({ kind }) => kind === 'dye')?.caution).toMatch(/^Shrimp or crayfish live here, so no dye\. /);
    expect(chores.find(({ kind }) => kind === 'eggChange')?.tick).toEqual({ kind: 'waterChange', id: 'T1', what: null });
    const alone = view(house(box(20, DYE)));
    const chore = broodChores(alone.broods[0] as ReadBrood, tank('T1', { litres: 20 }), alone, TODAY).find(
      ({ kind }) => kind === 'dye',
    );
    expect(chore?.caution).not.toMatch(/Shrimp or crayfish live here/);
    expect(chore?.amount).toEqual({ value: 2, unit: 'ml' });
  });
});

/** Dwarf Egyptian mouthbrooders in T1, hers since the 1st at 25 °C. */
const holding = (kept: Partial<EggKeeping> | null, more: Partial<Told> = {}): Partial<Told> => ({
  broods: [
    brood('B', 'dwarf-egyptian-mouthbrooder', {
      laid: exactly(at('2026-03-01')),
      keeping: kept && keeping(kept),
    }),
  ],
  lots: [
    lot('e', 'T1', 'dwarf-egyptian-mouthbrooder', { broodId: 'B', unsexed: 40 }),
    lot('f', 'T1', 'dwarf-egyptian-mouthbrooder', { females: 2, unsexed: 0 }),
  ],
  temperatures: { T1: { at: NOW, tempC: 25 } },
  ...more,
});

describe('a mouthbrooder that holds', () => {
  const release = view(house(holding(null))).broods[0]?.state.windows.find(({ stage }) => stage === 'hatch');
  const [earliest, latest] = [(release?.earliest ?? '').slice(0, 10), (release?.latest ?? '').slice(0, 10)];
  const days = Math.round((Date.parse(earliest) - Date.parse('2026-03-01')) / 86_400_000);

  it('is stripped between its share of the way and the end of the window: early into a tumbler, late into a nursery', () => {
    const rows: [plan: EggKeeping['plan'], share: number, text: string][] = [
      ['tumbler', 0.3, 'Take the eggs from her and put them in the tumbler'],
      ['pullEggs', 0.8, 'Take the fry from her into a nursery tank'],
    ];
    for (const [plan, share, text] of rows) {
      const from = addDays('2026-03-01', Math.ceil(share * days));
      const strip = (day: string) => of('strip', asked(holding({ plan }), day)).filter((row) => row.startsWith(text));
      expect([plan, strip(addDays(from, -1)).length, strip(from).length]).toEqual([plan, 0, 1]);
      expect([plan, strip(latest).length, strip(addDays(latest, 1)).length]).toEqual([plan, 1, 0]);
    }
  });

  it('is set apart where others pick up what she lets go, until the first day of the window', () => {
    const from = addDays('2026-03-01', Math.ceil(0.6 * days));
    const apart = (day: string, told = holding({ plan: 'leaveWithParents' })) => of('setApart', asked(told, day)).length;
    expect([apart(addDays(from, -1)), apart(from), apart(earliest), apart(addDays(earliest, 1))]).toEqual([0, 1, 1, 0]);
    const alone = holding({ plan: 'leaveWithParents' });
    const lots = (alone.lots ?? []).map((one) => (one.id === 'f' ? { ...one, females: 1 } : one));
    expect(apart(from, { ...alone, lots })).toBe(0);
    // Nobody said how: she is left to hold, and set apart.
    expect(apart(from, holding(null))).toBe(1);
  });

  it('is not stripped twice, and no other method is stripped', () => {
    const done = holding({ plan: 'pullEggs' });
    const broods = (done.broods ?? []).map((one) => ({ ...one, stripped: exactly(at('2026-03-09')) }));
    const day = addDays('2026-03-01', Math.ceil(0.8 * days));
    expect(of('strip', asked({ ...done, broods }, day))).toEqual([]);
    expect(of('strip', asked(box(20)))).toEqual([]);
  });
});

describe('eggs and wrigglers', () => {
  it('are looked at daily where nothing else is looked for; the hatch on its days, late after them', () => {
    const seen = view(house(box(20, { plan: 'removeParents' })));
    const hatch = seen.broods[0]?.state.windows.find(({ stage }) => stage === 'hatch');
    const [from, to] = [(hatch?.earliest ?? '').slice(0, 10), (hatch?.latest ?? '').slice(0, 10)];
    const told = box(20, { plan: 'removeParents' });
    const kinds = (day: string) => asked(told, day).map((row) => row.split(':')[0]);
    expect(kinds(addDays(from, -1))).toContain('lookEggs');
    expect(kinds(addDays(from, -1))).not.toContain('sighting');
    for (const day of [from, to]) expect(kinds(day)).toContain('sighting');
    for (const day of [from, to]) expect(kinds(day)).not.toContain('lookEggs');
    const late = asked(box(20, { plan: 'removeParents' }, { laid: exactly(at('2026-03-01')) }));
    expect(of('sighting', late)[0]).toMatch(/^Look for the hatch was due by /);
  });

  it('have their temperature asked for where no probe hangs and none was read today', () => {
    const at10 = (tempAt: string | null, more: Partial<Told> = {}) =>
      of('takeTemperature', asked({ ...box(20), temperatures: tempAt ? { T1: { at: tempAt, tempC: 26 } } : {}, ...more }));
    expect(at10(null)).toEqual(['Take the temperature none yet']);
    expect(at10(at('2026-03-09'))).toEqual(['Take the temperature last 26 °C']);
    expect(at10(at('2026-03-10', '06:00'))).toEqual([]);
    const probe = { id: 'p', name: 'Bay', tankId: 'T1', last: { at: NOW, tempC: 26 }, verdicts: [] };
    expect(at10(at('2026-03-09'), { room: { probes: [probe] as never } })).toEqual([]);
  });
});

describe('a mop that is picked', () => {
  const mop = (more: Partial<Told> = {}): Partial<Told> => ({
    attempts: [attempt('A', 'T2', 'forktail-blue-eye', { from: '2026-03-01', to: '2026-03-20' })],
    broods: [brood('B', 'forktail-blue-eye', { attemptId: 'A', laid: exactly(at('2026-03-09')) })],
    lots: [
      lot('e', 'T1', 'forktail-blue-eye', { broodId: 'B', unsexed: 20 }),
      lot('p', 'T2', 'forktail-blue-eye', { males: 2, females: 4, unsexed: 0 }),
    ],
    ...more,
  });
  const picks = (told: Partial<Told>, day = TODAY) => of('pickEggs', asked(told, day));
  it('is looked through while its adults lay and the spawning goes on', () => {
    expect(picks(mop())).toEqual(['Pick eggs from the mop of T2 a few a day']);
    expect(picks(mop(), '2026-03-20')).toHaveLength(1);
    expect(picks(mop(), '2026-03-21')).toEqual([]);
    expect(
      picks(mop({ attempts: [attempt('A', 'T2', 'forktail-blue-eye', { from: '2026-03-01' })] }), '2026-03-21'),
    ).toHaveLength(1);
    expect(picks(mop({ lots: [lot('e', 'T1', 'forktail-blue-eye', { broodId: 'B' }), lot('x', 'T2', 'lemon-tetra')] }))).toEqual(
      [],
    );
    expect(picks(mop({ attempts: [] }))).toEqual([]);
  });
});

describe('a stream', () => {
  const move = (
    fromLotId: string | null,
    toLotId: string | null,
    unsexed: number,
    cause: BroodMovement['cause'],
    on: string,
  ): BroodMovement => ({
    fromLotId,
    toLotId,
    males: 0,
    females: 0,
    unsexed,
    cause,
    at: exactly(on),
  });
  const milestones = { laid: at('2026-03-01'), feed: at('2026-03-11'), ready: at('2026-05-10') };
  const movements = [
    move(null, 'a', 100, 'birth', at('2026-03-01')),
    move('a', null, 20, 'infertile', at('2026-03-03')),
    move('a', null, 5, 'death', at('2026-03-03')),
    move('a', 'b', 25, 'split', at('2026-03-05')),
    move('a', null, 50, 'sale', at('2026-03-06')),
  ];
  const stream = (more: Parameters<typeof computeStream>[5] = new Map(), now = NOW) =>
    computeStream(movements, ['a', 'b'], [0.25, 0.64], milestones, now, more);

  it('tells each lot its heads, the largest cause of an instant, and whom it came from', () => {
    const { bands, alive } = stream();
    expect(alive).toBe(25);
    expect(bands.map(({ lotId, parentLotId }) => [lotId, parentLotId])).toEqual([
      ['a', null],
      ['b', 'a'],
    ]);
    expect(bands[0]?.points.map(({ count, cause, change }) => [count, cause, change])).toEqual([
      [100, 'birth', 100],
      [75, 'infertile', -20],
      [50, 'split', -25],
      [0, 'sale', -50],
    ]);
    expect(bands[1]?.points.map(({ count }) => count)).toEqual([25]);
  });

  it('expects the rest of the way to sale in eight steps, and nothing of a lot that is gone or past its sale', () => {
    const { bands } = stream();
    expect(bands[0]?.forecast).toEqual([]);
    const ahead = bands[1]?.forecast ?? [];
    expect(ahead).toHaveLength(9);
    expect(ahead[0]).toMatchObject({ at: NOW, low: 25, mid: 25, high: 25 });
    expect(ahead.at(-1)?.at).toBe(milestones.ready);
    // Nine of ten days to the first feed are over: 0.45 of all is behind, 0.55 ahead.
    expect(ahead.at(-1)?.low).toBeCloseTo(25 * 0.25 ** 0.55, 6);
    expect(ahead.at(-1)?.high).toBeCloseTo(25 * 0.64 ** 0.55, 6);
    expect(ahead.at(-1)?.mid).toBeCloseTo(25 * 0.4 ** 0.55, 6);
    expect(stream(new Map(), milestones.ready).bands[1]?.forecast).toEqual([]);
  });

  it('carries the range of a count on', () => {
    const told = { at: at('2026-03-09'), count: 20, low: 15, high: 30 };
    const band = stream(new Map([['b', told]])).bands[1];
    expect(band?.counted).toEqual({ at: told.at, low: 0.75, high: 1.5 });
    expect(band?.forecast[0]).toMatchObject({ low: 18.75, high: 37.5 });
    expect(stream(new Map([['b', { ...told, low: 20, high: 20 }]])).bands[1]?.counted).toBeNull();
    expect(stream(new Map([['b', { ...told, count: 0, low: 0, high: 5 }]])).bands[1]?.counted).toBeNull();
  });
});
