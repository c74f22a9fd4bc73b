import { inferParents, phenotypeOf, type CrossClass, type Locus, type SexSystem } from '@freshet/core/stock';
import { showChance } from '../../data';
import { Why } from '../../ui';
import type { Gene } from './gene';

/** The parents' likely genotypes at a gene, from what was counted. */
export function InferredParents({
  gene,
  system,
  sexes,
  classes,
  observed,
  loci,
}: {
  gene: Gene;
  system: SexSystem;
  sexes: { sire: string; dam: string };
  classes: readonly CrossClass[];
  observed: readonly number[];
  loci: readonly Locus[];
}) {
  const locus = loci.find((one) => one.locus === gene.locus);
  if (!locus) return null;
  const look = (genotype: string) => {
    const [first = '', second = ''] = genotype.split('/');
    return phenotypeOf(gene, [first, second]);
  };
  const likely = inferParents({
    sexSystem: system,
    sireSex: sexes.sire,
    damSex: sexes.dam,
    locus: gene,
    sireLook: look(locus.sire),
    damLook: look(locus.dam),
    counted: classes.map((kind, i) => ({ sex: kind.sex, label: kind.phenotypes[gene.locus] ?? '', count: observed[i] ?? 0 })),
  });
  return (
    <div className="mt-2">
      <h3>
        Parents at {gene.locus}, by this brood{' '}
        <Why
          about="Likely parents"
          formula="Every pair of genotypes that fits how the parents look starts equally likely. The brood then makes some likelier."
          source="docs/sources.md#cross"
        />
      </h3>
      {likely.length === 0 && <p>Parents that look like these can’t have had these young.</p>}
      {likely.slice(0, 3).map(({ sire, dam, probability }) => (
        <p key={`${sire} ${dam}`} className="flex justify-between border-b border-rule py-1">
          <span className="font-mono">
            {sire} × {dam}
          </span>
          <b>{showChance(probability)}</b>
        </p>
      ))}
    </div>
  );
}
