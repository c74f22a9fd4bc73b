import { API, type ApiName } from '@freshet/contract/api';
import type { AnyEndpoint } from '@freshet/contract/endpoints';
import { labelCode } from '@freshet/core/sales';
import { sexTraitsOf } from '@freshet/core/stock';
import { attempt, clutch, EMPTY, furnish, measure, shopOf, stockUp } from './furnish';
import { newId, type Client } from './testHouse';

/** One of each thing a write may name, by the field that names it. */
export type Things = Record<string, string>;

/** Fills a house with one of each thing that writes can be about. @param now - what the clock shows */
export async function furnishEverything(keeper: Client, now: string): Promise<Things> {
  const tanks = await furnish(keeper, ['A1', 'A2', 'A3', 'A4']);
  const tank = (code: string) => tanks[code] ?? '';
  const early = '2026-03-01T08:00:00.000Z';
  const [sire, dam] = [
    await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 3 }, early),
    await stockUp(keeper, tank('A1'), 'lemon-tetra', { females: 4 }, early),
  ];
  const single = await stockUp(keeper, tank('A2'), 'lemon-tetra', { unsexed: 6 }, early);
  const attemptId = await attempt(keeper, tank('A1'), 'lemon-tetra', '2026-03-05', { sires: [sire], dams: [dam] });
  const spare = await attempt(keeper, tank('A3'), 'lemon-tetra', '2026-03-05', { name: 'Spare' });
  const { broodId, lotId: eggs } = await clutch(
    keeper,
    attemptId,
    { from: '2026-03-08T20:00:00Z', to: '2026-03-08T21:00:00Z' },
    80,
  );
  await measure(keeper, tank('A1'), 25, now);
  const [waterId, meterId, cultureId, probeId, programmeId] = [newId(), newId(), newId(), newId(), newId()];
  await keeper.write('addWater', { id: newId(), waterId, name: 'Rain', kind: 'rain' });
  await keeper.write('addMeter', { id: newId(), meterId, name: 'Pen', quantity: 'ph', method: 'meter', everyDays: 30 });
  await keeper.write('addCulture', { id: newId(), cultureId, food: 'microworm', name: null, tankId: null, startedAt: early });
  const [itemId, sightingId] = [newId(), newId()];
  await keeper.write('addShelfItem', {
    id: newId(),
    itemId,
    kind: 'dry',
    name: 'Flakes',
    food: 'crushedDry',
    openedOn: null,
    goodUntil: null,
    amount: 80,
    priceCents: null,
    at: early,
  });
  const seen = { pest: 'hydra', tankId: tank('A2'), cultureId: null, cameBy: null, at: early } as const;
  await keeper.write('seePest', { id: newId(), sightingId, ...seen });
  await keeper.write('addProbe', { id: newId(), probeId, name: 'Bay', tankId: tank('A4') });
  await keeper.write('addProgramme', {
    id: newId(),
    programmeId,
    lotId: single,
    from: '2026-03-09',
    weeks: 2,
    foods: 'grindal worms',
    mealsPerDay: 2,
    separated: 'together',
    water: null,
  });
  await keeper.write('defineGene', {
    id: newId(),
    speciesKey: 'lemon-tetra',
    locus: 'colour',
    inheritance: 'autosomal',
    dominance: 'complete',
    alleles: ['W', 'g'],
    delicate: null,
  });
  const vesselId = newId();
  await keeper.write('addVessel', {
    id: newId(),
    vesselId,
    kind: 'larvalJar',
    code: 'J1',
    litres: 4,
    inTankId: null,
    place: 'shelf',
  });
  const inPeat = await clutch(keeper, attemptId, { from: '2026-03-08T20:00:00Z', to: '2026-03-08T21:00:00Z' }, 30);
  await keeper.write('wetPeat', { id: newId(), broodId: inPeat.broodId, at: now, toTankId: tank('A1') });
  const [buyerId, goneId, orderId, soldId] = [newId(), newId(), newId(), newId()];
  await keeper.write('noteBuyer', shopOf(buyerId, 'The Glass Heron'));
  await keeper.write('noteBuyer', shopOf(goneId, 'Quayside Exchange'));
  const asked = {
    speciesKey: 'lemon-tetra',
    sex: 'any',
    leastMm: null,
    heads: 2,
    cents: 250,
    broodId: null,
    reserved: [],
  } as const;
  await keeper.write('order', {
    id: newId(),
    orderId,
    buyerId,
    dueOn: '2026-03-20',
    lines: [{ ...asked, reserved: [], lineId: newId() }],
    note: null,
    reason: null,
  });
  const saleId = newId();
  await keeper.write('sell', {
    id: newId(),
    saleId,
    buyerId,
    orderId: null,
    at: now,
    pays: 'cash',
    lots: [{ soldId, lotId: sire, lineId: null, heads: { ...EMPTY, males: 1 }, cents: 300, lengthMm: null }],
    reason: null,
  });
  const loss = newId();
  await keeper.write('lose', { id: loss, lotId: dam, heads: { ...EMPTY, females: 1 }, cause: 'death', at: now });
  return {
    rackId: tanks['rack A'] ?? '',
    shelfId: tanks['shelf A'] ?? '',
    tankId: tank('A2'),
    fromTankId: tank('A2'),
    toTankId: tank('A3'),
    freeTankId: tank('A4'),
    lotId: single,
    fromLotId: sire,
    intoLotId: dam,
    subjectId: single,
    sire,
    dam,
    attemptId: spare,
    broodId,
    vesselId,
    wettedId: inPeat.broodId,
    eggs,
    waterId,
    meterId,
    cultureId,
    programmeId,
    itemId,
    sightingId,
    buyerId,
    goneId,
    orderId,
    soldId,
    code: labelCode(saleId, sire),
    entryId: loss,
  };
}

