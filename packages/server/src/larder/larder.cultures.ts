import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { larderEndpoints } from '@freshet/contract/larder';
import {
  CULTURES,
  describeCulture,
  doseAmount,
  kindOf,
  learnCulture,
  naupliiInDrops,
  USUAL_DOSE,
  type Culture,
  type CultureFood,
} from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { houseDay, sentence } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import type { Applied, Scope } from '../log';
import { DomainError, groupBy, type Reading } from '../platform';
import type { RoomService } from '../room';
import type { CultureEventRow, CultureRow, EventDetails, EventKind, LarderRepository } from './larder.repository';
import type { ShelfService } from './larder.shelf';

type Body<Name extends keyof typeof larderEndpoints> = BodyOf<(typeof larderEndpoints)[Name]>;
export type CultureStart = Omit<Body<'addCulture'>, 'id' | 'override'>;
export type CultureEvent = Omit<Body<'cultureEvent'>, 'id' | 'override'>;
type Ended = NonNullable<EventDetails['ended']>;

const END_WORDS: Record<Ended, string> = { emptied: 'emptied', crashed: 'crashed', usedUp: 'used up', thrown: 'thrown away' };
/** What happens to a culture: started, looked at, fed, harvested, counted, ended; and how it stands. */
export function createCultures({
  room,
  repository,
  shelf,
}: {
  room: RoomService;
  repository: LarderRepository;
  shelf: ShelfService;
}) {
  const { cultures, events } = repository;

  async function mustRun(scope: Scope, cultureId: string): Promise<CultureRow> {
    const culture = await cultures.get(scope, cultureId);
    if (!culture) throw new DomainError('request/not-found', { detail: 'There’s no such culture.' });
    if (culture.ended) throw new DomainError('larder/ended', { detail: `${culture.name} was emptied.` });
    return culture;
  }

  /** "Infusoria 3": the food and the next number free. */
  async function nextName(scope: Scope, food: CultureFood, words: string): Promise<string> {
    const same = await cultures.find(scope, { food });
    const numbers = same.map((culture) =>
      Number(new RegExp(`^${words.replace(/[^\p{L}\p{N} ]/gu, '.')} (\\d+)$`, 'iu').exec(culture.name)?.[1] ?? 0),
    );
    return `${sentence(words)} ${Math.max(0, ...numbers) + 1}`;
  }

  async function applyStart(scope: Scope, body: CultureStart): Promise<Applied> {
    const tank = body.tankId ? await room.getTank(scope, body.tankId) : null;
    const from = body.fromId ? await cultures.get(scope, body.fromId) : null;
    if (body.fromId && !from)
      throw new DomainError('request/not-found', { detail: 'There’s no such culture to start from.', pointer: '#/fromId' });
    if (from && from.startedAt > body.startedAt)
      throw new DomainError('request/invalid', { detail: `${from.name} was started later than that.`, pointer: '#/startedAt' });
    if (from && from.food !== body.food)
      throw new DomainError('request/invalid', { detail: `${from.name} is ${FOOD_NAMES[from.food]}.`, pointer: '#/fromId' });
    const own = body.kindId ? (await repository.ownKinds(scope)).get(body.kindId) : null;
    if (body.kindId && own?.standsFor !== body.food)
      throw new DomainError('request/not-found', { detail: 'There’s no such kind.', pointer: '#/kindId' });
    if (body.hatch && !CULTURES[body.food].batch)
      throw new DomainError('request/invalid', {
        detail: `${sentence(FOOD_NAMES[body.food])} are not hatched.`,
        pointer: '#/hatch',
      });
    if (body.hatch?.tinId) await shelf.mustHave(scope, body.hatch.tinId, '#/hatch/tinId');
    const name = body.name ?? (await nextName(scope, body.food, own?.name ?? FOOD_NAMES[body.food]));
    const { cultureId, food, startedAt, vesselL, place, tempC, hatch } = body;
    await cultures.insert(scope, {
      id: cultureId,
      entryId: scope.entryId,
      food,
      name,
      tankId: tank?.id ?? null,
      startedAt,
      ended: false,
      kindId: own?.id ?? null,
      vesselL: vesselL ?? null,
      place: place || null,
      tempC: tempC ?? null,
      fromId: from?.id ?? null,
      hatch: hatch ?? null,
    });
    const words = [
      tank ? ` in ${tank.code}` : '',
      from ? ` from ${from.name}` : '',
      hatch ? `, ${formatNumber(hatch.cystsG)} g of cysts` : '',
    ];
    return { text: `${name} started${words.join('')}`, tankId: tank?.id ?? null, subjectId: cultureId };
  }

  /** What an event says, checked against the vessel, and its words. */
  async function detailsOf(
    scope: Scope,
    culture: CultureRow,
    body: CultureEvent,
  ): Promise<{ details: EventDetails; words: string }> {
    const kind = CULTURES[culture.food];
    const full = (culture.vesselL ?? kind.vesselL) * kind.fullMlPerL;
    switch (body.kind) {
      case 'looked':
        return {
          details: {
            ...(body.density == null ? {} : { density: body.density }),
            ...(body.perMl == null ? {} : { perMl: body.perMl }),
            ...(body.signs?.length ? { signs: [...body.signs] } : {}),
          },
          words: body.density == null ? 'looked at' : `looked at, density ${body.density} of 4`,
        };
      case 'harvested': {
        const ml = body.ml ?? null;
        if (ml !== null && !kind.batch && ml > full)
          throw new DomainError('request/invalid', {
            detail: `${culture.name} holds ${formatNumber(full)} ml when full.`,
            pointer: '#/ml',
          });
        if (ml !== null && !kind.batch && !scope.override) await mustSpare(scope, culture, ml);
        return {
          details: {
            ...(ml === null ? {} : { ml }),
            ...(body.kept && kind.batch ? { kept: body.kept } : {}),
            ...(body.byCatch ? { byCatch: body.byCatch } : {}),
          },
          words: `harvested${ml === null ? '' : `, ${formatNumber(ml)} ml`}${body.kept === 'cold' ? ', kept cold' : ''}`,
        };
      }
      case 'counted': {
        if (!kind.batch || !body.drops)
          throw new DomainError('request/invalid', { detail: 'Only a hatch is counted in drops.', pointer: '#/drops' });
        if (!culture.hatch)
          throw new DomainError('request/invalid', {
            detail: 'It was not logged how many grams of cysts were set.',
            pointer: '#/drops',
          });
        const { counts, ml, perMl } = body.drops;
        const drop = doseAmount('drop', null, await repository.calibrations(scope));
        if (perMl === null && !drop.isOwn)
          throw new DomainError('larder/no-dose', {
            detail: `How many drops of your pipette make a ml is not known yet. Give drops a ml here, or ${USUAL_DOSE.drop.how} under Doses.`,
            pointer: '#/drops/perMl',
          });
        const nauplii = naupliiInDrops(counts, perMl === null ? drop.amount : 1 / perMl, ml);
        return { details: { nauplii }, words: `counted: some ${formatNumber(Math.round(nauplii / 1000))} thousand nauplii` };
      }
      case 'ended':
        return { details: { ended: body.ended ?? 'emptied' }, words: END_WORDS[body.ended ?? 'emptied'] };
      case 'renewed':
        return { details: {}, words: 'given fresh medium' };
      case 'fed':
      case 'ripe':
        return { details: {}, words: body.kind };
    }
  }

  /** A harvest that sets a culture back wants a reason. */
  async function mustSpare(scope: Scope, row: CultureRow, ml: number): Promise<void> {
    const culture = (await running(scope)).find(({ id }) => id === row.id);
    if (!culture || (culture.looks ?? []).length === 0) return;
    const state = describeCulture(culture, scope.now, scope.timeZone);
    const learned = learnCulture(culture, state, houseDay(scope.now, scope.timeZone), scope.timeZone);
    const kind = kindOf(culture);
    const there = (culture.vesselL ?? kind.vesselL) * kind.fullMlPerL * (kind.fullMlPerL === 1000 ? 1 : learned.fullness.high90);
    if (ml > there || ml > Math.max(2 * learned.mayTakeMl, there * 0.5))
      throw new DomainError('larder/too-much', {
        detail: `${row.name} can spare some ${formatNumber(learned.mayTakeMl)} ml today; ${formatNumber(ml)} ml sets it back. If it was taken, say why.`,
        pointer: '#/ml',
      });
  }

  async function applyEvent(scope: Scope, body: CultureEvent): Promise<Applied> {
    const { entryId } = scope;
    const culture = await mustRun(scope, body.cultureId);
    if (body.at < culture.startedAt)
      throw new DomainError('request/invalid', { detail: `${culture.name} was started later than that.`, pointer: '#/at' });
    const { details, words } = await detailsOf(scope, culture, body);
    const kept = Object.keys(details).length > 0 ? details : null;
    await events.insert(scope, { id: newId(), entryId, cultureId: culture.id, kind: body.kind, at: body.at, details: kept });
    const usedUp = body.kind === 'harvested' && CULTURES[culture.food].batch && !details.kept;
    if (body.kind === 'ended' || usedUp) await cultures.update(scope, { id: culture.id }, { ended: true });
    return { text: `${culture.name} ${words}`, tankId: culture.tankId, subjectId: culture.id };
  }

  /** Running cultures with what was seen of each. */
  async function running(at: Reading): Promise<Culture[]> {
    const rows = await repository.running(at);
    const [found, own] = await Promise.all([
      repository.eventsOf(
        at,
        rows.map((row) => row.id),
      ),
      repository.ownKinds(at),
    ]);
    const eventsBy = groupBy(found, (event) => event.cultureId);
    return rows.map((row) => asCulture(row, eventsBy.get(row.id) ?? [], row.kindId ? (own.get(row.kindId) ?? null) : null));
  }

  return { mustRun, applyStart, applyEvent, running };
}

