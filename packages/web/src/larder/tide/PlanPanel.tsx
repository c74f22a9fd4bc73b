import { v7 as newId } from 'uuid';
import { FOOD_CLASSES, type CultureFood, type TidePlan } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { addDays, formatDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useHouse, useLog, type Reply } from '../../data';
import { Button, Checkbox, SelectField, Why } from '../../ui';

type Class = Reply<'larderTide'>['classes'][number];
/** A start the keeper holds on to: moved by hand, or taken over before. */
export interface HeldStart {
  id: string;
  food: CultureFood;
  day: number;
  isTaken: boolean;
}

interface Wished {
  food: CultureFood | null;
  secondSource: boolean;
  margin: number;
  mostVessels: number | null;
}

const MARGINS = [0, 0.15, 0.3, 0.5] as const;
const LIMITS = [1, 2, 3, 4, 6] as const;

/** The plan of a class as a sentence that can be taken, what it is asked for, and what may go wrong. */
export function PlanPanel({
  tide,
  days,
  plan,
  holds,
  isMoved,
  wished,
  setWished,
  letGo,
  forgetHeld,
  crashed,
  crash,
}: {
  tide: Class;
  days: number;
  plan: TidePlan | null;
  holds: readonly HeldStart[];
  isMoved: boolean;
  wished: Wished;
  setWished: (next: Partial<Wished>) => void;
  letGo: () => void;
  forgetHeld: () => void;
  crashed: ReadonlySet<string>;
  crash: (id: string) => void;
}) {
  const house = useHouse();
  const log = useLog();
  const { words, lead } = FOOD_CLASSES[tide.key];
  const running = tide.vessels.filter(({ state }) => state === 'running');
  const takenBefore = tide.vessels.some(({ state }) => state === 'planned');
  const isNew = (plan?.starts.length ?? 0) > 0 || isMoved;
  const moved = tide.vessels.filter(({ movedDays }) => movedDays !== 0);
  const take = async (
    starts: { food: CultureFood; day: number; needKey: string | null; needFrom: number | null }[],
    label: string,
  ) => {
    const isLogged = await log(
      'takePlan',
      {
        id: newId(),
        classKey: tide.key,
        starts: starts.map(({ food, day, needKey, needFrom }) => ({
          startId: newId(),
          food,
          day: addDays(house.today, day),
          needKey,
          needFrom: needFrom === null ? null : addDays(house.today, needFrom),
        })),
        at: house.now(),
      },
      label,
    );
    if (isLogged) forgetHeld();
  };
  const needOf = (day: number) => {
    const row = tide.rows.find(({ high }) => high.some((ml, at) => ml > 0 && at >= day));
    const from = row?.high.findIndex((ml) => ml > 0) ?? -1;
    return { needKey: row?.key ?? null, needFrom: from < 0 ? null : from };
  };
  const all = [...holds.map(({ food, day }) => ({ food, day, ...needOf(day) })), ...(plan?.starts ?? [])];
  return (
    <div className="mt-3 grid gap-3 lg:grid-cols-[1.6fr_1fr]">
      <section aria-label="Plan" className="border border-rule border-l-[5px] border-l-deep bg-sheet px-4 py-3">
        <p>
          {wished.food === null ? (
            <b>Set a hatch each day; it’s on your walk.</b>
          ) : plan ? (
            <b>{plan.words}</b>
          ) : (
            <span className="text-quiet">Working it out…</span>
          )}{' '}
          {plan && wished.food !== null && (
            <Why about="When to start cultures" formula={plan.why.join(' ')} source="docs/sources.md#plan-starts" />
          )}
        </p>
        {tide.tin && <TinLine tin={tide.tin} rows={tide.rows} days={days} />}
        {!tide.tin && tide.key === 'nauplii' && (
          <p className="text-quiet">Add your tin of brine shrimp eggs to the shelf to see how long it lasts.</p>
        )}
        {moved.length > 0 && (
          <p className="mt-1 text-quiet">
            {moved.length === 1 ? 'A planned start has' : `${moved.length} planned starts have`} moved along with their hatch.
          </p>
        )}
        {house.may('keeper') && (
          <div className="mt-2.5 flex flex-wrap gap-3">
            {isNew && all.length > 0 && (
              <Button
                look="main"
                onClick={() => void take(all, all.length === 1 ? 'One start planned' : `${all.length} starts planned`)}
              >
                {all.length === 1 ? 'Take this start' : `Take these ${all.length} starts`}
              </Button>
            )}
            {isMoved && <Button onClick={letGo}>Put them back</Button>}
            {takenBefore && (
              <Button onClick={() => void take([], `Plan for ${words.toLowerCase()} dropped`)}>Drop the plan</Button>
            )}
          </div>
        )}
        {plan && plan.offers.length > 0 && (
          <ul className="mt-1.5 list-disc pl-5 text-note">
            {plan.offers.map((offer) => (
              <li key={offer}>{offer}</li>
            ))}
          </ul>
        )}
      </section>
      <section aria-label="Preferences" className="border border-rule bg-sheet px-4 py-3">
        {tide.starts.length > 0 && (
          <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
            {(tide.starts.length > 1 || tide.key === 'nauplii') && (
              <SelectField
                label="Start"
                value={wished.food ?? ''}
                onChange={(event) => setWished({ food: event.target.value ? (event.target.value as CultureFood) : null })}
              >
                {tide.key === 'nauplii' && <option value="">hatches only</option>}
                {tide.starts.map(({ food }) => (
                  <option key={food} value={food}>
                    {FOOD_NAMES[food]}
                  </option>
                ))}
              </SelectField>
            )}
            {wished.food !== null && (
              <>
                <SelectField
                  label="Extra, to be safe"
                  value={String(wished.margin)}
                  onChange={(event) => setWished({ margin: Number(event.target.value) })}
                >
                  {MARGINS.map((margin) => (
                    <option key={margin} value={margin}>
                      {margin === 0 ? 'nothing' : `${margin * 100} %`}
                    </option>
                  ))}
                </SelectField>
                <SelectField
                  label="Vessels at once"
                  value={wished.mostVessels === null ? '' : String(wished.mostVessels)}
                  onChange={(event) => setWished({ mostVessels: event.target.value ? Number(event.target.value) : null })}
                >
                  <option value="">any number</option>
                  {LIMITS.map((most) => (
                    <option key={most} value={most}>
                      {most === 1 ? 'only one' : `at most ${most}`}
                    </option>
                  ))}
                </SelectField>
                <Checkbox checked={wished.secondSource} onChange={(event) => setWished({ secondSource: event.target.checked })}>
                  Always two cultures running
                </Checkbox>
              </>
            )}
          </div>
        )}
        {running.length > 0 && (
          <details className="mt-2">
            <summary className="min-h-9 cursor-pointer text-quiet">What if one crashes today?</summary>
            <ul>
              {running.map(({ id, name }) => (
                <li key={id}>
                  <Checkbox checked={crashed.has(id)} onChange={() => crash(id)}>
                    {name} is lost
                  </Checkbox>
                </li>
              ))}
            </ul>
          </details>
        )}
        <p className="mt-2 text-note text-quiet">
          Amounts are ml of {FOOD_NAMES[lead]} a day. Other foods of the same size count too, by how thick they are.
        </p>
      </section>
    </div>
  );
}

/** Until when the tin lasts. */
function TinLine({ tin, rows, days }: { tin: NonNullable<Class['tin']>; rows: Class['rows']; days: number }) {
  const house = useHouse();
  const empty = tin.perDay.findIndex((ml, day) => rows.reduce((sum, { mid }) => sum + (mid[day] ?? 0), 0) > ml * 1.02 + 1e-9);
  return (
    <p>
      <b>
        {tin.name}: {formatNumber(tin.grams)} g
      </b>{' '}
      {empty < 0
        ? `lasts longer than the next ${Math.round(days / 7)} weeks.`
        : `lasts until ${formatDay(addDays(house.today, empty), house.today)}; buy before.`}
    </p>
  );
}
