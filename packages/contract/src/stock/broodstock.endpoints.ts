import * as v from 'valibot';
import { CONDITION_SIGNS, type ConditionSign } from '@freshet/core/species';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Day, Heads, Id, Instant, Name, Note, Override, Version, WholeCount } from '../values';
import { Candidates } from './candidates.schema';
import { Lot, ORIGINS } from './lot.schema';
import { LENGTH_METHODS, NewMark, Ripe, SampleLengths } from './measures.schema';

const SIGNS = Object.keys(CONDITION_SIGNS) as [ConditionSign, ...ConditionSign[]];
const lengthMm = v.nullable(
  v.pipe(v.number('Give the length.'), v.gtValue(0, 'A length is above 0 mm.'), v.maxValue(2000, 'At most 2000 mm.')),
);
const weightG = v.nullable(
  v.pipe(v.number('Give the weight.'), v.gtValue(0, 'A weight is above 0 g.'), v.maxValue(20_000, 'At most 20 kg.')),
);
const short = v.pipe(v.string(), v.trim(), v.maxLength(20, 'At most 20 characters.'));

/** What is said of a lot besides its numbers; the newest wins. */
export const LotDetails = v.object({
  /** Name of a tagged animal, or what the group is called. */
  name: v.nullable(Name),
  line: v.nullable(Name),
  generation: v.nullable(v.pipe(v.string(), v.trim(), v.maxLength(10, 'At most 10 characters.'))),
  grade: v.nullable(short),
  marks: v.nullable(Note),
  /** Papers: permit, licence, proof of origin. */
  permit: v.nullable(Note),
  bornOn: v.nullable(Day),
  /** A pair that has raised young: not to be disturbed. */
  isProven: v.boolean(),
  /** Kept, but no longer bred from. */
  isRetired: v.boolean(),
});

/** What is said of a lot that nobody described. */
export const NO_DETAILS: v.InferOutput<typeof LotDetails> = {
  name: null,
  line: null,
  generation: null,
  grade: null,
  marks: null,
  permit: null,
  bornOn: null,
  isProven: false,
  isRetired: false,
};

export const DescribeLot = v.object({ id: Id, lotId: Id, details: LotDetails, version: Version, override: Override });

/** What a lot's heads are, now that they were looked at: the sum stays. */
export const SexLot = v.object({ id: Id, lotId: Id, heads: Heads, at: Instant });

export const LOOKS = ['seen', 'notSeen', 'cannotTell'] as const;
export const AssessSex = v.object({
  id: Id,
  lotId: Id,
  at: Instant,
  lengthMm,
  answers: v.pipe(
    v.array(v.object({ trait: v.pipe(v.string(), v.maxLength(40)), look: v.picklist(LOOKS) })),
    v.minLength(1, 'Look for at least one trait.'),
    v.maxLength(20),
    v.check((answers) => new Set(answers.map(({ trait }) => trait)).size === answers.length, 'Each trait once.'),
  ),
});

export const ScoreCondition = v.object({
  id: Id,
  lotId: Id,
  at: Instant,
  score: v.pipe(v.number('Choose a score.'), v.integer('Whole scores.'), v.minValue(1, 'From 1.'), v.maxValue(5, 'To 5.')),
  signs: v.array(v.picklist(SIGNS)),
  lengthMm,
  weightG,
  note: v.nullable(Note),
});

export const SEPARATIONS = ['together', 'divider', 'tank'] as const;
export const NewProgramme = v.object({
  id: Id,
  programmeId: Id,
  lotId: Id,
  from: Day,
  weeks: v.pipe(
    v.number('Give the weeks.'),
    v.integer('Whole weeks.'),
    v.minValue(1, 'At least a week.'),
    v.maxValue(26, 'At most half a year.'),
  ),
  foods: v.pipe(v.string(), v.trim(), v.minLength(1, 'Say what they get.'), v.maxLength(200, 'At most 200 characters.')),
  mealsPerDay: v.pipe(
    v.number('Give the meals.'),
    v.integer('Whole meals.'),
    v.minValue(1, 'At least one.'),
    v.maxValue(8, 'At most eight.'),
  ),
  separated: v.picklist(SEPARATIONS),
  water: v.nullable(Note),
});
export const EndProgramme = v.object({ id: Id, programmeId: Id });

export const MergeLots = v.object({ id: Id, fromLotId: Id, intoLotId: Id, at: Instant, override: Override });

/** One animal out of a group, from now on by name; it stays in its tank. */
export const TagOut = v.object({
  id: Id,
  lotId: Id,
  newLotId: Id,
  name: Name,
  sex: v.picklist(['males', 'females', 'unsexed']),
  at: Instant,
});

