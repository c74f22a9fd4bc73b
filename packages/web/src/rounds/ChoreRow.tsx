import { clsx } from 'clsx';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { readWhen } from '@freshet/core/time';
import { convert, formatNumber, inUnits, parseQuantity } from '@freshet/core/units';
import { useHouse, useLog, useOutbox, useUndo, type Reply } from '../data';
import { Why } from '../ui';

export type Stop = Reply<'round'>['stops'][number];
export type Chore = Stop['chores'][number];

type Answer = 'notYet' | 'some' | 'all';
const ANSWERS: Record<Answer, string> = { notYet: 'not yet', some: 'some', all: 'all' };

function useChore(chore: Chore, stop: Stop, day: string) {
  const house = useHouse();
  const log = useLog();
  const undo = useUndo();
  const waiting = useOutbox().some((entry) => (entry.body as { choreKey?: string }).choreKey === chore.key);
  return {
    waiting,
    untick: () => (chore.outcome ? undo(chore.outcome.entryId) : Promise.resolve()),
    tick: (
      status: 'done' | 'skipped',
      amount: number | null,
      unit: string | null,
      looked: { answer: Answer; seen?: { from: string; to: string } | null } | null = null,
    ) =>
      log(
        'outcome',
        {
          id: newId(),
          choreKey: chore.key,
          day,
          status,
          text: chore.text,
          tankId: stop.tankId,
          amount,
          unit,
          tick: status === 'done' ? chore.tick : null,
          ...(looked ?? {}),
          at: house.now(),
        },
        `${stop.code}: ${chore.text}, ${looked ? ANSWERS[looked.answer] : status}`,
      ),
  };
}

function AmountField({
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
function SightingField({
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
    if (!read?.ok) setProblem(read?.message ?? 'Such as "at 6", "last night" or "yesterday 22:00".');
    else if (read.used < words.length) setProblem(`"${words[read.used] ?? ''}" is not understood as a time.`);
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

/** One chore: a square to tick, or for what is looked for a round mark with its answer; the amount can be changed. */
export function ChoreRow({ chore, stop, day, ahead }: { chore: Chore; stop: Stop; day: string; ahead: boolean }) {
  const house = useHouse();
  const { tick, untick, waiting } = useChore(chore, stop, day);
  const [asking, setAsking] = useState(false);
  const done = chore.outcome !== null || waiting;
  const may = house.may('sitter') && !ahead && !waiting;
  const watch = chore.way === 'watch';
  const skipped = chore.outcome?.status === 'skipped';
  const press = () => {
    if (chore.outcome) void untick();
    else if (chore.asks?.needed) setAsking(true);
    // Ticked as planned: what was planned is what was done.
    else void tick('done', chore.amount?.value ?? null, chore.amount?.unit ?? null);
  };
  return (
    <div className={clsx('flex min-h-11 min-w-0 items-center gap-2.5', done && 'text-quiet')}>
      <button
        type="button"
        role="checkbox"
        aria-checked={chore.outcome?.status === 'done' || waiting}
        aria-label={`${stop.code}: ${chore.text} ${chore.amountText}`}
        disabled={!may}
        onClick={press}
        className={clsx('-m-[9px] grid size-11 shrink-0 place-items-center disabled:opacity-100', !may && 'cursor-default')}
      >
        <span
          className={clsx(
            'grid size-[26px] place-items-center border border-ink text-[17px] leading-none font-bold',
            watch ? 'rounded-full' : 'rounded-part',
            done && !skipped ? 'bg-ink text-sheet' : 'bg-sheet',
            ahead && 'border-dashed',
            waiting && 'border-dashed',
          )}
        >
          {skipped ? '–' : done ? '✓' : watch ? '?' : ''}
        </span>
      </button>
      {asking && chore.asks?.of === 'sighting' ? (
        <SightingField
          text={chore.text}
          close={() => setAsking(false)}
          send={(answer, seen) => void tick('done', null, null, { answer, seen }).then(() => setAsking(false))}
        />
      ) : asking ? (
        <AmountField
          chore={chore}
          close={() => setAsking(false)}
          send={(amount, unit) => void tick('done', amount, unit).then(() => setAsking(false))}
        />
      ) : (
        <span className="min-w-0 py-1">
          <span className={clsx(skipped && 'line-through')}>{chore.text}</span>{' '}
          {chore.outcome && chore.outcome.amount !== null && chore.outcome.amount !== chore.amount?.value ? (
            <b>
              {inUnits(`${formatNumber(chore.outcome.amount, 3)} ${chore.amount?.unit ?? chore.asks?.unit ?? ''}`, house.units)}
            </b>
          ) : may && !done && (chore.amount ?? (chore.asks && chore.asks.of !== 'sighting')) ? (
            <button
              type="button"
              className="font-bold underline decoration-dotted decoration-1 underline-offset-4"
              onClick={() => setAsking(true)}
              aria-label={`${chore.text}: change the amount ${chore.amountText}`}
            >
              {chore.amountText || 'how many?'}
            </button>
          ) : (
            <b className={chore.amountText.length > 22 ? 'font-normal' : ''}>{chore.amountText}</b>
          )}
          {chore.overdue && !done && <span className="ml-2 font-semibold text-rust">late</span>}
          {skipped && <span className="ml-2 text-note">skipped by {chore.outcome?.by}</span>}
          {waiting && <span className="ml-2 text-note">waits to be sent</span>}
          {!done && chore.why.length > 0 && (
            <span className="ml-1.5">
              <Why about={chore.text} notes={chore.caution ? [...chore.why, chore.caution] : chore.why} />
            </span>
          )}
          {may && !done && (
            <button
              type="button"
              className="ml-1.5 min-h-11 px-1 text-note text-quiet link hover:text-ink sm:min-h-6"
              aria-label={`${stop.code}: skip ${chore.text}`}
              onClick={() =>
                void (chore.asks?.of === 'sighting'
                  ? tick('done', null, null, { answer: 'notYet' })
                  : tick('skipped', null, null))
              }
            >
              {watch ? 'not yet' : 'skip'}
            </button>
          )}
        </span>
      )}
    </div>
  );
}
