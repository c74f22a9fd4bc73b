import { completeRecipe } from '@freshet/core/spawning';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { API } from '@freshet/contract/api';
import { newId, type Client } from './testHouse';

export const EMPTY = { males: 0, females: 0, unsexed: 0 };

type Buyer = BodyOf<(typeof API)['noteBuyer']>;
/** A shop that pays cash, and nothing more is known of. */
export const shopOf = (buyerId: string, name: string, more: Partial<Buyer> = {}): Buyer => ({
  id: newId(),
  buyerId,
  kind: 'shop',
  name,
  contact: null,
  pays: 'cash',
  leastMm: null,
  perWeek: null,
  feePercent: null,
  bagsMost: null,
  dates: [],
  prices: [],
  note: null,
  ...more,
});

/** A rack with one shelf and some tanks of 60 x 30 x 36 cm; ids by code. */
export async function furnish(
  keeper: Client,
  codes: readonly string[],
  rack: { code?: string; quarantine?: boolean } = {},
): Promise<Record<string, string>> {
  const [rackId, shelfId] = [newId(), newId()];
  await keeper.write('addRack', {
    id: rackId,
    code: rack.code ?? 'A',
    name: 'North wall',
    kind: 'rack',
    quarantine: rack.quarantine ?? false,
    sump: null,
  });
  await keeper.write('addShelf', { id: shelfId, rackId, lengthCm: 400, depthCm: 62, heightCm: 50, loadLimitKg: null });
  const ids: Record<string, string> = { [`shelf ${rack.code ?? 'A'}`]: shelfId, [`rack ${rack.code ?? 'A'}`]: rackId };
  for (const code of codes) {
    ids[code] = newId();
    await keeper.write('addTank', {
      id: ids[code],
      shelfId,
      code,
      lengthCm: 60,
      widthCm: 30,
      heightCm: 36,
      waterHeightCm: 30,
      glassMm: 6,
      substrateKg: 0,
      facing: 'short',
      leftCm: null,
    });
  }
  return ids;
}

/** A lot of broodstock. */
export async function stockUp(
  keeper: Client,
  tankId: string,
  speciesKey: string,
  heads: Partial<typeof EMPTY>,
  at: string,
): Promise<string> {
  const lotId = newId();
  await keeper.write('addLot', {
    id: newId(),
    lotId,
    speciesKey,
    line: null,
    generation: null,
    origin: 'local',
    acquiredFrom: null,
    tankId,
    heads: { ...EMPTY, ...heads },
    at,
  });
  return lotId;
}

/** An attempt with the recipe of pulled eggs and leaves. */
export async function attempt(
  keeper: Client,
  tankId: string,
  speciesKey: string,
  from: string,
  more: { name?: string; sires?: string[]; dams?: string[]; to?: string | null } = {},
): Promise<string> {
  const attemptId = newId();
  await keeper.write('addAttempt', {
    id: newId(),
    attemptId,
    speciesKey,
    name: more.name ?? 'First try',
    tankId,
    sires: more.sires ?? [],
    dams: more.dams ?? [],
    from,
    to: more.to ?? null,
    conditioningFrom: null,
    setUpOn: null,
    triggerOn: null,
    recipe: completeRecipe({ eggPlan: 'pullEggs', fungus: 'leaves', trigger: 'stable', dailyChangeFraction: 0.5 }),
    recipeRef: null,
    tags: [],
    note: null,
  });
  return attemptId;
}

/** Eggs seen in an attempt; the brood's and its lot's ids. */
export async function clutch(
  sitter: Client,
  attemptId: string,
  laid: { from: string; to: string },
  count: number,
  white = 0,
): Promise<{ broodId: string; lotId: string }> {
  const ids = { broodId: newId(), lotId: newId() };
  await sitter.write('addClutch', { id: newId(), ...ids, attemptId, laid, count, white });
  return ids;
}

/** A temperature of a tank. */
export async function measure(sitter: Client, tankId: string, value: number, at: string): Promise<void> {
  await sitter.write('addReading', { id: newId(), tankId, quantity: 'tempC', value, at });
}