/** A photograph; its bytes are the body, this stands in the query. */
export const AddPhoto = v.object({ id: Id, lotId: Id, at: Instant });

/** Most bytes of a photograph as it is sent; it is kept smaller. */
export const PHOTO_BYTES = 12_000_000;

export const GradeLot = v.object({
  id: Id,
  lotId: Id,
  at: Instant,
  criteria: v.pipe(v.array(Name), v.minLength(1, 'At least one criterion.'), v.maxLength(6, 'At most six.')),
  animals: v.pipe(
    v.array(v.object({ name: Name, scores: v.array(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(5))) })),
    v.minLength(1, 'Grade at least one animal.'),
    v.maxLength(500),
  ),
  kept: WholeCount,
});

export const LogThrowback = v.object({
  id: Id,
  lotId: Id,
  at: Instant,
  what: Name,
  seen: v.pipe(WholeCount, v.minValue(1, 'At least one.')),
  of: v.pipe(WholeCount, v.minValue(1, 'At least one.')),
});

export const ImportedLot = v.object({
  lotId: Id,
  speciesKey: v.string(),
  origin: v.picklist(ORIGINS),
  acquiredFrom: v.nullable(Note),
  tankId: v.nullable(Id),
  heads: Heads,
  since: Instant,
  details: LotDetails,
  sires: Candidates,
  dams: Candidates,
});
/** Lots out of a file, all or none. */
export const ImportLots = v.object({
  id: Id,
  lots: v.pipe(v.array(ImportedLot), v.minLength(1, 'Nothing to take over.'), v.maxLength(5000)),
});

const Parent = v.object({ lotId: v.string(), probability: v.number(), label: v.string() });
const Learned = v.object({
  key: v.string(),
  name: v.string(),
  look: v.string(),
  drawing: v.string(),
  fromMm: v.number(),
  startIfMale: v.number(),
  startIfFemale: v.number(),
  pIfMale: v.number(),
  pIfFemale: v.number(),
  animals: v.number(),
});
const Check = v.object({ what: v.string(), state: v.picklist(['met', 'unmet', 'unknown']), words: v.string() });

const READY = ['ready', 'notReady', 'unknown'] as const;
const Readiness = v.object({ state: v.picklist(READY), checks: v.array(Check), isDueForReplacement: v.boolean(), ripe: Ripe });

/** One animal or group with its life. */
export const LotCard = v.object({
  lot: Lot,
  retiredOrGone: v.boolean(),
  caution: v.nullable(v.string()),
  readiness: Readiness,
  company: v.nullable(
    v.object({ tankCode: v.string(), checks: v.array(v.object({ what: v.string(), isMet: v.boolean(), words: v.string() })) }),
  ),
  sires: v.array(Parent),
  dams: v.array(Parent),
  /** Whether parents come from its brood rather than being noted. */
  parentsFromBrood: v.boolean(),
  assessments: v.array(
    v.object({
      id: v.string(),
      at: v.string(),
      lengthMm: v.nullable(v.number()),
      answers: v.array(v.object({ trait: v.string(), look: v.picklist(LOOKS) })),
      pMale: v.number(),
    }),
  ),
  conditions: v.array(
    v.object({
      id: v.string(),
      at: v.string(),
      score: v.number(),
      signs: v.array(v.picklist(SIGNS)),
      lengthMm: v.nullable(v.number()),
      weightG: v.nullable(v.number()),
      note: v.nullable(v.string()),
    }),
  ),
  /** Newest first. */
  samples: v.array(
    v.object({ id: v.string(), at: v.string(), method: v.picklist(LENGTH_METHODS), lengthsMm: v.array(v.number()) }),
  ),
  programmes: v.array(
    v.object({
      id: v.string(),
      from: v.string(),
      to: v.string(),
      foods: v.string(),
      mealsPerDay: v.number(),
      separated: v.picklist(SEPARATIONS),
      water: v.nullable(v.string()),
      isRunning: v.boolean(),
    }),
  ),
  spawnings: v.array(
    v.object({ broodId: v.string(), name: v.string(), on: v.string(), role: v.picklist(['sire', 'dam']), alone: v.boolean() }),
  ),
  gradings: v.array(
    v.object({
      id: v.string(),
      at: v.string(),
      criteria: v.array(v.string()),
      animals: v.array(v.object({ name: v.string(), scores: v.array(v.number()) })),
      kept: v.number(),
    }),
  ),
  throwbacks: v.array(v.object({ id: v.string(), at: v.string(), what: v.string(), seen: v.number(), of: v.number() })),
  photoIds: v.array(v.string()),
  /** What happened, oldest first. */
  life: v.array(v.object({ at: v.string(), kind: v.string(), words: v.string(), path: v.nullable(v.string()) })),
});

