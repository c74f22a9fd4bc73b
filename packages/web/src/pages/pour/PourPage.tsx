import { useState } from 'react';
import { Link } from 'react-router';
import { v7 as newId } from 'uuid';
import { FOOD_NAMES } from '@freshet/core/species';
import { formatInstant } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useGet, useHouse, useLog, useUndo, type Reply } from '../../data';
import { LarderHead, MealTaps } from '../../larder';
import { Empty, Loaded, Swatch } from '../../ui';

type Pours = Reply<'pours'>;
type Pour = Pours['vessels'][number]['pours'][number];
type Chore = Reply<'round'>['stops'][number]['chores'][number];

/** Pouring ticks the feeding of that lot: one fact, in the round and here. */
function PourRow({ pour, walks, day }: { pour: Pour; walks: readonly Chore[]; day: string }) {
  const house = useHouse();
  const log = useLog();
  const undo = useUndo();
  const [asks, setAsks] = useState(false);
  const given = walks.filter(({ outcome }) => outcome !== null).length;
  const chore = walks.find(({ outcome }) => outcome === null) ?? walks.at(-1);
  const done = walks.length > 0 && given === walks.length;
  const each = pour.meals > 1 ? `${formatNumber(pour.ml / pour.meals)} ml × ${pour.meals}` : `${formatNumber(pour.ml)} ml`;
  const tap = async () => {
    if (!chore) return;
    if (chore.outcome !== null) {
      await undo(chore.outcome.entryId);
      return;
    }
    const isLogged = await log(
      'outcome',
      {
        id: newId(),
        choreKey: chore.key,
        day,
        status: 'done',
        text: chore.text,
        tankId: pour.tankId,
        amount: chore.amount?.value ?? null,
        unit: chore.amount?.unit ?? null,
        tick: chore.tick,
        at: house.now(),
      },
      `${pour.code} fed`,
    );
    if (isLogged) setAsks(true);
  };
  return (
    <li className="border-b border-rule py-1.5">
      <div className="flex items-center gap-3">
        {chore ? (
          <button
            type="button"
            role="checkbox"
            aria-checked={done}
            aria-label={`${pour.code}, ${each}${walks.length > 1 ? `, ${given} of ${walks.length} walks given` : ''}`}
            disabled={!house.may('sitter')}
            onClick={() => void tap()}
            className="grid size-11 shrink-0 place-items-center rounded-part border-2 border-ink text-title leading-none hover:bg-today"
          >
            {done ? '✓' : ''}
          </button>
        ) : (
          <span className="grid size-11 shrink-0 place-items-center text-quiet" title="as well as the main food">
            +
          </span>
        )}
        <span className={`flex-1 ${done ? 'text-quiet line-through' : ''}`}>
          <Link to={`/tanks/${pour.tankId}`} className="link text-code">
            {pour.code}
          </Link>{' '}
          <span className="text-note text-quiet">
            {walks.length > 1 && given > 0 && !done ? `${given} of ${walks.length} walks given ` : ''}
            {pour.insteadOf ? `instead of ${FOOD_NAMES[pour.insteadOf]}` : chore ? '' : 'as well as the main food'}
          </span>
        </span>
        <b className="tabular-nums">{each}</b>
      </div>
      {(asks || given > 0) && (
        <div className="mt-1 pl-14">
          <MealTaps tankId={pour.tankId} code={pour.code} />
        </div>
      )}
    </li>
  );
}

/** A feeding's chores of all walks of the day, in their order. */
function walksOf(key: string | null, chores: ReadonlyMap<string, Chore>): Chore[] {
  if (key === null) return [];
  const cut = key.lastIndexOf(':');
  const keys = [key, ...[1, 2, 3, 4, 5].map((walk) => `${key.slice(0, cut)}@${walk}${key.slice(cut)}`)];
  return keys.flatMap((one) => chores.get(one) ?? []);
}

