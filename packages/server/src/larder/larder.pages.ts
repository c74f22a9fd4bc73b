import type { CultureReply } from '@freshet/contract/larder';
import {
  cultureRisks,
  deriveTide,
  foodLadder,
  hatchShareOf,
  kindOf,
  learnCulture,
  planBackUps,
  pourList,
  shelfState,
  SHELF_WORDS,
  tinInUse,
  adultMeal,
  youngMeals,
  type LarderView,
  type ShelfItem,
} from '@freshet/core/larder';
import { codesOf } from '@freshet/core/room';
import type * as v from 'valibot';
import { DomainError, type Clock, type Who } from '../platform';
import type { RoomService } from '../room';
import type { LarderRepository } from './larder.repository';
import { hasInvertebrates, type PestsService } from './larder.pests';
import type { ShelfService } from './larder.shelf';

export type CultureOut = v.InferOutput<typeof CultureReply>;
type WhatIf = { speciesKey?: string | undefined; day?: string | undefined; eggs?: number | undefined };

/** How far cultures are taken back and forth in their family. */
const FAMILY = 40;

/** What the larder's pages show. */
export function larderPages(deps: {
  clock: Clock;
  room: RoomService;
  repository: LarderRepository;
  shelf: ShelfService;
  pests: PestsService;
}) {
  const { clock, repository, pests } = deps;

  /** Use of a shelf item a day from now on: of dry food by the rations of today, of cysts by what hatches are set. */
  function useOf(item: ShelfItem, view: LarderView, isInUse: boolean): number {
    if (item.kind === 'cysts') {
      if (!isInUse) return 0;
      return youngMeals(view, view.today).reduce((sum, { ration }) => sum + (ration.cystsGPerDay ?? 0), 0);
    }
    if (item.kind !== 'dry' || !item.food) return 0;
    const young = youngMeals(view, view.today).filter(({ ration }) => ration.food === item.food);
    const adults = [...view.lotsByTank.keys()].flatMap((tankId) => adultMeal(view, tankId, view.today)?.ration ?? []);
    return [...young.map(({ ration }) => ration), ...adults]
      .filter(({ food }) => food === item.food)
      .reduce((sum, { dryGPerDay, everyDays }) => sum + (dryGPerDay ?? 0) / everyDays, 0);
  }

  return {
    cultures(view: LarderView): CultureOut[] {
      const { today, timeZone } = view;
      const learnedOf = (one: LarderView['cultures'][number]) => learnCulture(one.culture, one.state, today, timeZone);
      const steps = planBackUps(view.cultures, learnedOf, today);
      return view.cultures.map((described) => {
        const { culture, state } = described;
        const kind = kindOf(culture);
        const learned = learnedOf(described);
        const vesselL = culture.vesselL ?? kind.vesselL;
        const step = steps.find(({ cultureId }) => cultureId === culture.id);
        return {
          id: culture.id,
          name: culture.name,
          food: culture.food,
          kindName: culture.own?.name ?? null,
          tankId: culture.tankId,
          place: culture.place ?? null,
          vesselL,
          tempC: state.tempC,
          fromId: culture.fromId ?? null,
          startedAt: culture.startedAt,
          ripeSeenAt: culture.ripeSeenAt,
          fedAt: culture.fedAt,
          harvestedAt: culture.harvestedAt,
          renewedAt: culture.renewedAt ?? null,
          kept: culture.kept ?? null,
          phase: state.phase,
          ripeFrom: state.ripeFrom,
          ripeBy: state.ripeBy,
          lastDay: state.lastDay,
          feedDue: state.feedDue,
          ripeness: state.ripeness,
          sign: kind.sign,
          feed: kind.feed,
          feedEveryDays: kind.feedEveryDays,
          batch: kind.batch,
          signs: [...kind.signs],
          hatch: state.hatch,
          setWith: culture.hatch ?? null,
          fullMl: vesselL * kind.fullMlPerL,
          density: (culture.looks ?? []).findLast(({ density }) => density !== null)?.density ?? null,
          learned: kind.batch ? null : learned,
          risks: cultureRisks(described, view.cultures, learned, today, timeZone),
          step: step ? { action: step.action, day: step.day, why: step.why } : null,
          looks: (culture.looks ?? []).map((look) => ({ ...look, signs: [...look.signs] })),
          harvests: [...(culture.harvests ?? [])],
        };
      });
    },

    /** The line back to the first, and all that came of that. */
    async family(who: Who, cultureId: string) {
      const own = await repository.cultures.get(who, cultureId);
      if (!own) throw new DomainError('request/not-found', { detail: 'There’s no such culture.' });
      let first = own;
      for (let step = 0; step < FAMILY && first.fromId; step++) {
        const from = await repository.cultures.get(who, first.fromId);
        if (!from) break;
        first = from;
      }
      const kin = [first];
      for (let ring = [first]; ring.length > 0 && kin.length < FAMILY;) {
        ring = await repository.cultures.find(
          who,
          { fromId: ring.map(({ id }) => id) },
          { order: [['startedAt', 'ASC']], limit: FAMILY },
        );
        kin.push(...ring);
      }
      const ends = await repository.events.find(who, { kind: 'ended', cultureId: kin.map(({ id }) => id) });
      return kin.map(({ id, name, fromId, startedAt, ended }) => {
        const end = ends.findLast((event) => event.cultureId === id);
        return {
          id,
          name,
          fromId,
          startedAt,
          endedAt: ended ? (end?.at ?? null) : null,
          ended: ended ? (end?.details?.ended ?? ('usedUp' as const)) : null,
        };
      });
    },

    tide(view: LarderView, { speciesKey, day, eggs }: WhatIf) {
      if (speciesKey && !view.species.get(speciesKey))
        throw new DomainError('request/invalid', { detail: 'There’s no such species.', pointer: '#/speciesKey' });
      return deriveTide(view, 56, speciesKey ? { speciesKey, day: day ?? view.today, eggs: eggs ?? null } : null);
    },
    pours: (view: LarderView) => ({ day: view.today, ...pourList(view) }),

    ladders: (view: LarderView) =>
      view.broods
        .flatMap((read) => {
          const ladder = foodLadder(read, view.today, view.timeZone);
          const tanks = read.lots.flatMap(({ tankId }) => (tankId ? [tankId] : []));
          if (!ladder || tanks.length === 0 || read.state.stage === 'ready') return [];
          return [{ broodId: read.brood.id, name: read.brood.name, codes: codesOf(view, tanks), ...ladder }];
        })
        .sort((a, b) => Number(b.isFeeding) - Number(a.isFeeding) || a.smallestMm - b.smallestMm),

    shelf(view: LarderView) {
      const inUse = tinInUse(view);
      return {
        items: view.larder.shelf.map((item) => {
          const perDay = useOf(item, view, inUse?.id === item.id);
          const counted = view.larder.hatches.filter(({ tinId }) => tinId === item.id);
          return {
            id: item.id,
            kind: item.kind,
            name: item.name,
            food: item.food,
            openedOn: item.openedOn,
            unit: SHELF_WORDS[item.kind].unit,
            amount: item.amount,
            priceCents: item.priceCents,
            perDay,
            isInUse: inUse?.id === item.id,
            hatchShare: item.kind === 'cysts' && counted.length > 0 ? hatchShareOf(counted) : null,
            ...shelfState(item, perDay, view.today),
          };
        }),
        doses: view.larder.doses.map((dose) => ({ ...dose })),
      };
    },

    async pests(who: Who, view: LarderView) {
      return (await pests.sightings(who, clock.now())).map(({ row, events, changesOn }) => ({
        id: row.id,
        pest: row.pest,
        tankId: row.tankId,
        cultureId: row.cultureId,
        where:
          (row.tankId
            ? view.tanks.get(row.tankId)?.code
            : view.cultures.find(({ culture }) => culture.id === row.cultureId)?.culture.name) ?? 'a culture that is gone',
        cameBy: row.cameBy,
        at: row.at,
        invertebrates: hasInvertebrates(view, row.tankId),
        events: events.map(({ kind, treatment, half, at }) => ({ kind, treatment, half, at })),
        changesOn,
      }));
    },
  };
}
