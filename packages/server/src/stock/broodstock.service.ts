import type { BodyOf } from '@freshet/contract/endpoints';
import type { broodstockEndpoints } from '@freshet/contract/stock';
import { decideMove, decideSexing, EMPTY, sexing, sexWords, totalHeads, type Heads } from '@freshet/core/stock';
import { addDays, exactly, houseDay } from '@freshet/core/time';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, type Clock, type Who } from '../platform';
import type { RoomService } from '../room';
import type { BroodstockRepository } from './broodstock.repository';
import { createLotDetails } from './lotDetails';
import type { LotViews } from './lotViews';
import type { LotRow } from './stock.repository';
import { headWords, type StockService } from './stock.service';
import { v7 as newId } from 'uuid';

type Body<Name extends keyof typeof broodstockEndpoints> = BodyOf<(typeof broodstockEndpoints)[Name]>;

const headsOf = ({ males, females, unsexed }: Heads): Heads => ({ males, females, unsexed });

/** What the writes about broodstock work with. */
export interface BroodstockDeps {
  clock: Clock;
  log: LogService;
  room: RoomService;
  stock: StockService;
  repository: BroodstockRepository;
  views: LotViews;
}

/** What is logged about broodstock: names, sexes, condition, programmes, grades, pictures, merging. */
export function createBroodstock({ clock, log, room, stock, repository, views }: BroodstockDeps) {
  const { lots } = stock.repository;
  const { details, assessments, conditions, programmes, programmeEnds, gradings, throwbacks, photos } = repository;
  const { say, restore } = createLotDetails(repository, lots);
  const now = () => exactly(clock.now());

  log.onUndo({
    tables: [details, assessments, conditions, programmes, programmeEnds, gradings, throwbacks, photos],
    async after(scope, entry) {
      if (['lotDetails', 'tag'].includes(entry.kind) && entry.subjectId) await restore(scope, entry.subjectId);
    },
  });

  /** How a lot is called in the log: its name, or its species and tank. */
  async function nameOf(scope: Scope, lot: LotRow): Promise<string> {
    const tank = lot.tankId ? await room.getTank(scope.who, lot.tankId, scope) : null;
    return [lot.name ?? (await views.speciesName(scope.who, lot.speciesKey)), tank && `in ${tank.code}`]
      .filter(Boolean)
      .join(' ');
  }

  /** One entry about one lot. */
  const about = (
    who: Who,
    entry: { id: string; kind: string; at?: string },
    lotId: string,
    work: (scope: Scope, lot: LotRow) => Promise<string>,
  ) =>
    log.record(
      who,
      { id: entry.id, kind: entry.kind, when: entry.at ? exactly(entry.at) : now() },
      async (scope): Promise<Applied> => {
        const lot = await stock.lockLot(scope, lotId);
        const text = await work(scope, lot);
        return { text: `${await nameOf(scope, lot)}: ${text}`, tankId: lot.tankId, subjectId: lot.id };
      },
    );

  async function parentageOf(houseId: string, lotId: string): Promise<string> {
    const lot = await lots.get(houseId, lotId);
    if (lot?.broodId) return `brood ${lot.broodId}`;
    let root = lotId;
    const seen = new Set<string>();
    while (!seen.has(root)) {
      seen.add(root);
      const came = (await stock.repository.movementsOf(houseId, [root])).find(
        ({ toLotId, cause }) => toLotId === root && cause !== 'sexing',
      );
      if (!came?.fromLotId || came.cause !== 'split') break;
      root = came.fromLotId;
    }
    return `lot ${root}`;
  }

  return {
    repository,

    describeLot: (who: Who, body: Body<'describeLot'>) =>
      about(who, { id: body.id, kind: 'lotDetails' }, body.lotId, async (scope, lot) => {
        await say(scope, lot, body.details);
        const said = body.details;
        const words = [
          said.name !== lot.name && (said.name ? `called ${said.name}` : 'no name any more'),
          said.isRetired !== lot.isRetired && (said.isRetired ? 'retired' : 'bred from again'),
          said.isProven !== lot.isProven && (said.isProven ? 'proven, not to be disturbed' : 'not marked as proven any more'),
          said.grade !== lot.grade && `grade ${said.grade ?? 'none'}`,
          (said.line !== lot.line || said.generation !== lot.generation) &&
            `line ${[said.line, said.generation].filter(Boolean).join(', ') || 'none'}`,
        ].filter(Boolean);
        return words.join('; ') || 'described anew';
      }),

    sexLot: (who: Who, body: Body<'sexLot'>) =>
      about(who, { id: body.id, kind: 'sexing', at: body.at }, body.lotId, async (scope, lot) => {
        const decision = decideSexing(lot.id, headsOf(lot), body.heads);
        if (!decision.ok)
          throw new DomainError('stock/too-many', { detail: decision.message, pointer: `#/heads/${decision.field}` });
        for (const movement of decision.movements) await stock.book(scope, movement, exactly(body.at));
        return `sexed as ${headWords(body.heads)}`;
      }),

    assessSex: async (who: Who, body: Body<'assessSex'>) => {
      const lot = await lots.get(who.houseId, body.lotId);
      const known = lot ? await views.traits(who, lot.speciesKey) : null;
      return about(
        who,
        { id: body.id, kind: 'assessment', at: body.at },
        body.lotId,
        async ({ entryId, tx }, { id, speciesKey }) => {
          const byKey = new Map((known?.traits ?? []).map((trait) => [trait.key, trait]));
          const stranger = body.answers.findIndex(({ trait }) => !byKey.has(trait));
          if (stranger >= 0)
            throw new DomainError('request/invalid', {
              detail: 'This species is not told apart by that.',
              pointer: `#/answers/${stranger}/trait`,
            });
          const { pMale } = sexing({
            priorMale: known?.priorMale ?? 0.5,
            traits: body.answers.flatMap(({ trait, look }) => {
              const figures = byKey.get(trait);
              return look === 'cannotTell' || !figures
                ? []
                : [{ name: trait, observed: look === 'seen', pIfMale: figures.pIfMale, pIfFemale: figures.pIfFemale }];
            }),
          });
          await assessments.insert(
            who.houseId,
            { id: newId(), entryId, lotId: id, speciesKey, lengthMm: body.lengthMm, answers: body.answers, pMale, at: body.at },
            tx,
          );
          return `looked at for sex: ${sexWords(pMale)}`;
        },
      );
    },

    scoreCondition: (who: Who, body: Body<'scoreCondition'>) =>
      about(who, { id: body.id, kind: 'condition', at: body.at }, body.lotId, async ({ entryId, tx }, lot) => {
        const { score, signs, lengthMm, weightG, note, at } = body;
        await conditions.insert(
          who.houseId,
          { id: newId(), entryId, lotId: lot.id, score, signs, lengthMm, weightG, note, at },
          tx,
        );
        return `condition ${score} of 5${lengthMm === null ? '' : `, ${lengthMm} mm`}${weightG === null ? '' : `, ${weightG} g`}`;
      }),

    addProgramme: (who: Who, body: Body<'addProgramme'>) =>
      about(who, { id: body.id, kind: 'programme' }, body.lotId, async ({ entryId, tx }, lot) => {
        const { programmeId, from, weeks, foods, mealsPerDay, separated, water } = body;
        await programmes.insert(
          who.houseId,
          {
            id: programmeId,
            entryId,
            lotId: lot.id,
            fromDay: from,
            toDay: addDays(from, weeks * 7 - 1),
            foods,
            mealsPerDay,
            separated,
            water,
          },
          tx,
        );
        return `conditioning for ${weeks} weeks: ${foods}`;
      }),

    async endProgramme(who: Who, body: Body<'endProgramme'>) {
      const programme = await programmes.get(who.houseId, body.programmeId);
      if (!programme) throw new DomainError('request/not-found', { detail: 'There is no such programme.' });
      return about(who, { id: body.id, kind: 'programmeEnd' }, programme.lotId, async ({ entryId, tx, now: at }) => {
        await programmeEnds.insert(who.houseId, { id: newId(), entryId, programmeId: programme.id, at }, tx);
        return 'conditioning ended';
      });
    },

    async mergeLots(who: Who, body: Body<'mergeLots'>) {
      const before = await log.replay(who, body.id, 'merge');
      if (before) return before;
      if (body.fromLotId === body.intoLotId)
        throw new DomainError('request/invalid', { detail: 'Choose another lot.', pointer: '#/intoLotId' });
      const [one, other] = await Promise.all([
        parentageOf(who.houseId, body.fromLotId),
        parentageOf(who.houseId, body.intoLotId),
      ]);
      return log.record(who, { id: body.id, kind: 'merge', when: exactly(body.at), override: body.override }, async (scope) => {
        const from = await stock.lockLot(scope, body.fromLotId);
        const into = await stock.lockLot(scope, body.intoLotId);
        if (from.speciesKey !== into.speciesKey)
          throw new DomainError('request/invalid', { detail: 'They are different species.', pointer: '#/intoLotId' });
        if (from.tankId !== into.tankId)
          throw new DomainError('request/invalid', { detail: 'Move them into one tank first.', pointer: '#/intoLotId' });
        if (totalHeads(from) === 0)
          throw new DomainError('stock/too-many', { detail: 'Nobody is left in that lot.', pointer: '#/fromLotId' });
        if (one !== other && !body.override)
          throw new DomainError('stock/mixed-parentage', {
            detail: `They have different parents. Once together, nobody can say of one animal which are its: kinship will count each as either, by their numbers (${totalHeads(from)} and ${totalHeads(into)}). If that is worth it, say why.`,
            pointer: '#/intoLotId',
          });
        await stock.book(scope, { ...headsOf(from), fromLotId: from.id, toLotId: into.id, cause: 'merge' }, exactly(body.at));
        return {
          text: `${await nameOf(scope, into)}: ${headWords(from)} joined${one === other ? '' : ', of other parents'}`,
          tankId: into.tankId,
          subjectId: into.id,
        };
      });
    },

    tagOut: (who: Who, body: Body<'tagOut'>) =>
      about(who, { id: body.id, kind: 'tag', at: body.at }, body.lotId, async (scope, lot) => {
        const heads = { ...EMPTY, [body.sex]: 1 };
        const decision = decideMove(headsOf(lot), heads);
        if (!decision.ok) throw new DomainError('stock/too-many', { detail: decision.message, pointer: '#/sex' });
        if (totalHeads(lot) === 1) {
          await say(scope, lot, { ...lot, name: body.name });
          return `called ${body.name}`;
        }
        const { id: _id, entryId: _entry, males: _m, females: _f, unsexed: _u, ...like } = lot;
        await stock.createLot(scope, { ...like, id: body.newLotId, name: body.name, isProven: false, since: body.at });
        await stock.book(scope, { ...heads, fromLotId: lot.id, toLotId: body.newLotId, cause: 'split' }, exactly(body.at));
        return `one taken out by name: ${body.name}`;
      }),

    addPhoto: (who: Who, body: Body<'addPhoto'>) =>
      about(who, { id: body.id, kind: 'photo', at: body.at }, body.lotId, async ({ entryId, tx }, lot) => {
        await photos.insert(who.houseId, { id: newId(), entryId, lotId: lot.id, data: body.data, at: body.at }, tx);
        return 'photograph added';
      }),

    gradeLot: (who: Who, body: Body<'gradeLot'>) =>
      about(who, { id: body.id, kind: 'grading', at: body.at }, body.lotId, async ({ entryId, tx }, lot) => {
        const { criteria, animals, kept, at } = body;
        const short = animals.findIndex(({ scores }) => scores.length !== criteria.length);
        if (short >= 0)
          throw new DomainError('request/invalid', {
            detail: 'Give a score for each criterion.',
            pointer: `#/animals/${short}/scores`,
          });
        if (kept > animals.length)
          throw new DomainError('request/invalid', { detail: `Only ${animals.length} were graded.`, pointer: '#/kept' });
        await gradings.insert(who.houseId, { id: newId(), entryId, lotId: lot.id, criteria, animals, kept, at }, tx);
        return `graded by ${criteria.join(', then ')}: ${kept} of ${animals.length} kept`;
      }),

    logThrowback: (who: Who, body: Body<'logThrowback'>) =>
      about(who, { id: body.id, kind: 'throwback', at: body.at }, body.lotId, async ({ entryId, tx }, lot) => {
        if (body.seen > body.of) throw new DomainError('request/invalid', { detail: `Of ${body.of} only.`, pointer: '#/seen' });
        await throwbacks.insert(
          who.houseId,
          { id: newId(), entryId, lotId: lot.id, what: body.what, seen: body.seen, ofCount: body.of, at: body.at },
          tx,
        );
        return `throwback, ${body.what}: ${body.seen} of ${body.of}`;
      }),

    /** Conditioning that runs today or later, with when its lots were last scored. */
    async programmes(who: Who) {
      const [rows, scored] = await Promise.all([
        repository.runningFrom(who.houseId, houseDay(clock.now(), who.timeZone)),
        repository.lastScored(who.houseId),
      ]);
      return rows.map(({ id, lotId, fromDay, toDay, foods, mealsPerDay, separated, water }) => {
        const at = scored.get(lotId);
        return {
          id,
          lotId,
          from: fromDay,
          to: toDay,
          foods,
          mealsPerDay,
          separated,
          water,
          lastScored: at ? houseDay(at, who.timeZone) : null,
        };
      });
    },
  };
}
export type BroodstockService = ReturnType<typeof createBroodstock>;
