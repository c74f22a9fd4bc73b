import { clsx } from 'clsx';
import { useState } from 'react';
import { readWhen } from '@freshet/core/time';
import { convert, formatNumber, parseQuantity } from '@freshet/core/units';
import { useHouse } from '../data';
import { ANSWERS, type Answer, type Chore } from './chore';

/** How much was given or found, in the house’s units. */
export function AmountField({
  chore,
  send,
  close,
}: {
  chore: Chore;
  send: (amount: number | null, unit: string) => void;
  close: () => void;
}) {
  const house = useHouse();
  const { asks } = chore;
  const fahrenheit = asks?.of === 'temperature' && house.units.temperature === 'degF';
  const gallons = !asks && chore.amount?.unit === 'L' && house.units.volume === 'galUS';
  const shown = (litres: number) => formatNumber(convert({ value: litres, from: 'L', to: 'galUS' }).value, 3);
  const [text, setText] = useState(asks ? '' : gallons ? shown(chore.amount?.value ?? 0) : String(chore.amount?.value ?? ''));
  const [problem, setProblem] = useState('');
  const unit = asks?.unit ?? chore.amount?.unit ?? '';
  function submit() {
    if (asks?.of === 'temperature') {
      const parsed = parseQuantity(text, 'temperature', house.units.temperature);
      if (!parsed.ok) setProblem(parsed.message);
      else if (parsed.value < 0 || parsed.value > 45) setProblem('A tank is 0 to 45 °C.');
      else send(parsed.value, '°C');
      return;
    }
    const typed = Number(text.replace(',', '.'));
    const value = gallons ? convert({ value: typed, from: 'galUS', to: 'L' }).value : typed;
    if (text.trim() === '' || !Number.isFinite(value) || value < 0) setProblem('Give a number, 0 or more.');
    else if (asks?.of === 'count' && !Number.isInteger(value)) setProblem(`Only whole ${asks.unit}.`);
    else send(value, unit);
  }
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <input
        autoFocus
        aria-label={asks?.label ?? `How much ${chore.text}`}
        aria-invalid={problem !== ''}
        inputMode="decimal"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && close()}
        className="control !w-24"
      />
      <span className="text-quiet">{fahrenheit ? '°F' : gallons ? 'gal' : unit}</span>
      <button type="submit" className="min-h-11 rounded-part border border-ink bg-ink px-3 font-semibold text-sheet">
        Log
      </button>
      {problem && (
        <span role="alert" className="text-note font-semibold text-rust">
          {problem}
        </span>
      )}
    </form>
  );
}

/** What was seen of a stage: not yet, some or all, and when; since the last look when nothing is said. */
export function SightingField({
  text,
  send,
  close,
}: {
  text: string;
  send: (answer: Answer, seen: { from: string; to: string } | null) => void;
  close: () => void;
}) {
  const house = useHouse();
  const [when, setWhen] = useState('');
  const [problem, setProblem] = useState('');
  function answer(what: Answer) {
    const words = when.trim().toLowerCase().split(/\s+/).filter(Boolean);
    if (what === 'notYet' || words.length === 0) {
      send(what, null);
      return;
    }
    const read = readWhen(words, 0, { now: house.now(), timeZone: house.timeZone });
    if (!read?.ok) setProblem(read?.message ?? 'Try “at 6”, “last night” or “yesterday 22:00”.');
    else if (read.used < words.length) setProblem(`"${words[read.used] ?? ''}" isn’t a time I know.`);
    else send(what, read.range);
  }
  return (
    <span className="flex flex-wrap items-center gap-2" onKeyDown={(event) => event.key === 'Escape' && close()}>
      <span className="w-full">{text}: how many?</span>
      {(['some', 'all', 'notYet'] as const).map((what, i) => (
        <button
          key={what}
          type="button"
          autoFocus={i === 0}
          className={clsx(
            'min-h-11 rounded-part border border-ink px-3 font-semibold',
            what === 'notYet' ? 'bg-sheet text-ink' : 'bg-ink text-sheet',
          )}
          onClick={() => answer(what)}
        >
          {ANSWERS[what]}
        </button>
      ))}
      <input
        aria-label="When, if not since the last look"
        aria-invalid={problem !== ''}
        value={when}
        placeholder="since the last look"
        onChange={(event) => setWhen(event.target.value)}
        className="control !w-44"
      />
      {problem && (
        <span role="alert" className="text-note font-semibold text-rust">
          {problem}
        </span>
      )}
    </span>
  );
}
