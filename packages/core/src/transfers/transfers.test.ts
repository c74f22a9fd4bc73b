import fc from 'fast-check';
import { resolveSpecies, SHIPPED_SPECIES } from '../species';
import { floatMinutes } from './floatMinutes';
import { planTransfer, type TransferGroup, type TransferTank } from './planTransfer';

const TODAY = '2026-03-10';
const kind = (key: string) => {
  const profile = SHIPPED_SPECIES.find((one) => one.key === key);
  if (!profile) throw new Error(key);
  return resolveSpecies(profile);
};
const group = (lotId: string, key: string, more: Partial<TransferGroup> = {}): TransferGroup => ({
  lotId,
  species: kind(key),
  heads: { males: 1, females: 1, unsexed: 0 },
  broodId: null,
  broodName: null,
  lengthMm: 50,
  isYoung: false,
  isEggs: false,
  isProven: false,
  ...more,
});
const WATER = { tempC: 25, ph: 7, ghDeg: 6, khDeg: 4, tdsPpm: 150, nitratePpm: 10 };
const tank = (code: string, more: Partial<TransferTank> = {}): TransferTank => ({
  tankId: code,
  code,
  floorM2: 1,
  litres: 200,
  water: WATER,
  residents: [],
  quarantine: null,
  hindrances: [],
  ...more,
});
const plan = (moved: TransferGroup, source: TransferTank, target: TransferTank) =>
  planTransfer({ moved, source, target, bagLitres: 1, dripLitresPerHour: 1.5, today: TODAY });
const warned = (moved: TransferGroup, target: TransferTank, source = tank('A1')) =>
  plan(moved, source, target).warnings.map((warning) => warning.kind);

