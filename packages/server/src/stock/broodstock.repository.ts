import { Op } from 'sequelize';
import type { ConditionSign } from '@freshet/core/species';
import type { ParentLot } from '@freshet/core/stock';
import {
  bytes,
  houseTable,
  type Database,
  declareTable,
  type RowOf,
  id,
  text,
  nullable,
  day,
  flag,
  instant,
  json,
  real,
  whole,
  type Reading,
  OLDEST_FIRST,
} from '../platform';

const DETAILS = declareTable('lot_details', {
  lotId: id(),
  name: nullable(text()),
  line: nullable(text()),
  generation: nullable(text()),
  grade: nullable(text()),
  marks: nullable(text()),
  permit: nullable(text()),
  bornOn: nullable(day()),
  isProven: flag(),
  isRetired: flag(),
  at: instant(),
});
const PARENT_SET = declareTable('parent_sets', {
  subjectId: id(),
  sires: json<ParentLot[]>(),
  dams: json<ParentLot[]>(),
  at: instant(),
});
const ASSESSMENT = declareTable('assessments', {
  lotId: id(),
  speciesKey: text(),
  lengthMm: nullable(real()),
  answers: json<{ trait: string; look: 'seen' | 'notSeen' | 'cannotTell' }[]>(),
  pMale: real(),
  at: instant(),
});
const OWN_MARK = declareTable('own_marks', {
  speciesKey: text(),
  name: text(),
  look: text(),
  fromMm: real(),
  pIfMale: real(),
  pIfFemale: real(),
  at: instant(),
});
const CONDITION = declareTable('conditions', {
  lotId: id(),
  score: whole(),
  signs: json<ConditionSign[]>(),
  lengthMm: nullable(real()),
  weightG: nullable(real()),
  note: nullable(text()),
  at: instant(),
});
export type ConditionRow = RowOf<typeof CONDITION>;
const PROGRAMME = declareTable('programmes', {
  lotId: id(),
  fromDay: day(),
  toDay: day(),
  foods: text(),
  mealsPerDay: whole(),
  separated: text<'together' | 'divider' | 'tank'>(),
  water: nullable(text()),
});
type ProgrammeRow = RowOf<typeof PROGRAMME>;
const PROGRAMME_END = declareTable('programme_ends', {
  programmeId: id(),
  at: instant(),
});
const GENE = declareTable('genes', {
  speciesKey: text(),
  locus: text(),
  inheritance: text<'autosomal' | 'sexLinked'>(),
  dominance: text<'complete' | 'incomplete'>(),
  alleles: json<string[]>(),
  delicate: nullable(json<{ allele: string; survival: number }>()),
  at: instant(),
});
export type GeneRow = RowOf<typeof GENE>;
const GENOTYPE = declareTable('genotypes', {
  lotId: id(),
  locus: text(),
  genotype: text(),
  at: instant(),
});
const GRADING = declareTable('gradings', {
  lotId: id(),
  criteria: json<string[]>(),
  animals: json<{ name: string; scores: number[] }[]>(),
  kept: whole(),
  at: instant(),
});
const THROWBACK = declareTable('throwbacks', {
  lotId: id(),
  what: text(),
  seen: whole(),
  ofCount: whole(),
  at: instant(),
});
const PHOTO = declareTable('photos', {
  lotId: id(),
  image: bytes(),
  at: instant(),
});

