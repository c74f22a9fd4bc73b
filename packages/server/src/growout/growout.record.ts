import type { GrowoutRecord } from '@freshet/contract/growout';
import type { GrowoutView } from '@freshet/core/growout';
import { codeOf } from '@freshet/core/room';
import { LOSS_CAUSES, totalHeads } from '@freshet/core/stock';
import type * as v from 'valibot';
import type { BroodsService } from '../broods';
import { DomainError, OLDEST_FIRST, type Who } from '../platform';
import type { StockService } from '../stock';
import type { GrowoutRepository } from './growout.repository';

const YEAR_MS = 365 * 86_400_000;
const OUT = new Set<string>(['sale', 'gift']);

/** What grow-out wrote down of a species, and who grows up, is chosen and leaves. */
export function createGrowoutRecord(deps: { repository: GrowoutRepository; stock: StockService; broods: BroodsService }) {
  const { repository, stock, broods } = deps;

  /** Whose young a brood is, by the names of its parents' lots. */
  async function crossesOf(who: Who, speciesKey: string): Promise<Map<string, { name: string; cross: string }>> {
    const found = (await broods.descent(who)).filter((brood) => brood.speciesKey === speciesKey);
    const lots = await stock.repository.byIds(who, [...new Set(found.flatMap(({ sires, dams }) => [...sires, ...dams]))]);
    const names = new Map(lots.map(({ id, name, line }) => [id, name ?? line ?? 'no name']));
    const words = (ids: readonly string[]) => [...new Set(ids.map((id) => names.get(id) ?? 'unknown'))].join(' or ') || 'unknown';
    return new Map(found.map(({ id, name, sires, dams }) => [id, { name, cross: `${words(sires)} × ${words(dams)}` }]));
  }

  return async (who: Who, view: GrowoutView, speciesKey: string): Promise<v.InferOutput<typeof GrowoutRecord>> => {
    const species = view.species.get(speciesKey);
    if (!species) throw new DomainError('request/not-found', { detail: 'There’s no such species.' });
    const [sorted, selected, crosses, living, passed] = await Promise.all([
      repository.sortings.find(who, { speciesKey }, OLDEST_FIRST),
      repository.selections.find(who, { speciesKey }, OLDEST_FIRST),
      crossesOf(who, speciesKey),
      stock.repository.living(who),
      repository.passedSince(who, speciesKey, new Date(Date.parse(view.now) - YEAR_MS).toISOString()),
    ]);
    const own = living.filter((lot) => lot.speciesKey === speciesKey);
    const isYoung = new Set(view.stock.lots.flatMap((lot) => (lot.broodId === null ? [] : [lot.id])));
    const sum = (lots: readonly (typeof own)[number][]) => lots.reduce((all, lot) => all + totalHeads(lot), 0);
    const stage = (...of: readonly string[]) =>
      view.broods
        .filter((read) => read.species.key === speciesKey && of.includes(read.state.stage))
        .reduce((all, { lots }) => all + lots.reduce((heads, lot) => heads + totalHeads(lot), 0), 0);
    const gone = (of: (cause: string) => boolean) =>
      passed.filter(({ cause }) => of(cause)).reduce((all, { heads }) => all + heads, 0);
    const grown = own.filter((lot) => !isYoung.has(lot.id) && !lot.isRetired);
    const chosen = grown.filter((lot) => lot.broodId !== null);
    return {
      speciesKey,
      speciesName: species.commonName,
      sortings: sorted.map(({ id, broodId, at, tankId, booked, classes, missing, drained }) => ({
        id,
        broodId,
        at,
        tankCode: codeOf(view, tankId) || null,
        booked,
        classes: classes.map(({ name, heads, lengthMm }) => ({ name, heads, lengthMm })),
        missing,
        drained,
      })),
      selections: selected.flatMap(({ id, broodId, at, seen, faults, decisions, note }) => {
        const of = crosses.get(broodId ?? '');
        return broodId
          ? [{ id, broodId, broodName: of?.name ?? 'a brood', cross: of?.cross ?? 'unknown', at, seen, faults, decisions, note }]
          : [];
      }),
      flow: {
        breeders: sum(grown) - sum(chosen),
        chosen: sum(chosen),
        retired: sum(own.filter(({ isRetired }) => isRetired)),
        eggs: stage('eggs'),
        fry: stage('yolk', 'fry'),
        growing: stage('growing'),
        ready: stage('ready'),
        born: gone((cause) => cause === 'birth'),
        sold: gone((cause) => cause === 'sale'),
        given: gone((cause) => cause === 'gift'),
        lost: gone((cause) => !OUT.has(cause) && (cause === 'infertile' || (LOSS_CAUSES as readonly string[]).includes(cause))),
      },
    };
  };
}
