import { useState } from 'react';
import Papa from 'papaparse';
import { toast } from 'sonner';
import { v7 as newId } from 'uuid';
import { BUYER_WORDS } from '@freshet/core/sales';
import { formatDay, houseDay } from '@freshet/core/time';
import { ApiProblem, send, useGet, useHouse, useTouch, type Reply } from '../data';
import { Button, Dialog, Empty, LinkButton, Loaded } from '../ui';
import { saveFile } from '../print';
import { showMoney } from './money';
import { BuyerForm } from './BuyerForm';
import { SalesHead } from './SalesHead';
import { Takings } from './Takings';
import { useCurrency } from './useCurrency';

type Buyer = Reply<'buyers'>[number];

/** What is known of a buyer's wishes, in words. */
function wishes(buyer: Buyer, today: string): string {
  return [
    buyer.leastMm !== null && `from ${buyer.leastMm} mm`,
    buyer.perWeek !== null && `about ${buyer.perWeek} a week`,
    buyer.pays === 'credit' && 'pays in credit',
    buyer.feePercent !== null && `keeps ${buyer.feePercent} %`,
    buyer.bagsMost !== null && `${buyer.bagsMost} bags at most`,
    ...buyer.dates
      .filter((day) => day >= today)
      .slice(0, 3)
      .map((day) => formatDay(day, today)),
    buyer.contact,
    buyer.note,
  ]
    .filter(Boolean)
    .join('; ');
}

function Row({ buyer, currency, change, erase }: { buyer: Buyer; currency: string; change: () => void; erase: () => void }) {
  const house = useHouse();
  return (
    <li className="flex flex-wrap items-start gap-x-4 gap-y-1 border-b border-rule px-3 py-2 last:border-0">
      <span className="min-w-0 flex-1 basis-64">
        <b className="break-words">{buyer.name}</b> <span className="text-quiet">{BUYER_WORDS[buyer.kind]}</span>
        <span className="block text-note break-words text-quiet">{wishes(buyer, house.today)}</span>
        {buyer.took.length > 0 && (
          <span className="block text-note">
            {buyer.took
              .slice(0, 4)
              .map(
                ({ heads, speciesName, cents }) =>
                  `${heads} ${speciesName.toLowerCase()}${cents > 0 ? ` for ${showMoney(cents, currency)}` : ''}`,
              )
              .join(', ')}
            {buyer.took.length > 4 && ` and ${buyer.took.length === 5 ? 'one more kind' : `${buyer.took.length - 4} more kinds`}`}
          </span>
        )}
      </span>
      <span className="w-56 shrink-0 text-right">
        <b className="font-mono">{showMoney(buyer.cents, currency)}</b>
        <span className="block text-note text-quiet">
          {buyer.heads === 0 ? 'nothing yet' : `${buyer.heads} taken`}
          {buyer.last && `, last ${formatDay(houseDay(buyer.last, house.timeZone), house.today)}`}
        </span>
        {buyer.creditCents > 0 && (
          <span className="block text-note text-quiet">
            {buyer.creditCents === buyer.cents ? 'all in credit' : `${showMoney(buyer.creditCents, currency)} of it in credit`}
          </span>
        )}
      </span>
      {!buyer.erased && (
        <span className="flex w-28 shrink-0 justify-end gap-3">
          <LinkButton aria-label={`Change ${buyer.name}`} onClick={change}>
            Change
          </LinkButton>
          <LinkButton aria-label={`Erase ${buyer.name}`} onClick={erase}>
            Erase
          </LinkButton>
        </span>
      )}
    </li>
  );
}

/** All that is kept of buyers and what each took, as comma-separated values. */
const buyersCsv = (buyers: readonly Buyer[], currency: string): string =>
  Papa.unparse(
    buyers.map(({ name, kind, contact, note, heads, cents, last, took }) => ({
      name,
      kind: BUYER_WORDS[kind],
      contact: contact ?? '',
      note: note ?? '',
      taken: heads,
      [`paid ${currency}`]: (cents / 100).toFixed(2),
      last: last ?? '',
      what: took.map((one) => `${one.heads} ${one.speciesName}`).join('; '),
    })),
    { escapeFormulae: true },
  );

/** Who fish go to, what each took and paid. */
export function BuyersPage() {
  const reply = useGet('buyers');
  const currency = useCurrency();
  const touch = useTouch();
  const [asking, setAsking] = useState<{ buyer: Buyer | null; is: 'form' | 'erase' } | null>(null);
  const close = () => setAsking(null);
  /** Nothing brings it back: no undo is offered. */
  const erase = async (buyerId: string) => {
    try {
      await send('eraseBuyer', { id: newId(), buyerId });
      touch('eraseBuyer');
      toast('Erased for good');
      close();
    } catch (error) {
      toast.error(error instanceof ApiProblem ? error.detail || error.message : 'It could not be erased.');
    }
  };
  return (
    <>
      <SalesHead title="Buyers" about="People and places you sell to, what they want and what they paid.">
        {reply.data && reply.data.length > 0 && (
          <Button onClick={() => saveFile(buyersCsv(reply.data ?? [], currency), 'buyers.csv', 'text/csv')}>
            As a table file
          </Button>
        )}
        <Button look="main" onClick={() => setAsking({ buyer: null, is: 'form' })}>
          Add a buyer
        </Button>
      </SalesHead>
      <Loaded reply={reply} what="the buyers">
        {(buyers) =>
          buyers.length === 0 ? (
            <Empty title="No buyers yet">
              Add a shop, club auction or neighbour before you spawn. There are always more fry than you think.
            </Empty>
          ) : (
            <>
              <ul className="border border-ink bg-sheet">
                {buyers.map((buyer) => (
                  <Row
                    key={buyer.buyerId}
                    buyer={buyer}
                    currency={currency}
                    change={() => setAsking({ buyer, is: 'form' })}
                    erase={() => setAsking({ buyer, is: 'erase' })}
                  />
                ))}
              </ul>
              <Takings buyers={buyers} currency={currency} />
            </>
          )
        }
      </Loaded>
      <p className="mt-3 text-note text-quiet">
        Keep only what you need about people. Erasing removes name and notes for good; the count stays. Business and tax rules
        differ by place.
      </p>
      <Dialog title={asking?.buyer ? `Change ${asking.buyer.name}` : 'Add a buyer'} open={asking?.is === 'form'} onClose={close}>
        {asking?.is === 'form' && <BuyerForm buyer={asking.buyer} done={close} />}
      </Dialog>
      <Dialog title={`Erase ${asking?.buyer?.name ?? ''}?`} open={asking?.is === 'erase'} onClose={close}>
        <p>Their name, contact and your notes are gone for good. What they bought stays, without a name.</p>
        <div className="mt-4 flex gap-3">
          <Button
            look="main"
            onClick={() => {
              const { buyer } = asking ?? {};
              if (buyer) void erase(buyer.buyerId);
            }}
          >
            Erase for good
          </Button>
          <Button onClick={close}>Keep them</Button>
        </div>
      </Dialog>
    </>
  );
}
