import sharp from 'sharp';
import { NO_DETAILS } from '@freshet/contract/stock';
import { groupKinship } from '@freshet/core/stock';
import { attempt, clutch, EMPTY, furnish, stockUp } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-06-10T08:00:00.000Z';
const AT = '2026-06-01T08:00:00.000Z';
let test: TestHouse;
let keeper: Client;
let sitter: Client;
let tanks: Record<string, string>;

beforeAll(async () => {
  test = await openTestHouse(NOW);
}, 60_000);
afterAll(() => test.close());
beforeEach(async () => {
  test.setNow(NOW);
  ({ keeper, sitter } = await test.house());
  tanks = await furnish(keeper, ['A1', 'A2', 'A3']);
});

const tank = (code: string) => tanks[code] ?? '';
const lotOf = async (id: string) => (await keeper.get('lots')).find((lot) => lot.id === id);
const card = (lotId: string) => keeper.get('lotCard', { params: { lotId } });
const describeAs = (lotId: string, details: Partial<typeof NO_DETAILS> | object) =>
  keeper.write('describeLot', { id: newId(), lotId, details: { ...NO_DETAILS, ...details } });
/** A pair that spawned on the 2nd of June; ids of both, the brood and its lot. */
async function spawnedPair(species = 'kribensis') {
  const sire = await stockUp(keeper, tank('A1'), species, { males: 1 }, AT);
  const dam = await stockUp(keeper, tank('A1'), species, { females: 1 }, AT);
  const attemptId = await attempt(keeper, tank('A1'), species, '2026-06-01', { sires: [sire], dams: [dam] });
  const laid = { from: '2026-06-02T08:00:00.000Z', to: '2026-06-02T08:00:00.000Z' };
  return { sire, dam, ...(await clutch(sitter, attemptId, laid, 40)) };
}
const kin = async (speciesKey: string, lots: readonly [string, string]) => {
  const { pedigree, animals } = await keeper.get('pedigree', { params: { speciesKey } });
  const ids = lots.map((lotId, i) => animals.filter((animal) => animal.lotId === lotId)[lots[0] === lots[1] ? i : 0]?.id ?? '');
  return groupKinship({ pedigree, ids }).matrix[0]?.[1];
};

describe('what is said of a lot', () => {
  it('stands until it is taken back; then what was said before stands again', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'angelfish', { males: 1 }, AT);
    await describeAs(lotId, { name: 'Torn fin', line: 'Quay', grade: 'A' });
    const { entryId } = await describeAs(lotId, { name: 'Old torn fin', line: 'Quay', isRetired: true });
    expect(await lotOf(lotId)).toMatchObject({ name: 'Old torn fin', grade: null, isRetired: true, readiness: null });
    await keeper.write('undo', { id: newId(), entryId });
    expect(await lotOf(lotId)).toMatchObject({ name: 'Torn fin', grade: 'A', isRetired: false });
    const [first] = (await keeper.get('entries', { query: { aboutId: lotId } })).filter(({ text }) =>
      text.includes('called Torn fin'),
    );
    await keeper.write('undo', { id: newId(), entryId: first?.id ?? '' });
    expect(await lotOf(lotId)).toMatchObject({ name: null, line: null });
  });

  it('is the keeper’s to say, and refused at its field when it is too long', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'angelfish', { males: 1 }, AT);
    const details = { ...NO_DETAILS, grade: 'far too long for any grade' };
    expect(await sitter.call('describeLot', { id: newId(), lotId, details })).toMatchObject({ ok: false, status: 403 });
    expect(await keeper.call('describeLot', { id: newId(), lotId, details })).toMatchObject({
      ok: false,
      status: 400,
      body: { errors: [{ pointer: '#/details/grade' }] },
    });
  });
});

