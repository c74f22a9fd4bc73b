import { Link } from 'react-router';
import { v7 as newId } from 'uuid';
import { CONDITION_SIGNS } from '@freshet/core/species';
import { conditionFactor, FIRST_CONDITIONING_DAYS, summariseLengths } from '@freshet/core/stock';
import { formatDay, formatDayRange, houseDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useHouse, useLog, type Reply } from '../../data';
import { Button, Why } from '../../ui';
import { ScoreMark } from '../ScoreMark';
import { SizeDots } from '../SizeDots';

type Card = Reply<'lotCard'>;
const SIGN = { met: '✓', unmet: '✕', unknown: '?' } as const;
const STATE = { met: 'met', unmet: 'not met', unknown: 'not known' } as const;

/** What speaks for and against spawning now. */
export function ReadinessChecks({ card }: { card: Card }) {
  const { state, checks } = card.readiness;
  return (
    <>
      <p className="mb-1">
        <b className={state === 'ready' ? 'text-deep' : ''}>
          {card.retiredOrGone
            ? 'Not bred from'
            : { ready: 'Ready to spawn', notReady: 'Not ready yet', unknown: 'Look first' }[state]}
        </b>{' '}
        <Why
          about="Readiness"
          formula="Age, size, condition in the last ten days, rest since spawning, season and sex ratio, against the limits for its species."
          source="docs/sources.md#condition"
          notes={['Limits are general starting points. What isn’t known doesn’t count as ready, so take a look.']}
        />
      </p>
      <ul>
        {checks.map(({ what, state: met, words }) => (
          <li key={what} className="flex gap-2 border-b border-rule py-1">
            <span
              role="img"
              aria-label={STATE[met]}
              className={`w-4 shrink-0 font-bold ${met === 'unmet' ? 'text-rust' : met === 'met' ? 'text-deep' : 'text-amber'}`}
            >
              {SIGN[met]}
            </span>
            <span>{words}</span>
          </li>
        ))}
      </ul>
      <RipeLine card={card} />
    </>
  );
}

/** When stock that is too young will be ripe, and the earliest brood of it. */
function RipeLine({ card }: { card: Card }) {
  const house = useHouse();
  const { ripe } = card.readiness;
  if (!ripe) return null;
  return (
    <p className="mt-1">
      Ripe <b>{formatDayRange(ripe.from, ripe.to, house.today)}</b>; the earliest brood from{' '}
      {formatDay(ripe.broodFrom, house.today)}.{' '}
      <Why
        about="Ripe"
        formula={
          {
            age: 'Their breeding age minus their age now.',
            length: 'Their length now, grown on at the usual speed to breeding size.',
            both: 'Old enough and long enough, whichever comes later.',
          }[ripe.by]
        }
        source="docs/sources.md#condition"
        notes={[`The brood: ${FIRST_CONDITIONING_DAYS} days of conditioning once the first are mature.`]}
      />
    </p>
  );
}

/** Ratio, room and hiding places of the tank it lives in. */
export function CompanyChecks({ company }: { company: NonNullable<Card['company']> }) {
  return (
    <ul>
      {company.checks.map(({ what, isMet, words }) => (
        <li key={what} className="flex gap-2 border-b border-rule py-1">
          <span
            role="img"
            aria-label={isMet ? 'met' : 'not met'}
            className={`w-4 shrink-0 font-bold ${isMet ? 'text-deep' : 'text-rust'}`}
          >
            {isMet ? '✓' : '✕'}
          </span>
          <span>{words}</span>
        </li>
      ))}
    </ul>
  );
}

/** Newest condition against the one before, and conditioning that runs. */
export function ConditionPart({ card }: { card: Card }) {
  const house = useHouse();
  const log = useLog();
  const newest = card.conditions.at(-1);
  const running = card.programmes.find(({ isRunning }) => isRunning);
  const lengths = card.conditions.filter(({ lengthMm }) => lengthMm !== null);
  const measured = lengths.at(-1);
  const [sample] = card.samples;
  const weighed = card.conditions.findLast(({ weightG, lengthMm }) => weightG !== null && lengthMm !== null);
  return (
    <>
      {newest ? (
        <>
          <p className="flex flex-wrap items-center gap-x-3">
            <ScoreMark score={newest.score} trend={card.lot.score?.trend ?? null} />
            <b>{newest.score} of 5</b>
            <span className="text-quiet">{formatDay(houseDay(newest.at, house.timeZone), house.today)}</span>
          </p>
          {newest.signs.length > 0 && <p className="text-note">{newest.signs.map((sign) => CONDITION_SIGNS[sign]).join('; ')}</p>}
          {measured?.lengthMm && (
            <p className="text-note text-quiet">
              {formatNumber(measured.lengthMm, 3)} mm on {formatDay(houseDay(measured.at, house.timeZone), house.today)}
              {weighed?.weightG &&
                weighed.lengthMm &&
                `, ${formatNumber(weighed.weightG, 3)} g, condition factor ${formatNumber(conditionFactor({ lengthMm: weighed.lengthMm, weightG: weighed.weightG }).k)}`}
            </p>
          )}
        </>
      ) : (
        <p className="text-quiet">Not scored yet.</p>
      )}
      {sample && (
        <div className="mt-2">
          <p className="text-note">
            {sample.lengthsMm.length} measured on {formatDay(houseDay(sample.at, house.timeZone), house.today)}:{' '}
            {formatNumber(summariseLengths(sample.lengthsMm).meanMm, 3)} mm on average
          </p>
          <SizeDots lengths={sample.lengthsMm} />
        </div>
      )}
      {running && (
        <div className="mt-2 border-l-4 border-deep bg-shade px-3 py-2">
          <p>
            <b>Conditioning</b> until {formatDay(running.to, house.today)}: {running.foods}, {running.mealsPerDay} × a day
            {running.separated !== 'together' && `, apart by ${running.separated === 'divider' ? 'a divider' : 'tank'}`}
          </p>
          {house.may('keeper') && (
            <Button
              look="quiet"
              onClick={() => void log('endProgramme', { id: newId(), programmeId: running.id }, 'Conditioning ended')}
            >
              End it
            </Button>
          )}
        </div>
      )}
    </>
  );
}

/** One side's possible parents. */
export function ParentLine({ title, side }: { title: string; side: Card['sires'] }) {
  return (
    <div className="flex gap-2 border-b border-rule py-1">
      <span className="w-12 shrink-0 text-quiet">{title}</span>
      <span className="min-w-0">
        {side.length === 0
          ? 'not known'
          : side.map(({ lotId, label, probability }, i) => (
              <span key={lotId}>
                {i > 0 && ' or '}
                <Link to={`/stock/${lotId}`} className="link">
                  {label}
                </Link>
                {side.length > 1 && <span className="text-quiet"> {Math.round(probability * 100)} %</span>}
              </span>
            ))}
      </span>
    </div>
  );
}
