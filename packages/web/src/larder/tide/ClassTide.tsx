import { useState } from 'react';
import { madeVessel, tideDays, type CultureFood, type TideWishes } from '@freshet/core/larder';
import { formatNumber } from '@freshet/core/units';
import { useHouse, type Reply } from '../../data';
import { DayCard } from './DayCard';
import { PlanPanel, type HeldStart } from './PlanPanel';
import { TidePicture, type DrawnVessel } from './TidePicture';
import { usePlan } from './usePlan';

type Class = Reply<'larderTide'>['classes'][number];

/** One class of food: its picture, its plan. */
export function ClassTide({
  tide,
  days,
  crashed,
  crash,
}: {
  tide: Class;
  days: number;
  crashed: ReadonlySet<string>;
  crash: (id: string) => void;
}) {
  const house = useHouse();
  const [touched, setTouched] = useState<number | null>(null);
  const [held, setHeld] = useState<readonly HeldStart[] | null>(null);
  const [wished, setWished] = useState({
    // Hatches are set each day, not planned by vessels; moina beside them only when it is asked for.
    food: tide.key === 'nauplii' ? null : (tide.starts[0]?.food ?? null),
    secondSource: true,
    margin: 0.15,
    mostVessels: null as number | null,
  });
  const taken = tide.vessels.flatMap(({ id, food, startDay, state }): HeldStart[] =>
    state === 'planned' ? [{ id, food, day: startDay, isTaken: true }] : [],
  );
  const holds = held ?? taken;
  const made = (food: CultureFood) => tide.starts.find((one) => one.food === food);
  const running = tide.vessels.filter(({ id, state }) => state === 'running' && !crashed.has(id));
  const holdVessels = holds.flatMap(({ id, food, day }) => {
    const kind = made(food);
    return kind ? [madeVessel(kind, day, id, tide.key)] : [];
  });
  const kind = wished.food ? made(wished.food) : undefined;
  const wishes: TideWishes | null = kind ? { ...wished, food: kind } : null;
  const plan = usePlan(kind ? { ...tide, vessels: [...running, ...holdVessels] } : null, days, wishes, house.today);
  const suggested = (plan?.starts ?? []).flatMap(({ food, day }, i) => {
    const one = made(food);
    return one ? [madeVessel(one, day, `suggested:${i}`, tide.key)] : [];
  });
  const drawn: DrawnVessel[] = [
    ...tide.vessels
      .filter(({ state }) => state === 'running')
      .map((vessel) => ({ ...vessel, ...(crashed.has(vessel.id) ? { lastDay: -1 } : {}), plan: null })),
    ...holdVessels.map((vessel) => ({
      ...vessel,
      plan: holds.find(({ id }) => id === vessel.id)?.isTaken ? ('taken' as const) : ('held' as const),
    })),
    ...suggested.map((vessel) => ({ ...vessel, plan: 'suggested' as const })),
  ];
  const shown = tideDays({ ...tide, vessels: [...running, ...holdVessels, ...suggested] }, days);
  const move = (id: string, day: number) => {
    const suggestion = suggested.find((one) => one.id === id);
    setHeld(
      suggestion
        ? [...holds, { id: `held:${Date.now()}`, food: suggestion.food, day, isTaken: false }]
        : holds.map((one) => (one.id === id ? { ...one, day, isTaken: false } : one)),
    );
  };
  return (
    <>
      <div className="border border-rule bg-sheet p-3">
        <TidePicture
          days={shown}
          vessels={drawn}
          touched={touched}
          touch={setTouched}
          move={(id, day, isDone) => {
            // A suggestion becomes the keeper's own once it is let go: the rest is planned around it.
            if (isDone || !id.startsWith('suggested:')) move(id, day);
          }}
          tinWords={tide.tin ? `Hatched daily from ${tide.tin.name}, ${formatNumber(tide.tin.grams)} g left.` : null}
        >
          {touched !== null && <DayCard tide={tide} vessels={drawn} day={touched} close={() => setTouched(null)} />}
        </TidePicture>
      </div>
      <PlanPanel
        tide={tide}
        days={days}
        plan={plan}
        holds={holds}
        isMoved={held !== null}
        wished={wished}
        setWished={(next) => setWished((before) => ({ ...before, ...next }))}
        letGo={() => setHeld(taken.length > 0 && held === null ? [] : null)}
        forgetHeld={() => setHeld(null)}
        crashed={crashed}
        crash={crash}
      />
    </>
  );
}
