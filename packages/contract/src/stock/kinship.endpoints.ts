import * as v from 'valibot';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Id, Name } from '../values';
import { Candidates } from './candidates.schema';

/** Who the parents of a lot, or of a brood, may be. */
export const SetParents = v.object({ id: Id, subjectId: Id, sires: Candidates, dams: Candidates });

const allele = v.pipe(
  v.string(),
  v.trim(),
  v.regex(/^(?!-$)[^/\s]{1,12}$/, 'An allele is a short name without spaces or slash, and not "-".'),
);
const genotype = v.pipe(
  v.string(),
  v.trim(),
  v.regex(/^[^/\s]{1,12}\/[^/\s]{1,12}$/, 'Two alleles with a slash, "A/a"; a missing copy is "-".'),
);

/** A gene that a species of this house varies in; the newest of its name wins. */
export const DefineGene = v.object({
  id: Id,
  speciesKey: v.pipe(v.string(), v.minLength(1)),
  locus: Name,
  inheritance: v.picklist(['autosomal', 'sexLinked']),
  dominance: v.picklist(['complete', 'incomplete']),
  alleles: v.pipe(
    v.array(allele),
    v.minLength(2, 'At least two alleles, the most dominant first.'),
    v.maxLength(6, 'At most six.'),
  ),
  /** What the double dose of an allele does: share that lives; null when all are alike. */
  delicate: v.nullable(
    v.object({
      allele,
      survival: v.pipe(v.number('Give a share.'), v.minValue(0, 'Not below 0.'), v.maxValue(1, 'Not above 1.')),
    }),
  ),
});

export const SetGenotype = v.object({ id: Id, lotId: Id, locus: Name, genotype });

const Probable = v.pipe(v.array(v.object({ id: v.string(), probability: v.number() })), v.readonly());
const GroupRecord = v.object({
  id: v.string(),
  brood: v.optional(v.nullable(v.string())),
  sires: v.optional(v.nullable(Probable)),
  dams: v.optional(v.nullable(Probable)),
  hermaphrodite: v.optional(v.nullable(v.boolean())),
});

/** Everybody of a species that descent needs, and who lives. */
export const PedigreeReply = v.object({
  pedigree: v.array(GroupRecord),
  animals: v.array(
    v.object({
      id: v.string(),
      lotId: v.string(),
      sex: v.picklist(['males', 'females', 'unsexed']),
      /** Broodstock rather than young of a brood that is not grown. */
      isBreeder: v.boolean(),
      isRetired: v.boolean(),
    }),
  ),
  /** How animals are called, by id; also of those that are gone. */
  labels: v.record(v.string(), v.string()),
});

/** What is logged here: who may, and which addresses show it. */
export const kinshipEntries = entries({
  parents: { role: 'keeper', words: 'parents noted', touches: [...TOUCHES.lots, ...TOUCHES.descent] },
  gene: { role: 'keeper', words: 'gene named', touches: [...TOUCHES.descent] },
  genotype: { role: 'keeper', words: 'alleles noted', touches: [...TOUCHES.descent] },
});

export const kinshipEndpoints = {
  pedigree: endpoint({
    method: 'GET',
    path: '/api/pedigree/:speciesKey',
    summary: 'The pedigree of a species, out of the ledger, the broods and noted parents',
    role: 'viewer',
    reply: PedigreeReply,
  }),
  genes: endpoint({
    method: 'GET',
    path: '/api/genes/:speciesKey',
    summary: 'Genes of a species and what is known of each lot',
    role: 'viewer',
    reply: v.object({
      genes: v.array(v.omit(DefineGene, ['id'])),
      genotypes: v.array(v.object({ lotId: v.string(), locus: v.string(), genotype: v.string() })),
    }),
  }),
  setParents: kinshipEntries.parents({
    path: '/api/parents',
    summary: 'Say who the parents of a lot or brood may be',
    body: SetParents,
  }),
  defineGene: kinshipEntries.gene({
    path: '/api/genes',
    summary: 'Name a gene of a species',
    body: DefineGene,
  }),
  setGenotype: kinshipEntries.genotype({
    path: '/api/genotypes',
    summary: 'Say which alleles a lot carries',
    body: SetGenotype,
  }),
};