describe('the sexes of a lot', () => {
  it('are booked both ways, balance, and come back when taken back', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'kribensis', { unsexed: 6 }, AT);
    const before = await keeper.get('balance');
    const { entryId } = await sitter.write('sexLot', {
      id: newId(),
      lotId,
      heads: { males: 2, females: 3, unsexed: 1 },
      at: NOW,
    });
    expect(await lotOf(lotId)).toMatchObject({ males: 2, females: 3, unsexed: 1 });
    expect(await keeper.get('balance')).toEqual(before);
    await keeper.write('undo', { id: newId(), entryId });
    expect(await lotOf(lotId)).toMatchObject({ males: 0, females: 0, unsexed: 6 });
    expect(await keeper.get('balance')).toMatchObject({ balanced: true, alive: before.alive });
    expect(await sitter.call('sexLot', { id: newId(), lotId, heads: { ...EMPTY, males: 7 }, at: NOW })).toMatchObject({
      ok: false,
      status: 409,
      body: { detail: '6 are booked here, not 7; log a count or a loss first.' },
    });
  });

  it('are weighed by traits, and the house learns of an animal that then spawns alone', async () => {
    const { sire } = await spawnedPair('angelfish');
    const before = (await keeper.get('sexing', { params: { speciesKey: 'angelfish' } })).traits;
    expect(before.map(({ animals }) => animals)).toEqual([0, 0, 0]);
    for (const { pIfMale, startIfMale } of before) expect(pIfMale).toBeCloseTo(startIfMale, 12);
    const answers = [
      { trait: 'pointedTube', look: 'seen' as const },
      { trait: 'bluntTube', look: 'cannotTell' as const },
    ];
    await sitter.write('assessSex', { id: newId(), lotId: sire, at: NOW, lengthMm: 96, answers });
    const tube = before.find(({ key }) => key === 'pointedTube');
    const odds = (tube?.pIfMale ?? 0) / (tube?.pIfFemale ?? 1);
    expect((await lotOf(sire))?.pMale).toBeCloseTo(odds / (1 + odds), 9);
    const after = (await keeper.get('sexing', { params: { speciesKey: 'angelfish' } })).traits;
    expect(after.find(({ key }) => key === 'pointedTube')).toMatchObject({
      animals: 1,
      pIfMale: expect.closeTo(10.2 / 11, 12) as number,
    });
    expect(after.find(({ key }) => key === 'bluntTube')).toMatchObject({ animals: 0 });
    expect(
      await sitter.call('assessSex', {
        id: newId(),
        lotId: sire,
        at: NOW,
        lengthMm: null,
        answers: [{ trait: 'largeClaws', look: 'seen' }],
      }),
    ).toMatchObject({ ok: false, status: 400, body: { errors: [{ pointer: '#/answers/0/trait' }] } });
  });
});

describe('a mark of one’s own', () => {
  const mark = { speciesKey: 'angelfish', name: 'Notch in the tail', look: 'Upper edge, from the side', fromMm: 60 };

  it('is looked for beside the shipped ones, learned from, and taken back', async () => {
    const { sire } = await spawnedPair('angelfish');
    const { entryId } = await keeper.write('addMark', { id: newId(), ...mark, pIfMale: 0.7, pIfFemale: 0.1 });
    const own = (await keeper.get('sexing', { params: { speciesKey: 'angelfish' } })).traits.at(-1);
    expect(own).toMatchObject({ name: mark.name, drawing: 'own', fromMm: 60, startIfMale: 0.7, animals: 0 });
    await sitter.write('assessSex', {
      id: newId(),
      lotId: sire,
      at: NOW,
      lengthMm: null,
      answers: [{ trait: own?.key ?? '', look: 'seen' }],
    });
    expect((await lotOf(sire))?.pMale).toBeCloseTo(7 / 8, 9);
    const learned = (await keeper.get('sexing', { params: { speciesKey: 'angelfish' } })).traits.at(-1);
    expect(learned).toMatchObject({ animals: 1, pIfMale: expect.closeTo(8 / 11, 12) as number });
    await keeper.write('undo', { id: newId(), entryId });
    expect((await keeper.get('sexing', { params: { speciesKey: 'angelfish' } })).traits).toHaveLength(3);
  });

  it('is refused when it tells nothing, when its name is taken, and from a sitter', async () => {
    const said = { ...mark, pIfMale: 0.5, pIfFemale: 0.5 };
    expect(await keeper.call('addMark', { id: newId(), ...said })).toMatchObject({
      ok: false,
      status: 400,
      body: { errors: [{ pointer: '#/pIfFemale' }] },
    });
    const taken = { ...mark, name: 'thin pointed tube at the vent', pIfMale: 0.9, pIfFemale: 0.2 };
    expect(await keeper.call('addMark', { id: newId(), ...taken })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/name' }] },
    });
    expect(await sitter.call('addMark', { id: newId(), ...mark, pIfMale: 0.9, pIfFemale: 0.1 })).toMatchObject({ status: 403 });
  });
});

