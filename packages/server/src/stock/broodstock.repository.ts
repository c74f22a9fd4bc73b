import { Op, QueryTypes } from 'sequelize';
import type { ConditionSign, ParentLot } from '@freshet/core/stock';
import { houseTable, type Database, type HouseRow } from '../platform';

export interface DetailsRow extends HouseRow {
  lotId: string;
  name: string | null;
  line: string | null;
  generation: string | null;
  grade: string | null;
  marks: string | null;
  permit: string | null;
  bornOn: string | null;
  isProven: boolean;
  isRetired: boolean;
  at: string;
}
export interface ParentSetRow extends HouseRow {
  subjectId: string;
  sires: ParentLot[];
  dams: ParentLot[];
  at: string;
}
export interface AssessmentRow extends HouseRow {
  lotId: string;
  speciesKey: string;
  lengthMm: number | null;
  answers: { trait: string; look: 'seen' | 'notSeen' | 'cannotTell' }[];
  pMale: number;
  at: string;
}
export interface ConditionRow extends HouseRow {
  lotId: string;
  score: number;
  signs: ConditionSign[];
  lengthMm: number | null;
  weightG: number | null;
  note: string | null;
  at: string;
}
export interface ProgrammeRow extends HouseRow {
  lotId: string;
  fromDay: string;
  toDay: string;
  foods: string;
  mealsPerDay: number;
  separated: 'together' | 'divider' | 'tank';
  water: string | null;
}
export interface ProgrammeEndRow extends HouseRow {
  programmeId: string;
  at: string;
}
export interface GeneRow extends HouseRow {
  speciesKey: string;
  locus: string;
  inheritance: 'autosomal' | 'sexLinked';
  dominance: 'complete' | 'incomplete';
  alleles: string[];
  delicate: { allele: string; survival: number } | null;
  at: string;
}
export interface GenotypeRow extends HouseRow {
  lotId: string;
  locus: string;
  genotype: string;
  at: string;
}
export interface GradingRow extends HouseRow {
  lotId: string;
  criteria: string[];
  animals: { name: string; scores: number[] }[];
  kept: number;
  at: string;
}
export interface ThrowbackRow extends HouseRow {
  lotId: string;
  what: string;
  seen: number;
  ofCount: number;
  at: string;
}
export interface PhotoRow extends HouseRow {
  lotId: string;
  data: string;
  at: string;
}

const OLDEST_FIRST = {
  order: [
    ['at', 'ASC'],
    ['id', 'ASC'],
  ] as [string, string][],
};

