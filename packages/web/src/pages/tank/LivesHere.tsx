import { Link } from 'react-router';
import { formatDay, houseDay } from '@freshet/core/time';
import { showHeads, useHouse, type Reply } from '../../data';
import { MealTaps } from '../../larder';
import type { SomeLot } from '../../stock';
import { LinkButton, Panel, STAGE_WORDS, Swatch } from '../../ui';
import { TightLine } from './TightLine';

/** What lives in a tank. */
export type Life = Reply<'tankLife'>[number];
type LifeLot = Life['lots'][number];
/** What is open over the page of a tank or vessel. */
export type Sheet =
  | { kind: 'reading' | 'stock' | 'change' | 'death' | 'regime' | 'equipment' | 'place' | 'event' | 'found' }
  | { kind: 'eggs'; attempt: Life['attempts'][number] }
  | { kind: 'move' | 'loss' | 'count'; lot: LifeLot };

/** A lot as the forms of stock take it. */
export const toSome = (lot: LifeLot, tankId: string): SomeLot => ({ ...lot, tankId });

/** Who lives in a tank, a box or a jar, with what can be done about them. */
export function LivesHere({ life, open }: { life: Life; open: (sheet: Sheet) => void }) {
  const house = useHouse();
  const may = house.may('sitter');
  return (
    <Panel title="Lives here">
      {life.lots.length === 0 && life.cultures.length === 0 && <p className="text-quiet">Empty.</p>}
      {life.lots.map((lot) => (
        <div key={lot.id} className="border-b border-rule py-1.5">
          <div className="flex items-start gap-2.5">
            <span className="pt-1">
              <Swatch kind={lot.stage} width={18} height={14} />
            </span>
            <div className="min-w-0 flex-1">
              <b>{lot.speciesName}</b> {showHeads(lot)}
              <div className="text-note text-quiet">
                {STAGE_WORDS[lot.stage]}
                {`, here since ${formatDay(houseDay(lot.since, house.timeZone), house.today)}`}
                {lot.broodId && (
                  <>
                    ,{' '}
                    <Link to={`/broods/${lot.broodId}`} className="link">
                      {life.broods.find((brood) => brood.id === lot.broodId)?.name ?? 'brood'}
                    </Link>
                  </>
                )}
              </div>
            </div>
          </div>
          {may && (
            <div className="flex gap-4 pl-7">
              {lot.broodId && <LinkButton onClick={() => open({ kind: 'count', lot })}>count</LinkButton>}
              <LinkButton onClick={() => open({ kind: 'move', lot })}>move or split</LinkButton>
              <LinkButton onClick={() => open({ kind: 'loss', lot })}>loss</LinkButton>
            </div>
          )}
        </div>
      ))}
      <TightLine life={life} />
      {life.lastFed && life.lots.length > 0 && <MealTaps tankId={life.tankId} code={life.code} />}
      {life.cultures.map((culture) => (
        <Link
          key={culture.id}
          to={`/larder/cultures/${culture.id}`}
          className="flex items-center gap-2.5 border-b border-rule py-2"
        >
          <Swatch kind="culture" width={18} height={14} />
          <b>{culture.name}</b>
        </Link>
      ))}
      {life.attempts.map((attempt) => (
        <p key={attempt.id} className="border-b border-rule py-2">
          <Link to={`/spawns/${attempt.id}`} className="link">
            {attempt.name}
          </Link>{' '}
          <span className="text-quiet">
            {attempt.from > house.today ? 'books it from' : 'holds it since'} {formatDay(attempt.from, house.today)}
            {attempt.to && ` to ${formatDay(attempt.to, house.today)}`}
          </span>
        </p>
      ))}
    </Panel>
  );
}
