import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { broodsEndpoints } from '@freshet/contract/broods';
import type { BroodRecord } from '@freshet/core/broods';
import { EMPTY, totalHeads } from '@freshet/core/stock';
import { exactly } from '@freshet/core/time';
import type { Applied, LogService, Scope } from '../log';
import { DomainError } from '../platform';
import type { RoomService } from '../room';
import { detailsOf, type LotRow, type StockService } from '../stock';
import type { BroodRow, BroodsRepository } from './broods.repository';
import { refuseWhenSeenSince } from './broods.undoing';

type Body<Name extends 'bagPeat' | 'wetPeat' | 'hatchPeat'> = BodyOf<(typeof broodsEndpoints)[Name]>;

/** Peat that fills a bag of one spawning, L. */
const BAG_L = 0.5;

/** Refuses for eggs that have hatched. */
export const mustWait = (facts: BroodRecord, pointer: string): void => {
  if (facts.hatched || facts.freeSwimming)
    throw new DomainError('broods/out-of-order', { detail: 'They have hatched.', pointer });
};

/** "Forktails 6" → "Forktails 6 b", "Forktails 6 b" → "Forktails 6 c". */
export function nextName(name: string): string {
  const [, stem, letter] = /^(.*) ([b-y])$/.exec(name) ?? [];
  return `${(stem ?? name).slice(0, 76)} ${letter ? String.fromCharCode(letter.charCodeAt(0) + 1) : 'b'}`;
}