/** A sound body for every write that makes an entry, out of things that are there. */
export function bodiesOf(things: Things, now: string): Partial<Record<ApiName, object>> {
  const t = (name: string) => things[name] ?? '';
  const day = '2026-03-10';
  const trait = sexTraitsOf('lemon-tetra', 'eggScatterer')[0]?.key ?? '';
  const exact = { from: now, to: now };
  const details = {
    name: 'Amber',
    line: 'North',
    generation: null,
    grade: null,
    marks: null,
    permit: null,
    bornOn: null,
    isProven: false,
    isRetired: false,
  };
  const recipe = {
    eggPlan: 'pullEggs',
    fungus: 'leaves',
    trigger: 'stable',
    dailyChangeFraction: 0.5,
    dyeMgPerL: null,
    dyeStockPercent: null,
  };
  return {
    saveSpecies: {
      key: 'kribensis',
      commonName: 'Kribensis',
      scientificName: 'Pelvicachromis pulcher',
      method: 'caveGuarder',
      initials: 'Kr',
      figures: { clutch: [40, 90] },
    },
    addRack: { code: 'Z', name: 'Annexe', kind: 'rack', quarantine: false, sump: null },
    addShelf: { rackId: t('rackId'), lengthCm: 120, depthCm: 50, heightCm: 50, loadLimitKg: null },
    addTank: {
      shelfId: t('shelfId'),
      code: 'Z1',
      lengthCm: 40,
      widthCm: 25,
      heightCm: 30,
      waterHeightCm: 25,
      glassMm: 5,
      substrateKg: 0,
      facing: 'long',
      leftCm: null,
    },
    addVessel: { vesselId: newId(), kind: 'eggBox', code: 'A2b', litres: 2, inTankId: t('tankId'), place: null },
    moveVessel: { vesselId: t('vesselId'), code: 'J2', inTankId: null, place: 'window sill' },
    putVesselAway: { vesselId: t('vesselId') },
    moveTank: { tankId: t('tankId'), shelfId: t('shelfId'), leftCm: 300, facing: 'short' },
    equip: {
      tankId: t('tankId'),
      heaterW: 50,
      filter: 'sponge',
      hasLid: true,
      hasIntakeGuard: false,
      zeroDays: 5,
      restDays: 7,
      shelters: null,
    },
    tankEvent: { tankId: t('toTankId'), kind: 'disinfected', at: now },
    addReading: { tankId: t('tankId'), quantity: 'ph', value: 6.8, method: 'meter', meterId: t('meterId'), at: now },
    addWater: { waterId: newId(), name: 'Tap', kind: 'tap' },
    addAnalysis: {
      waterId: t('waterId'),
      at: now,
      tempC: 9,
      ghDeg: 1,
      khDeg: 0.5,
      tdsPpm: 15,
      ph: null,
      nitratePpm: null,
    },
    logChange: { tankId: t('tankId'), litres: 12, waterId: t('waterId'), tempC: null, at: now },
    setRegime: { tankId: t('tankId'), changeFraction: 0.3, everyDays: 7, ceilingPpm: 40, waterId: t('waterId') },
    addMeter: { meterId: newId(), name: 'Drops', quantity: 'ghDeg', method: 'drops', everyDays: null },
    calibrate: { meterId: t('meterId'), at: now },
    addProbe: { probeId: newId(), name: 'North', tankId: t('tankId') },
    logIllness: { tankId: t('tankId'), at: now, what: 'white spots' },
    setHours: {
      walks: ['07:00', '19:00'],
      lampOn: '08:00',
      lampOff: '20:00',
      fastOn: 7,
      newFoodOn: 3,
      longWalk: 1,
      latitude: 52.2,
      longitude: -6.4,
    },
    saveRecipe: {
      versionId: newId(),
      recipeId: newId(),
      speciesKey: 'lemon-tetra',
      method: 'eggScatterer',
      name: 'Dark, then dawn',
      basedOn: 'scatter-dawn',
      recipe: { eggPlan: 'removeParents', fungus: 'flow', trigger: 'dawnLightAndFood', dailyChangeFraction: 0 },
      note: null,
    },
    logSettling: { attemptId: t('attemptId'), sign: 'chasing', at: { from: now, to: now }, note: null },
    moveAttempt: {
      attemptId: t('attemptId'),
      conditioningFrom: null,
      from: '2026-03-06',
      setUpOn: '2026-03-07',
      triggerOn: '2026-03-08',
      to: '2026-03-20',
    },
    logCare: { tankId: t('tankId'), care: 'fed', what: 'microworms', amount: 2, unit: 'smear', at: now },
    logContact: { fromTankId: t('fromTankId'), toTankId: t('toTankId'), kind: 'tools', at: now },
    addLot: {
      lotId: newId(),
      speciesKey: 'lemon-tetra',
      line: null,
      generation: null,
      origin: 'local',
      acquiredFrom: null,
      tankId: t('tankId'),
      heads: { ...EMPTY, unsexed: 4 },
      at: now,
    },
    move: { lotId: t('lotId'), newLotId: newId(), toTankId: t('toTankId'), heads: { ...EMPTY, unsexed: 2 }, at: now },
    lose: { lotId: t('lotId'), heads: { ...EMPTY, unsexed: 1 }, cause: 'death', at: now },
    count: { lotId: t('lotId'), counted: 5, at: now },
    describeLot: { lotId: t('lotId'), details },
    sexLot: { lotId: t('lotId'), heads: { males: 2, females: 2, unsexed: 2 }, at: now },
    assessSex: { lotId: t('lotId'), lengthMm: null, answers: [{ trait, look: 'seen' }], at: now },
    scoreCondition: { lotId: t('lotId'), score: 4, signs: [], lengthMm: 31, weightG: null, note: null, at: now },
    keepEggs: {
      broodId: t('broodId'),
      at: now,
      plan: 'tumbler',
      fungus: 'flow',
      dyeMgPerL: null,
      dyeStockPercent: null,
      dailyChangeFraction: 0.5,
      container: 'tub',
      why: null,
      toTankId: null,
    },
    pickEggs: { broodId: t('broodId'), picked: 5, at: { from: now, to: now }, next: null },
    bagPeat: {
      broodId: t('broodId'),
      at: now,
      vesselId: newId(),
      label: 'N1',
      place: 'linen shelf',
      moisture: 'damp',
      wetOn: '2026-08-10',
    },
    wetPeat: { broodId: t('broodId'), at: now, toTankId: t('freeTankId') },
    hatchPeat: { broodId: t('wettedId'), at: now, hatched: 3, again: null },
    joinBrood: { broodId: t('broodId'), attemptId: t('attemptId') },
    triage: { broodId: t('broodId'), at: now, white: 1, kickedOut: 0, eaten: 0, unsure: 0, fertile: null },
    addMark: { speciesKey: 'lemon-tetra', name: 'Yellow edge', look: 'From the side', fromMm: 20, pIfMale: 0.8, pIfFemale: 0.2 },
    sampleLengths: { lotId: t('lotId'), at: now, method: 'ruler', lengthsMm: [21] },
    addProgramme: {
      programmeId: newId(),
      lotId: t('lotId'),
      from: day,
      weeks: 1,
      foods: 'daphnia',
      mealsPerDay: 1,
      separated: 'together',
      water: null,
    },
    endProgramme: { programmeId: t('programmeId') },
    mergeLots: { fromLotId: t('fromLotId'), intoLotId: t('intoLotId'), at: now, override: { reason: 'one shoal' } },
    tagOut: { lotId: t('lotId'), newLotId: newId(), name: 'Bright', sex: 'unsexed', at: now },
    gradeLot: { lotId: t('lotId'), at: now, criteria: ['Colour'], animals: [{ name: '1', scores: [4] }], kept: 1 },
    logThrowback: { lotId: t('lotId'), at: now, what: 'gold', seen: 1, of: 5 },
    importLots: {
      lots: [
        {
          lotId: newId(),
          speciesKey: 'lemon-tetra',
          origin: 'local',
          acquiredFrom: null,
          tankId: t('tankId'),
          heads: { ...EMPTY, unsexed: 3 },
          since: now,
          details: { ...details, name: null },
          sires: [{ lotId: t('sire'), probability: 1 }],
          dams: [{ lotId: t('dam'), probability: 1 }],
        },
      ],
    },
    setParents: {
      subjectId: t('subjectId'),
      sires: [{ lotId: t('sire'), probability: 1 }],
      dams: [{ lotId: t('dam'), probability: 1 }],
    },
    defineGene: {
      speciesKey: 'lemon-tetra',
      locus: 'tail',
      inheritance: 'autosomal',
      dominance: 'complete',
      alleles: ['T', 't'],
      delicate: null,
    },
    setGenotype: { lotId: t('lotId'), locus: 'colour', genotype: 'W/g' },
    addAttempt: {
      attemptId: newId(),
      speciesKey: 'lemon-tetra',
      name: 'Dawn',
      tankId: t('tankId'),
      sires: [t('sire')],
      dams: [t('dam')],
      from: day,
      to: null,
      conditioningFrom: null,
      setUpOn: null,
      triggerOn: null,
      recipe,
      note: null,
    },
    trigger: { attemptId: t('attemptId'), at: exact, what: 'cool change' },
    endAttempt: { attemptId: t('attemptId'), outcome: 'failed', on: day, note: null },
    addClutch: { broodId: newId(), lotId: newId(), attemptId: t('attemptId'), laid: exact, count: 60, white: 5 },
    foundBrood: {
      broodId: newId(),
      lotId: newId(),
      attemptId: newId(),
      tankId: t('tankId'),
      speciesKey: 'lemon-tetra',
      count: 20,
      laid: null,
      youngMm: [4, 6],
      at: now,
    },
    observe: { broodId: t('broodId'), kind: 'hatched', at: exact, counted: 70 },
    pickWhite: { broodId: t('broodId'), count: 6, at: now },
    addCulture: { cultureId: newId(), food: 'infusoria', name: null, tankId: t('tankId'), startedAt: now },
    cultureEvent: { cultureId: t('cultureId'), kind: 'looked', at: now, density: 3, signs: ['climbing'] },
    addCultureKind: {
      kindId: newId(),
      name: 'Oat worms',
      standsFor: 'microworm',
      ripeFrom: 4,
      ripeTo: 7,
      lastsDays: 20,
      feedEveryDays: 6,
      feed: 'a spoon of porridge',
      sign: 'climbing the walls',
      atC: 22,
      vesselL: 0.5,
    },
    takePlan: {
      classKey: 'worms',
      starts: [{ startId: newId(), food: 'microworm', day, needKey: null, needFrom: null }],
      at: now,
    },
    takePlaces: { at: now, moves: [{ moveId: newId(), lotId: t('lotId'), toTankId: t('freeTankId'), heads: 1, on: day }] },
    sortYoung: {
      lotId: t('lotId'),
      at: now,
      classes: [{ lotId: newId(), name: 'large', heads: 2, toTankId: t('toTankId'), lengthMm: 12 }],
      rest: 'wrongCount',
      drained: null,
    },
    selectYoung: {
      lotId: t('lotId'),
      at: now,
      seen: 2,
      faults: { spine: 1 },
      decisions: { keep: 1, end: 1 },
      note: null,
    },
    noteBuyer: {
      buyerId: newId(),
      kind: 'private',
      name: 'A neighbour',
      contact: 'at the slip',
      pays: 'cash',
      leastMm: 20,
      perWeek: null,
      feePercent: null,
      bagsMost: null,
      dates: [],
      prices: [{ speciesKey: 'lemon-tetra', cents: 250 }],
      note: null,
    },
    eraseBuyer: { buyerId: t('goneId') },
    order: {
      orderId: newId(),
      buyerId: t('buyerId'),
      dueOn: '2026-03-14',
      lines: [
        {
          lineId: newId(),
          speciesKey: 'lemon-tetra',
          sex: 'any',
          leastMm: null,
          heads: 4,
          cents: 250,
          broodId: null,
          reserved: [{ lotId: t('lotId'), males: 0, females: 0, unsexed: 3 }],
        },
      ],
      note: null,
      reason: null,
    },
    cancelOrder: { orderId: t('orderId'), why: 'they moved away' },
    sell: {
      saleId: newId(),
      buyerId: t('buyerId'),
      orderId: null,
      at: now,
      pays: 'cash',
      lots: [
        {
          soldId: newId(),
          lotId: t('lotId'),
          lineId: null,
          heads: { males: 0, females: 0, unsexed: 2 },
          cents: 250,
          lengthMm: 28,
        },
      ],
      reason: null,
    },
    noteMoney: { on: day, kind: 'equipment', cents: 1500, speciesKey: null, note: null },
    setRates: { currency: 'EUR', kwhCents: 32, tankDayCents: 4, waterCentsPerM3: 250, roomC: 18 },
    complain: { soldId: t('soldId'), heads: 1, what: 'arrived thin', settled: 'credit', cents: 300, at: now },
    mealLook: { tankId: t('tankId'), sight: 'gone', at: now },
    measureDose: { dose: 'pinch', food: null, total: 0.6, of: 10, at: now },
    addShelfItem: {
      itemId: newId(),
      kind: 'cysts',
      name: 'Tin',
      food: null,
      openedOn: day,
      goodUntil: null,
      amount: 100,
      priceCents: 1200,
      at: now,
    },
    shelfEvent: { itemId: t('itemId'), kind: 'weighed', amount: 60, at: now },
    seePest: { sightingId: newId(), pest: 'hydra', tankId: t('tankId'), cultureId: t('cultureId'), cameBy: null, at: now },
    pestEvent: { sightingId: t('sightingId'), kind: 'treated', treatment: 'dewormer', half: true, at: now },
    outcome: {
      choreKey: `waterChange:${t('tankId')}:${day}`,
      day,
      status: 'done',
      text: 'Change water',
      tankId: t('tankId'),
      amount: 9,
      unit: 'L',
      tick: { kind: 'waterChange', id: t('tankId'), what: null },
      at: now,
    },
    ticks: {
      outcomes: [
        {
          choreKey: `feedAdults:${t('tankId')}:${day}`,
          day,
          status: 'done',
          text: 'Feed pellets',
          tankId: t('tankId'),
          amount: 2,
          unit: 'pinch',
          tick: { kind: 'fed', id: null, what: 'pellets' },
          at: now,
        },
      ],
      at: now,
    },
    jot: { line: 'A2 24.5 lost 1', at: now },
  };
}

