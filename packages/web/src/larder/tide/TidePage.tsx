import { useState } from 'react';
import { FOOD_CLASS_KEYS, FOOD_CLASSES, tideDays, type CultureFood } from '@freshet/core/larder';
import { formatDay } from '@freshet/core/time';
import { useGet, useHouse } from '../../data';
import { Button, Dialog, Empty, Loaded, Segmented, usePageParams, withParam } from '../../ui';
import { CultureForm } from '../cultures/CultureForm';
import { LarderHead } from '../LarderHead';
import { ClassTide } from './ClassTide';
import { FirstFoods } from './FirstFoods';
import { WhatIfForm } from './WhatIfForm';

/** Will the right food be alive on the right day? */
export function TidePage() {
  const house = useHouse();
  const [search, setSearch] = usePageParams();
  const speciesKey = search.get('species');
  const laidOn = search.get('day');
  const eggs = search.get('eggs');
  const whatIf = { ...(speciesKey ? { speciesKey } : {}), ...(laidOn ? { day: laidOn } : {}), ...(eggs ? { eggs } : {}) };
  const tide = useGet('larderTide', { query: whatIf });
  const plans = useGet('foodPlans');
  const [starting, setStarting] = useState<CultureFood | null>(null);
  const [asking, setAsking] = useState(false);
  const [crashed, setCrashed] = useState<ReadonlySet<string>>(new Set());
  const unsafe = (plans.data ?? []).filter((plan) => plan.status === 'late').length;
  const isWhatIf = speciesKey !== null;
  return (
    <Loaded reply={tide} what="the larder">
      {(data) => {
        const shortest = data.classes.find((one) => tideDays(one, data.days).some(({ short }) => short > 0));
        const wanted = search.get('class');
        const shown =
          data.classes.find(({ key }) => key === wanted) ??
          shortest ??
          data.classes.find(({ rows }) => rows.length > 0) ??
          data.classes[0];
        return (
          <>
            <LarderHead
              title="Larder"
              about={
                plans.data &&
                (unsafe > 0 ? (
                  <b className="text-rust">
                    {unsafe === 1 ? 'one first food won’t be ready' : `${unsafe} first foods won’t be ready`}
                  </b>
                ) : (
                  'every first food is ready or on time'
                ))
              }
            >
              {data.classes.length > 1 && (
                <Segmented
                  label="Size of food"
                  value={shown?.key ?? 'smallest'}
                  options={FOOD_CLASS_KEYS.flatMap((key) =>
                    data.classes.some((one) => one.key === key) ? [{ value: key, label: FOOD_CLASSES[key].words }] : [],
                  )}
                  onChange={(key) => setSearch(withParam(search, 'class', key))}
                />
              )}
              {house.may('sitter') && (
                <Button look="main" onClick={() => setStarting(shown?.starts[0]?.food ?? 'infusoria')}>
                  Start a culture
                </Button>
              )}
            </LarderHead>
            {(isWhatIf || crashed.size > 0) && (
              <p
                className="mb-2 flex flex-wrap items-center gap-x-4 border-l-[5px] border-l-amber-line bg-amber-wash px-3 py-1.5"
                role="status"
              >
                <b>What if</b>
                {isWhatIf && <span>another spawning {laidOn && formatDay(laidOn, house.today)} is counted in.</span>}
                {crashed.size > 0 && (
                  <span>{crashed.size === 1 ? 'a vessel is' : `${crashed.size} vessels are`} counted as lost.</span>
                )}
                <button
                  type="button"
                  className="min-h-9 link"
                  onClick={() => {
                    setCrashed(new Set());
                    setSearch(['species', 'day', 'eggs'].reduce((next, key) => withParam(next, key, ''), search));
                  }}
                >
                  back to now
                </button>
              </p>
            )}
            {shown ? (
              <ClassTide
                key={shown.key}
                tide={shown}
                days={data.days}
                crashed={crashed}
                crash={(id) =>
                  setCrashed((before) => {
                    const next = new Set(before);
                    if (!next.delete(id)) next.add(id);
                    return next;
                  })
                }
              />
            ) : (
              <Empty
                title="No live food needed, no cultures running"
                action={
                  house.may('sitter') ? <Button onClick={() => setStarting('infusoria')}>Start a culture</Button> : undefined
                }
              >
                Log eggs or plan a spawning to see what the fry will need each day, and which culture to start when.
              </Empty>
            )}
            <section className="mt-5">
              <div className="mb-1 flex items-baseline gap-4">
                <h2 className="text-code">First foods ahead</h2>
                <button type="button" className="min-h-9 link" onClick={() => setAsking(true)}>
                  What if you had another spawning?
                </button>
              </div>
              <Loaded reply={plans} what="the plans">
                {(list) => <FirstFoods plans={list} start={setStarting} />}
              </Loaded>
            </section>
            {starting && (
              <Dialog title="Start a culture" open onClose={() => setStarting(null)}>
                <CultureForm food={starting} done={() => setStarting(null)} />
              </Dialog>
            )}
            {asking && (
              <Dialog title="Another spawning" open onClose={() => setAsking(false)}>
                <WhatIfForm
                  done={({ speciesKey, day, eggs }) => {
                    setAsking(false);
                    setSearch(
                      [
                        ['species', speciesKey],
                        ['day', day],
                        ['eggs', eggs],
                      ].reduce((next, [key, value]) => withParam(next, key ?? '', value ?? ''), search),
                    );
                  }}
                />
              </Dialog>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
