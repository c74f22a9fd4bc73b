import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { BUYER_WORDS } from '@freshet/core/sales';
import { formatDay, houseDay } from '@freshet/core/time';
import { useGet, useHouse } from '../data';
import { Button, Dialog, Empty, Loaded, TextField } from '../ui';
import { showMoney } from './money';
import { SalesHead } from './SalesHead';
import { useCurrency } from './useCurrency';
import { SellForm } from './SellForm';

/** What was handed over, with its codes, and what each cost. */
export function SoldPage() {
  const house = useHouse();
  const go = useNavigate();
  const reply = useGet('sold');
  const currency = useCurrency();
  const [code, setCode] = useState('');
  const [selling, setSelling] = useState(false);
  return (
    <>
      <SalesHead title="Handed over" about="A label’s code leads back to its brood, parents, tank, water and food.">
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (code.trim()) void go(`/sales/trail/${encodeURIComponent(code.trim().toUpperCase())}`);
          }}
        >
          <TextField
            label="Code on a label"
            className="w-36 font-mono"
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
          <Button type="submit">Trace</Button>
        </form>
        <Button look="main" className="self-end" onClick={() => setSelling(true)}>
          Hand over
        </Button>
      </SalesHead>
      <Loaded reply={reply} what="what went">
        {(rows) =>
          rows.length === 0 ? (
            <Empty title="Nothing sold yet">Fish you sell or give away show here with price, cost and code.</Empty>
          ) : (
            <div className="overflow-x-auto border border-ink bg-sheet">
              <table className="w-full">
                <thead>
                  <tr className="border-b border-ink text-left text-note text-quiet">
                    <th className="px-3 py-1 font-normal">when</th>
                    <th className="px-2 py-1 font-normal">who went</th>
                    <th className="px-2 py-1 font-normal">to whom</th>
                    <th className="px-2 py-1 text-right font-normal">each brought</th>
                    <th className="px-2 py-1 text-right font-normal">each cost about</th>
                    <th className="px-3 py-1 font-normal">code</th>
                  </tr>
                </thead>
                <tbody>
                  {rows.map((row) => (
                    <tr key={row.soldId} className="border-b border-rule last:border-0">
                      <td className="px-3 py-1.5 whitespace-nowrap">
                        {formatDay(houseDay(row.at, house.timeZone), house.today)}
                      </td>
                      <td className="px-2 py-1.5">
                        <b className="font-mono">{row.heads}</b> {row.speciesName.toLowerCase()}
                      </td>
                      <td className="px-2 py-1.5">
                        {row.buyerName} <span className="text-quiet">{BUYER_WORDS[row.buyerKind]}</span>
                      </td>
                      <td className="px-2 py-1.5 text-right font-mono">
                        {row.cents === 0 ? '–' : showMoney(row.cents, currency)}
                      </td>
                      <td
                        className={`px-2 py-1.5 text-right font-mono ${row.costCents !== null && row.costCents > row.cents ? 'text-rust' : ''}`}
                      >
                        {showMoney(row.costCents, currency)}
                      </td>
                      <td className="px-3 py-1.5 font-mono">
                        <Link to={`/sales/trail/${row.code}`} className="link">
                          {row.code}
                        </Link>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )
        }
      </Loaded>
      <p className="mt-3 text-note text-quiet">
        The cost of one is its brood’s tank, heat, water and food so far, shared by fish sold and ready. It falls as more are
        sold. To undo a sale, use the log.
      </p>
      <Dialog title="Hand over" open={selling} onClose={() => setSelling(false)}>
        {selling && <SellForm going={null} done={() => setSelling(false)} />}
      </Dialog>
    </>
  );
}