/** This morning's harvests, divided among the tanks in walking order. */
export function PourPage() {
  const house = useHouse();
  const pours = useGet('pours');
  const round = useGet('round');
  const chores = new Map((round.data?.stops ?? []).flatMap((stop) => stop.chores.map((chore) => [chore.key, chore] as const)));
  return (
    <Loaded reply={pours} what="the pour list">
      {({ vessels, unfed, day }) => {
        const used = vessels.filter((vessel) => vessel.pours.length > 0);
        const spare = vessels.filter((vessel) => vessel.pours.length === 0);
        return (
          <>
            <LarderHead
              title="Pour list"
              about={
                unfed.length > 0 ? (
                  <b className="text-rust">
                    {unfed.length === 1
                      ? `${unfed[0]?.code ?? ''} gets too little`
                      : `${new Set(unfed.map(({ tankId }) => tankId)).size} tanks get too little`}
                  </b>
                ) : used.length > 0 ? (
                  `${used.length === 1 ? 'one vessel' : `${used.length} vessels`}, each for its tanks in walking order`
                ) : null
              }
            />
            {vessels.length === 0 && unfed.length === 0 && (
              <Empty title="Nothing to pour today">When a culture is ripe you’ll see how much goes to which tank.</Empty>
            )}
            {unfed.length > 0 && (
              <section className="mb-4 border-l-[5px] border-l-rust bg-rust-wash px-4 py-2">
                <h2 className="text-code">Not enough ripe</h2>
                {[...new Set(unfed.map(({ food }) => food))].map((food) => {
                  const own = unfed.filter((one) => one.food === food);
                  const [first] = own;
                  return (
                    <p key={food} className="py-0.5">
                      <b className="inline-block first-letter:uppercase">{FOOD_NAMES[food]}</b> short for{' '}
                      {own.map(({ tankId, code, ml }, i) => (
                        <span key={`${tankId}${i}`}>
                          {i > 0 && ', '}
                          <Link to={`/tanks/${tankId}`} className="link font-bold">
                            {code}
                          </Link>{' '}
                          {formatNumber(ml)} ml
                        </span>
                      ))}
                      .{' '}
                      {first?.next &&
                        `${first.next.name} could be ready from ${formatInstant(first.next.from, house.today, house.timeZone).replace(' 00:00', '')}. `}
                      Until then {first?.bridge}.
                    </p>
                  );
                })}
              </section>
            )}
            <div className="grid gap-4 lg:grid-cols-2">
              {used.map((vessel) => (
                <section key={vessel.cultureId} className="border border-rule bg-sheet px-4 py-3">
                  <h2 className="flex flex-wrap items-center gap-2.5">
                    <Swatch kind="culture" />
                    <Link to={`/larder/cultures/${vessel.cultureId}`} className="link">
                      {vessel.name}
                    </Link>
                    <span className="font-normal text-quiet">{vessel.place}</span>
                    <span className="ml-auto">take {formatNumber(vessel.takeMl)} ml</span>
                  </h2>
                  <ul className="mt-1 border-t border-ink">
                    {vessel.pours.map((pour) => (
                      <PourRow
                        key={`${pour.tankId}${pour.choreKey ?? pour.ml}`}
                        pour={pour}
                        walks={walksOf(pour.choreKey, chores)}
                        day={day}
                      />
                    ))}
                  </ul>
                  {vessel.over && <p className="mt-1 text-note text-quiet">{vessel.over}</p>}
                </section>
              ))}
            </div>
            {spare.length > 0 && (
              <section className="mt-4">
                <h2 className="mb-1 text-code">Ripe, not needed today</h2>
                <ul className="border-t border-ink bg-sheet px-3">
                  {spare.map(({ cultureId, name, mayTakeMl, over }) => (
                    <li key={cultureId} className="flex flex-wrap gap-x-3 border-b border-rule py-1.5">
                      <Link to={`/larder/cultures/${cultureId}`} className="link font-bold">
                        {name}
                      </Link>
                      <span>{formatNumber(mayTakeMl)} ml</span>
                      <span className="text-note text-quiet">{over}</span>
                    </li>
                  ))}
                </ul>
              </section>
            )}
            {house.may('sitter') && used.length > 0 && (
              <p className="mt-3 text-note text-quiet">
                Tap when you’ve poured; it’s ticked on your walk too. After the meal, say what you saw.
              </p>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
