import { FieldProblem, useEntryForm } from '../../data';
import { EntryFormFrame, SelectField, TextField } from '../../ui';

/** Names a gene of a species: its alleles, how they show, and whether a double dose is delicate. */
export function GeneForm({ speciesKey, done }: { speciesKey: string; done: () => void }) {
  const entry = useEntryForm({
    name: 'defineGene',
    defaults: {
      locus: '',
      alleles: '',
      inheritance: 'autosomal' as 'autosomal' | 'sexLinked',
      dominance: 'complete' as 'complete' | 'incomplete',
      delicateAllele: '',
      survival: '',
    },
    toBody: (values) => {
      const percent = values.survival.trim() === '' ? 0 : Number(values.survival.replace(/\s*%$/, '').replace(',', '.'));
      if (!Number.isFinite(percent)) throw new FieldProblem('survival', 'Give a percentage.');
      return {
        speciesKey,
        locus: values.locus,
        inheritance: values.inheritance,
        dominance: values.dominance,
        alleles: values.alleles.split(/[,\s>]+/).filter(Boolean),
        delicate: values.delicateAllele.trim() ? { allele: values.delicateAllele, survival: percent / 100 } : null,
      };
    },
    fieldOf: (path) =>
      path.startsWith('alleles')
        ? 'alleles'
        : path === 'delicate.allele'
          ? 'delicateAllele'
          : path === 'delicate.survival'
            ? 'survival'
            : undefined,
    label: (values) => `Gene ${values.locus}`,
    done,
  });
  const { register, formState } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Note the gene">
      <TextField label="Name" autoFocus hint="gold, veil, dilute …" error={errors.locus?.message} {...register('locus')} />
      <TextField label="Alleles, the most dominant first" hint="G, g" error={errors.alleles?.message} {...register('alleles')} />
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField label="Lies on" {...register('inheritance')}>
          <option value="autosomal">an ordinary chromosome</option>
          <option value="sexLinked">the sex chromosome</option>
        </SelectField>
        <SelectField label="With one copy of each" {...register('dominance')}>
          <option value="complete">only the dominant shows</option>
          <option value="incomplete">both show</option>
        </SelectField>
        <TextField
          label="Delicate with two of"
          hint="An allele, if there is one"
          error={errors.delicateAllele?.message}
          {...register('delicateAllele')}
        />
        <TextField
          label="of those live, %"
          inputMode="decimal"
          hint="0 if it is lethal"
          error={errors.survival?.message}
          {...register('survival')}
        />
      </div>
    </EntryFormFrame>
  );
}
