import * as v from 'valibot';
import { CONDITION_SIGNS, type ConditionSign } from '@freshet/core/stock';
import { endpoint } from '../endpoints';
import { EVERYTHING, Written } from '../log';
import { Day, Heads, Id, Instant, Name, Note, Override, WholeCount } from '../values';
import { Lot, ORIGINS } from './lot.schema';

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

export const DescribeLot = v.object({ id: Id, lotId: Id, details: LotDetails });

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

export const AddPhoto = v.object({
  id: Id,
  lotId: Id,
  at: Instant,
  data: v.pipe(
    v.string(),
    v.regex(/^data:image\/(jpeg|png|webp);base64,[A-Za-z0-9+/=]+$/, 'Choose a JPEG, PNG or WebP picture.'),
    v.maxLength(240_000, 'The picture is too large.'),
  ),
});

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
  sires: v.array(v.object({ lotId: Id, probability: v.pipe(v.number(), v.gtValue(0), v.maxValue(1)) })),
  dams: v.array(v.object({ lotId: Id, probability: v.pipe(v.number(), v.gtValue(0), v.maxValue(1)) })),
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

/** One animal or group with its life. */
export const LotCard = v.object({
  lot: Lot,
  retiredOrGone: v.boolean(),
  caution: v.nullable(v.string()),
  readiness: v.object({
    state: v.picklist(['ready', 'notReady', 'unknown']),
    checks: v.array(Check),
    isDueForReplacement: v.boolean(),
  }),
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

const post = <const P extends string, B extends v.GenericSchema, R extends 'keeper' | 'sitter'>(
  path: P,
  summary: string,
  role: R,
  body: B,
) => endpoint({ method: 'POST', path, summary, role, body, reply: Written, touches: EVERYTHING });

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
    summary: 'A photograph as a data address',
    role: 'viewer',
    reply: v.object({ data: v.string() }),
  }),
  sexing: endpoint({
    method: 'GET',
    path: '/api/sexing/:speciesKey',
    summary: 'The traits of a species with the figures this house has learned',
    role: 'viewer',
    reply: v.object({ traits: v.array(Learned), priorMale: v.number() }),
  }),
  describeLot: post('/api/lot-details', 'Say what a lot is called, its line, grade, marks, papers', 'keeper', DescribeLot),
  sexLot: post('/api/sexings', 'Say which sex the animals of a lot are', 'sitter', SexLot),
  assessSex: post('/api/assessments', 'Log which traits of sex were seen', 'sitter', AssessSex),
  scoreCondition: post('/api/conditions', 'Log condition, length and weight', 'sitter', ScoreCondition),
  addProgramme: post('/api/programmes', 'Begin conditioning', 'keeper', NewProgramme),
  endProgramme: post('/api/programme-ends', 'End conditioning', 'keeper', EndProgramme),
  mergeLots: post('/api/merges', 'Put one lot into another of the same tank', 'keeper', MergeLots),
  tagOut: post('/api/tags', 'Give one animal of a group a name of its own', 'keeper', TagOut),
  addPhoto: post('/api/photos', 'Add a photograph', 'sitter', AddPhoto),
  gradeLot: post('/api/gradings', 'Log grades and how many are kept', 'keeper', GradeLot),
  logThrowback: post('/api/throwbacks', 'Log young that show what neither parent shows', 'sitter', LogThrowback),
  importLots: post('/api/lot-imports', 'Take lots over from a file, all or none', 'keeper', ImportLots),
};