describe('a sample of lengths', () => {
  const lengths = (lotId: string, lengthsMm: number[], more: object = {}) =>
    sitter.call('sampleLengths', { id: newId(), lotId, at: NOW, method: 'ruler', lengthsMm, ...more });

  it('stands on the card and in the log, tells sizes apart, and goes when taken back', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'green-babaulti', { unsexed: 30 }, AT);
    const written = await lengths(lotId, [5, 5, 6, 5.5, 14, 15, 15.5, 14.5]);
    expect(written).toMatchObject({ ok: true });
    expect((await card(lotId)).samples).toMatchObject([{ method: 'ruler', lengthsMm: [5, 5, 6, 5.5, 14, 15, 15.5, 14.5] }]);
    const [entry] = await keeper.get('entries', { query: { aboutId: lotId } });
    expect(entry?.text).toContain('8 measured: 10.1 mm on average, smallest tenth 5 mm, 2 sizes apart');
    await keeper.write('undo', { id: newId(), entryId: entry?.id ?? '' });
    expect((await card(lotId)).samples).toEqual([]);
  });

  it('is refused at its field: more than live there, nothing, less than nothing; far too long asks why', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'green-babaulti', { unsexed: 3 }, AT);
    const atLengths = { ok: false, body: { errors: [{ pointer: expect.stringContaining('#/lengthsMm') as string }] } };
    expect(await lengths(lotId, [5, 6, 7, 8])).toMatchObject(atLengths);
    expect(await lengths(lotId, [])).toMatchObject(atLengths);
    expect(await lengths(lotId, [5, -1])).toMatchObject(atLengths);
    expect(await lengths(lotId, [500])).toMatchObject({ ok: false, body: { code: 'stock/implausible-length' } });
    expect(await lengths(lotId, [500], { override: { reason: 'A new record' } })).toMatchObject({ ok: true });
  });
});

describe('condition', () => {
  it('makes a breeder ready, says what is missing, and grows stale', async () => {
    const { sire } = await spawnedPair();
    const score = (value: number, at: string) =>
      sitter.write('scoreCondition', {
        id: newId(),
        lotId: sire,
        at,
        score: value,
        signs: ['colour'],
        lengthMm: 60,
        weightG: 4.3,
        note: null,
      });
    await score(3, '2026-06-02T09:00:00.000Z');
    expect((await lotOf(sire))?.missing).toEqual(
      expect.arrayContaining(['Condition 3 of 5; they need 4. Feed them up.', expect.stringMatching(/^Spawned 8 days ago/)]),
    );
    await score(5, NOW);
    expect((await lotOf(sire))?.score).toMatchObject({ value: 5, trend: 2 });
    test.setNow('2026-07-05T08:00:00.000Z');
    expect((await card(sire)).readiness.checks.find(({ what }) => what === 'score')).toMatchObject({ state: 'unknown' });
  });

  it('is worked on by a programme whose meals are chores until it ends', async () => {
    const lotId = await stockUp(keeper, tank('A2'), 'kribensis', { males: 1, females: 1 }, AT);
    const programmeId = newId();
    const begin = {
      id: newId(),
      programmeId,
      lotId,
      from: '2026-06-10',
      weeks: 2,
      foods: 'grindal worms',
      mealsPerDay: 3,
      separated: 'divider' as const,
      water: null,
    };
    expect(await sitter.call('addProgramme', begin)).toMatchObject({ ok: false, status: 403 });
    expect(await keeper.call('addProgramme', { ...begin, weeks: 0 })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/weeks' }] },
    });
    await keeper.write('addProgramme', begin);
    const chores = async () =>
      (await sitter.get('round')).stops.find(({ code }) => code === 'A2')?.chores.map(({ kind, text }) => `${kind}: ${text}`);
    expect(await chores()).toEqual(expect.arrayContaining(['condition: Feed grindal worms', 'score: Score condition']));
    expect((await chores())?.some((text) => text.startsWith('feedAdults:'))).toBe(false);
    await sitter.write('scoreCondition', {
      id: newId(),
      lotId,
      at: NOW,
      score: 4,
      signs: [],
      lengthMm: null,
      weightG: null,
      note: null,
    });
    expect((await chores())?.some((text) => text.startsWith('score:'))).toBe(false);
    await keeper.write('endProgramme', { id: newId(), programmeId });
    expect((await chores())?.some((text) => text.startsWith('condition:'))).toBe(false);
    expect((await chores())?.some((text) => text.startsWith('feedAdults:'))).toBe(true);
  });
});

