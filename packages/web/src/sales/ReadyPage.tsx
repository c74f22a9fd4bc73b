import { useState } from 'react';
import type { OverStock, ReadyList, SpareBreeders } from '@freshet/core/sales';
import { formatDate } from '@freshet/core/time';
import { useHouse } from '../data';
import { Button, ButtonLink, Dialog, Empty, Loaded, Loading, Notice } from '../ui';
import { salesWork, useHouseWork } from '../workers';
import { ReadyRow } from './ReadyRow';
import { ReadyWishes, useNarrowed, type Narrowed } from './ReadyWishes';
import { SalesHead } from './SalesHead';
import { SellForm, type Going } from './SellForm';
import { Spare } from './Spare';

/** What comes new of each species, week by week. */
function Calendar({ list }: { list: ReadyList }) {
  const house = useHouse();
  return (
    <div className="overflow-x-auto border border-ink bg-sheet">
      <table className="w-full text-right">
        <caption className="px-3 py-2 text-left">
          <b>New each week</b> <span className="text-note text-quiet">fish that reach sale size, without those held back</span>
        </caption>
        <thead>
          <tr className="border-y border-ink text-note text-quiet">
            <th className="px-3 py-1 text-left font-normal">species</th>
            <th className="px-2 py-1 font-normal">now</th>
            {list.weeks.map((day) => (
              <th key={day} className="px-1.5 py-1 font-normal whitespace-nowrap">
                {formatDate(day, house.today)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {list.calendar.map((line) => (
            <tr key={line.speciesKey} className="border-b border-rule">
              <th scope="row" className="px-3 py-1 text-left font-semibold whitespace-nowrap">
                {line.speciesName}
              </th>
              <td className="px-2 py-1 font-mono font-semibold">{line.now || ''}</td>
              {line.weeks.map((count, i) => (
                <td key={list.weeks[i]} className="px-1.5 py-1 font-mono">
                  {count || <span className="text-quiet">·</span>}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Species of which more comes than goes. */
function Over({ over }: { over: readonly OverStock[] }) {
  const [all, setAll] = useState(false);
  const shown = all ? over : over.slice(0, 3);
  if (over.length === 0) return null;
  return (
    <section aria-label="Too many" className="mb-3 border border-amber-line bg-sheet px-3 py-2">
      <h2>More than you sell</h2>
      <ul>
        {shown.map(({ speciesKey, speciesName, words }) => (
          <li key={speciesKey} className="border-b border-rule py-1 last:border-0">
            <b>{speciesName}</b> <span className="text-quiet">{words}</span>
          </li>
        ))}
      </ul>
      {over.length > 3 && (
        <Button look="quiet" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `${over.length - 3} more`}
        </Button>
      )}
    </section>
  );
}

/** Broods that answer to what was asked. */
const ofSpecies = (list: ReadyList, species: string): ReadyList => ({
  ...list,
  rows: list.rows.filter(({ speciesKey }) => species === '' || speciesKey === species),
  calendar: list.calendar.filter(({ speciesKey }) => species === '' || speciesKey === species),
});

/** What is counted, in words. */
function countedWords({ wish }: Narrowed): string {
  const who = wish.sex === 'any' ? '' : wish.sex === 'male' ? 'males ' : 'females ';
  const size = wish.leastMm === null ? 'of sale size' : `of ${wish.leastMm} mm or more`;
  return `${who}${size} now`;
}

function Ready({
  list,
  over,
  spare,
  narrowed,
  isYoung,
  sell,
}: {
  list: ReadyList;
  over: readonly OverStock[];
  spare: readonly SpareBreeders[];
  narrowed: Narrowed;
  /** Whether any young of the house grow towards a sale, answering to what is asked or not. */
  isYoung: boolean;
  sell: ((going: Going) => void) | null;
}) {
  const now = list.rows.reduce((sum, row) => sum + row.now.mid, 0);
  const cautions = [...new Set(list.rows.flatMap(({ law, speciesName }) => (law ? [`${speciesName}: ${law}`] : [])))];
  const isOf = ({ speciesKey }: { speciesKey: string }) => narrowed.species === '' || speciesKey === narrowed.species;
  return (
    <>
      {isYoung && (
        <section aria-label="Ready" className="mb-3 border border-ink bg-sheet">
          <div className="flex flex-wrap items-baseline justify-between gap-3 border-b border-ink px-3 py-2">
            <h2>
              {now} {countedWords(narrowed)}{' '}
              <span className="font-normal text-quiet">
                in {list.rows.filter((row) => row.now.mid > 0).length} of {list.rows.length} broods
              </span>
            </h2>
            <span className="text-note text-quiet">now, then sixteen weeks; line: nine in ten</span>
          </div>
          {list.rows.length === 0 ? (
            <p className="px-3 py-4 text-quiet">
              {narrowed.wish.sex === 'any' ? 'No brood matches that.' : 'No brood matches that. Only sexed fish count here.'}
            </p>
          ) : (
            <ul>
              {list.rows.map((row) => (
                <ReadyRow
                  key={row.broodId}
                  row={row}
                  sell={sell && row.now.high > 0 ? () => sell({ broodId: row.broodId }) : null}
                />
              ))}
            </ul>
          )}
        </section>
      )}
      <Over over={over.filter(isOf)} />
      <Spare
        spare={spare.filter(isOf)}
        sell={
          sell &&
          (({ lotId, males, females }) =>
            sell({ lotId, heads: males + females, sex: females === 0 ? 'males' : males === 0 ? 'females' : 'any' }))
        }
      />
      {cautions.map((words) => (
        <Notice key={words} className="mb-3">
          {words}
        </Notice>
      ))}
      {list.calendar.length > 0 && <Calendar list={list} />}
      <p className="mt-3 text-note text-quiet">
        These numbers go by length alone, so look the fish over before you promise any. Selling, transport and welfare rules
        differ by place; some species need a licence. Never release animals or plants.
      </p>
    </>
  );
}

/** What can be sold, and when. */
export function ReadyPage() {
  const house = useHouse();
  const narrowed = useNarrowed();
  const { wish, species } = narrowed;
  const [selling, setSelling] = useState<{ going: Going } | null>(null);
  const { reply, answer } = useHouseWork(`ready ${JSON.stringify(wish)}`, (facts, now) => salesWork().ready(facts, now, wish));
  return (
    <>
      <SalesHead
        title="For sale"
        about="How many are big enough, now and in the coming weeks, without those held back or promised."
      >
        {house.may('keeper') && (
          <>
            <ButtonLink to="/sales/list">A list to send</ButtonLink>
            <Button look="main" onClick={() => setSelling({ going: null })}>
              Hand over
            </Button>
          </>
        )}
      </SalesHead>
      <Loaded reply={reply} what="the house">
        {() =>
          !answer ? (
            <Loading what="the list" />
          ) : !answer.made.isYoung && answer.made.spare.length === 0 ? (
            <Empty title="Nothing to sell yet">Once a brood is feeding, you’ll see how many will be big enough, and when.</Empty>
          ) : (
            <>
              {answer.made.isYoung && <ReadyWishes narrowed={narrowed} kinds={answer.made.kinds} grades={answer.made.grades} />}
              <Ready
                list={ofSpecies(answer.made.list, species)}
                over={answer.made.over}
                spare={answer.made.spare}
                narrowed={narrowed}
                isYoung={answer.made.isYoung}
                sell={house.may('keeper') ? (going) => setSelling({ going }) : null}
              />
            </>
          )
        }
      </Loaded>
      <Dialog title="Hand over" open={selling !== null} onClose={() => setSelling(null)}>
        {selling && <SellForm going={selling.going} done={() => setSelling(null)} />}
      </Dialog>
    </>
  );
}
