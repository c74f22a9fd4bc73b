import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { PLACE_WISHES, WISH_WORDS, type Outlook, type PlaceWish } from '@freshet/core/growout';
import { formatDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useHouse, useLog } from '../../data';
import { Button, Checkbox, Empty, Loaded, Loading, LinkButton } from '../../ui';
import { growoutWork, useHouseWork } from '../../workers';
import { GrowoutHead } from '../GrowoutHead';
import { FillRow } from './FillRow';
import { PlaceRow } from './PlaceRow';

type Locks = Readonly<Record<string, string>>;

/** What a wish costs, in words. */
function priceWords(price: Outlook['plan']['prices'][number] | undefined): string {
  if (!price) return 'not chosen';
  if (price.placed > 0) return `without it, ${price.placed} more find a tank`;
  return price.cost >= 0.5 ? `${formatNumber(price.cost)} more moves` : 'no change';
}

/** The moves of the plan that was taken and are still to be made. */
function Taken({ moves, drop }: { moves: Outlook['moves']; drop: (() => void) | null }) {
  const house = useHouse();
  if (moves.length === 0) return null;
  return (
    <div className="border-b border-ink bg-today px-3 py-2">
      <b>Taken</b>{' '}
      {drop && (
        <span className="float-right">
          <LinkButton onClick={drop}>drop these</LinkButton>
        </span>
      )}
      <ul>
        {moves.map((move) => (
          <li key={move.id}>
            {move.heads} {move.name}, <span className="font-mono">{move.fromCode}</span> to{' '}
            <span className="font-mono">{move.toCode}</span>, {move.on <= house.today ? 'today' : formatDay(move.on, house.today)}
          </li>
        ))}
      </ul>
    </div>
  );
}

function Plan({
  outlook,
  wishes,
  setWishes,
  locks,
  setLocks,
  isWorking,
}: {
  outlook: Outlook;
  wishes: readonly PlaceWish[];
  setWishes: (next: PlaceWish[]) => void;
  locks: Locks;
  setLocks: (next: Locks) => void;
  isWorking: boolean;
}) {
  const house = useHouse();
  const log = useLog();
  const { plan } = outlook;
  const placed = plan.places.filter((place) => place.toTankId !== null && place.on !== null);
  const planned = placed.map(({ lotId, toTankId, heads, on }) => ({
    moveId: newId(),
    lotId,
    toTankId: toTankId ?? '',
    heads,
    on: on ?? house.today,
  }));
  const kept = outlook.moves.map(({ id, lotId, toTankId, heads, on }) => ({
    moveId: id,
    lotId,
    toTankId,
    heads,
    on: on < house.today ? house.today : on,
  }));
  const take = async () => {
    const isLogged = await log(
      'takePlaces',
      { id: newId(), at: house.now(), moves: [...kept, ...planned] },
      `${placed.length === 1 ? 'One move' : `${placed.length} moves`} planned`,
    );
    if (isLogged) setLocks({});
  };
  // What is to be done comes before what cannot be.
  const rows = [...placed, ...plan.places.filter((place) => !placed.includes(place))];
  const lock = (id: string, tankId: string) => {
    const { [id]: _before, ...others } = locks;
    setLocks(tankId ? { ...others, [id]: tankId } : others);
  };
  return (
    <section aria-label="Where they go" className="min-w-0 border border-ink bg-sheet">
      <div className="flex flex-wrap items-center justify-between gap-3 border-b border-ink px-3 py-2">
        <h2>
          Where they go{' '}
          <span className="font-normal text-quiet">
            {plan.unplaced > 0 ? `${plan.unplaced} without a tank` : plan.places.length > 0 ? 'a tank for all' : ''}
          </span>
        </h2>
        {house.may('keeper') && placed.length > 0 && (
          <Button look="main" disabled={isWorking} onClick={() => void take()}>
            Take {placed.length === 1 ? 'this move' : `these ${placed.length} moves`}
          </Button>
        )}
      </div>
      <Taken
        moves={outlook.moves}
        drop={
          house.may('keeper')
            ? () => void log('takePlaces', { id: newId(), at: house.now(), moves: [] }, 'Plan of places dropped')
            : null
        }
      />
      <fieldset className="flex flex-wrap gap-x-5 border-b border-rule px-3 py-0.5">
        <legend className="sr-only">Preferences</legend>
        {PLACE_WISHES.map((wish) => (
          <Checkbox
            key={wish}
            checked={wishes.includes(wish)}
            onChange={(event) =>
              setWishes(PLACE_WISHES.filter((one) => (one === wish ? event.target.checked : wishes.includes(one))))
            }
          >
            {WISH_WORDS[wish]}
            <span className="text-note text-quiet">, {priceWords(plan.prices.find((price) => price.wish === wish))}</span>
          </Checkbox>
        ))}
      </fieldset>
      {plan.places.length === 0 ? (
        <p className="px-3 py-4 text-quiet">No fry need another tank in the next eight weeks.</p>
      ) : (
        <ul aria-busy={isWorking}>
          {rows.map((place) => (
            <PlaceRow key={place.id} place={place} choosable={outlook.choosable} lock={(tankId) => lock(place.id, tankId)} />
          ))}
        </ul>
      )}
      {!plan.isExact && (
        <p className="px-3 py-2 text-note text-quiet">
          The search stopped early. A better plan might save {formatNumber(plan.gap * 100)} % at most.
        </p>
      )}
    </section>
  );
}

/** Which tank gets tight when, and where its young go. */
export function PlacesPage() {
  const [wishes, setWishes] = useState<readonly PlaceWish[]>(PLACE_WISHES);
  const [locks, setLocks] = useState<Locks>({});
  const { reply, answer, isWorking } = useHouseWork(JSON.stringify([wishes, locks]), (facts, now) =>
    growoutWork().outlook(facts, now, { wishes, locked: locks }),
  );
  return (
    <>
      <GrowoutHead
        title="Room to grow"
        about="How full each tank gets in the next eight weeks, and where the extra fry can go."
      />
      <Loaded reply={reply} what="the house">
        {() =>
          !answer ? (
            <Loading what="the plan" />
          ) : answer.made.tanks.length === 0 ? (
            <Empty title="No fry growing here yet">
              Once a brood is feeding, you’ll see when its tank gets full and which tank to use next.
            </Empty>
          ) : (
            <div className="grid items-start gap-4 lg:grid-cols-[1fr_1.15fr]">
              <section aria-label="How tanks fill" className="min-w-0 border border-ink bg-sheet">
                <div className="flex items-baseline justify-between gap-3 border-b border-ink px-3 py-2">
                  <h2>How tanks fill</h2>
                  <span className="text-note text-quiet">week by week; dashed line: full</span>
                </div>
                <ul>
                  {answer.made.tanks.map((tank) => (
                    <FillRow key={tank.tankId} tank={tank} />
                  ))}
                </ul>
              </section>
              <Plan
                outlook={answer.made}
                wishes={wishes}
                setWishes={setWishes}
                locks={locks}
                setLocks={setLocks}
                isWorking={isWorking}
              />
            </div>
          )
        }
      </Loaded>
    </>
  );
}