/** Eggs in peat: bagged, wetted, looked through, what lies still bagged again. */
export function createPeat({
  log,
  room,
  stock,
  repository,
  getBrood,
}: {
  log: LogService;
  room: RoomService;
  stock: StockService;
  repository: BroodsRepository;
  getBrood: (scope: Scope, broodId: string) => Promise<{ brood: BroodRow; facts: BroodRecord; lots: LotRow[] }>;
}): void {
  const { broods, peatBags, observations } = repository;

  /** The bag a lot lies in; null where it lies in a tank. */
  async function bagOf(scope: Scope, { tankId }: LotRow) {
    const tank = tankId ? await room.getTank(scope, tankId) : null;
    return tank?.kind === 'peatBag' ? tank : null;
  }

  /** A new bag at its place. */
  const newBag = (
    scope: Scope,
    { vesselId, label, place }: { vesselId: string; label: string; place: string },
    pointer: string,
  ) => log.part(scope, 'vessel', { vesselId, kind: 'peatBag', code: label, litres: BAG_L, inTankId: null, place }, pointer);

  async function applyBag(scope: Scope, body: Body<'bagPeat'>): Promise<Applied> {
    const { brood, facts, lots } = await getBrood(scope, body.broodId);
    mustWait(facts, '#/label');
    if (facts.wetted)
      throw new DomainError('broods/out-of-order', {
        detail: 'They are in water. Log who hatched; the rest can be bagged again.',
        pointer: '#/at',
      });
    if (body.at < facts.laid.from)
      throw new DomainError('broods/out-of-order', { detail: 'That is before they were laid.', pointer: '#/at' });
    if (body.wetOn <= body.at.slice(0, 10))
      throw new DomainError('request/invalid', { detail: 'Wetted after it was bagged.', pointer: '#/wetOn' });
    const { vesselId, label, place, moisture, wetOn, at } = body;
    const bags = await Promise.all(lots.map((lot) => bagOf(scope, lot)));
    const bag = bags.find((one) => one !== null);
    const parts: Applied['parts'] = bag ? ['vesselMove'] : ['vessel'];
    if (!bag) await newBag(scope, { vesselId, label, place }, '#/label');
    else if (bag.code !== label || bag.place !== place)
      await log.part(scope, 'vesselMove', { vesselId: bag.id, code: label, inTankId: null, place }, '#/label');
    const toTankId = bag?.id ?? vesselId;
    for (const lot of lots.filter(({ tankId }) => tankId !== toTankId)) {
      const { males, females, unsexed } = lot;
      await stock.applyMove(scope, { lotId: lot.id, newLotId: newId(), toTankId, heads: { males, females, unsexed }, at });
    }
    await peatBags.insert(scope, { id: newId(), entryId: scope.entryId, broodId: brood.id, label, place, moisture, wetOn, at });
    return {
      text: `${brood.name}: in bag ${label}, ${place}`,
      tankId: lots[0]?.tankId ?? null,
      subjectId: brood.id,
      about: [toTankId, ...lots.map(({ id }) => id)],
      parts,
    };
  }

  async function applyWetting(scope: Scope, body: Body<'wetPeat'>): Promise<Applied> {
    const { brood, facts, lots } = await getBrood(scope, body.broodId);
    mustWait(facts, '#/at');
    if (facts.wetted) throw new DomainError('broods/out-of-order', { detail: 'They are in water already.', pointer: '#/at' });
    if (lots.length === 0) throw new DomainError('request/invalid', { detail: 'There’s nothing left to wet.', pointer: '#/at' });
    if (body.at < facts.laid.from)
      throw new DomainError('broods/out-of-order', { detail: 'That is before they were laid.', pointer: '#/at' });
    await room.mustHoldWater(scope, body.toTankId, '#/toTankId');
    const emptied = new Map<string, string>();
    for (const lot of lots) {
      const bag = await bagOf(scope, lot);
      if (bag) emptied.set(bag.id, bag.code);
      if (lot.tankId === body.toTankId) continue;
      const { males, females, unsexed } = lot;
      await stock.applyMove(scope, {
        lotId: lot.id,
        newLotId: newId(),
        toTankId: body.toTankId,
        heads: { males, females, unsexed },
        at: body.at,
      });
    }
    // Another spawning's eggs may lie in the same bag.
    const parts: 'vesselAway'[] = [];
    for (const vesselId of emptied.keys()) {
      const held = (await stock.repository.lots.find(scope, { tankId: vesselId })).some((lot) => totalHeads(lot) > 0);
      if (held) continue;
      await log.part(scope, 'vesselAway', { vesselId });
      parts.push('vesselAway');
    }
    const { at } = body;
    await observations.insert(scope, {
      id: newId(),
      entryId: scope.entryId,
      broodId: brood.id,
      kind: 'wetted',
      fromAt: at,
      toAt: at,
    });
    const { code } = await room.getTank(scope, body.toTankId);
    return {
      text: `${brood.name}: ${[...emptied.values()].map((bag) => `bag ${bag}`).join(', ') || 'peat'} wetted in ${code}`,
      tankId: body.toTankId,
      subjectId: brood.id,
      about: [...emptied.keys(), ...lots.map(({ id }) => id)],
      parts,
    };
  }

  async function applyHatch(scope: Scope, body: Body<'hatchPeat'>): Promise<Applied> {
    const { entryId } = scope;
    const { brood, facts, lots } = await getBrood(scope, body.broodId);
    mustWait(facts, '#/hatched');
    if (!facts.wetted)
      throw new DomainError('broods/out-of-order', {
        detail: 'They are still in peat. Log the wetting first.',
        pointer: '#/hatched',
      });
    if (body.at < facts.wetted.from)
      throw new DomainError('broods/out-of-order', { detail: 'That is before they were wetted.', pointer: '#/at' });
    const [lot] = lots;
    if (!lot || lots.length > 1)
      throw new DomainError('request/invalid', {
        detail: 'The eggs lie in several tanks; log each by its own.',
        pointer: '#/hatched',
      });
    const eggs = totalHeads(lot);
    if (body.hatched > eggs)
      throw new DomainError('stock/too-many', {
        detail: `Only ${eggs} eggs are booked there. If more lie in it, log a count first.`,
        pointer: '#/hatched',
      });
    const { again, at } = body;
    const rest = eggs - body.hatched;
    const parts: 'vessel'[] = [];
    if (again && rest > 0) {
      await newBag(scope, again, '#/again/label');
      parts.push('vessel');
      const name = nextName(brood.name);
      await broods.insert(scope, { ...brood, entryId, id: again.broodId, name });
      await stock.createLot(scope, {
        ...detailsOf(lot),
        id: again.lotId,
        broodId: again.broodId,
        tankId: again.vesselId,
        since: at,
      });
      await stock.book(scope, { ...EMPTY, unsexed: rest, fromLotId: lot.id, toLotId: again.lotId, cause: 'split' }, exactly(at));
      const { label, place, wetOn } = again;
      await peatBags.insert(scope, { id: newId(), entryId, broodId: again.broodId, label, place, moisture: 'damp', wetOn, at });
    } else if (rest > 0) await stock.applyPlainLoss(scope, [lot], rest, 'infertile', exactly(at));
    if (body.hatched > 0)
      await observations.insert(scope, { id: newId(), entryId, broodId: brood.id, kind: 'hatched', fromAt: at, toAt: at });
    const after = rest === 0 ? '' : again ? `, ${rest} back into damp peat (${again.label})` : `, ${rest} thrown out`;
    return {
      text: `${brood.name}: ${body.hatched} hatched${after}`,
      tankId: lot.tankId,
      subjectId: brood.id,
      about: [lot.id, again?.broodId, again?.vesselId],
      parts,
    };
  }

  const seenSince = refuseWhenSeenSince(log, repository, true);
  log.declare({
    peatBag: {
      check: async (scope, { broodId, vesselId }) => {
        for (const lot of (await getBrood(scope, broodId)).lots)
          await stock.mustBeOut(scope, { lotId: lot.id, toTankId: vesselId });
      },
      apply: applyBag,
      undo: stock.ledgerUndoing({ tables: [peatBags], before: seenSince, after: stock.placeBack }),
    },
    wetting: {
      check: async (scope, { broodId, toTankId }) => {
        for (const lot of (await getBrood(scope, broodId)).lots)
          // Fresh cool water in a bare tank is what they want: they foul nothing yet.
          if (lot.tankId !== toTankId) await stock.mustBeOut(scope, { lotId: lot.id, toTankId });
      },
      apply: applyWetting,
      undo: stock.ledgerUndoing({ tables: [broods, observations, peatBags], before: seenSince, after: stock.placeBack }),
    },
    peatHatch: {
      apply: applyHatch,
      undo: stock.ledgerUndoing({ tables: [broods, observations, peatBags], before: seenSince, after: stock.placeBack }),
    },
  });
}
