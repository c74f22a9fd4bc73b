import { useState } from 'react';
import Papa from 'papaparse';
import { toast } from 'sonner';
import { v7 as newId } from 'uuid';
import { OUTLET_WORDS } from '@freshet/core/sales';
import { formatDay, houseDay } from '@freshet/core/time';
import { ApiProblem, send, useGet, useHouse, useTouch, type Reply } from '../data';
import { Button, Dialog, Empty, LinkButton, Loaded } from '../ui';
import { saveFile } from '../print';
import { showMoney } from './money';
import { OutletForm } from './OutletForm';
import { SalesHead } from './SalesHead';
import { Takings } from './Takings';
import { useCurrency } from './useCurrency';

type Outlet = Reply<'outlets'>[number];

/** What is known of an outlet's wishes, in words. */
function wishes(outlet: Outlet, today: string): string {
  return [
    outlet.leastMm !== null && `from ${outlet.leastMm} mm`,
    outlet.perWeek !== null && `about ${outlet.perWeek} a week`,
    outlet.pays === 'credit' && 'pays in credit',
    outlet.feePercent !== null && `keeps ${outlet.feePercent} %`,
    outlet.bagsMost !== null && `${outlet.bagsMost} bags at most`,
    ...outlet.dates
      .filter((day) => day >= today)
      .slice(0, 3)
      .map((day) => formatDay(day, today)),
    outlet.contact,
    outlet.note,
  ]
    .filter(Boolean)
    .join('; ');
}

function Row({ outlet, currency, change, erase }: { outlet: Outlet; currency: string; change: () => void; erase: () => void }) {
  const house = useHouse();
  return (
    <li className="flex flex-wrap items-start gap-x-4 gap-y-1 border-b border-rule px-3 py-2 last:border-0">
      <span className="min-w-0 flex-1 basis-64">
        <b className="break-words">{outlet.name}</b> <span className="text-quiet">{OUTLET_WORDS[outlet.kind]}</span>
        <span className="block text-note break-words text-quiet">{wishes(outlet, house.today)}</span>
        {outlet.took.length > 0 && (
          <span className="block text-note">
            {outlet.took
              .slice(0, 4)
              .map(
                ({ heads, speciesName, cents }) =>
                  `${heads} ${speciesName.toLowerCase()}${cents > 0 ? ` for ${showMoney(cents, currency)}` : ''}`,
              )
              .join(', ')}
            {outlet.took.length > 4 &&
              ` and ${outlet.took.length === 5 ? 'one more kind' : `${outlet.took.length - 4} more kinds`}`}
          </span>
        )}
      </span>
      <span className="w-56 shrink-0 text-right">
        <b className="font-mono">{showMoney(outlet.cents, currency)}</b>
        <span className="block text-note text-quiet">
          {outlet.heads === 0 ? 'nothing yet' : `${outlet.heads} taken`}
          {outlet.last && `, last ${formatDay(houseDay(outlet.last, house.timeZone), house.today)}`}
        </span>
        {outlet.creditCents > 0 && (
          <span className="block text-note text-quiet">
            {outlet.creditCents === outlet.cents ? 'all in credit' : `${showMoney(outlet.creditCents, currency)} of it in credit`}
          </span>
        )}
      </span>
      {!outlet.erased && (
        <span className="flex w-28 shrink-0 justify-end gap-3">
          <LinkButton aria-label={`Change ${outlet.name}`} onClick={change}>
            Change
          </LinkButton>
          <LinkButton aria-label={`Erase ${outlet.name}`} onClick={erase}>
            Erase
          </LinkButton>
        </span>
      )}
    </li>
  );
}

/** All that is kept of outlets and what each took, as comma-separated values. */
const outletsCsv = (outlets: readonly Outlet[], currency: string): string =>
  Papa.unparse(
    outlets.map(({ name, kind, contact, note, heads, cents, last, took }) => ({
      name,
      kind: OUTLET_WORDS[kind],
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
export function OutletsPage() {
  const reply = useGet('outlets');
  const currency = useCurrency();
  const touch = useTouch();
  const [asking, setAsking] = useState<{ outlet: Outlet | null; is: 'form' | 'erase' } | null>(null);
  const close = () => setAsking(null);
  /** Nothing brings it back: no undo is offered. */
  const erase = async (outletId: string) => {
    try {
      await send('eraseOutlet', { id: newId(), outletId });
      touch('eraseOutlet');
      toast('Erased for good');
      close();
    } catch (error) {
      toast.error(error instanceof ApiProblem ? error.detail || error.message : 'It could not be erased.');
    }
  };
  return (
    <>
      <SalesHead title="Outlets" about="Who fish go to, what they wish, what each took and paid.">
        {reply.data && reply.data.length > 0 && (
          <Button onClick={() => saveFile(outletsCsv(reply.data ?? [], currency), 'outlets.csv', 'text/csv')}>
            As a table file
          </Button>
        )}
        <Button look="main" onClick={() => setAsking({ outlet: null, is: 'form' })}>
          Note an outlet
        </Button>
      </SalesHead>
      <Loaded reply={reply} what="who fish go to">
        {(outlets) =>
          outlets.length === 0 ? (
            <Empty title="Nobody takes fish yet">
              A shop, a club auction, an exchange, a neighbour: note them before the spawning, for more come than one thinks.
            </Empty>
          ) : (
            <>
              <ul className="border border-ink bg-sheet">
                {outlets.map((outlet) => (
                  <Row
                    key={outlet.outletId}
                    outlet={outlet}
                    currency={currency}
                    change={() => setAsking({ outlet, is: 'form' })}
                    erase={() => setAsking({ outlet, is: 'erase' })}
                  />
                ))}
              </ul>
              <Takings outlets={outlets} currency={currency} />
            </>
          )
        }
      </Loaded>
      <p className="mt-3 text-note text-quiet">
        Keep of buyers only what is needed. Erasing takes name and words out for good; the ledger keeps how many went. Business
        and tax rules differ by place.
      </p>
      <Dialog
        title={asking?.outlet ? `Change ${asking.outlet.name}` : 'Note an outlet'}
        open={asking?.is === 'form'}
        onClose={close}
      >
        {asking?.is === 'form' && <OutletForm outlet={asking.outlet} done={close} />}
      </Dialog>
      <Dialog title={`Erase ${asking?.outlet?.name ?? ''}?`} open={asking?.is === 'erase'} onClose={close}>
        <p>
          Their name, where they are found and your words are gone for good, and cannot be brought back. What they took stays,
          without a name.
        </p>
        <div className="mt-4 flex gap-3">
          <Button
            look="main"
            onClick={() => {
              const { outlet } = asking ?? {};
              if (outlet) void erase(outlet.outletId);
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
