import { useState } from 'react';
import { useParams } from 'react-router';
import { v7 as newId } from 'uuid';
import { NEVER_RELEASE, type OpenOrder } from '@freshet/core/sales';
import { formatDay } from '@freshet/core/time';
import { useGet, useHouse, useLog, type Reply } from '../data';
import { Button, Dialog, Empty, Loaded, Loading, Notice, TextField } from '../ui';
import { salesWork, useHouseWork } from '../workers';
import { HandOverForm } from './HandOverForm';
import { showMoney } from './money';
import { OrderForm } from './OrderForm';
import { lineWords, STATE_WORDS } from './OrdersPage';
import { PackingSheet } from './PackingSheet';
import { SalesHead } from './SalesHead';
import { useCurrency } from './useCurrency';

type Order = Reply<'orders'>[number];

/** Asks why, and drops the order. */
function CancelForm({ orderId, done }: { orderId: string; done: () => void }) {
  const log = useLog();
  const [why, setWhy] = useState('');
  const [wrong, setWrong] = useState<string | undefined>();
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (why.trim().length < 3) setWrong('Say why in a few words.');
        else void log('cancelOrder', { id: newId(), orderId, why: why.trim() }, 'Order cancelled').then((ok) => ok && done());
      }}
    >
      <TextField label="Why" autoFocus value={why} error={wrong} onChange={(event) => setWhy(event.target.value)} />
      <div>
        <Button look="main" type="submit">
          Cancel the order
        </Button>
      </div>
    </form>
  );
}

type Asking = 'change' | 'cancel' | 'handOver' | null;

function OpenOrderPage({ open, order, facts }: { open: OpenOrder; order: Order | undefined; facts: Reply<'house'> }) {
  const house = useHouse();
  const [asking, setAsking] = useState<Asking>(null);
  const { answer } = useHouseWork('orders', (now, at) => salesWork().orders(now, at));
  const picks = useHouseWork(`picks:${open.orderId}`, (now, at) => salesWork().picks(now, at, open.orderId));
  const currency = useCurrency();
  const outlook = answer?.made.find(({ orderId }) => orderId === open.orderId);
  const cents = order?.lines.reduce((sum, line) => sum + line.cents * line.heads, 0) ?? null;
  const buyers = useGet(order ? 'buyers' : null);
  const buyer = buyers.data?.find(({ buyerId }) => buyerId === order?.buyerId) ?? null;
  const close = () => setAsking(null);
  const hasPicks = (picks.answer?.made.length ?? 0) > 0;
  return (
    <>
      <SalesHead
        title={`Order ${open.number} for ${formatDay(open.dueOn, house.today)}`}
        about={
          <>
            {order && <b>{order.buyerName}</b>}
            {outlook && `${order ? ', ' : ''}${STATE_WORDS[outlook.state]}`}
            {cents !== null && `, ${showMoney(cents, currency)} in all`}
            {order?.note && `. ${order.note}`}
          </>
        }
      >
        {house.may('keeper') && order && (
          <>
            <Button onClick={() => setAsking('cancel')}>Cancel</Button>
            <Button onClick={() => setAsking('change')}>Change</Button>
            <Button look="main" disabled={!hasPicks} onClick={() => setAsking('handOver')}>
              Hand over
            </Button>
          </>
        )}
      </SalesHead>
      {outlook?.lines
        .flatMap(({ troubles }) => troubles)
        .map((words) => (
          <Notice key={words} className="mb-3">
            {words}
          </Notice>
        ))}
      <ul className="mb-3 border border-edge bg-sheet">
        {outlook?.lines.map((line) => (
          <li key={line.lineId} className="border-b border-rule px-3 py-1.5 last:border-0">
            {lineWords(line)}
          </li>
        ))}
      </ul>
      {!picks.answer ? (
        <Loading what="what to catch" />
      ) : picks.answer.made.length === 0 ? (
        <Empty title="No fish set aside yet">
          {house.may('keeper') ? 'Change the order to set aside what’s big enough now.' : 'The keeper chooses the fish.'}
        </Empty>
      ) : (
        <PackingSheet
          stops={picks.answer.made}
          open={open}
          order={order ?? null}
          facts={facts}
          currency={currency}
          buyer={buyer}
        />
      )}
      <p className="mt-3 text-note text-quiet">
        {NEVER_RELEASE} Rules for selling, transport and animal welfare differ by place, and so does who can buy.
      </p>
      {order && (
        <>
          <Dialog title={`Change order ${open.number}`} open={asking === 'change'} onClose={close} wide>
            <OrderForm order={order} done={close} />
          </Dialog>
          <Dialog title={`Cancel order ${open.number}`} open={asking === 'cancel'} onClose={close}>
            <CancelForm orderId={open.orderId} done={close} />
          </Dialog>
          <Dialog
            title={`Hand over order ${open.number}`}
            about={order.buyerName}
            open={asking === 'handOver'}
            onClose={close}
            wide
          >
            {picks.answer && <HandOverForm order={order} stops={picks.answer.made} currency={currency} done={close} />}
          </Dialog>
        </>
      )}
    </>
  );
}

/** One order: how it stands, what to catch where, bags, labels, handing over. */
export function OrderPage() {
  const { orderId = '' } = useParams();
  const house = useHouse();
  const facts = useGet('house');
  const orders = useGet(house.may('keeper') ? 'orders' : null);
  const order = orders.data?.find((one) => one.orderId === orderId);
  return (
    <Loaded reply={facts} what="the house">
      {(now) => {
        const open = now.sales.orders.find((one) => one.orderId === orderId);
        if (open) return <OpenOrderPage open={open} order={order} facts={now} />;
        return (
          <>
            <SalesHead title={order ? `Order ${order.number}` : 'No open order here'} about={order?.buyerName} />
            <p>
              {order
                ? order.state === 'cancelled'
                  ? `Cancelled: ${order.cancelled ?? ''}`
                  : 'This order is done. The fish and their codes are under Sold.'
                : 'It was handed over, cancelled, or never existed.'}
            </p>
          </>
        );
      }}
    </Loaded>
  );
}