describe('a transfer', () => {
  it('between two waters alike needs neither floating nor dripping, and warns of nothing', () => {
    expect(plan(group('a', 'kribensis'), tank('A1'), tank('B1'))).toMatchObject({ floatMinutes: 0, drip: null, warnings: [] });
  });

  it('drips the longer the further the waters are apart, and twice as carefully for shrimp', () => {
    const hours = (key: string, ghDeg: number) =>
      plan(group('a', key, { lengthMm: 25 }), tank('A1'), tank('B1', { water: { ...WATER, ghDeg } })).drip?.hours ?? 0;
    expect(hours('kribensis', 6)).toBe(0);
    expect(hours('kribensis', 14)).toBeGreaterThan(hours('kribensis', 10));
    expect(hours('green-babaulti', 14)).toBeGreaterThan(hours('kribensis', 14));
  });

  it('says nothing of water that nobody measured, but that it should be', () => {
    const {
      rows,
      drip,
      floatMinutes: minutes,
      warnings,
    } = plan(group('a', 'kribensis'), tank('A1', { water: {} }), tank('B1', { water: {} }));
    expect([rows.every(({ differs }) => !differs), drip, minutes]).toEqual([true, null, null]);
    expect(warnings.map((warning) => warning.kind)).toEqual(['unknownWater']);
  });

  it('warns when one would eat the other, whichever of them moves; never within a brood', () => {
    const fry = group('f', 'zebra-danio', {
      lengthMm: 6,
      isYoung: true,
      broodId: 'B',
      heads: { males: 0, females: 0, unsexed: 30 },
    });
    const angel = group('b', 'angelfish', { lengthMm: 100 });
    expect(warned(angel, tank('B1', { residents: [fry] }))).toContain('eats');
    expect(warned(fry, tank('B1', { residents: [angel] }))).toContain('eats');
    const siblings = group('g', 'zebra-danio', { lengthMm: 30, isYoung: true, broodId: 'B' });
    expect(warned(fry, tank('B1', { residents: [siblings] }))).not.toContain('eats');
  });

  it('by the mouth of each kind: a third, half with a wide one, none of shrimp, whatever the prey spares at home', () => {
    const eaten = (eater: TransferGroup, prey: TransferGroup) =>
      [warned(eater, tank('B1', { residents: [prey] })), warned(prey, tank('B1', { residents: [eater] }))].map((kinds) =>
        kinds.includes('eats'),
      );
    const prey = (key: string, lengthMm: number, isYoung = true) =>
      group('f', key, { lengthMm, isYoung, broodId: isYoung ? 'B' : null });
    // Angelfish of 100 mm: prey up to 50 mm.
    const angel = group('b', 'angelfish', { lengthMm: 100 });
    expect(eaten(angel, prey('green-babaulti', 7))).toEqual([true, true]);
    expect(eaten(angel, prey('zebra-danio', 50, false))).toEqual([true, true]);
    expect(eaten(angel, prey('zebra-danio', 51, false))).toEqual([false, false]);
    // A tetra of 40 mm: prey up to 13.2 mm. Its own young are no exception, a babaulti's own are.
    const tetra = group('t', 'lemon-tetra', { lengthMm: 40 });
    expect(eaten(tetra, prey('green-babaulti', 13))).toEqual([true, true]);
    expect(eaten(tetra, prey('green-babaulti', 14))).toEqual([false, false]);
    expect(eaten(tetra, prey('lemon-tetra', 8))).toEqual([true, true]);
    const shrimp = group('s', 'green-babaulti', { lengthMm: 28 });
    expect(eaten(shrimp, prey('green-babaulti', 3))).toEqual([false, false]);
    expect(eaten(shrimp, prey('zebra-danio', 4))).toEqual([false, false]);
    // Crayfish seize what rests on the floor, at any length; not what swims above it, not shrimp.
    const crayfish = group('c', 'cajun-dwarf-crayfish', { lengthMm: 35 });
    expect(eaten(crayfish, prey('red-lizard-whiptail', 100, false))).toEqual([true, true]);
    expect(eaten(crayfish, prey('zebra-danio', 40, false))).toEqual([false, false]);
    expect(eaten(crayfish, prey('green-babaulti', 25, false))).toEqual([false, false]);
  });

  it('judges the other water for the newcomers: pH and hardness outside of what they want, by more than a test is off', () => {
    const into = (water: object, key = 'butterfly-goodeid') =>
      plan(group('a', key), tank('A1'), tank('B1', { water: { ...WATER, ...water } }))
        .warnings.filter(({ kind: one }) => one === 'water')
        .map(({ text }) => text);
    // Goodeids want pH 7 to 8.2 and 8 to 25 degrees of hardness.
    expect(into({ ph: 6.5, ghDeg: 10 })).toEqual([
      'B1 has pH 6.5; butterfly goodeid want 7 to 8.2. Dripping does not change that.',
    ]);
    expect(into({ ph: 6.7, ghDeg: 7 })).toEqual([]);
    expect(into({ ph: 6.69, ghDeg: 6.9 })).toHaveLength(2);
    expect(into({ ph: 8.5, ghDeg: 26 })).toEqual([]);
    expect(into({ ph: 8.51, ghDeg: 26.1 })).toHaveLength(2);
    expect(into({ ph: null, ghDeg: null })).toEqual([]);
  });

  it('warns that parentage is lost between broods, and nothing of the kind between species', () => {
    const young = (lotId: string, broodId: string, key = 'zebra-danio') =>
      group(lotId, key, { isYoung: true, broodId, lengthMm: 12 });
    expect(warned(young('a', 'A'), tank('B1', { residents: [young('b', 'B')] }))).toContain('parentage');
    expect(warned(young('a', 'A'), tank('B1', { residents: [young('b', 'B', 'white-cloud-minnow')] }))).not.toContain(
      'parentage',
    );
  });

  it('leaves a proven pair alone, on either side', () => {
    const pair = group('p', 'angelfish', { isProven: true, lengthMm: 100 });
    expect(warned(pair, tank('B1'))).toEqual(['proven']);
    expect(warned(group('n', 'kribensis'), tank('B1', { residents: [pair] }))).toContain('proven');
  });

  it('counts the company of grown animals of one kind: ratio and room; one sex alone is how they are kept apart', () => {
    const male = group('m', 'kribensis', { heads: { males: 1, females: 0, unsexed: 0 } });
    const pair = group('p', 'kribensis');
    expect(warned(male, tank('B1', { residents: [pair] }))).toEqual(['company']);
    expect(warned(male, tank('B1'))).toEqual([]);
    const crowd = group('c', 'angelfish', { heads: { males: 3, females: 3, unsexed: 0 }, lengthMm: 90 });
    const texts = plan(crowd, tank('A1'), tank('B1', { litres: 60 })).warnings.map(({ text }) => text);
    expect(texts).toEqual(['With them in B1: 6 in 60 L; at most about 2.']);
  });

  it('counts what a tank carries of young, with those that are there', () => {
    const young = (count: number) =>
      group('y', 'zebra-danio', { isYoung: true, broodId: 'B', lengthMm: 20, heads: { males: 0, females: 0, unsexed: count } });
    expect(warned(young(10), tank('B1', { litres: 40 }))).not.toContain('crowded');
    expect(warned(young(600), tank('B1', { litres: 40 }))).toContain('crowded');
  });

  it('holds quarantine both ways, and names what keeps a tank from being ready', () => {
    const shut = { quarantine: { endsOn: '2026-03-20' } };
    expect(warned(group('a', 'kribensis'), tank('B1'), tank('Q1', shut))).toEqual(['quarantine']);
    expect(
      warned(group('a', 'kribensis'), tank('Q1', { ...shut, residents: [group('b', 'zebra-danio', { lengthMm: 40 })] })),
    ).toContain('quarantine');
    expect(warned(group('a', 'kribensis'), tank('B1'), tank('Q1', { quarantine: { endsOn: '2026-03-01' } }))).toEqual([]);
    const cycling = tank('B1', { hindrances: [{ what: 'Nitrite is not zero.', remedy: 'Feed the filter and test.' }] });
    expect(plan(group('a', 'kribensis'), tank('A1'), cycling).warnings).toEqual([
      { kind: 'notReady', text: 'B1 is not ready. Nitrite is not zero. Feed the filter and test.' },
    ]);
  });
});

