import { useState } from 'react';
import { v7 as newId } from 'uuid';
import type { ContactKind } from '@freshet/core/room';
import { formatDay, houseDay } from '@freshet/core/time';
import { useHouse, useLog, type Reply } from '../data';
import { Button, SelectField, TextField } from '../ui';

export type Step = Reply<'exposure'>['tanks'][number]['path'][number];
export const KIND_WORDS: Record<ContactKind, string> = {
  sump: 'shared sump',
  splash: 'drips from above',
  tools: 'tools carried',
  sameTools: 'same tools',
  lot: 'animals moved',
  water: 'water carried',
};
/** "A1.6 → B1.2 tools Sun 22": how it would have gone there. */
export function PathWords({ path, codeOf }: { path: readonly Step[]; codeOf: (id: string) => string }) {
  const house = useHouse();
  return path.map((step, i) => (
    <span key={`${step.fromTankId}${step.toTankId}`}>
      {i === 0 && <b className="font-mono">{codeOf(step.fromTankId)}</b>}{' '}
      <span className="text-quiet">
        {KIND_WORDS[step.kind]}
        {step.at && ` ${formatDay(houseDay(step.at, house.timeZone), house.today)}`}
      </span>{' '}
      → <b className="font-mono">{codeOf(step.toTankId)}</b>
    </span>
  ));
}

/** Logs what is seen now. */
export function LogIllness({ tankId, code }: { tankId: string; code: string }) {
  const house = useHouse();
  const log = useLog();
  const [what, setWhat] = useState('');
  const [problem, setProblem] = useState('');
  if (!house.may('sitter')) return null;
  return (
    <form
      noValidate
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (what.trim().length < 3) {
          setProblem('Say what was seen.');
          return;
        }
        setProblem('');
        void log('logIllness', { id: newId(), tankId, at: house.now(), what }, `${code}: illness logged`).then(
          (ok) => ok && setWhat(''),
        );
      }}
    >
      <TextField
        label={`Seen now in ${code}`}
        boxClass="min-w-56 flex-1"
        placeholder="clamped fins, white specks"
        error={problem || undefined}
        value={what}
        onChange={(event) => setWhat(event.target.value)}
      />
      <Button type="submit">Log it</Button>
    </form>
  );
}

/** Logs what was carried from here. */
export function LogContact({ tankId, tanks }: { tankId: string; tanks: readonly { id: string; code: string }[] }) {
  const house = useHouse();
  const log = useLog();
  const [to, setTo] = useState('');
  const [kind, setKind] = useState<'tools' | 'water'>('water');
  if (!house.may('sitter')) return null;
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SelectField
        label="Carried from here"
        boxClass="w-36"
        value={kind}
        onChange={(event) => setKind(event.target.value as 'tools' | 'water')}
      >
        <option value="water">water</option>
        <option value="tools">tools</option>
      </SelectField>
      <SelectField label="to tank" boxClass="w-36" value={to} onChange={(event) => setTo(event.target.value)}>
        <option value="">choose</option>
        {tanks
          .filter(({ id }) => id !== tankId)
          .map(({ id, code }) => (
            <option key={id} value={id}>
              {code}
            </option>
          ))}
      </SelectField>
      <Button
        disabled={to === ''}
        onClick={() =>
          void log('logContact', { id: newId(), fromTankId: tankId, toTankId: to, kind, at: house.now() }, 'Contact logged').then(
            (ok) => ok && setTo(''),
          )
        }
      >
        Log it
      </Button>
    </div>
  );
}
