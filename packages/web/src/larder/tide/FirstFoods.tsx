import { Link } from 'react-router';
import { CULTURES, type CultureFood } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { formatDay, formatDayRange } from '@freshet/core/time';
import { useHouse, type Reply } from '../../data';
import { Button, Why } from '../../ui';

type Plan = Reply<'foodPlans'>[number];
const STATUS: Record<Plan['status'], string> = {
  late: 'not ready',
  start: 'to start',
  single: 'only one',
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

/** First foods ahead: which culture has to be started when. */
export function FirstFoods({ plans, start }: { plans: readonly Plan[]; start: (food: CultureFood) => void }) {
  if (plans.length === 0)
    return (
      <p className="border border-dashed border-edge p-4 text-quiet">
        No fry on the way. Log eggs or plan a spawning and you’ll see which food to start, and when.
      </p>
    );
  return (
    <ul className="border-t border-ink bg-sheet">
      {plans.map((plan) => (
        <PlanRow key={plan.key} plan={plan} start={start} />
      ))}
    </ul>
  );
}
