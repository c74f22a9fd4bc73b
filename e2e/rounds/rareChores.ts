import { expect, type Page } from '@playwright/test';

const newId = () => crypto.randomUUID().replace(/^(.{14})./, '$17');
const NONE = { males: 0, females: 0, unsexed: 0 };
const DAY_MS = 86_400_000;

/**
 * Writes into the demonstration what its own day does not ask for: a cycling filter, an attempt to set up and to
 * trigger, eggs in peat, eggs with adults beside them, a score, a ripening culture, the last day of quarantine.
 * @returns takes everything back, newest first
 */
export async function furnishRareChores(page: Page): Promise<() => Promise<void>> {
  const { now } = (await (await page.request.get('/api/session')).json()) as { now: string };
  const today = now.slice(0, 10);
  const ago = (days: number) => new Date(Date.parse(now) - days * DAY_MS).toISOString();
  const day = (days: number) => new Date(Date.parse(today) + days * DAY_MS).toISOString().slice(0, 10);
  const written: string[] = [];
  const write = async (path: string, body: object) => {
    const reply = await page.request.post(`/api/${path}`, { data: { id: newId(), ...body } });
    expect([path, reply.ok() || (await reply.text())]).toEqual([path, true]);
    const { entryId } = (await reply.json()) as { entryId?: string };
    if (entryId) written.push(entryId);
  };
  const rack = async (code: string, quarantine: boolean, codes: string[], sump: string | null = null) => {
    const [rackId, shelfId] = [newId(), newId()];
    await write('racks', { id: rackId, code, name: `Rack ${code}`, kind: 'rack', quarantine, sump });
    await write('shelves', { id: shelfId, rackId, lengthCm: 300, depthCm: 40, heightCm: 50, loadLimitKg: null });
    const ids: string[] = [];
    for (const tankCode of codes) {
      ids.push(newId());
      await write('tanks', {
        id: ids.at(-1),
        shelfId,
        code: tankCode,
        lengthCm: 40,
        widthCm: 25,
        heightCm: 30,
        waterHeightCm: 25,
        glassMm: 5,
        substrateKg: 0,
        facing: 'long',
        leftCm: null,
      });
    }
    return ids;
  };
  const lot = async (tankId: string | undefined, speciesKey: string, heads: Partial<typeof NONE>, at: string) => {
    const lotId = newId();
    const origin = { origin: 'local', acquiredFrom: null, line: null, generation: null };
    await write('lots', { lotId, speciesKey, tankId, heads: { ...NONE, ...heads }, at, ...origin });
    return lotId;
  };
  const attempt = async (tankId: string | undefined, speciesKey: string, more: object) => {
    const attemptId = newId();
    await write('attempts', {
      attemptId,
      speciesKey,
      name: `Rare ${speciesKey}`,
      tankId,
      sires: [],
      dams: [],
      from: day(-14),
      to: null,
      conditioningFrom: null,
      setUpOn: null,
      triggerOn: null,
      note: null,
      recipe: {
        eggPlan: 'removeParents',
        fungus: 'leaves',
        trigger: 'coolChange',
        dailyChangeFraction: 0,
        dyeMgPerL: null,
        dyeStockPercent: null,
      },
      ...more,
    });
    return attemptId;
  };
  const clutch = (attemptId: string, at: string) =>
    write('clutches', { broodId: newId(), lotId: newId(), attemptId, laid: { from: at, to: at }, count: 40, white: 0 });

  const [cycling, spawning, eggs, peat, home, boxTank, dyedTank] = await rack('X', false, [
    'X1',
    'X2',
    'X3',
    'X4',
    'X5',
    'X6',
    'X7',
  ]);
  await write('tank-events', { tankId: cycling, kind: 'filled', at: ago(3) });
  const breeders = await lot(home, 'lemon-tetra', { males: 3, females: 3 }, ago(40));
  const culture = async (food: string, days: number, more: object = {}) => {
    const cultureId = newId();
    await write('cultures', { cultureId, food, name: `Rare ${food}`, tankId: null, startedAt: ago(days), ...more });
    return cultureId;
  };
  await culture('moina', 40);
  await culture('rotifer', 22);
  const hatch = { cystsG: 0.5, litres: 1, saltG: 25, lit: true, tinId: null };
  const cold = await culture('brineShrimp', 4, { hatch });
  await write('culture-events', { cultureId: cold, kind: 'harvested', at: ago(2.9), kept: 'cold' });
  const sightingId = newId();
  await write('pests', { sightingId, pest: 'flatworm', tankId: home, cultureId: null, cameBy: null, at: ago(5) });
  await write('pest-events', { sightingId, kind: 'treated', treatment: 'dewormer', half: false, at: ago(1) });
  await write('programmes', {
    programmeId: newId(),
    lotId: breeders,
    from: day(-2),
    weeks: 2,
    foods: 'grindal worms',
    mealsPerDay: 2,
    separated: 'together',
    water: null,
  });
  await attempt(spawning, 'lemon-tetra', { sires: [breeders], dams: [breeders], setUpOn: today, triggerOn: today });
  const danios = await lot(home, 'zebra-danio', { males: 2, females: 2, unsexed: 0 }, ago(6));
  const moved = { males: 2, females: 2, unsexed: 0 };
  await write('moves', {
    lotId: danios,
    newLotId: newId(),
    toTankId: eggs,
    heads: moved,
    at: ago(1),
    override: { reason: 'ready' },
  });
  await clutch(await attempt(eggs, 'zebra-danio', {}), ago(0.3));
  await clutch(await attempt(peat, 'rachows-nothobranch', {}), ago(7));
  const dyed = {
    eggPlan: 'pullEggs',
    fungus: 'dye',
    trigger: 'stable',
    dailyChangeFraction: 0.5,
    dyeMgPerL: 2,
    dyeStockPercent: 1,
  };
  await clutch(await attempt(dyedTank, 'sixray-aspidoras', { recipe: dyed }), ago(1.2));
  // Eggs that are to lie apart, still with their parents.
  const [withParents] = await rack('XB', false, ['XB1']);
  await lot(withParents, 'sixray-aspidoras', { males: 1, females: 1 }, ago(40));
  await clutch(await attempt(withParents, 'sixray-aspidoras', { recipe: dyed }), ago(0.4));
  const box = await attempt(boxTank, 'sixray-aspidoras', { recipe: dyed });
  const hatching = newId();
  await write('clutches', {
    broodId: hatching,
    lotId: newId(),
    attemptId: box,
    laid: { from: ago(4.2), to: ago(4.1) },
    count: 40,
    white: 0,
  });
  await write('observations', { broodId: hatching, kind: 'hatched', at: { from: ago(0.6), to: ago(0.5) }, counted: null });
  await write('cultures', { cultureId: newId(), food: 'vinegarEel', name: 'Rare eels', tankId: null, startedAt: ago(25) });
  const [colony, nursery, free] = await rack('XG', false, ['XG1', 'XG2', 'XG3']);
  const parents = await lot(colony, 'humpback-limia', { males: 1, females: 2 }, ago(80));
  const born = async (tankId: string | undefined, days: number, recipe: object) => {
    const own = await attempt(tankId, 'humpback-limia', {
      from: day(-days),
      to: day(1 - days),
      sires: [parents],
      dams: [parents],
      recipe: { eggPlan: 'leaveWithParents', fungus: 'leaves', trigger: 'stable', dailyChangeFraction: 0, ...recipe },
    });
    const ids = { broodId: newId(), lotId: newId() };
    await write('clutches', { ...ids, attemptId: own, laid: { from: ago(days), to: ago(days) }, count: 12, white: 0 });
    return ids.lotId;
  };
  await born(colony, 40, { outOfColony: 'atLength', colonyOutMm: 10 });
  const uneven = await born(nursery, 50, {});
  await write('length-samples', { lotId: uneven, at: ago(1), method: 'ruler', lengthsMm: [6, 7, 8, 11, 15, 19, 23, 26] });
  await write('growout/places', {
    at: ago(0.01),
    moves: [{ moveId: newId(), lotId: uneven, toTankId: free, heads: 5, on: today }],
  });
  const [apart] = await rack('XQ', true, ['XQ1']);
  await lot(apart, 'lemon-tetra', { unsexed: 4 }, ago(28));

  // Mouthbrooders: one whose eggs go into a tumbler, one that is set apart from the others.
  const [tumbling, harem] = await rack('XM', false, ['XM1', 'XM2']);
  for (const [tankId, eggPlan] of [
    [tumbling, 'tumbler'],
    [harem, 'leaveWithParents'],
  ] as const) {
    const holders = await lot(tankId, 'dwarf-egyptian-mouthbrooder', { females: 3 }, ago(60));
    const recipe = { eggPlan, fungus: 'flow', trigger: 'stable', dailyChangeFraction: 0, dyeMgPerL: null, dyeStockPercent: null };
    await clutch(await attempt(tankId, 'dwarf-egyptian-mouthbrooder', { dams: [holders], recipe }), ago(8));
  }

  // Young fighting fish past eight weeks: their males are to be parted.
  const [fighters] = await rack('XF', false, ['XF1']);
  const fighting = { broodId: newId(), lotId: newId() };
  const spawned = await attempt(fighters, 'fighting-fish', { from: day(-70), to: day(-69) });
  await write('clutches', { ...fighting, attemptId: spawned, laid: { from: ago(70), to: ago(70) }, count: 20, white: 0 });
  const swam = { from: ago(65), to: ago(65) };
  await write('observations', { broodId: fighting.broodId, kind: 'freeSwimming', at: swam, counted: null });

  // Larvae that swim beside their mother: the jar of the shed is free for them.
  const [mothers] = await rack('XA', false, ['XA1']);
  const larvae = { broodId: newId(), lotId: newId() };
  const carrying = await lot(mothers, 'amano-shrimp', { females: 2 }, ago(60));
  const release = await attempt(mothers, 'amano-shrimp', { from: day(-32), dams: [carrying] });
  await write('clutches', { ...larvae, attemptId: release, laid: { from: ago(31), to: ago(31) }, count: 60, white: 0 });
  const letGo = { from: ago(0.4), to: ago(0.3) };
  await write('observations', { broodId: larvae.broodId, kind: 'freeSwimming', at: letGo, counted: null });

  // Illness beside healthy ones of the same water.
  const [ill, beside] = await rack('XI', false, ['XI1', 'XI2'], 'Rare sump');
  for (const tankId of [ill, beside]) await lot(tankId, 'zebra-danio', { unsexed: 3 }, ago(60));
  await write('illnesses', { tankId: ill, at: ago(0.5), what: 'white spots' });

  const [shopTank] = await rack('XS', false, ['XS1']);
  const going = await lot(shopTank, 'white-cloud-minnow', { unsexed: 6 }, ago(60));
  const [buyerId, pays] = [newId(), 'cash'];
  const wishes = { contact: null, leastMm: null, perWeek: null, feePercent: null, bagsMost: null, note: null };
  await write('sales/buyers', { buyerId, kind: 'shop', name: 'Rare shop', pays, dates: [], prices: [], ...wishes });
  for (const dueOn of [today, day(1)]) {
    const reserved = [{ lotId: going, ...NONE, unsexed: 2 }];
    const line = { speciesKey: 'white-cloud-minnow', sex: 'any', leastMm: null, heads: 2, cents: 100, broodId: null };
    const lines = [{ lineId: newId(), ...line, reserved }];
    await write('sales/orders', { orderId: newId(), buyerId, dueOn, lines, note: null, reason: null });
  }

  return async () => {
    for (const entryId of written.reverse()) {
      const reply = await page.request.post('/api/undos', { data: { id: newId(), entryId } });
      expect([entryId, reply.ok() || (await reply.text())]).toEqual([entryId, true]);
    }
  };
}
