import { useState } from 'react';
import Papa from 'papaparse';
import { formatDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useGet, useHouse, type Reply } from '../data';
import { saveFile } from '../print';
import { Button, Checkbox, Dialog, Empty, Loaded, SelectField, Why } from '../ui';
import { netOf, showMoney, showRound, type Paid } from './money';
import { MoneyForm, RatesForm } from './MoneyForms';
import { SalesHead } from './SalesHead';
import { ShelfPicture } from './ShelfPicture';

type Money = Reply<'money'>;
const LITRES_A_GALLON = 3.785;
function Table({ rows, currency, isDear }: { rows: readonly Paid[]; currency: string; isDear: boolean }) {
  return (
    <div className="overflow-x-auto border-t border-rule">
      <table className="w-full text-right">
        <thead>
          <tr className="border-b border-rule text-note text-quiet">
            <th className="px-3 py-1 text-left font-normal">what</th>
            <th className="px-2 py-1 font-normal">went</th>
            <th className="px-2 py-1 font-normal">ready</th>
            <th className="px-2 py-1 font-normal">brought</th>
            <th className="px-2 py-1 font-normal">cost</th>
            <th className="px-2 py-1 font-normal">left over</th>
            <th className="px-2 py-1 font-normal">one cost</th>
            <th className="px-3 py-1 font-normal">an hour</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.key} className="border-b border-rule last:border-0">
              <th scope="row" className="px-3 py-1 text-left font-semibold">
                {row.name}{' '}
                <Why
                  about={`What ${row.name} cost`}
                  inputs={[
                    { label: 'Food', value: showMoney(row.costs.food, currency) },
                    { label: 'Breeders, treatments, fees', value: showMoney(row.costs.direct, currency) },
                    { label: 'Share of their parents', value: showMoney(row.costs.parents, currency) },
                    { label: 'Tanks', value: showMoney(row.costs.tank, currency) },
                    { label: `Heat, ${formatNumber(row.heatingKwh, 2)} kWh`, value: showMoney(row.costs.heating, currency) },
                    { label: 'Water', value: showMoney(row.costs.water, currency) },
                    { label: 'Over', value: `${row.sold + row.given} gone and ${row.ready} ready` },
                  ]}
                  formula="Each tank day is shared by the groups in it. “One cost” divides the total by fish sold or ready."
                  notes={['Heat and food shares are guesses from litres and meals.']}
                  source="docs/sources.md#pays"
                />
              </th>
              <td className="px-2 py-1 font-mono">{row.sold + row.given || '–'}</td>
              <td className="px-2 py-1 font-mono">{row.ready || '–'}</td>
              <td className="px-2 py-1 font-mono">{showRound(row.incomeCents, currency)}</td>
              <td className="px-2 py-1 font-mono">{showRound(row.costCents, currency)}</td>
              <td className={`px-2 py-1 font-mono font-semibold ${netOf(row, isDear) < -LOSS_CENTS ? 'text-rust' : ''}`}>
                {showRound(netOf(row, isDear), currency)}
              </td>
              <td className="px-2 py-1 font-mono">{showMoney(row.perFishCents, currency)}</td>
              <td className="px-3 py-1 font-mono">{row.perHour === null ? '–' : showMoney(row.perHour, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Sums that rest on guesses are told to the whole unit: less than half of one is none. */
const LOSS_CENTS = 50;

/** A year for the book-keeper: every row as it was noted. */
function toCsv(money: Money, sold: Reply<'sold'>, day: (at: string) => string): string {
  const rows = [
    ...sold
      .filter(({ at }) => day(at) >= money.from && day(at) <= money.to)
      .map((row) => ({
        day: day(row.at),
        kind: row.cents === 0 ? 'given' : 'sale',
        what: `${row.heads} ${row.speciesName}`,
        to: row.buyerName,
        income: ((row.cents * row.heads) / 100).toFixed(2),
        cost: '',
        currency: money.rates.currency,
        code: row.code,
      })),
    ...money.rows.map((row) => ({
      day: row.on,
      kind: row.kind,
      what: row.speciesName ? `${row.words} (${row.speciesName})` : row.words,
      to: '',
      income: row.isIncome ? (row.cents / 100).toFixed(2) : '',
      cost: row.isIncome ? '' : (row.cents / 100).toFixed(2),
      currency: money.rates.currency,
      code: '',
    })),
  ].sort((a, b) => (a.day < b.day ? -1 : 1));
  return Papa.unparse(rows, { escapeFormulae: true });
}

function Books({ money, year, setYear }: { money: Money; year: string; setYear: (year: string) => void }) {
  const house = useHouse();
  const sold = useGet('sold');
  const [by, setBy] = useState<'species' | 'broods'>('species');
  const [isDear, setDear] = useState(false);
  const [asking, setAsking] = useState<'rates' | 'money' | null>(null);
  const { currency, isUsual } = money.rates;
  const rows = money[by].filter((row) => row.sold + row.given + row.ready > 0 || row.costCents > 0);
  const net = money.species.reduce((sum, row) => sum + netOf(row, isDear), 0);
  const thisYear = Number(house.today.slice(0, 4));
  return (
    <>
      <SalesHead
        title={
          Math.abs(net) < LOSS_CENTS
            ? 'It about pays for itself'
            : net < 0
              ? `About ${showRound(-net, currency)} short`
              : `About ${showRound(net, currency)} left over`
        }
        about={`${formatDay(money.from, house.today)} to ${formatDay(money.to, house.today)}, after food, heat, water and tank costs. Your time isn’t counted.`}
      >
        <SelectField
          label="Of which year"
          boxClass="flex-row items-center"
          value={year}
          onChange={(event) => setYear(event.target.value)}
        >
          <option value="">the last 12 months</option>
          {[0, 1, 2, 3].map((back) => (
            <option key={back} value={String(thisYear - back)}>
              {thisYear - back}
            </option>
          ))}
        </SelectField>
        <Button look="main" onClick={() => setAsking('money')}>
          Note money
        </Button>
      </SalesHead>
      {isUsual && (
        <p className="mb-3 border-l-4 border-amber-line pl-2.5">
          You haven’t entered your prices for power and water, so usual ones are used.{' '}
          <button type="button" className="min-h-9 link" onClick={() => setAsking('rates')}>
            Enter your prices
          </button>
        </p>
      )}
      <section className="border border-ink bg-sheet" aria-label="Which fish are worth their tank">
        <div className="flex flex-wrap items-center gap-x-4 border-b border-rule px-3 py-1">
          <h2 className="mr-auto">What {house.units.volume === 'L' ? '100 litres' : '25 gallons'} earn in a week</h2>
          <Checkbox checked={isDear} onChange={(event) => setDear(event.target.checked)}>
            if heating cost 50 % more
          </Checkbox>
          <Button look="quiet" onClick={() => setAsking('rates')}>
            What things cost
          </Button>
        </div>
        {rows.length === 0 ? (
          <Empty title="Nothing to count yet" />
        ) : (
          <ShelfPicture
            rows={money.species.filter(({ litreWeeks }) => litreWeeks > 0)}
            currency={currency}
            isDear={isDear}
            litres={house.units.volume === 'L' ? 100 : 25 * LITRES_A_GALLON}
          />
        )}
      </section>
      <section className="mt-3 border border-ink bg-sheet" aria-label="By species or brood">
        <div className="flex flex-wrap items-center gap-4 px-3 py-1">
          <h2 className="mr-auto">Earned and cost, each</h2>
          <SelectField
            label="By"
            boxClass="flex-row items-center"
            value={by}
            onChange={(event) => setBy(event.target.value as 'species' | 'broods')}
          >
            <option value="species">species</option>
            <option value="broods">brood</option>
          </SelectField>
          <Button
            disabled={!sold.data}
            onClick={() =>
              saveFile(
                toCsv(money, sold.data ?? [], (at) => at.slice(0, 10)),
                `money-${money.from}-${money.to}.csv`,
                'text/csv',
              )
            }
          >
            As a table file
          </Button>
        </div>
        <Table rows={rows} currency={currency} isDear={isDear} />
      </section>
      {money.rows.length > 0 && (
        <section className="mt-3 border border-edge bg-sheet px-3 py-2" aria-label="Money noted">
          <h2>Noted besides</h2>
          <ul>
            {money.rows.map((row) => (
              <li key={row.entryId} className="flex justify-between gap-4 border-b border-rule py-1 last:border-0">
                <span>
                  {formatDay(row.on, house.today)}: {row.words}
                  {row.speciesName && <span className="text-quiet"> for {row.speciesName.toLowerCase()}</span>}
                </span>
                <span className="font-mono">
                  {row.isIncome ? '+' : '−'}
                  {showMoney(row.cents, currency)}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <p className="mt-3 text-note text-quiet">
        Undo a row in the log. Tax and trade rules are local; ask someone who knows them.
      </p>
      <Dialog title="Note money" open={asking === 'money'} onClose={() => setAsking(null)}>
        {asking === 'money' && <MoneyForm currency={currency} done={() => setAsking(null)} />}
      </Dialog>
      <Dialog title="What things cost here" open={asking === 'rates'} onClose={() => setAsking(null)}>
        {asking === 'rates' && <RatesForm rates={money.rates} done={() => setAsking(null)} />}
      </Dialog>
    </>
  );
}

/** Profit, and which species pays for its place. */
export function MoneyPage() {
  const [year, setYear] = useState('');
  const reply = useGet('money', { query: year ? { year } : {} });
  return (
    <Loaded reply={reply} what="the books">
      {(money) => <Books money={money} year={year} setYear={setYear} />}
    </Loaded>
  );
}