export function createBroodstockRepository(database: Database) {
  const details = houseTable(database, DETAILS);
  const parentSets = houseTable(database, PARENT_SET);
  const assessments = houseTable(database, ASSESSMENT);
  const marks = houseTable(database, OWN_MARK);
  const conditions = houseTable(database, CONDITION);
  const programmes = houseTable(database, PROGRAMME);
  const programmeEnds = houseTable(database, PROGRAMME_END);
  const genes = houseTable(database, GENE);
  const genotypes = houseTable(database, GENOTYPE);
  const gradings = houseTable(database, GRADING);
  const throwbacks = houseTable(database, THROWBACK);
  const photos = houseTable(database, PHOTO);
  /** Programmes with whether they were ended before their time. */
  async function withEnds(at: Reading, rows: ProgrammeRow[]) {
    const ends = await programmeEnds.find(at, { programmeId: { [Op.in]: rows.map(({ id }) => id) } });
    const ended = new Set(ends.map(({ programmeId }) => programmeId));
    return rows.map((row) => ({ ...row, isEnded: ended.has(row.id) }));
  }
  return {
    details,
    parentSets,
    assessments,
    marks,
    marksOf: (at: Reading, speciesKey: string) => marks.find(at, { speciesKey }, OLDEST_FIRST),
    conditions,
    programmes,
    programmeEnds,
    genes,
    genotypes,
    gradings,
    throwbacks,
    photos,
    /** All rows of a table that are about some lot, oldest first. */
    assessmentsOf: (at: Reading, lotId: string) => assessments.find(at, { lotId }, OLDEST_FIRST),
    conditionsOf: (at: Reading, lotId: string) => conditions.find(at, { lotId }, OLDEST_FIRST),
    gradingsOf: (at: Reading, lotId: string) => gradings.find(at, { lotId }, OLDEST_FIRST),
    throwbacksOf: (at: Reading, lotId: string) => throwbacks.find(at, { lotId }, OLDEST_FIRST),
    ofSpecies: (at: Reading, speciesKey: string) => assessments.find(at, { speciesKey }, OLDEST_FIRST),
    /** How likely each lot is male by its newest assessment. */
    malesByTraits: async (at: Reading) => {
      const rows = await database.select<{ lotId: string; pMale: number }>(
        at,
        'SELECT lot_id lotId, p_male pMale FROM assessments WHERE house_id = :houseId AND live = 1 ORDER BY at, id',
      );
      return new Map(rows.map(({ lotId, pMale }) => [lotId, pMale]));
    },
    /** Entry that last described each lot. */
    describedBy: async (at: Reading) => {
      const rows = await database.select<{ lotId: string; entryId: string }>(
        at,
        'SELECT lot_id lotId, entry_id entryId FROM lot_details WHERE house_id = :houseId AND live = 1 ORDER BY at, id',
      );
      return new Map(rows.map(({ lotId, entryId }) => [lotId, entryId]));
    },
    conditionsSince: (at: Reading, since: string) => conditions.find(at, { at: { [Op.gte]: since } }, OLDEST_FIRST),
    /** The longest that each lot was ever measured, for readiness. */
    lengths: async (at: Reading) => {
      const rows = await database.select<{ lotId: string; lengthMm: number }>(
        at,
        'SELECT lot_id lotId, MAX(length_mm) lengthMm FROM conditions WHERE house_id = :houseId AND live = 1 AND length_mm IS NOT NULL GROUP BY lot_id',
      );
      return new Map(rows.map(({ lotId, lengthMm }) => [lotId, lengthMm]));
    },
    lastScored: async (at: Reading) => {
      const rows = await database.select<{ lotId: string; at: Date }>(
        at,
        'SELECT lot_id lotId, MAX(at) at FROM conditions WHERE house_id = :houseId AND live = 1 GROUP BY lot_id',
      );
      return new Map(rows.map(({ lotId, at }) => [lotId, new Date(at).toISOString()]));
    },
    parentSetsOf: (at: Reading, subjectIds?: readonly string[]) =>
      parentSets.find(at, subjectIds ? { subjectId: { [Op.in]: [...subjectIds] } } : {}, OLDEST_FIRST),
    genesOf: (at: Reading, speciesKey: string) => genes.find(at, { speciesKey }, OLDEST_FIRST),
    genotypesOf: (at: Reading, lotIds: readonly string[]) =>
      genotypes.find(at, { lotId: { [Op.in]: [...lotIds] } }, OLDEST_FIRST),
    /** Photographs of a lot without their bytes, newest first. */
    photoIds: async (at: Reading, lotId: string) =>
      (
        await database.select<{ id: string }>(
          at,
          'SELECT id FROM photos WHERE house_id = :houseId AND lot_id = :lotId AND live = 1 ORDER BY at DESC, id DESC',
          { lotId },
        )
      ).map(({ id }) => id),
    programmesOf: async (at: Reading, lotId: string) =>
      withEnds(at, await programmes.find(at, { lotId }, { order: [['fromDay', 'ASC']] })),
    /** Programmes that run on a day or later and were not ended. */
    runningFrom: async (at: Reading, day: string) =>
      (await withEnds(at, await programmes.find(at, { toDay: { [Op.gte]: day } }))).filter(({ isEnded }) => !isEnded),
    /** The ledger of a species' lots without what was taken back, oldest first. */
    ledger: (at: Reading, speciesKey: string) =>
      database.select<{
        fromLotId: string | null;
        toLotId: string | null;
        males: number;
        females: number;
        unsexed: number;
        cause: string;
        fromAt: Date;
      }>(
        at,
        `SELECT m.from_lot_id fromLotId, m.to_lot_id toLotId, m.males, m.females, m.unsexed, m.cause, m.from_at fromAt
         FROM movements m JOIN lots l ON l.id = COALESCE(m.to_lot_id, m.from_lot_id) AND l.house_id = :houseId
         LEFT JOIN entries e ON e.id = m.entry_id AND e.house_id = :houseId
         WHERE m.house_id = :houseId AND l.species_key = :speciesKey AND m.cause <> 'undo' AND COALESCE(e.undone, 0) = 0
         ORDER BY m.from_at, m.id`,
        { speciesKey },
      ),
  };
}
export type BroodstockRepository = ReturnType<typeof createBroodstockRepository>;
