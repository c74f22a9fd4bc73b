import { useEntryForm } from '../../data';
import { EntryFormFrame, SelectField, TextField } from '../../ui';
import type { Gene } from './gene';
import type { LineAnimal } from './useLine';

/** Notes which alleles a lot carries. */
export function GenotypeForm({
  genes,
  animals,
  done,
}: {
  genes: readonly Gene[];
  animals: readonly LineAnimal[];
  done: () => void;
}) {
  const lots = [...new Map(animals.map((animal) => [animal.lotId, animal.label]))];
  const entry = useEntryForm({
    name: 'setGenotype',
    defaults: { lotId: '', locus: genes[0]?.locus ?? '', genotype: '' },
    toBody: (values) => values,
    label: (values) => `${values.locus} ${values.genotype} noted`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const gene = genes.find(({ locus }) => locus === watch('locus'));
  return (
    <EntryFormFrame entry={entry} action="Note it">
      <SelectField label="Animal" autoFocus error={errors.lotId?.message} {...register('lotId')}>
        <option value="">choose</option>
        {lots.map(([id, label]) => (
          <option key={id} value={id}>
            {label}
          </option>
        ))}
      </SelectField>
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField label="Gene" error={errors.locus?.message} {...register('locus')}>
          {genes.map(({ locus }) => (
            <option key={locus}>{locus}</option>
          ))}
        </SelectField>
        <TextField
          label="Carries"
          className="font-mono"
          hint={gene ? `of ${gene.alleles.join(', ')}; as ${gene.alleles[0]}/${gene.alleles[1] ?? gene.alleles[0]}` : undefined}
          error={errors.genotype?.message}
          {...register('genotype')}
        />
      </div>
    </EntryFormFrame>
  );
}
