import { useState } from 'react';
import { Link } from 'react-router';
import { formatDay, houseDay } from '@freshet/core/time';
import { useGet, useHouse, type Reply } from '../data';
import { ButtonLink, Button, Dialog, Empty, Loaded, PageHead, TextField } from '../ui';
import { LossForm } from './LossForm';
import { LotForm } from './LotForm';
import { TransferSheet } from './TransferSheet';

type Lot = Reply<'lots'>[number];
const ORIGIN = { wild: 'wild', imported: 'imported', local: 'local', ownBrood: 'own brood' } as const;

function Row({ lot, act }: { lot: Lot; act: (kind: 'move' | 'loss', lot: Lot) => void }) {
  const house = useHouse();
  return (
    <tr className="border-b border-rule align-baseline">
      <td className="py-1.5 pr-4 font-semibold">
        <Link to={`/species/${lot.speciesKey}`} className="hover:link">
          {lot.speciesName}
        </Link>
      </td>
      <td className="pr-4 font-mono">
        {lot.tankId ? (
          <Link to={`/tanks/${lot.tankId}`} className="link">
            {lot.tankCode}
          </Link>
        ) : (
          '–'
        )}
      </td>
      <td className="pr-4 text-right">{lot.males || ''}</td>
      <td className="pr-4 text-right">{lot.females || ''}</td>
      <td className="pr-4 text-right">{lot.unsexed || ''}</td>
      <td className="max-w-40 truncate pr-4">{[lot.line, lot.generation].filter(Boolean).join(', ')}</td>
      <td className="max-w-56 truncate pr-4 text-quiet">
        {lot.broodId ? (
          <Link to={`/broods/${lot.broodId}`} className="link">
            own brood
          </Link>
        ) : (
          [ORIGIN[lot.origin], lot.acquiredFrom].filter((text) => text && text !== 'own brood').join(', ')
        )}
      </td>
      <td className="pr-4 whitespace-nowrap text-quiet">{formatDay(houseDay(lot.since, house.timeZone), house.today)}</td>
      <td className="text-right whitespace-nowrap">
        <button type="button" className="min-h-9 px-2 link" onClick={() => act('move', lot)}>
          move
        </button>
        <button type="button" className="min-h-9 px-2 link" onClick={() => act('loss', lot)}>
          loss
        </button>
      </td>
    </tr>
  );
}

function Balance() {
  const balance = useGet('balance');
  if (!balance.data) return null;
  const { cameIn, left, alive, balanced } = balance.data;
  return (
    <p className={balanced ? 'text-quiet' : 'font-semibold text-rust'}>
      {cameIn} came in = {left} left + {alive} live{balanced ? '' : ': the ledger does not balance; please report this'}
    </p>
  );
}

/** Who have I, of which sex and line? */
export function StockPage() {
  const house = useHouse();
  const lots = useGet('lots');
  const [adding, setAdding] = useState(false);
  const [acting, setActing] = useState<{ kind: 'move' | 'loss'; lot: Lot } | null>(null);
  const [find, setFind] = useState('');
  const close = () => {
    setAdding(false);
    setActing(null);
  };
  return (
    <Loaded reply={lots} what="the stock">
      {(data) => {
        const wanted = find.trim().toLowerCase();
        const shown = data
          .filter(
            (lot) =>
              !wanted ||
              [lot.speciesName, lot.tankCode, lot.line, lot.acquiredFrom].some((text) => text?.toLowerCase().includes(wanted)),
          )
          .sort(
            (a, b) =>
              Number(a.broodId !== null) - Number(b.broodId !== null) ||
              (a.speciesName < b.speciesName ? -1 : a.speciesName > b.speciesName ? 1 : 0),
          );
        return (
          <>
            <PageHead title="Stock" about={<Balance />}>
              <ButtonLink to="/species">Species</ButtonLink>
              {house.may('keeper') && (
                <Button look="main" onClick={() => setAdding(true)}>
                  Record stock
                </Button>
              )}
            </PageHead>
            {data.length === 0 ? (
              <Empty
                title="Nobody lives here yet"
                action={
                  house.may('keeper') ? (
                    <Button look="main" onClick={() => setAdding(true)}>
                      Record the first lot
                    </Button>
                  ) : undefined
                }
              >
                A lot is a group of one species and line in one tank; a single animal is a lot of one.
              </Empty>
            ) : (
              <>
                <TextField
                  label="Find"
                  boxClass="mb-3 max-w-sm"
                  placeholder="species, tank, line, from whom"
                  value={find}
                  onChange={(event) => setFind(event.target.value)}
                />
                <div className="overflow-x-auto bg-sheet px-3">
                  <table className="w-full text-left">
                    <thead>
                      <tr className="border-b border-ink text-note text-quiet">
                        {['Species', 'Tank', 'Males', 'Females', 'Unsexed', 'Line', 'From', 'Since', ''].map((head) => (
                          <th
                            key={head}
                            className={`py-2 pr-4 font-normal ${['Males', 'Females', 'Unsexed'].includes(head) ? 'text-right' : ''}`}
                          >
                            {head || <span className="sr-only">What to do</span>}
                          </th>
                        ))}
                      </tr>
                    </thead>
                    <tbody>
                      {shown.map((lot) => (
                        <Row key={lot.id} lot={lot} act={(kind, chosen) => setActing({ kind, lot: chosen })} />
                      ))}
                    </tbody>
                  </table>
                  {shown.length === 0 && <p className="py-4 text-quiet">Nothing fits “{find}”.</p>}
                </div>
              </>
            )}
            <Dialog title="Record stock" open={adding} onClose={close}>
              <LotForm done={close} />
            </Dialog>
            {acting?.kind === 'loss' && (
              <Dialog
                title="Loss"
                about={`${acting.lot.speciesName} in ${acting.lot.tankCode ?? 'no tank'}`}
                open
                onClose={close}
              >
                <LossForm lot={acting.lot} done={close} />
              </Dialog>
            )}
            {acting?.kind === 'move' && acting.lot.tankId && (
              <TransferSheet fromTankId={acting.lot.tankId} lotId={acting.lot.id} close={close} />
            )}
          </>
        );
      }}
    </Loaded>
  );
}
