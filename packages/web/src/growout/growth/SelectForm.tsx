import { DECISIONS, DECISION_WORDS, FAULTS, FAULT_WORDS, type Decision, type Fault } from '@freshet/core/growout';
import { useEntryForm, useHouse } from '../../data';
import { KinNote } from '../../stock';
import { EntryFormFrame, NoteField, readWhole, TextField } from '../../ui';

type Values = Record<`fault${Fault}` | `decision${Decision}`, string> & { seen: string; note: string };
const EMPTY = Object.fromEntries([
  ['seen', ''],
  ['note', ''],
  ...FAULTS.map((key) => [`fault${key}`, '']),
  ...DECISIONS.map((key) => [`decision${key}`, '']),
]) as Values;
const count = (field: string, text: string) => (text.trim() ? readWhole(field, text) : 0);

/** Young looked at one by one: what is wrong with how many, and what becomes of them. */
export function SelectForm({
  lot,
  done,
}: {
  lot: { id: string; heads: number; code: string; speciesKey: string };
  done: () => void;
}) {
  const house = useHouse();
  const entry = useEntryForm<'selectYoung', Values>({
    name: 'selectYoung',
    defaults: EMPTY,
    toBody: (values) => ({
      lotId: lot.id,
      at: house.now(),
      seen: readWhole('seen', values.seen),
      faults: Object.fromEntries(FAULTS.map((key) => [key, count(`fault${key}`, values[`fault${key}`])])) as Record<
        Fault,
        number
      >,
      decisions: Object.fromEntries(DECISIONS.map((key) => [key, count(`decision${key}`, values[`decision${key}`])])) as Record<
        Decision,
        number
      >,
      note: values.note.trim() || null,
    }),
    fieldOf: (path) =>
      path === 'faults'
        ? `fault${FAULTS[0]}`
        : path === 'decisions'
          ? `decision${DECISIONS[0]}`
          : path === 'note'
            ? 'note'
            : 'seen',
    label: (values) => `${values.seen} looked at`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Log it">
      <TextField
        label="Looked at"
        inputMode="numeric"
        hint={`${lot.heads} live in ${lot.code}. A tub with a white floor and a lamp from the side show most.`}
        error={errors.seen?.message}
        autoFocus
        {...register('seen')}
      />
      <fieldset>
        <legend className="font-semibold">How many have</legend>
        <div className="grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-3">
          {FAULTS.map((key) => (
            <TextField
              key={key}
              label={FAULT_WORDS[key]}
              inputMode="numeric"
              placeholder="0"
              error={errors[`fault${key}`]?.message}
              {...register(`fault${key}`)}
            />
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="font-semibold">What happens to them</legend>
        <div className="grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-3">
          {DECISIONS.map((key) => (
            <TextField
              key={key}
              label={DECISION_WORDS[key]}
              inputMode="numeric"
              placeholder="0"
              error={errors[`decision${key}`]?.message}
              {...register(`decision${key}`)}
            />
          ))}
        </div>
        {Number(watch('decisionkeep')) > 0 && (
          <div className="mt-2">
            <KinNote lotId={lot.id} speciesKey={lot.speciesKey} />
          </div>
        )}
        {Number(watch('decisionend')) > 0 && (
          <p className="mt-2 border-l-4 border-amber-line bg-amber-wash px-3 py-1.5">
            Only by a method your local authority or vet accepts; Freshet gives none. They leave the headcount now.
          </p>
        )}
      </fieldset>
      <NoteField label="Note" error={errors.note?.message} {...register('note')} />
    </EntryFormFrame>
  );
}
