import { Link } from 'react-router';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { afterSign, SIGN_WORDS, SIGNS, type Recipe, type Sign } from '@freshet/core/spawning';
import { exactly, formatInstant } from '@freshet/core/time';
import { useHouse, useLog } from '../data';
import { DayInput, Field, fromLocal } from '../ui';

/** What is seen of them, one tap each; what the last sign asks for stands below. */
export function SettlingLog({
  attempt,
  may,
}: {
  attempt: {
    id: string;
    name: string;
    recipe: Recipe;
    triggered: object | null;
    parents: readonly { lotId: string }[];
    events: readonly { id: string; sign: Sign | null; to: string; words: string }[];
  };
  may: boolean;
}) {
  const house = useHouse();
  const log = useLog();
  const seen = attempt.events.filter(({ sign }) => sign !== null);
  const last = seen.at(-1);
  const [when, setWhen] = useState('');
  const [problem, setProblem] = useState('');
  const next = last?.sign ? afterSign(last.sign, attempt.recipe, attempt.triggered !== null) : null;
  function seeNow(sign: Sign): void {
    let at = house.now();
    try {
      if (when.trim() !== '') at = fromLocal('when', when, house.timeZone);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'Such as yesterday 19:00.');
      return;
    }
    setProblem('');
    setWhen('');
    void log(
      'logSettling',
      { id: newId(), attemptId: attempt.id, sign, at: exactly(at), note: null },
      `${attempt.name}: ${SIGN_WORDS[sign].toLowerCase()}`,
    );
  }
  return (
    <div>
      {may && (
        <div className="flex flex-wrap gap-2" role="group" aria-label="Seen now">
          {SIGNS.map((sign) => (
            <button
              key={sign}
              type="button"
              className="min-h-11 rounded-part border border-ink bg-sheet px-3 hover:bg-today"
              onClick={() => seeNow(sign)}
            >
              {SIGN_WORDS[sign]}
            </button>
          ))}
        </div>
      )}
      {may && (
        <div className="mt-2 max-w-xs">
          <Field label="Seen when, if not now" error={problem || undefined}>
            {(part) => (
              <DayInput
                label="Seen when, if not now"
                withTime
                value={when}
                onChange={setWhen}
                invalid={problem !== ''}
                part={part}
              />
            )}
          </Field>
        </div>
      )}
      {next && (
        <p role="status" className="mt-2 border-l-4 border-deep pl-3">
          {next}
        </p>
      )}
      {may && last?.sign === 'pairFormed' && attempt.parents[0] && (
        <p className="mt-1 pl-4">
          <Link to={`/stock/${attempt.parents[0].lotId}`} className="link">
            Give the two names
          </Link>
          , and move the others out from the tank’s page.
        </p>
      )}
      <ul className="mt-2">
        {seen
          .slice(-4)
          .reverse()
          .map(({ id, words, to }) => (
            <li key={id} className="flex justify-between gap-3 border-b border-rule py-1">
              <span>{words}</span>
              <span className="text-quiet">{formatInstant(to, house.today, house.timeZone)}</span>
            </li>
          ))}
      </ul>
    </div>
  );
}