describe('splitting and merging', () => {
  it('of one parentage is nothing to ask about; of two it says what is lost', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'kribensis', { males: 2, females: 4 }, AT);
    const named = newId();
    await keeper.write('tagOut', { id: newId(), lotId, newLotId: named, name: 'Blue', sex: 'females', at: NOW });
    expect(await lotOf(named)).toMatchObject({ name: 'Blue', females: 1, tankId: tank('A1') });
    const back = await keeper.write('mergeLots', { id: newId(), fromLotId: named, intoLotId: lotId, at: NOW });
    expect(await lotOf(lotId)).toMatchObject({ females: 4 });
    await keeper.write('undo', { id: newId(), entryId: back.entryId });
    expect(await lotOf(named)).toMatchObject({ females: 1 });

    const stranger = await stockUp(keeper, tank('A1'), 'kribensis', { males: 1 }, AT);
    const merge = { id: newId(), fromLotId: stranger, intoLotId: lotId, at: NOW };
    expect(await keeper.call('mergeLots', merge)).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'stock/mixed-parentage', overridable: true },
    });
    await keeper.write('mergeLots', { ...merge, override: { reason: 'one shoal from now on' } });
    expect(await lotOf(lotId)).toMatchObject({ males: 3 });
    const elsewhere = await stockUp(keeper, tank('A2'), 'kribensis', { males: 1 }, AT);
    expect(await keeper.call('mergeLots', { ...merge, id: newId(), fromLotId: elsewhere })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/intoLotId' }] },
    });
  });

  it('takes no sex that is not there', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'kribensis', { males: 2 }, AT);
    expect(
      await keeper.call('tagOut', { id: newId(), lotId, newLotId: newId(), name: 'Blue', sex: 'females', at: NOW }),
    ).toMatchObject({ ok: false, status: 409 });
  });
});

describe('descent', () => {
  it('follows a brood to its parents: brothers and sisters, their line and generation', async () => {
    const { sire, dam, lotId, broodId } = await spawnedPair();
    expect(await kin('kribensis', [lotId, lotId])).toBe(0.25);
    expect(await kin('kribensis', [sire, lotId])).toBe(0.25);
    expect(await kin('kribensis', [sire, dam])).toBe(0);
    expect(await lotOf(lotId)).toMatchObject({ generation: 'F1', broodId });
    const of = await card(lotId);
    expect([of.sires[0]?.lotId, of.dams[0]?.lotId, of.parentsFromBrood]).toEqual([sire, dam, true]);
    expect((await card(sire)).spawnings).toMatchObject([{ broodId, role: 'sire', alone: true }]);
  });

  it('makes breeders of young that are sexed and of age: the round feeds them as such', async () => {
    const { lotId } = await spawnedPair('zebra-danio');
    const stop = async () => (await sitter.get('round')).stops.find(({ code }) => code === 'A1');
    test.setNow('2026-09-20T08:00:00.000Z');
    await sitter.write('sexLot', { id: newId(), lotId, heads: { males: 20, females: 19, unsexed: 1 }, at: test.now() });
    expect((await stop())?.stage).not.toBe('breeders');
    await sitter.write('sexLot', { id: newId(), lotId, heads: { males: 20, females: 20, unsexed: 0 }, at: test.now() });
    expect(await stop()).toMatchObject({ stage: 'breeders', detail: '21 m, 21 f' });
  });

  it('takes noted parents with their chances, for the whole brood, until taken back', async () => {
    const { dam, lotId, broodId } = await spawnedPair();
    const other = await stockUp(keeper, tank('A2'), 'kribensis', { females: 1 }, AT);
    const dams = [
      { lotId: dam, probability: 0.6 },
      { lotId: other, probability: 0.4 },
    ];
    const { entryId } = await keeper.write('setParents', { id: newId(), subjectId: broodId, sires: [], dams });
    expect(await kin('kribensis', [dam, lotId])).toBeCloseTo(0.15, 12);
    expect(await kin('kribensis', [other, lotId])).toBeCloseTo(0.1, 12);
    // One dam for them all, whoever she is; the sire is an outsider now.
    expect(await kin('kribensis', [lotId, lotId])).toBeCloseTo(0.25, 12);
    await keeper.write('undo', { id: newId(), entryId });
    expect(await kin('kribensis', [dam, lotId])).toBe(0.25);
  });

  it('refuses parents that cannot be, and leaves what was there', async () => {
    const { sire, lotId, broodId } = await spawnedPair();
    const danio = await stockUp(keeper, tank('A2'), 'zebra-danio', { males: 1 }, AT);
    const set = (subjectId: string, parent: string) =>
      keeper.call('setParents', { id: newId(), subjectId, sires: [{ lotId: parent, probability: 1 }], dams: [] });
    expect(await set(broodId, danio)).toMatchObject({ ok: false, body: { code: 'stock/wrong-parents' } });
    expect(await set(sire, lotId)).toMatchObject({
      ok: false,
      body: { code: 'stock/wrong-parents', errors: [{ detail: expect.any(String) as string }] },
    });
    expect(await set(sire, sire)).toMatchObject({ ok: false });
    expect(
      await keeper.call('setParents', { id: newId(), subjectId: broodId, sires: [{ lotId: sire, probability: 1.2 }], dams: [] }),
    ).toMatchObject({ ok: false, status: 400 });
    expect(await kin('kribensis', [sire, lotId])).toBe(0.25);
  });

  it('keeps what is known of genes, and no allele that is none', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'angelfish', { males: 1 }, AT);
    const gene = {
      speciesKey: 'angelfish',
      locus: 'gold',
      inheritance: 'autosomal' as const,
      dominance: 'complete' as const,
      alleles: ['G', 'g'],
      delicate: null,
    };
    expect(await keeper.call('setGenotype', { id: newId(), lotId, locus: 'gold', genotype: 'G/g' })).toMatchObject({ ok: false });
    await keeper.write('defineGene', { id: newId(), ...gene });
    expect(await keeper.call('defineGene', { id: newId(), ...gene, delicate: { allele: 'x', survival: 0 } })).toMatchObject({
      ok: false,
    });
    expect(await keeper.call('setGenotype', { id: newId(), lotId, locus: 'gold', genotype: 'G/x' })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/genotype' }] },
    });
    await keeper.write('setGenotype', { id: newId(), lotId, locus: 'gold', genotype: 'G/g' });
    expect(await keeper.get('genes', { params: { speciesKey: 'angelfish' } })).toEqual({
      genes: [gene],
      genotypes: [{ lotId, locus: 'gold', genotype: 'G/g' }],
    });
  });
});

