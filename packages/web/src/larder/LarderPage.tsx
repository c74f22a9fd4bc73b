import { useState } from 'react';
import { Link } from 'react-router';
import { CULTURES, type CultureFood } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { formatDay, formatDayRange } from '@freshet/core/time';
import { useGet, useHouse, type Reply } from '../data';
import { Button, Dialog, Empty, Loaded, PageHead, Why } from '../ui';
import { CultureForm } from './CultureForm';
import { CultureRow } from './CultureRow';

type Plan = Reply<'foodPlans'>[number];
const STATUS: Record<Plan['status'], string> = {
  late: 'not safe',
  start: 'to start',
  single: 'one only',
  safe: 'safe',
  shelf: 'from the shelf',
};

function PlanRow({ plan, start }: { plan: Plan; start: (food: CultureFood) => void }) {
  const house = useHouse();
  const pressing = plan.status === 'late';
  const by = plan.startBy ?? plan.backUpBy;
  const to = plan.broodId ? `/broods/${plan.broodId}` : plan.attemptId ? `/spawns/${plan.attemptId}` : null;
  return (
    <li
      className={`border-l-[5px] border-b border-b-rule py-2 pr-3 pl-3 ${pressing ? 'border-l-rust bg-rust-wash' : plan.status === 'start' || plan.status === 'single' ? 'border-l-amber-line' : 'border-l-transparent'}`}
    >
      <div className="flex flex-wrap items-baseline gap-x-3">
        <b className="first-letter:uppercase inline-block">{FOOD_NAMES[plan.food]}</b>
        <span>
          for{' '}
          {to ? (
            <Link to={to} className="link">
              {plan.label}
            </Link>
          ) : (
            ''
          )}
        </span>
        <span className={`ml-auto font-semibold ${pressing ? 'text-rust' : ''}`}>{STATUS[plan.status]}</span>
      </div>
      <p>
        {plan.text}{' '}
        <Why about={`First food: ${FOOD_NAMES[plan.food]}`} formula={plan.why.join(' ')} source="docs/sources.md#cultures" />
      </p>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <span className="text-note text-quiet">first feed {formatDayRange(plan.from, plan.to, house.today)}</span>
        {by && plan.food in CULTURES && house.may('sitter') && plan.status !== 'safe' && (
          <Button className="!min-h-9" onClick={() => start(plan.food as CultureFood)}>
            Start {by <= house.today ? 'today' : `by ${formatDay(by, house.today)}`}
          </Button>
        )}
      </div>
    </li>
  );
}

/** Will the right food be alive on the right day? */
export function LarderPage() {
  const house = useHouse();
  const cultures = useGet('cultures');
  const plans = useGet('foodPlans');
  const [starting, setStarting] = useState<CultureFood | null>(null);
  const unsafe = (plans.data ?? []).filter((plan) => plan.status === 'late').length;
  return (
    <Loaded reply={cultures} what="the larder">
      {(data) => (
        <>
          <PageHead
            title="Larder"
            about={
              plans.data && (
                <>
                  {data.length} cultures;{' '}
                  {unsafe > 0 ? (
                    <b className="text-rust">
                      {unsafe === 1 ? 'one first food is not safe' : `${unsafe} first foods are not safe`}
                    </b>
                  ) : (
                    'every first food is safe or in time'
                  )}
                </>
              )
            }
          >
            {house.may('sitter') && (
              <Button look="main" onClick={() => setStarting('infusoria')}>
                Start a culture
              </Button>
            )}
          </PageHead>
          <div className="grid gap-6 lg:grid-cols-2">
            <section>
              <h2 className="mb-1 text-code">First foods ahead</h2>
              <Loaded reply={plans} what="the plans">
                {(list) =>
                  list.length === 0 ? (
                    <p className="border border-dashed border-edge p-4 text-quiet">
                      No young are on the way. When eggs are logged or a spawning is planned, the first food and its starting day
                      show here.
                    </p>
                  ) : (
                    <ul className="border-t border-ink bg-sheet">
                      {list.map((plan) => (
                        <PlanRow key={plan.key} plan={plan} start={setStarting} />
                      ))}
                    </ul>
                  )
                }
              </Loaded>
            </section>
            <section>
              <h2 className="mb-1 text-code">Cultures and hatches</h2>
              {data.length === 0 ? (
                <Empty
                  title="No culture running"
                  action={<Button onClick={() => setStarting('infusoria')}>Start the first</Button>}
                >
                  A first food takes days to ripen; start it before the spawning, and a second one out of step.
                </Empty>
              ) : (
                <ul className="border-t border-ink bg-sheet px-3">
                  {data.map((culture) => (
                    <CultureRow key={culture.id} culture={culture} />
                  ))}
                </ul>
              )}
            </section>
          </div>
          {starting && (
            <Dialog title="Start a culture" open onClose={() => setStarting(null)}>
              <CultureForm food={starting} done={() => setStarting(null)} />
            </Dialog>
          )}
        </>
      )}
    </Loaded>
  );
}