/** A row and its events, oldest first, as core reads them. */
export function asCulture(row: CultureRow, own: readonly CultureEventRow[], ownKind: Culture['own']): Culture {
  const { id, name, food, startedAt, tankId, vesselL, place, tempC, fromId, hatch } = row;
  const last = (kind: EventKind) => own.findLast((event) => event.kind === kind)?.at ?? null;
  const isDense = ({ kind, details }: CultureEventRow) => kind === 'looked' && (details?.density ?? 0) >= 3;
  return {
    id,
    name,
    food,
    tankId,
    startedAt,
    own: ownKind,
    vesselL,
    place,
    tempC,
    fromId,
    hatch,
    ripeSeenAt: own.find((event) => event.kind === 'ripe' || event.kind === 'harvested' || isDense(event))?.at ?? null,
    fedAt: last('fed'),
    harvestedAt: last('harvested'),
    renewedAt: last('renewed'),
    kept: own.findLast(({ kind }) => kind === 'harvested')?.details?.kept ?? null,
    feeds: own.flatMap(({ kind, at }) => (kind === 'fed' ? [at] : [])).slice(-20),
    looks: own
      .flatMap(({ kind, at, details }) =>
        kind === 'looked'
          ? [{ at, density: details?.density ?? null, perMl: details?.perMl ?? null, signs: details?.signs ?? [] }]
          : [],
      )
      .slice(-60),
    harvests: own.flatMap(({ kind, at, details }) => (kind === 'harvested' ? [{ at, ml: details?.ml ?? null }] : [])).slice(-120),
  };
}