export function createBroodstockRepository(database: Database) {
  const details = houseTable<DetailsRow>(database, 'lot_details', {
    lotId: 'id',
    name: 'text',
    line: 'text',
    generation: 'text',
    grade: 'text',
    marks: 'text',
    permit: 'text',
    bornOn: 'day',
    isProven: 'flag',
    isRetired: 'flag',
    at: 'instant',
  });
  const parentSets = houseTable<ParentSetRow>(database, 'parent_sets', {
    subjectId: 'id',
    sires: 'json',
    dams: 'json',
    at: 'instant',
  });
  const assessments = houseTable<AssessmentRow>(database, 'assessments', {
    lotId: 'id',
    speciesKey: 'text',
    lengthMm: 'real',
    answers: 'json',
    pMale: 'real',
    at: 'instant',
  });
  const conditions = houseTable<ConditionRow>(database, 'conditions', {
    lotId: 'id',
    score: 'whole',
    signs: 'json',
    lengthMm: 'real',
    weightG: 'real',
    note: 'text',
    at: 'instant',
  });
  const programmes = houseTable<ProgrammeRow>(database, 'programmes', {
    lotId: 'id',
    fromDay: 'day',
    toDay: 'day',
    foods: 'text',
    mealsPerDay: 'whole',
    separated: 'text',
    water: 'text',
  });
  const programmeEnds = houseTable<ProgrammeEndRow>(database, 'programme_ends', { programmeId: 'id', at: 'instant' });
  const genes = houseTable<GeneRow>(database, 'genes', {
    speciesKey: 'text',
    locus: 'text',
    inheritance: 'text',
    dominance: 'text',
    alleles: 'json',
    delicate: 'json',
    at: 'instant',
  });
  const genotypes = houseTable<GenotypeRow>(database, 'genotypes', {
    lotId: 'id',
    locus: 'text',
    genotype: 'text',
    at: 'instant',
  });
  const gradings = houseTable<GradingRow>(database, 'gradings', {
    lotId: 'id',
    criteria: 'json',
    animals: 'json',
    kept: 'whole',
    at: 'instant',
  });
  const throwbacks = houseTable<ThrowbackRow>(database, 'throwbacks', {
    lotId: 'id',
    what: 'text',
    seen: 'whole',
    ofCount: 'whole',
    at: 'instant',
  });
  const photos = houseTable<PhotoRow>(database, 'photos', { lotId: 'id', data: 'text', at: 'instant' });
  /** Programmes with whether they were ended before their time. */
  async function withEnds(houseId: string, rows: ProgrammeRow[]) {
    const ends = await programmeEnds.find(houseId, { programmeId: { [Op.in]: rows.map(({ id }) => id) } });
    const ended = new Set(ends.map(({ programmeId }) => programmeId));
    return rows.map((row) => ({ ...row, isEnded: ended.has(row.id) }));
  }
  return {
    details,
    parentSets,
    assessments,
    conditions,
    programmes,
    programmeEnds,
    genes,
    genotypes,
    gradings,
    throwbacks,
    photos,
    /** All rows of a table that are about some lot, oldest first. */
    assessmentsOf: (houseId: string, lotId: string) => assessments.find(houseId, { lotId }, OLDEST_FIRST),
    conditionsOf: (houseId: string, lotId: string) => conditions.find(houseId, { lotId }, OLDEST_FIRST),
    gradingsOf: (houseId: string, lotId: string) => gradings.find(houseId, { lotId }, OLDEST_FIRST),
    throwbacksOf: (houseId: string, lotId: string) => throwbacks.find(houseId, { lotId }, OLDEST_FIRST),
    ofSpecies: (houseId: string, speciesKey: string) => assessments.find(houseId, { speciesKey }, OLDEST_FIRST),
    /** How likely each lot is male by its newest assessment. */
    malesByTraits: async (houseId: string) => {
      const rows = await database.sequelize.query<{ lotId: string; pMale: number }>(
        'SELECT lot_id lotId, p_male pMale FROM assessments WHERE house_id = :houseId AND live = 1 ORDER BY at, id',
        { replacements: { houseId }, type: QueryTypes.SELECT },
      );
      return new Map(rows.map(({ lotId, pMale }) => [lotId, pMale]));
    },
    conditionsSince: (houseId: string, at: string) => conditions.find(houseId, { at: { [Op.gte]: at } }, OLDEST_FIRST),
    /** The longest that each lot was ever measured, for readiness. */
    lengths: async (houseId: string) => {
      const rows = await database.sequelize.query<{ lotId: string; lengthMm: number }>(
        'SELECT lot_id lotId, MAX(length_mm) lengthMm FROM conditions WHERE house_id = :houseId AND live = 1 AND length_mm IS NOT NULL GROUP BY lot_id',
        { replacements: { houseId }, type: QueryTypes.SELECT },
      );
      return new Map(rows.map(({ lotId, lengthMm }) => [lotId, lengthMm]));
    },
    lastScored: async (houseId: string) => {
      const rows = await database.sequelize.query<{ lotId: string; at: Date }>(
        'SELECT lot_id lotId, MAX(at) at FROM conditions WHERE house_id = :houseId AND live = 1 GROUP BY lot_id',
        { replacements: { houseId }, type: QueryTypes.SELECT },
      );
      return new Map(rows.map(({ lotId, at }) => [lotId, new Date(at).toISOString()]));
    },
    parentSetsOf: (houseId: string, subjectIds?: readonly string[]) =>
      parentSets.find(houseId, subjectIds ? { subjectId: { [Op.in]: [...subjectIds] } } : {}, OLDEST_FIRST),
    genesOf: (houseId: string, speciesKey: string) => genes.find(houseId, { speciesKey }, OLDEST_FIRST),
    genotypesOf: (houseId: string, lotIds: readonly string[]) =>
      genotypes.find(houseId, { lotId: { [Op.in]: [...lotIds] } }, OLDEST_FIRST),
    /** Photographs of a lot without their bytes, newest first. */
    photoIds: async (houseId: string, lotId: string) =>
      (
        await database.sequelize.query<{ id: string }>(
          'SELECT id FROM photos WHERE house_id = :houseId AND lot_id = :lotId AND live = 1 ORDER BY at DESC, id DESC',
          { replacements: { houseId, lotId }, type: QueryTypes.SELECT },
        )
      ).map(({ id }) => id),
    programmesOf: async (houseId: string, lotId: string) =>
      withEnds(houseId, await programmes.find(houseId, { lotId }, { order: [['fromDay', 'ASC']] })),
    /** Programmes that run on a day or later and were not ended. */
    runningFrom: async (houseId: string, day: string) =>
      (await withEnds(houseId, await programmes.find(houseId, { toDay: { [Op.gte]: day } }))).filter(({ isEnded }) => !isEnded),
    /** The ledger of a species' lots without what was taken back, oldest first. */
    ledger: (houseId: string, speciesKey: string) =>
      database.sequelize.query<{
        fromLotId: string | null;
        toLotId: string | null;
        males: number;
        females: number;
        unsexed: number;
        cause: string;
        fromAt: Date;
      }>(
        `SELECT m.from_lot_id fromLotId, m.to_lot_id toLotId, m.males, m.females, m.unsexed, m.cause, m.from_at fromAt
         FROM movements m JOIN lots l ON l.id = COALESCE(m.to_lot_id, m.from_lot_id) AND l.house_id = :houseId
         LEFT JOIN entries e ON e.id = m.entry_id AND e.house_id = :houseId
         WHERE m.house_id = :houseId AND l.species_key = :speciesKey AND m.cause <> 'undo' AND COALESCE(e.undone, 0) = 0
         ORDER BY m.from_at, m.id`,
        { replacements: { houseId, speciesKey }, type: QueryTypes.SELECT },
      ),
  };
}
export type BroodstockRepository = ReturnType<typeof createBroodstockRepository>;
