import { CalculationError } from '@freshet/core/errors';
import { groupKinship, orderGroups, tracePedigree, type Cause, type ParentLot, type TracedPedigree } from '@freshet/core/stock';
import { formatDay, houseDay } from '@freshet/core/time';
import type { LogService } from '../log';
import { DomainError, type Clock, type Who, type Reading } from '../platform';
import type { BroodstockRepository, GeneRow } from './broodstock.repository';
import type { BroodDescent, Descent } from './descent';
import { toLotView, type LotViews } from './lotViews';
import type { LotRow, StockRepository } from './stock.repository';
import { v7 as newId } from 'uuid';

/** Pedigrees, noted parents and genes. */
export function createKinship({
  clock,
  log,
  stockRepository,
  repository,
  views,
  descent,
}: {
  clock: Clock;
  log: LogService;
  stockRepository: StockRepository;
  repository: BroodstockRepository;
  views: LotViews;
  descent: Descent;
}) {
  const { parentSets, genes, genotypes } = repository;
  const byAnimals = (lotIds: readonly string[]): ParentLot[] => lotIds.map((lotId) => ({ lotId, probability: null }));

  async function read(at: Reading, speciesKey: string) {
    const [lots, ledger, broods, sets] = await Promise.all([
      stockRepository.ofSpecies(at, speciesKey),
      repository.ledger(at, speciesKey),
      descent.broods(at),
      repository.parentSetsOf(at),
    ]);
    const own = broods.filter((brood) => brood.speciesKey === speciesKey);
    return { lots, ledger, broods: own, noted: new Map(sets.map((set) => [set.subjectId, set])) };
  }

  function trace({ lots, ledger, broods, noted }: Awaited<ReturnType<typeof read>>): TracedPedigree {
    return tracePedigree({
      lots: lots.map(({ id, broodId }) => ({ id, broodId, sires: noted.get(id)?.sires ?? [], dams: noted.get(id)?.dams ?? [] })),
      movements: ledger.map(({ fromAt, cause, ...row }) => ({
        ...row,
        cause: cause as Cause,
        at: new Date(fromAt).toISOString(),
      })),
      broods: broods.map(({ id, laidAt, sires, dams }) => ({
        id,
        at: laidAt,
        sires: noted.get(id)?.sires ?? byAnimals(sires),
        dams: noted.get(id)?.dams ?? byAnimals(dams),
      })),
    });
  }

  log.declare({
    parents: {
      apply: async (scope, body) => {
        const { entryId, now: at } = scope;
        const ids = [...new Set([...body.sires, ...body.dams].map(({ lotId }) => lotId))];
        const [subject, parents] = await Promise.all([
          stockRepository.lots.get(scope, body.subjectId),
          stockRepository.lots.find(scope, { id: ids }),
        ]);
        const young = subject ?? (await stockRepository.lots.find(scope, { broodId: body.subjectId }, { limit: 1 }))[0];
        if (!young) throw new DomainError('request/not-found', { detail: 'There’s no such lot or brood.' });
        const stranger = parents.find(({ speciesKey }) => speciesKey !== young.speciesKey);
        if (stranger || parents.length < ids.length)
          throw new DomainError('stock/wrong-parents', { detail: 'Parents are lots of the same species.', pointer: '#/sires' });
        await parentSets.insert(scope, {
          id: newId(),
          entryId,
          subjectId: body.subjectId,
          sires: body.sires,
          dams: body.dams,
          at,
        });
        // Read again with what is noted now: nobody may come out as his own ancestor.
        const found = await read(scope, young.speciesKey);
        found.noted.set(body.subjectId, { id: '', entryId, subjectId: body.subjectId, sires: body.sires, dams: body.dams, at });
        try {
          orderGroups(trace(found).pedigree);
        } catch (error) {
          if (!(error instanceof CalculationError)) throw error;
          throw new DomainError('stock/wrong-parents', {
            detail:
              error.code === 'pedigreeCycle' || error.code === 'selfParent'
                ? 'They would be their own ancestors.'
                : error.message,
            pointer: '#/sires',
            cause: error,
          });
        }
        return {
          text: `Parents noted: ${body.sires.length} possible sires, ${body.dams.length} possible dams`,
          subjectId: young.id,
          tankId: young.tankId,
        };
      },
      undo: { tables: [parentSets] },
    },
    gene: {
      apply: async (scope, body) => {
        const { entryId, now: at } = scope;
        const { id: _id, ...gene } = body;
        if (!(await views.species(scope)).has(gene.speciesKey))
          throw new DomainError('species/unknown', {
            detail: `There is no species "${gene.speciesKey}".`,
            pointer: '#/speciesKey',
          });
        if (gene.delicate && !gene.alleles.includes(gene.delicate.allele))
          throw new DomainError('request/invalid', { detail: 'That is none of its alleles.', pointer: '#/delicate/allele' });
        await genes.insert(scope, { id: newId(), entryId, ...gene, at });
        return { text: `Gene ${gene.locus}: ${gene.alleles.join(', ')}` };
      },
      undo: { tables: [genes] },
    },
    genotype: {
      apply: async (scope, body) => {
        const { entryId, now: at } = scope;
        const lot = await stockRepository.lots.get(scope, body.lotId);
        if (!lot) throw new DomainError('request/not-found', { detail: 'There’s no such lot.' });
        const gene = (await repository.genesOf(scope, lot.speciesKey)).findLast(({ locus }) => locus === body.locus);
        if (!gene)
          throw new DomainError('request/invalid', {
            detail: `No gene "${body.locus}" is named for this species.`,
            pointer: '#/locus',
          });
        const wrong = body.genotype.split('/').find((allele) => allele !== '-' && !gene.alleles.includes(allele));
        if (wrong !== undefined)
          throw new DomainError('request/invalid', {
            detail: `"${wrong}" is no allele of ${gene.locus}: ${gene.alleles.join(', ')}.`,
            pointer: '#/genotype',
          });
        await genotypes.insert(scope, { id: newId(), entryId, lotId: lot.id, locus: body.locus, genotype: body.genotype, at });
        return { text: `${lot.name ?? 'Lot'}: ${body.locus} ${body.genotype}`, subjectId: lot.id, tankId: lot.tankId };
      },
      undo: { tables: [genotypes] },
    },
  });

  return {
    /** Parents of a lot: those noted for it or its brood, else the lots of its attempt. */
    async parentsOf(who: Who, lot: LotRow, broods: readonly BroodDescent[]) {
      const subjectId = lot.broodId ?? lot.id;
      const [set] = (await repository.parentSetsOf(who, [subjectId])).slice(-1);
      if (set) return { sires: set.sires, dams: set.dams, fromBrood: false };
      const brood = broods.find(({ id }) => id === lot.broodId);
      return { sires: byAnimals(brood?.sires ?? []), dams: byAnimals(brood?.dams ?? []), fromBrood: brood !== undefined };
    },

    /** Expected inbreeding of young of these lots: mean kinship of every male with every female; null when a side is empty. */
    async expectedInbreeding(
      who: Who,
      speciesKey: string,
      sires: readonly string[],
      dams: readonly string[],
    ): Promise<number | null> {
      if (sires.length === 0 || dams.length === 0) return null;
      const { pedigree, animals } = trace(await read(who, speciesKey));
      const known = new Set(pedigree.map(({ id }) => id));
      const of = (lotIds: readonly string[]) =>
        animals.filter(({ id, lotId }) => lotIds.includes(lotId) && known.has(id)).map(({ id }) => id);
      const [males, females] = [of(sires), of(dams)];
      if (males.length === 0 || females.length === 0) return null;
      const ids = [...new Set([...males, ...females])];
      const { matrix } = groupKinship({ pedigree, ids });
      const at = new Map(ids.map((id, i) => [id, i]));
      const pairs = males.flatMap((male) =>
        females.filter((female) => female !== male).map((female) => matrix[at.get(male) ?? 0]?.[at.get(female) ?? 0] ?? 0),
      );
      return pairs.length === 0 ? null : pairs.reduce((sum, value) => sum + value, 0) / pairs.length;
    },

    async pedigree(who: Who, speciesKey: string) {
      const found = await read(who, speciesKey);
      const traced = trace(found);
      const facts = await views.facts(who);
      const today = houseDay(clock.now(), who.timeZone);
      const broodById = new Map(found.broods.map((brood) => [brood.id, brood]));
      const lotById = new Map(found.lots.map((lot) => [lot.id, lot]));
      const nowIn = new Map(traced.animals.map((animal) => [animal.id, animal]));
      const counts = new Map<string, number>();
      const labels: Record<string, string> = {};
      for (const { id } of traced.pedigree) {
        const lot = lotById.get(nowIn.get(id)?.lotId ?? id.split('#')[0] ?? id);
        if (!lot) continue;
        const brood = broodById.get(lot.broodId ?? '');
        const called = lot.name ?? brood?.name ?? [lot.line, lot.generation].filter(Boolean).join(' ') ?? '';
        const base = called || `since ${formatDay(houseDay(lot.since, who.timeZone), today)}`;
        const many = traced.animals.filter((animal) => animal.lotId === lot.id).length > 1;
        const number = (counts.get(base) ?? 0) + 1;
        counts.set(base, number);
        labels[id] = many || number > 1 ? `${base} ${number}` : base;
      }
      return {
        pedigree: traced.pedigree,
        animals: traced.animals.flatMap((animal) => {
          const lot = lotById.get(animal.lotId);
          if (!lot || lot.males + lot.females + lot.unsexed === 0) return [];
          const { view } = toLotView(lot, [lot], facts);
          return [{ ...animal, isBreeder: lot.broodId === null || view.readiness !== null, isRetired: lot.isRetired }];
        }),
        labels,
      };
    },

    async genes(who: Who, speciesKey: string) {
      const [rows, lots] = await Promise.all([repository.genesOf(who, speciesKey), stockRepository.ofSpecies(who, speciesKey)]);
      const byLocus = new Map<string, GeneRow>(rows.map((row) => [row.locus, row]));
      const known = await repository.genotypesOf(
        who,
        lots.map(({ id }) => id),
      );
      const newest = new Map(known.map((row) => [`${row.lotId} ${row.locus}`, row]));
      return {
        genes: [...byLocus.values()].map(({ locus, inheritance, dominance, alleles, delicate }) => ({
          speciesKey,
          locus,
          inheritance,
          dominance,
          alleles,
          delicate,
        })),
        genotypes: [...newest.values()].map(({ lotId, locus, genotype }) => ({ lotId, locus, genotype })),
      };
    },
  };
}
export type KinshipService = ReturnType<typeof createKinship>;
