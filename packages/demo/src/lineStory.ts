import { NO_DETAILS } from '@freshet/contract/stock';
import type { Story } from './story';
import type { Places } from './broodStory';
import { ANCESTORS, ANGEL, GENOTYPES, GRADED, LIMIA, LOOKED, NOTED, RESCUE, SCORES, TAGGED, type Animal } from './lines';

const details = (
  { name, line, generation }: Animal,
  { grade, ...more }: { marks?: string; grade?: string | undefined; bornOn?: string } = {},
) => ({ ...NO_DETAILS, name, line, generation, ...more, grade: grade ?? null });
const sure = (lotId: string) => [{ lotId, probability: 1 }];

/** Who came before the broodstock: the books of three lines, taken over at the start. */
function tellAncestors(story: Story, at: string, lots: Map<string, string>): void {
  for (const { key } of ANCESTORS) lots.set(key, story.newId(at));
  const idOf = (key: string | undefined) => (key ? sure(lots.get(key) ?? '') : []);
  story.write(at, 'importLots', {
    id: story.newId(at),
    lots: ANCESTORS.map((animal) => ({
      lotId: lots.get(animal.key) ?? '',
      speciesKey: animal.species,
      origin: 'local' as const,
      acquiredFrom: null,
      tankId: null,
      heads: { males: 0, females: 0, unsexed: 0 },
      since: at,
      details: details(animal),
      sires: idOf(animal.sire),
      dams: idOf(animal.dam),
    })),
  });
}

/** Animals known by name, each noted with its parents. */
function tellTagged(story: Story, lots: Map<string, string>, places: Places): void {
  for (const animal of TAGGED) {
    const at = story.daysAgo(animal.daysAgo, '16:40');
    const lotId = story.newId(at);
    lots.set(animal.key, lotId);
    story.write(at, 'addLot', {
      id: story.newId(at),
      lotId,
      speciesKey: animal.species,
      line: animal.line,
      generation: animal.generation,
      origin: animal.from ? 'local' : 'ownBrood',
      acquiredFrom: animal.from,
      tankId: places.tankId(animal.tank),
      heads: { males: 0, females: 0, unsexed: 0, [animal.sex]: 1 },
      at,
      name: animal.name,
      bornOn: story.day(animal.bornDaysAgo),
    });
    story.write(at, 'describeLot', {
      id: story.newId(at),
      lotId,
      details: details(animal, { marks: animal.marks, grade: animal.grade, bornOn: story.day(animal.bornDaysAgo) }),
    });
    if (animal.sire && animal.dam)
      story.write(at, 'setParents', {
        id: story.newId(at),
        subjectId: lotId,
        sires: sure(lots.get(animal.sire) ?? ''),
        dams: sure(lots.get(animal.dam) ?? ''),
      });
  }
}

/** A stranger joins the Marrow line; his young are kept. */
function tellRescue(story: Story, lots: Map<string, string>, places: Places): void {
  const add = (
    key: string,
    daysAgo: number,
    heads: { males: number; females: number; unsexed: number },
    line: string,
    generation: string,
    from: string | null,
  ) => {
    const at = story.daysAgo(daysAgo, '16:50');
    const lotId = story.newId(at);
    lots.set(key, lotId);
    story.write(at, 'addLot', {
      id: story.newId(at),
      lotId,
      speciesKey: LIMIA,
      line,
      generation,
      origin: from ? 'local' : 'ownBrood',
      acquiredFrom: from,
      tankId: places.tankId('A3.4'),
      heads,
      at,
      name: key === 'sorrel' ? 'Sorrel' : null,
      bornOn: key === 'sorrel' ? null : story.day(daysAgo + 150),
    });
    return { at, lotId };
  };
  const { newcomer, young } = RESCUE;
  const sorrel = add(newcomer.key, newcomer.daysAgo, newcomer.heads, 'Sorrel', 'F2', "Marrow & District Fishkeepers' auction");
  const kept = add(young.key, young.daysAgo, young.heads, 'Marrow × Sorrel', 'F5', null);
  story.write(kept.at, 'setParents', {
    id: story.newId(kept.at),
    subjectId: kept.lotId,
    sires: sure(sorrel.lotId),
    dams: sure(lots.get('limia') ?? ''),
  });
}