describe('lots from a file', () => {
  const row = (more: object) => ({
    lotId: newId(),
    speciesKey: 'angelfish',
    origin: 'local' as const,
    acquiredFrom: null,
    tankId: tank('A3'),
    heads: { ...EMPTY, males: 1 },
    since: '2024-03-01T12:00:00.000Z',
    details: { ...NO_DETAILS, name: 'Grey' },
    sires: [],
    dams: [],
    ...more,
  });

  it('come all or none, once however often they are sent, and go with one undo', async () => {
    const ancestor = row({ tankId: null, heads: EMPTY, details: { ...NO_DETAILS, name: 'Old' } });
    const grey = row({ sires: [{ lotId: ancestor.lotId, probability: 1 }] });
    const before = (await keeper.get('lots')).length;
    expect(await keeper.call('importLots', { id: newId(), lots: [ancestor, grey, row({ speciesKey: 'pike' })] })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/lots/2/speciesKey', detail: 'Row 3: there is no species "pike".' }] },
    });
    expect(await keeper.get('lots')).toHaveLength(before);
    const body = { id: newId(), lots: [ancestor, grey] };
    const { entryId } = await keeper.write('importLots', body);
    expect(await keeper.write('importLots', body)).toMatchObject({ replayed: true });
    expect(await keeper.get('lots')).toHaveLength(before + 1);
    expect((await card(grey.lotId)).sires).toMatchObject([{ lotId: ancestor.lotId, label: 'Old' }]);
    expect(await keeper.get('balance')).toMatchObject({ balanced: true });
    await keeper.write('undo', { id: newId(), entryId });
    expect(await keeper.get('lots')).toHaveLength(before);
  });

  it('may be long: a thousand rows are one entry, more than is too much is refused whole', async () => {
    const many = Array.from({ length: 1000 }, (_, i) =>
      row({ details: { ...NO_DETAILS, name: `Animal ${i}`, marks: 'a mark that is written out at some length '.repeat(6) } }),
    );
    const before = (await keeper.get('lots')).length;
    await keeper.write('importLots', { id: newId(), lots: many });
    expect(await keeper.get('lots')).toHaveLength(before + 1000);
    const wide = many.map((lot) => ({ ...lot, lotId: newId(), acquiredFrom: 'x'.repeat(7000) }));
    expect(await keeper.call('importLots', { id: newId(), lots: wide })).toMatchObject({ ok: false, status: 413 });
    expect(await keeper.get('lots')).toHaveLength(before + 1000);
  }, 60_000);

  it('wants a tank for animals', async () => {
    expect(await keeper.call('importLots', { id: newId(), lots: [row({ tankId: null })] })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/lots/0/tankId' }] },
    });
  });
});

