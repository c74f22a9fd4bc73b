import { useEffect, useMemo, useRef, useState } from 'react';
import { v7 as newId } from 'uuid';
import type { JotContext, JotHouse, JotResult, JotTank } from '@freshet/core/jot';
import { useGet, useHouse, useLog, type Reply } from '../data';
import { BEHIND_MS } from './behindPage';

const KEPT = 'freshet.jot';

/** A stage of life as a line can mean it. */
const stageOf = (stage: Reply<'tankLife'>[number]['lots'][number]['stage']): JotTank['lots'][number]['stage'] =>
  stage === 'ready' ? 'growing' : stage === 'breeders' ? 'adult' : stage;

const toJotTank = (life: Reply<'tankLife'>[number]): JotTank => ({
  id: life.tankId,
  code: life.code,
  litres: life.litres,
  lots: life.lots.map(({ id, males, females, unsexed, broodId, name, speciesKey, speciesName, stage }) => ({
    ...{ id, males, females, unsexed, broodId, speciesKey, speciesName },
    label: name ?? life.broods.find((brood) => brood.id === broodId)?.name ?? speciesName,
    stage: stageOf(stage),
  })),
  broods: life.broods,
  attempts: life.clutchAttempts,
});

function keep(line: string): void {
  try {
    sessionStorage.setItem(KEPT, line);
  } catch {
    // Without a store the line lives in this page only.
  }
}
function kept(): string {
  try {
    return sessionStorage.getItem(KEPT) ?? '';
  } catch {
    return '';
  }
}

interface Parser {
  parseJot: (line: string, context: JotContext, house?: JotHouse) => JotResult;
  jotHouse: (tanks: readonly JotTank[]) => JotHouse;
}

/** Answers to a question that stand beside the line; more are too many to read. */
const SHOWN_CHOICES = 6;

/** Words by which a line may be a sale. */
const SALE_WORDS = /\bs(old|ale|ell)/i;

/** The reader of lines, fetched behind the page, or at once when somebody types. */
function useParser(isTyped: boolean): Parser | null {
  const [parser, setParser] = useState<Parser | null>(null);
  useEffect(() => {
    const timer = setTimeout(
      () => void import('./jotReader').then(({ parseJot, jotHouse }) => setParser({ parseJot, jotHouse })),
      isTyped ? 0 : BEHIND_MS,
    );
    return () => clearTimeout(timer);
  }, [isTyped]);
  return parser;
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.closest('input, textarea, select, [contenteditable]') !== null || target.closest('[role=dialog]') !== null);

/** One line at the foot of every page: typed, read back, logged by Enter. "/" goes to it from anywhere. */
export function JotLine() {
  const house = useHouse();
  const life = useGet('tankLife');
  const log = useLog();
  const [line, setLine] = useState(kept);
  const [sending, setSending] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const cultures: JotContext['cultures'] = useGet('cultures').data ?? [];
  // Who fish go to is asked for only when a sale is typed, and only for who may sell.
  const isSale = SALE_WORDS.test(line) && house.may('keeper');
  const buyers = (useGet(isSale ? 'buyers' : null).data ?? []).flatMap(({ buyerId, name, pays, erased }) =>
    erased ? [] : [{ id: buyerId, name, pays }],
  );
  const tanks = useMemo(() => (life.data ?? []).map(toJotTank), [life.data]);
  const parser = useParser(line.trim() !== '');
  // What a line is read against is made once for a house, not at every key.
  const told = useMemo(() => parser?.jotHouse(tanks), [parser, tanks]);
  const read = (by: Parser, against?: JotHouse) =>
    line.trim() && life.data
      ? by.parseJot(line, { tanks, cultures, buyers, now: house.now(), timeZone: house.timeZone, units: house.units }, against)
      : null;
  const result = parser ? read(parser, told) : null;
  const wrong = result && !result.ok ? result.problem : null;
  const ask = result && !result.ok ? result.ask : null;
  const marked = wrong ?? ask;

  useEffect(() => {
    const focus = (event: KeyboardEvent) => {
      if (event.key !== '/' || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      event.preventDefault();
      input.current?.focus();
    };
    window.addEventListener('keydown', focus);
    return () => window.removeEventListener('keydown', focus);
  }, []);

  function change(next: string): void {
    setLine(next);
    keep(next);
  }

  async function enter(): Promise<void> {
    // Whoever is faster than the reader waits for it.
    const said = result ?? read(parser ?? (await import('./jotReader')));
    if (!said?.ok || sending) return;
    setSending(true);
    const taken = await log('jot', { id: newId(), line, at: house.now() }, said.readsAs);
    setSending(false);
    if (taken) change('');
  }

  return (
    <form
      className="no-print flex min-h-[46px] shrink-0 flex-col items-stretch border-t border-ink bg-sheet md:flex-row md:items-center md:gap-6 md:pr-[18px] md:pl-[106px]"
      onSubmit={(event) => {
        event.preventDefault();
        void enter();
      }}
    >
      <label className="relative order-2 flex min-h-[46px] min-w-0 flex-1 items-center gap-3 px-3 md:order-1 md:px-0">
        <span className="font-semibold">Jot</span>
        <span className="relative min-w-0 flex-1">
          {marked && (
            <span
              aria-hidden
              className="pointer-events-none absolute inset-0 flex items-center overflow-hidden font-mono whitespace-pre text-transparent"
            >
              {line.slice(0, marked.from)}
              <span
                className={`underline decoration-wavy decoration-2 underline-offset-4 ${wrong ? 'decoration-rust' : 'decoration-amber-line'}`}
              >
                {line.slice(marked.from, Math.max(marked.to, marked.from + 1)) || ' '}
              </span>
            </span>
          )}
          <input
            ref={input}
            value={line}
            onChange={(event) => change(event.target.value)}
            onKeyDown={(event) => {
              if (event.key !== 'Escape') return;
              change('');
              event.currentTarget.blur();
            }}
            placeholder="such as A1.2 25.5, or B2.3 eggs 120, 18 white"
            aria-describedby="jot-reads"
            aria-invalid={wrong !== null}
            autoCapitalize="characters"
            autoComplete="off"
            spellCheck={false}
            maxLength={300}
            className="h-11 w-full bg-transparent font-mono placeholder:font-sans focus:outline-none"
          />
        </span>
      </label>
      <div
        id="jot-reads"
        aria-live="polite"
        className={`order-1 px-3 pt-1 text-note empty:hidden md:order-2 md:max-w-[58%] md:px-0 md:pt-0 ${wrong ? 'text-rust' : 'text-quiet'}`}
      >
        {wrong ? (
          wrong.message
        ) : ask ? (
          <span className="flex flex-wrap items-center gap-2">
            <b className="text-ink">{ask.question}</b>
            {ask.choices.slice(0, SHOWN_CHOICES).map((choice) => (
              <button
                key={choice.label}
                type="button"
                className="min-h-9 rounded-part border border-ink bg-sheet px-2.5 font-semibold text-ink"
                onClick={() => {
                  change(choice.line);
                  input.current?.focus();
                }}
              >
                {choice.label}
              </button>
            ))}
            {ask.choices.length > SHOWN_CHOICES && <span>or type which</span>}
          </span>
        ) : result?.ok ? (
          `reads as ${result.readsAs} · Enter logs it, Esc clears`
        ) : (
          <span className="hidden md:inline">Press / to jot from anywhere</span>
        )}
      </div>
    </form>
  );
}
