import { useEntryForm } from '../data';
import { Checkbox, EntryFormFrame, Notice, readWhole, SelectField, TextField } from '../ui';

/** Adds a rack, a stand or a yard. */
export function RackForm({ done }: { done: (rackId: string | null) => void }) {
  const entry = useEntryForm({
    name: 'addRack',
    defaults: {
      code: '',
      name: '',
      kind: 'rack' as 'rack' | 'stand' | 'yard',
      quarantine: false,
      sump: '',
      tools: '',
      quarantineDays: '',
    },
    toBody: ({ code, name, kind, quarantine, sump, tools, quarantineDays }) => ({
      code,
      name,
      kind,
      quarantine,
      sump: sump.trim() || null,
      tools: tools.trim() || null,
      quarantineDays: quarantineDays.trim() === '' ? null : readWhole('quarantineDays', quarantineDays),
    }),
    label: ({ code }) => `Rack ${code} added`,
    done,
  });
  const { register, formState, watch } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Add the rack">
      <div className="grid gap-4 sm:grid-cols-[1fr_2fr]">
        <TextField label="Code" autoFocus hint="As on the tape: A" error={formState.errors.code?.message} {...register('code')} />
        <TextField label="Name" hint="North wall" error={formState.errors.name?.message} {...register('name')} />
      </div>
      <SelectField label="What it is" {...register('kind')}>
        <option value="rack">Rack with shelves</option>
        <option value="stand">Stand at floor level</option>
        <option value="yard">Tubs and ponds outside</option>
      </SelectField>
      <TextField
        label="Shared sump"
        hint="name it if these tanks share water, like S1"
        error={formState.errors.sump?.message}
        {...register('sump')}
      />
      <Checkbox {...register('quarantine')}>Quarantine: do it last, with its own tools</Checkbox>
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Nets and hoses"
          hint="name a set if it has its own"
          error={formState.errors.tools?.message}
          {...register('tools')}
        />
        {watch('quarantine') && (
          <TextField
            label="Quarantine, days"
            inputMode="numeric"
            hint="28 days if you leave it empty"
            error={formState.errors.quarantineDays?.message}
            {...register('quarantineDays')}
          />
        )}
      </div>
      {watch('quarantine') && watch('sump') && (
        <Notice>A quarantine on a shared sump passes illness to every tank on it. Give it separate water.</Notice>
      )}
      <p className="text-note text-quiet">
        A full rack can be too much for a floor at home; ask someone qualified. Wall fixings alone are not enough.
      </p>
    </EntryFormFrame>
  );
}
