import { decideMove, decideSexing, EMPTY, sexing, sexWords, summariseLengths, totalHeads, type Heads } from '@freshet/core/stock';
import { addDays, exactly, houseDay } from '@freshet/core/time';
import type { Applied, LogService, Scope, Undoing } from '../log';
import { DomainError, type Clock, type Who, type Reading } from '../platform';
import type { RoomService } from '../room';
import type { BroodstockRepository } from './broodstock.repository';
import { createLotDetails, detailWords } from './lotDetails';
import { readPhoto } from './readPhoto';
import type { LotViews } from './lotViews';
import { createMarksAndLengths } from './marksAndLengths';
import { detailsOf, type LotRow } from './stock.repository';
import { headWords } from './headWords';
import type { StockService } from './stock.service';
import { v7 as newId } from 'uuid';

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
  const { newestSaid, say, restore } = createLotDetails(repository, lots);

  const described: Undoing['after'] = async (scope, { subjectId }) => {
    if (subjectId) await restore(scope, subjectId);
  };

  /** How a lot is called in the log: its name, or its species and tank. */
  async function nameOf(scope: Scope, lot: LotRow): Promise<string> {
    const tank = lot.tankId ? await room.getTank(scope, lot.tankId) : null;
    return [lot.name ?? (await views.speciesName(scope, lot.speciesKey)), tank && `in ${tank.code}`].filter(Boolean).join(' ');
  }

  /** One entry about one lot. */
  const about =
    <Body extends { lotId: string }>(work: (scope: Scope, lot: LotRow, body: Body) => Promise<string>) =>
    async (scope: Scope, body: Body): Promise<Applied> => {
      const lot = await stock.getLot(scope, body.lotId);
      const text = await work(scope, lot, body);
      return { text: `${await nameOf(scope, lot)}: ${text}`, tankId: lot.tankId, subjectId: lot.id, about: [lot.broodId] };
    };

  async function parentageOf(at: Reading, lotId: string): Promise<string> {
    const lot = await lots.get(at, lotId);
    if (lot?.broodId) return `brood ${lot.broodId}`;
    let root = lotId;
    const seen = new Set<string>();
    while (!seen.has(root)) {
      seen.add(root);
      const came = (await stock.repository.movementsOf(at, [root])).find(
        ({ toLotId, cause }) => toLotId === root && cause !== 'sexing',
      );
      if (!came?.fromLotId || came.cause !== 'split') break;
      root = came.fromLotId;
    }
    return `lot ${root}`;
  }

  createMarksAndLengths({ log, stock, repository, views, about });

  log.declare({
    lotDetails: {
      apply: about(async (scope, lot, body) => {
        const said = body.details;
        const newest = await newestSaid(scope, lot.id);
        // What the lot was recorded with is nobody's edit.
        const before = newest && newest.entryId !== lot.entryId ? newest : null;
        await log.mustBeNewest(scope, body.version, before, {
          theirs: detailWords(before ?? lot, said),
          yours: detailWords(said, before ?? lot),
        });
        await say(scope, lot, said);
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
      undo: { tables: [details], after: described },
    },
    sexing: {
      apply: about(async (scope, lot, body) => {
        const decision = decideSexing(lot.id, headsOf(lot), body.heads);
        if (!decision.ok)
          throw new DomainError('stock/too-many', { detail: decision.message, pointer: `#/heads/${decision.field}` });
        for (const movement of decision.movements) await stock.book(scope, movement, exactly(body.at));
        return `sexed as ${headWords(body.heads)}`;
      }),
      undo: stock.ledgerUndoing(),
    },
    condition: {
      apply: about(async (scope, lot, body) => {
        const { entryId } = scope;
        const { score, signs, lengthMm, weightG, note, at } = body;
        await conditions.insert(scope, { id: newId(), entryId, lotId: lot.id, score, signs, lengthMm, weightG, note, at });
        return `condition ${score} of 5${lengthMm === null ? '' : `, ${lengthMm} mm`}${weightG === null ? '' : `, ${weightG} g`}`;
      }),
      undo: { tables: [conditions] },
    },
    programme: {
      apply: about(async (scope, lot, body) => {
        const { entryId } = scope;
        const { programmeId, from, weeks, foods, mealsPerDay, separated, water } = body;
        await programmes.insert(scope, {
          id: programmeId,
          entryId,
          lotId: lot.id,
          fromDay: from,
          toDay: addDays(from, weeks * 7 - 1),
          foods,
          mealsPerDay,
          separated,
          water,
        });
        return `conditioning for ${weeks} weeks: ${foods}`;
      }),
      undo: { tables: [programmes] },
    },
    tag: {
      apply: about(async (scope, lot, body) => {
        const heads = { ...EMPTY, [body.sex]: 1 };
        const decision = decideMove(headsOf(lot), heads);
        if (!decision.ok) throw new DomainError('stock/too-many', { detail: decision.message, pointer: '#/sex' });
        if (totalHeads(lot) === 1) {
          await say(scope, lot, { ...lot, name: body.name });
          return `called ${body.name}`;
        }
        await stock.createLot(scope, { ...detailsOf(lot), id: body.newLotId, name: body.name, isProven: false, since: body.at });
        await stock.book(scope, { ...heads, fromLotId: lot.id, toLotId: body.newLotId, cause: 'split' }, exactly(body.at));
        return `one taken out by name: ${body.name}`;
      }),
      undo: stock.ledgerUndoing({ tables: [details], after: described }),
    },
    grading: {
      apply: about(async (scope, lot, body) => {
        const { entryId } = scope;
        const { criteria, animals, kept, at } = body;
        const short = animals.findIndex(({ scores }) => scores.length !== criteria.length);
        if (short >= 0)
          throw new DomainError('request/invalid', {
            detail: 'Give a score for each criterion.',
            pointer: `#/animals/${short}/scores`,
          });
        if (kept > animals.length)
          throw new DomainError('request/invalid', { detail: `Only ${animals.length} were graded.`, pointer: '#/kept' });
        await gradings.insert(scope, { id: newId(), entryId, lotId: lot.id, criteria, animals, kept, at });
        return `graded by ${criteria.join(', then ')}: ${kept} of ${animals.length} kept`;
      }),
      undo: { tables: [gradings] },
    },
    throwback: {
      apply: about(async (scope, lot, body) => {
        const { entryId } = scope;
        if (body.seen > body.of) throw new DomainError('request/invalid', { detail: `Of ${body.of} only.`, pointer: '#/seen' });
        await throwbacks.insert(scope, {
          id: newId(),
          entryId,
          lotId: lot.id,
          what: body.what,
          seen: body.seen,
          ofCount: body.of,
          at: body.at,
        });
        return `throwback, ${body.what}: ${body.seen} of ${body.of}`;
      }),
      undo: { tables: [throwbacks] },
    },
    assessment: {
      apply: about(async (scope, { id, speciesKey }, body) => {
        const known = await views.traits(scope, speciesKey);
        const { entryId } = scope;
        const byKey = new Map(known.traits.map((trait) => [trait.key, trait]));
        const stranger = body.answers.findIndex(({ trait }) => !byKey.has(trait));
        if (stranger >= 0)
          throw new DomainError('request/invalid', {
            detail: 'This species is not told apart by that.',
            pointer: `#/answers/${stranger}/trait`,
          });
        const { pMale } = sexing({
          priorMale: known.priorMale,
          traits: body.answers.flatMap(({ trait, look }) => {
            const figures = byKey.get(trait);
            return look === 'cannotTell' || !figures
              ? []
              : [{ name: trait, observed: look === 'seen', pIfMale: figures.pIfMale, pIfFemale: figures.pIfFemale }];
          }),
        });
        await assessments.insert(scope, {
          id: newId(),
          entryId,
          lotId: id,
          speciesKey,
          lengthMm: body.lengthMm,
          answers: body.answers,
          pMale,
          at: body.at,
        });
        return `looked at for sex: ${sexWords(pMale)}`;
      }),
      undo: { tables: [assessments] },
    },
    programmeEnd: {
      apply: async (scope, body) => {
        const programme = await programmes.get(scope, body.programmeId);
        if (!programme) throw new DomainError('request/not-found', { detail: 'There’s no such programme.' });
        const lot = await stock.getLot(scope, programme.lotId);
        await programmeEnds.insert(scope, { id: newId(), entryId: scope.entryId, programmeId: programme.id, at: scope.now });
        return { text: `${await nameOf(scope, lot)}: conditioning ended`, tankId: lot.tankId, subjectId: lot.id };
      },
      undo: { tables: [programmeEnds] },
    },
    photo: {
      // Re-encoded before the house is locked: it takes a while.
      prepare: async (body) => ({ ...body, image: await readPhoto(body.image) }),
      apply: about(async (scope, lot, body) => {
        await photos.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          lotId: lot.id,
          image: Buffer.from(body.image),
          at: body.at,
        });
        return 'photograph added';
      }),
      undo: { tables: [photos] },
    },
    merge: {
      async check(scope, body) {
        if (body.fromLotId === body.intoLotId)
          throw new DomainError('request/invalid', { detail: 'Choose another lot.', pointer: '#/intoLotId' });
        const [from, into] = [await stock.getLot(scope, body.fromLotId), await stock.getLot(scope, body.intoLotId)];
        if (from.speciesKey !== into.speciesKey)
          throw new DomainError('request/invalid', { detail: 'They are different species.', pointer: '#/intoLotId' });
        if (from.tankId !== into.tankId)
          throw new DomainError('request/invalid', { detail: 'Move them into one tank first.', pointer: '#/intoLotId' });
        if (totalHeads(from) === 0)
          throw new DomainError('stock/too-many', { detail: 'None are left in that group.', pointer: '#/fromLotId' });
        if (!scope.override && (await parentageOf(scope, from.id)) !== (await parentageOf(scope, into.id)))
          throw new DomainError('stock/mixed-parentage', {
            detail: `They have different parents. Once together, nobody can tell which is which; kinship counts each as either (${totalHeads(from)} and ${totalHeads(into)}). If it’s worth it, say why.`,
            pointer: '#/intoLotId',
          });
      },
      apply: async (scope, body) => {
        const [from, into] = [await stock.getLot(scope, body.fromLotId), await stock.getLot(scope, body.intoLotId)];
        const isMixed = (await parentageOf(scope, from.id)) !== (await parentageOf(scope, into.id));
        await stock.book(scope, { ...headsOf(from), fromLotId: from.id, toLotId: into.id, cause: 'merge' }, exactly(body.at));
        return {
          text: `${await nameOf(scope, into)}: ${headWords(from)} joined${isMixed ? ', of other parents' : ''}`,
          tankId: into.tankId,
          subjectId: into.id,
          about: [from.id, from.broodId, into.broodId],
        };
      },
      undo: stock.ledgerUndoing(),
    },
  });

  return {
    repository,

    /** Mean lengths of lots measured since a time, the newest of each. */
    async measuredSince(at: Reading, since: string): Promise<Map<string, number>> {
      const [scored, sampled] = await Promise.all([
        repository.conditionsSince(at, since),
        stock.repository.samplesSince(at, since),
      ]);
      const all = [
        ...scored.flatMap(({ lotId, lengthMm, at }) => (lengthMm === null ? [] : [{ lotId, lengthMm, at }])),
        ...sampled.map(({ lotId, lengths, at }) => ({ lotId, lengthMm: summariseLengths(lengths).meanMm, at })),
      ].sort((one, other) => (one.at < other.at ? -1 : 1));
      return new Map(all.map(({ lotId, lengthMm }) => [lotId, lengthMm]));
    },
    /** Conditioning that runs today or later, with when its lots were last scored. */
    async programmes(who: Who) {
      const [rows, scored] = await Promise.all([
        repository.runningFrom(who, houseDay(clock.now(), who.timeZone)),
        repository.lastScored(who),
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
