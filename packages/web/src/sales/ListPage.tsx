import { useState } from 'react';
import { ANY_WISH, NEVER_RELEASE, type ReadyList } from '@freshet/core/sales';
import { formatDay } from '@freshet/core/time';
import { useGet, useHouse } from '../data';
import { saveFile } from '../print';
import { Button, ButtonLink, Checkbox, Empty, Loaded, Loading, NoteField } from '../ui';
import { salesWork, useHouseWork } from '../workers';
import { SalesHead } from './SalesHead';
import { useCurrency } from './useCurrency';
import { LIST_COLUMNS, listRows, stockListCsv, stockListHtml, type ListColumn, type StockList } from './stockList';

const WORDS_KEY = 'freshet.stockListWords';

function Editor({ ready }: { ready: ReadyList }) {
  const house = useHouse();
  const species = useGet('species');
  const buyers = useGet('buyers');
  const currency = useCurrency();
  const [columns, setColumns] = useState<readonly ListColumn[]>(['species', 'count', 'length', 'price']);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [words, setWords] = useState(() => localStorage.getItem(WORDS_KEY) ?? '');
  const names = new Map((species.data ?? []).map(({ key, scientificName }) => [key, scientificName]));
  const rows = listRows(ready, names, buyers.data ?? [], currency);
  const shown = rows.filter(({ broodId }) => !left.has(broodId));
  const list: StockList = { title: house.name, words, day: formatDay(house.today, house.today), columns, rows: shown };
  const keep = (text: string) => {
    setWords(text);
    localStorage.setItem(WORDS_KEY, text);
  };
  const file = `stock-list-${house.today}`;
  return (
    <>
      <div className="grid gap-3 lg:grid-cols-[1fr_1.5fr]">
        <section className="border border-edge bg-sheet px-4 py-3" aria-label="What’s on it">
          <NoteField
            label="Your words on top"
            hint="how to reach you, when to fetch; kept on this device"
            value={words}
            maxLength={600}
            onChange={(event) => keep(event.target.value)}
          />
          <fieldset className="mt-3">
            <legend className="font-semibold">Columns</legend>
            <div className="flex flex-wrap gap-x-5">
              {LIST_COLUMNS.map(({ key, words: title }) => (
                <Checkbox
                  key={key}
                  checked={columns.includes(key)}
                  onChange={(event) =>
                    setColumns(
                      LIST_COLUMNS.map((one) => one.key).filter((one) =>
                        one === key ? event.target.checked : columns.includes(one),
                      ),
                    )
                  }
                >
                  {title}
                </Checkbox>
              ))}
            </div>
          </fieldset>
          <fieldset className="mt-2">
            <legend className="font-semibold">Fish on it</legend>
            {rows.map(({ broodId, brood, species: name, count }) => (
              <Checkbox
                key={broodId}
                checked={!left.has(broodId)}
                onChange={(event) => {
                  const next = new Set(left);
                  if (event.target.checked) next.delete(broodId);
                  else next.add(broodId);
                  setLeft(next);
                }}
              >
                {count} {name.toLowerCase()} <span className="text-quiet">{brood}</span>
              </Checkbox>
            ))}
          </fieldset>
        </section>
        <section className="border border-ink bg-sheet px-5 py-4" aria-label="The list">
          <h2 className="text-title">{list.title}</h2>
          <p className="text-quiet">{list.day}</p>
          {words && <p className="mt-2 break-words whitespace-pre-line">{words}</p>}
          {shown.length === 0 || columns.length === 0 ? (
            <p className="mt-3 text-quiet">Nothing on the list yet.</p>
          ) : (
            <table className="mt-3 w-full">
              <thead>
                <tr className="border-b border-ink text-left text-note text-quiet">
                  {LIST_COLUMNS.filter(({ key }) => columns.includes(key)).map(({ key, words: title }) => (
                    <th key={key} className="py-1 pr-3 font-normal">
                      {title}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {shown.map((row) => (
                  <tr key={row.broodId} className="border-b border-rule last:border-0">
                    {columns.map((key) => (
                      <td key={key} className="py-1 pr-3">
                        {row[key]}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <p className="mt-3 text-note text-quiet">{NEVER_RELEASE}</p>
        </section>
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button
          look="main"
          disabled={shown.length === 0}
          onClick={() =>
            void import('./stockListPdf').then(async ({ stockListPdf }) =>
              saveFile(await stockListPdf(list), `${file}.pdf`, 'application/pdf'),
            )
          }
        >
          Save as PDF
        </Button>
        <Button disabled={shown.length === 0} onClick={() => saveFile(stockListHtml(list), `${file}.html`, 'text/html')}>
          Save as a page
        </Button>
        <Button disabled={shown.length === 0} onClick={() => saveFile(stockListCsv(list), `${file}.csv`, 'text/csv')}>
          Save as a table file
        </Button>
        <span className="text-note text-quiet">Nothing is sent by itself. You save it and send it.</span>
      </div>
    </>
  );
}

/** A list to send: what can go, in chosen columns, with one's own words on top. */
export function ListPage() {
  const { reply, answer } = useHouseWork('ready', (facts, now) => salesWork().ready(facts, now, ANY_WISH));
  return (
    <>
      <SalesHead title="A list to send" about="Fish for sale now, as a PDF, a page or a table file.">
        <ButtonLink to="/sales">Back to For sale</ButtonLink>
      </SalesHead>
      <Loaded reply={reply} what="the house">
        {() =>
          !answer ? (
            <Loading what="the list" />
          ) : answer.made.list.rows.every(({ now }) => now.mid === 0) ? (
            <Empty title="Nothing big enough to sell yet">Once a brood is big enough, you can put it on a list.</Empty>
          ) : (
            <Editor ready={answer.made.list} />
          )
        }
      </Loaded>
    </>
  );
}
