import { useEntryForm, type Reply } from '../../data';
import { DayField, Checkbox, EntryFormFrame, NoteField, TextField } from '../../ui';

type Lot = Reply<'lots'>[number];

/** What a lot is called, its line, grade, marks and papers. */
export function DetailsForm({ lot, caution, done }: { lot: Lot; caution: string | null; done: () => void }) {
  const entry = useEntryForm({
    name: 'describeLot',
    defaults: {
      name: lot.name ?? '',
      line: lot.line ?? '',
      generation: lot.generation ?? '',
      grade: lot.grade ?? '',
      marks: lot.marks ?? '',
      permit: lot.permit ?? '',
      bornOn: lot.bornOn ?? '',
      isProven: lot.isProven,
      isRetired: lot.isRetired,
    },
    toBody: ({ isProven, isRetired, ...texts }) => ({
      lotId: lot.id,
      details: {
        name: texts.name.trim() || null,
        line: texts.line.trim() || null,
        generation: texts.generation.trim() || null,
        grade: texts.grade.trim() || null,
        marks: texts.marks.trim() || null,
        permit: texts.permit.trim() || null,
        bornOn: texts.bornOn || null,
        isProven,
        isRetired,
      },
      version: lot.version,
    }),
    fieldOf: (path) => path.replace(/^details\./, '') as 'name',
    label: () => 'Noted',
    done,
  });
  const { register, formState } = entry.form;
  const { errors } = formState;
  const flag = (name: 'isProven' | 'isRetired', label: string, hint: string) => (
    <Checkbox {...register(name)}>
      <span>
        {label} <span className="block text-note text-quiet">{hint}</span>
      </span>
    </Checkbox>
  );
  return (
    <EntryFormFrame entry={entry} action="Note it">
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField
          label="Name"
          autoFocus
          hint="for one animal, or what you call the group"
          error={errors.name?.message}
          {...register('name')}
        />
        <DayField control={entry.form.control} name="bornOn" towards="past" label="Born on" error={errors.bornOn?.message} />
        <TextField label="Line" error={errors.line?.message} {...register('line')} />
        <TextField label="Generation" error={errors.generation?.message} {...register('generation')} />
        <TextField label="Grade" hint="your own grade" error={errors.grade?.message} {...register('grade')} />
      </div>
      <NoteField label="Marks" error={errors.marks?.message} {...register('marks')} />
      <NoteField
        label="Papers"
        error={errors.permit?.message}
        hint={`${caution ? `${caution} ` : ''}like permit, licence, proof of origin. Local law decides which species need them.`}
        {...register('permit')}
      />
      <div className="grid sm:grid-cols-2">
        {flag('isProven', 'Proven, do not disturb', 'you’ll be warned before moves in or out of its tank')}
        {flag('isRetired', 'Retired', 'kept, but not for breeding')}
      </div>
    </EntryFormFrame>
  );
}