describe('floating a bag', () => {
  it('takes longer for a larger bag and a greater difference, in either direction, and no time where there is none', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 5, max: 35, noNaN: true }),
        fc.double({ min: 0, max: 15, noNaN: true }),
        (litres, tempC, apart) => {
          const minutes = floatMinutes(litres, tempC, tempC + apart);
          expect(minutes).toBeCloseTo(floatMinutes(litres, tempC + apart, tempC), 6);
          if (apart <= 0.49) expect(minutes).toBe(0);
          expect(floatMinutes(litres * 2, tempC, tempC + apart)).toBeGreaterThanOrEqual(minutes);
          expect(floatMinutes(litres, tempC, tempC + apart + 1)).toBeGreaterThanOrEqual(minutes);
        },
      ),
    );
  });
});

describe('those that spawn there', () => {
  const going = (company: string | null, parentLotIds: string[] = []) =>
    tank('B1', { attempts: [{ name: 'Rain 3', parentLotIds, company }] });
  const words = (moved: TransferGroup, target: TransferTank) =>
    plan(moved, tank('A1'), target)
      .warnings.filter(({ kind }) => kind === 'company')
      .map(({ text }) => text);

  it('are named to newcomers that are none of the parents, with what the recipe says of company', () => {
    const lemon = group('a', 'lemon-tetra', { heads: { males: 3, females: 3, unsexed: 0 }, lengthMm: 35 });
    expect(words(lemon, going('none')).join()).toContain(
      'Rain 3 goes on in B1, and they are none of its parents. Its recipe says of company: none.',
    );
    expect(words(lemon, going(null)).join()).toContain('plans no company');
    expect(words(lemon, going('none', ['a'])).join()).not.toContain('Rain 3');
    expect(words({ ...lemon, broodId: 'b', isYoung: true }, going('none')).join()).not.toContain('Rain 3');
  });

  it('with eggs to guard are a danger to others, not to their own kind', () => {
    const guards = tank('B1', { residents: [group('y', 'kribensis', { isYoung: true, broodId: 'b', lengthMm: 5 })] });
    expect(words(group('a', 'lemon-tetra', { lengthMm: 35 }), guards).join()).toContain('kribensis guard eggs or young in B1');
    expect(words(group('a', 'kribensis'), guards).join()).not.toContain('guard eggs');
  });
});
