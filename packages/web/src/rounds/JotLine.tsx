import { useEffect, useMemo, useRef, useState } from 'react';
import { v7 as newId } from 'uuid';
import type { JotContext, JotResult, JotTank } from '@freshet/core/rounds';
import { useGet, useHouse, useLog, type Reply } from '../data';

const KEPT = 'freshet.jot';

const toJotTank = (life: Reply<'tankLife'>[number]): JotTank => ({
  id: life.tankId,
  code: life.code,
  litres: life.litres,
  lots: life.lots.map(({ id, males, females, unsexed, broodId, name, speciesName }) => ({
    id,
    males,
    females,
    unsexed,
    young: broodId !== null,
    label: name ?? speciesName,
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

type Parse = (line: string, context: JotContext) => JotResult;

/** The page stands by then; the reader of lines is there before the server may be away. */
const BEHIND_MS = 2000;

/** The reader of lines, fetched behind the page, or at once when somebody types. */
function useParser(isTyped: boolean): Parse | null {
  const [parse, setParse] = useState<Parse | null>(null);
  useEffect(() => {
    const timer = setTimeout(
      () => void import('./jotReader').then(({ parseJot }) => setParse(() => parseJot)),
      isTyped ? 0 : BEHIND_MS,
    );
    return () => clearTimeout(timer);
  }, [isTyped]);
  return parse;
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
  const tanks = useMemo(() => (life.data ?? []).map(toJotTank), [life.data]);
  const parse = useParser(line.trim() !== '');
  const read = (by: Parse) =>
    line.trim() && life.data
      ? by(line, { tanks, cultures, now: house.now(), timeZone: house.timeZone, units: house.units })
      : null;
  const result = parse ? read(parse) : null;
  const wrong = result && !result.ok ? result.problem : null;

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
    const said = result ?? read(parse ?? (await import('./jotReader')).parseJot);
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
          {wrong && (
            <span
              aria-hidden
              className="pointer-events-none absolute inset-0 flex items-center overflow-hidden font-mono whitespace-pre text-transparent"
            >
              {line.slice(0, wrong.from)}
              <span className="underline decoration-rust decoration-wavy decoration-2 underline-offset-4">
                {line.slice(wrong.from, Math.max(wrong.to, wrong.from + 1)) || ' '}
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
      <p
        id="jot-reads"
        aria-live="polite"
        className={`order-1 px-3 pt-1 text-note empty:hidden md:order-2 md:max-w-[58%] md:px-0 md:pt-0 ${wrong ? 'text-rust' : 'text-quiet'}`}
      >
        {wrong ? (
          wrong.message
        ) : result?.ok ? (
          `reads as ${result.readsAs} · Enter logs it, Esc clears`
        ) : (
          <span className="hidden md:inline">Press / to jot from anywhere</span>
        )}
      </p>
    </form>
  );
}