describe('grades, throwbacks, pictures', () => {
  it('are kept on the card, and refused where they do not add up', async () => {
    const { lotId } = await spawnedPair();
    const grade = {
      id: newId(),
      lotId,
      at: NOW,
      criteria: ['Colour', 'Pattern'],
      animals: [
        { name: '1', scores: [5, 3] },
        { name: '2', scores: [4, 4] },
      ],
      kept: 1,
    };
    expect(await keeper.call('gradeLot', { ...grade, kept: 3 })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/kept' }] },
    });
    expect(await keeper.call('gradeLot', { ...grade, animals: [{ name: '1', scores: [5] }] })).toMatchObject({ ok: false });
    await keeper.write('gradeLot', grade);
    expect(await sitter.call('logThrowback', { id: newId(), lotId, at: NOW, what: 'gold', seen: 9, of: 4 })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/seen' }] },
    });
    await sitter.write('logThrowback', { id: newId(), lotId, at: NOW, what: 'gold', seen: 4, of: 38 });
    const sendPhoto = (picture: Buffer, type = 'image/png') =>
      sitter.raw('POST', `/api/photos?${new URLSearchParams({ id: newId(), lotId, at: NOW })}`, picture, {
        'content-type': type,
      });
    const drawn = { width: 3000, height: 1500, channels: 3, background: { r: 40, g: 90, b: 60 } } as const;
    const picture = await sharp({ create: drawn })
      .png()
      .withExif({ IFD0: { Artist: 'nobody' } })
      .toBuffer();
    expect((await sendPhoto(Buffer.from('not much of a picture'))).status).toBe(400);
    expect((await sendPhoto(picture, 'text/html')).status).toBe(400);
    expect((await sendPhoto(picture)).status).toBe(200);
    const of = await card(lotId);
    expect(of).toMatchObject({
      gradings: [{ kept: 1, criteria: ['Colour', 'Pattern'] }],
      throwbacks: [{ what: 'gold', seen: 4, of: 38 }],
    });
    const shown = await keeper.raw('GET', `/api/photos/${of.photoIds[0]}`);
    expect(shown.headers.get('cache-control')).toContain('immutable');
    const kept = await sharp(Buffer.from(await shown.arrayBuffer())).metadata();
    expect(kept).toMatchObject({ format: 'jpeg', width: 1600, height: 800 });
    expect(kept.exif).toBeUndefined();
    expect(of.life.map(({ kind }) => kind)).toEqual(['came', 'grading', 'throwback']);
  });

  it('of another house are not shown', async () => {
    const { lotId } = await spawnedPair();
    const other = await test.house();
    expect(await other.keeper.call('lotCard', undefined, { params: { lotId } })).toMatchObject({ ok: false, status: 404 });
  });
});

describe('a proven pair', () => {
  it('is left alone: a transfer to or from its tank warns', async () => {
    const pair = await stockUp(keeper, tank('A1'), 'kribensis', { males: 1, females: 1 }, AT);
    const newcomer = await stockUp(keeper, tank('A2'), 'kribensis', { males: 1 }, AT);
    await describeAs(pair, { isProven: true });
    const warnings = async (lotId: string, toTankId: string) =>
      (await keeper.get('transfer', { query: { lotId, toTankId } })).warnings
        .filter(({ kind }) => ['proven', 'company'].includes(kind))
        .map(({ text }) => text);
    expect(await warnings(newcomer, tank('A1'))).toEqual([
      'A proven pair of kribensis lives in A1; newcomers could break it up.',
      expect.stringMatching(/^With them in A1: 0\.5 females to a male/),
      'With them in A1: 3 on 1800 cm² of floor; at most about 2.',
    ]);
    expect(await warnings(pair, tank('A3'))).toEqual(['They are a proven pair in A1: leave them where they breed if you can.']);
  });
});