function tellLooks(story: Story, lots: Map<string, string>): void {
  const of = (key: string) => lots.get(key) ?? '';
  for (const [key, daysAgo, lengthMm, looks] of LOOKED) {
    const at = story.daysAgo(daysAgo, '19:10');
    const answers = Object.entries(looks).map(([trait, look]) => ({ trait, look }));
    story.write(at, 'assessSex', { id: story.newId(at), lotId: of(key), at, lengthMm, answers });
  }
  for (const [key, daysAgo, score, lengthMm, weightG, signs] of SCORES) {
    const at = story.daysAgo(daysAgo, '19:30');
    story.write(at, 'scoreCondition', { id: story.newId(at), lotId: of(key), at, score, signs, lengthMm, weightG, note: null });
  }
  const begun = story.daysAgo(6, '19:40');
  story.write(begun, 'addProgramme', {
    id: story.newId(begun),
    programmeId: story.newId(begun),
    lotId: of('krib'),
    from: story.day(6),
    weeks: 3,
    foods: 'grindal worms, brine shrimp',
    mealsPerDay: 2,
    separated: 'divider',
    water: 'a third changed twice a week',
  });
}

function tellGenes(story: Story, lots: Map<string, string>): void {
  const at = story.daysAgo(160, '20:20');
  story.write(at, 'defineGene', {
    id: story.newId(at),
    speciesKey: ANGEL,
    locus: 'gold',
    inheritance: 'autosomal',
    dominance: 'complete',
    alleles: ['G', 'g'],
    delicate: { allele: 'g', survival: 0.7 },
  });
  for (const [key, genotype] of GENOTYPES) {
    const since = story.daysAgo(110, '20:25');
    story.write(since, 'setGenotype', { id: story.newId(since), lotId: lots.get(key) ?? '', locus: 'gold', genotype });
  }
  for (const key of ['angel', 'whiptail']) {
    const proven = story.daysAgo(60, '20:30');
    const line = key === 'angel' ? 'Quay' : 'Red';
    story.write(proven, 'describeLot', {
      id: story.newId(proven),
      lotId: lots.get(key) ?? '',
      details: { ...NO_DETAILS, line, generation: key === 'angel' ? 'F2' : null, isProven: true },
    });
  }
}

/** The grown part of a brood is graded, and shows what neither parent shows. @param lotId - of the brood */
export function tellGrading(story: Story, lotId: string): void {
  const at = story.daysAgo(9, '18:10');
  story.write(at, 'gradeLot', {
    id: story.newId(at),
    lotId,
    at,
    criteria: ['Colour', 'Pattern'],
    animals: GRADED.map(([name, ...scores]) => ({ name, scores })),
    kept: 4,
  });
  story.write(at, 'logThrowback', { id: story.newId(at), lotId, at, what: 'gold', seen: 12, of: 55 });
}

/**
 * The lines: Tern, brother with sister until little is left; Marrow, on the same way until a stranger came; Quay, well known by
 * name, with a colour that hides.
 */
export function tellLines(story: Story, lots: Map<string, string>, places: Places, setUpAt: string): void {
  tellAncestors(story, setUpAt, lots);
  for (const [lot, sire, dam] of NOTED) {
    const at = story.daysAgo(250, '21:00');
    story.write(at, 'setParents', {
      id: story.newId(at),
      subjectId: lots.get(lot) ?? '',
      sires: sure(lots.get(sire) ?? ''),
      dams: sure(lots.get(dam) ?? ''),
    });
  }
  tellTagged(story, lots, places);
  tellRescue(story, lots, places);
  tellLooks(story, lots);
  tellGenes(story, lots);
}