/** What is logged here: who may, and which addresses show it. */
export const broodstockEntries = entries({
  lotDetails: { role: 'keeper', words: 'described', touches: [...TOUCHES.lots, ...TOUCHES.descent] },
  sexing: { role: 'sitter', words: 'sexed', touches: [...TOUCHES.lots, ...TOUCHES.descent, ...TOUCHES.broods] },
  assessment: { role: 'sitter', words: 'looked at for sex', touches: [...TOUCHES.lots] },
  mark: { role: 'keeper', words: 'mark of sex', touches: [...TOUCHES.lots] },
  lengths: { role: 'sitter', words: 'lengths sampled', touches: [...TOUCHES.lots, ...TOUCHES.broods] },
  condition: { role: 'sitter', words: 'condition scored', touches: [...TOUCHES.lots] },
  programme: { role: 'keeper', words: 'conditioning', touches: [...TOUCHES.lots] },
  programmeEnd: { role: 'keeper', words: 'conditioning ended', touches: [...TOUCHES.lots] },
  merge: { role: 'keeper', words: 'lots put together', touches: [...TOUCHES.lots, ...TOUCHES.broods, ...TOUCHES.descent] },
  tag: { role: 'keeper', words: 'taken out by name', touches: [...TOUCHES.lots, ...TOUCHES.broods, ...TOUCHES.descent] },
  photo: { role: 'sitter', words: 'photograph', touches: [...TOUCHES.lots, ...TOUCHES.broods] },
  grading: { role: 'keeper', words: 'graded', touches: [...TOUCHES.lots] },
  throwback: { role: 'sitter', words: 'throwback', touches: [...TOUCHES.lots] },
  import: { role: 'keeper', words: 'imported from a file', touches: [...TOUCHES.lots, ...TOUCHES.descent, ...TOUCHES.room] },
});

export const broodstockEndpoints = {
  lotCard: endpoint({
    method: 'GET',
    path: '/api/lots/:lotId',
    summary: 'One lot with its life',
    role: 'viewer',
    reply: LotCard,
  }),
  photo: endpoint({
    method: 'GET',
    path: '/api/photos/:photoId',
    summary: 'A photograph, re-encoded; it never changes',
    role: 'viewer',
    reply: v.instance(Uint8Array),
    answers: 'image',
  }),
  sexing: endpoint({
    method: 'GET',
    path: '/api/sexing/:speciesKey',
    summary: 'The traits of a species with the figures this house has learned',
    role: 'viewer',
    reply: v.object({ traits: v.array(Learned), priorMale: v.number() }),
  }),
  describeLot: broodstockEntries.lotDetails({
    path: '/api/lot-details',
    summary: 'Say what a lot is called, its line, grade, marks, papers',
    body: DescribeLot,
  }),
  sexLot: broodstockEntries.sexing({ path: '/api/sexings', summary: 'Say which sex the animals of a lot are', body: SexLot }),
  assessSex: broodstockEntries.assessment({
    path: '/api/assessments',
    summary: 'Log which traits of sex were seen',
    body: AssessSex,
  }),
  scoreCondition: broodstockEntries.condition({
    path: '/api/conditions',
    summary: 'Log condition, length and weight',
    body: ScoreCondition,
  }),
  addMark: broodstockEntries.mark({ path: '/api/marks', summary: 'Add a mark of sex of your own', body: NewMark }),
  sampleLengths: broodstockEntries.lengths({
    path: '/api/length-samples',
    summary: 'Log the lengths of some animals of a lot',
    body: SampleLengths,
  }),
  addProgramme: broodstockEntries.programme({ path: '/api/programmes', summary: 'Begin conditioning', body: NewProgramme }),
  endProgramme: broodstockEntries.programmeEnd({ path: '/api/programme-ends', summary: 'End conditioning', body: EndProgramme }),
  mergeLots: broodstockEntries.merge({
    path: '/api/merges',
    summary: 'Put one lot into another of the same tank',
    body: MergeLots,
  }),
  tagOut: broodstockEntries.tag({ path: '/api/tags', summary: 'Give one animal of a group a name of its own', body: TagOut }),
  addPhoto: broodstockEntries.photo({
    sends: 'image',
    path: '/api/photos',
    summary: 'Add a photograph',
    body: AddPhoto,
  }),
  gradeLot: broodstockEntries.grading({ path: '/api/gradings', summary: 'Log grades and how many are kept', body: GradeLot }),
  logThrowback: broodstockEntries.throwback({
    path: '/api/throwbacks',
    summary: 'Log young that show what neither parent shows',
    body: LogThrowback,
  }),
  importLots: broodstockEntries.import({
    path: '/api/lot-imports',
    summary: 'Import lots from a file, all or none',
    body: ImportLots,
  }),
};
