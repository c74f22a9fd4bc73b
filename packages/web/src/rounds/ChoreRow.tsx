import { clsx } from 'clsx';
import { lazy, Suspense, useState } from 'react';
import { v7 as newId } from 'uuid';
import { formatNumber, inUnits } from '@freshet/core/units';
import { useHouse, useLog, useOutbox, usePressed, useUndo } from '../data';
import { Why } from '../ui';
import { ANSWERS, type Answer, type Chore, type Stop } from './chore';
import { TickBox } from './TickBox';

/** What a chore was ticked as, as it is sent. */
const outcomeOf = (chore: Chore, stop: Stop, day: string, at: string) => ({
  choreKey: chore.key,
  day,
  text: chore.text,
  tankId: stop.tankId,
  at,
});

function useChore(chore: Chore, stop: Stop, day: string) {
  const house = useHouse();
  const log = useLog();
  const undo = useUndo();
  const waiting = useOutbox().some(
    ({ body }) =>
      (body as { choreKey?: string }).choreKey === chore.key ||
      (body as { outcomes?: { choreKey: string }[] }).outcomes?.some(({ choreKey }) => choreKey === chore.key),
  );
  const { pressed, press } = usePressed(chore.outcome !== null);
  return {
    waiting,
    pressed,
    untick: () => press(false, '', () => (chore.outcome ? undo(chore.outcome.entryId) : Promise.resolve(false))),
    tick: (
      status: 'done' | 'skipped',
      amount: number | null,
      unit: string | null,
      looked: { answer: Answer; seen?: { from: string; to: string } | null } | null = null,
    ) =>
      press(status, newId(), (id) =>
        log(
          'outcome',
          {
            ...outcomeOf(chore, stop, day, house.now()),
            id,
            status,
            amount,
            unit,
            tick: status === 'done' ? chore.tick : null,
            ...(looked ?? {}),
          },
          `${stop.code}: ${chore.text}, ${looked ? ANSWERS[looked.answer] : status}`,
        ),
      ),
  };
}

/** Ticks several chores as planned, as one entry. */
export function useTicks(stops: readonly { stop: Stop; chores: readonly Chore[] }[], day: string) {
  const house = useHouse();
  const log = useLog();
  const { pressed, press } = usePressed(false);
  const count = stops.reduce((sum, { chores }) => sum + chores.length, 0);
  return {
    pressed: pressed === 'done',
    tickAll: (words: string) =>
      press('done', newId(), (id) =>
        log(
          'ticks',
          {
            id,
            at: house.now(),
            outcomes: stops.flatMap(({ stop, chores }) =>
              chores.map((chore) => ({
                ...outcomeOf(chore, stop, day, house.now()),
                status: 'done' as const,
                amount: chore.amount?.value ?? null,
                unit: chore.amount?.unit ?? null,
                tick: chore.tick,
              })),
            ),
          },
          count === 1 ? `${words}, done` : `${words}: ${count} done`,
        ),
      ),
  };
}

/** Whether a tick as planned says all there is to say of a chore. */
export const isPlain = (chore: Chore): boolean => chore.way === 'do' && !chore.outcome && !chore.asks?.needed && !chore.caution;

/** What is typed beside a tick is fetched when it is first asked for. */
export const choreFields = () => import('./ChoreFields');
const AmountField = lazy(async () => ({ default: (await choreFields()).AmountField }));
const SightingField = lazy(async () => ({ default: (await choreFields()).SightingField }));

/** One chore: a square to tick, or for what is looked for a round mark with its answer; the amount can be changed. */
export function ChoreRow({ chore, stop, day, ahead }: { chore: Chore; stop: Stop; day: string; ahead: boolean }) {
  const house = useHouse();
  const { tick, untick, waiting, pressed } = useChore(chore, stop, day);
  const [asking, setAsking] = useState(false);
  // As pressed until the round says so: a tick is seen in the next frame.
  const status = pressed ?? chore.outcome?.status ?? (waiting ? 'done' : false);
  const done = status !== false;
  const may = house.may('sitter') && !ahead && !waiting;
  const watch = chore.way === 'watch';
  const skipped = status === 'skipped';
  const press = () => {
    if (pressed !== null) return;
    if (chore.outcome) void untick();
    else if (chore.asks?.needed) setAsking(true);
    // Ticked as planned: what was planned is what was done.
    else void tick('done', chore.amount?.value ?? null, chore.amount?.unit ?? null);
  };
  return (
    <div className={clsx('flex min-h-11 min-w-0 items-center gap-2.5', done && 'text-quiet')}>
      <TickBox
        label={`${stop.code}: ${chore.text} ${chore.amountText}`}
        status={status}
        isRound={watch}
        isDashed={ahead || waiting}
        disabled={!may}
        onPress={press}
      />
      {asking && chore.asks?.of === 'sighting' ? (
        <Suspense>
          <SightingField
            text={chore.text}
            close={() => setAsking(false)}
            send={(answer, seen) => void tick('done', null, null, { answer, seen }).then(() => setAsking(false))}
          />
        </Suspense>
      ) : asking ? (
        <Suspense>
          <AmountField
            chore={chore}
            close={() => setAsking(false)}
            send={(amount, unit) => void tick('done', amount, unit).then(() => setAsking(false))}
          />
        </Suspense>
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
          {chore.more && `${chore.amountText && !chore.more.startsWith('for ') ? ',' : ''} ${chore.more}`}
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