/** Names of the writes that make an entry and are sent as JSON. */
export const entryWrites = (Object.entries(API) as [ApiName, AnyEndpoint][])
  .filter(([, line]) => line.entry !== undefined && line.sends === undefined)
  .map(([name]) => name);

/** Whether a field of a body names a thing of the house that must be there already. */
const NAMES = new Set([
  'rackId',
  'shelfId',
  'tankId',
  'fromTankId',
  'toTankId',
  'fromLotId',
  'intoLotId',
  'subjectId',
  'attemptId',
  'broodId',
  'waterId',
  'meterId',
  'cultureId',
  'programmeId',
  'lotId',
  'itemId',
  'sightingId',
  'buyerId',
  'orderId',
  'soldId',
]);

/** Every body that differs from a sound one in that one thing it names is another house's. */
export function strangeBodies(name: ApiName, body: object, ours: Things, theirs: Things): { path: string; body: object }[] {
  const found: { path: string; body: object }[] = [];
  const theirsOf = new Map(Object.entries(ours).map(([key, id]) => [id, theirs[key] ?? '']));
  const walk = (value: unknown, path: (string | number)[]) => {
    if (typeof value === 'string') {
      const field = [...path].reverse().find((part): part is string => typeof part === 'string') ?? '';
      const other = theirsOf.get(value);
      const named = NAMES.has(field) || ['sires', 'dams'].includes(field) || (path.at(-2) === 'tick' && field === 'id');
      if (!other || !named) return;
      const copy = structuredClone(body) as Record<string | number, unknown>;
      let at = copy;
      for (const part of path.slice(0, -1)) at = at[part] as typeof at;
      at[path.at(-1) ?? ''] = other;
      found.push({ path: `${name} ${path.join('.')}`, body: copy });
    } else if (value !== null && typeof value === 'object')
      for (const [key, inner] of Object.entries(value)) walk(inner, [...path, Array.isArray(value) ? Number(key) : key]);
  };
  walk(body, []);
  return found;
}
