import { useState } from 'react';
import { Link } from 'react-router';
import type { OrderOutlook } from '@freshet/core/sales';
import { daysBetween, formatDay } from '@freshet/core/time';
import { showChance, useGet, useHouse, type Reply } from '../data';
import { Button, Dialog, Empty, Loaded, Loading } from '../ui';
import { salesWork, useHouseWork } from '../workers';
import { showMoney } from './money';
import { OrderForm } from './OrderForm';
import { SalesHead } from './SalesHead';
import { useCurrency } from './useCurrency';

type Order = Reply<'orders'>[number];
export const STATE_WORDS: Record<OrderOutlook['state'], string> = {
  ready: 'set aside',
  waiting: 'waiting',
  late: 'its day has passed',
  trouble: 'not enough fish',
};
const MARK: Record<OrderOutlook['state'], string> = {
  ready: 'border-ink bg-[var(--ready)]',
  waiting: 'border-amber-line border-dashed',
  late: 'border-rust',
  trouble: 'border-rust bg-[var(--rust)]',
};

/** How a line stands, in words. */
export function lineWords({ reserved, collected, open, speciesName, chance }: OrderOutlook['lines'][number]): string {
  const parts = [
    collected > 0 ? `${collected} handed over` : '',
    reserved > 0 ? `${reserved} set aside` : '',
    open > 0 ? `${open} open${chance === null ? '' : `, there by then with ${showChance(chance)}`}` : '',
  ].filter(Boolean);
  return `${speciesName}: ${parts.join(', ')}`;
}

function OrderRow({ outlook, order, currency }: { outlook: OrderOutlook; order: Order | undefined; currency: string }) {
  const house = useHouse();
  const days = daysBetween(house.today, outlook.dueOn);
  const cents = order?.lines.reduce((sum, line) => sum + line.cents * line.heads, 0) ?? null;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-3 py-2 last:border-0">
      <span className="w-24 shrink-0">
        <b className="block">{formatDay(outlook.dueOn, house.today)}</b>
        <span className="text-note text-quiet">
          {days === 0 ? 'today' : days === 1 ? 'tomorrow' : days > 0 ? `in ${days} days` : `${-days} days ago`}
        </span>
      </span>
      <span className="min-w-0 flex-1 basis-64">
        <Link to={`/sales/orders/${outlook.orderId}`} className="font-semibold link">
          Order {outlook.number}
          {order && `: ${order.buyerName}`}
        </Link>
        {outlook.lines.map((line) => (
          <span key={line.lineId} className="block text-note text-quiet">
            {lineWords(line)}
            {line.troubles.map((words) => (
              <span key={words} className="block font-semibold text-rust">
                {words}
              </span>
            ))}
          </span>
        ))}
      </span>
      <span className="flex w-36 shrink-0 items-center gap-2">
        <span aria-hidden className={`size-3.5 border-2 ${MARK[outlook.state]}`} />
        {STATE_WORDS[outlook.state]}
      </span>
      {cents !== null && <span className="w-24 shrink-0 text-right font-mono">{showMoney(cents, currency)}</span>}
    </li>
  );
}

/** Orders that are over: handed over or cancelled. */
function Past({ orders }: { orders: readonly Order[] }) {
  const house = useHouse();
  const past = orders.filter(({ state }) => state !== 'open');
  if (past.length === 0) return null;
  return (
    <section className="mt-4" aria-label="Over">
      <h2>Over</h2>
      <ul className="border border-edge bg-sheet">
        {past.map((order) => (
          <li key={order.orderId} className="border-b border-rule px-3 py-1.5 last:border-0">
            <Link to={`/sales/orders/${order.orderId}`} className="link">
              Order {order.number}: {order.buyerName}
            </Link>{' '}
            <span className="text-quiet">
              {formatDay(order.dueOn, house.today)},{' '}
              {order.state === 'cancelled' ? `cancelled: ${order.cancelled ?? ''}` : 'handed over'}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Who waits for what, and whether it will be there. */
export function OrdersPage() {
  const house = useHouse();
  const isKeeper = house.may('keeper');
  const [adding, setAdding] = useState(false);
  const orders = useGet(isKeeper ? 'orders' : null);
  const currency = useCurrency();
  const { reply, answer } = useHouseWork('orders', (facts, now) => salesWork().orders(facts, now));
  return (
    <>
      <SalesHead title="Orders" about="By day: what’s set aside, and the chance the rest will be big enough.">
        {isKeeper && (
          <Button look="main" onClick={() => setAdding(true)}>
            Take an order
          </Button>
        )}
      </SalesHead>
      <Loaded reply={reply} what="the house">
        {() =>
          !answer ? (
            <Loading what="the orders" />
          ) : answer.made.length === 0 ? (
            <Empty title="No orders yet">
              {isKeeper
                ? 'An order keeps fish for someone until a day. Nobody else gets them, they fast the day before, and labels are ready.'
                : 'When the keeper takes an order, you’ll see here what to catch.'}
            </Empty>
          ) : (
            <ul className="border border-ink bg-sheet">
              {answer.made.map((outlook) => (
                <OrderRow
                  key={outlook.orderId}
                  outlook={outlook}
                  order={orders.data?.find(({ orderId }) => orderId === outlook.orderId)}
                  currency={currency}
                />
              ))}
            </ul>
          )
        }
      </Loaded>
      {orders.data && <Past orders={orders.data} />}
      <Dialog title="Take an order" open={adding} onClose={() => setAdding(false)} wide>
        {adding && <OrderForm order={null} done={() => setAdding(false)} />}
      </Dialog>
    </>
  );
}
