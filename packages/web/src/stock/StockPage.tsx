import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import {
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type RowSelectionState,
  type SortingState,
} from '@tanstack/react-table';
import { useGet, useHouse } from '../data';
import {
  Button,
  ButtonLink,
  Dialog,
  Empty,
  Loaded,
  PageHead,
  Segmented,
  SelectField,
  TextField,
  usePageParams,
  withParam,
} from '../ui';
import { LotFiles } from './LotFiles';
import { LotForm } from './LotForm';
import { stockColumns, type Lot } from './table/stockColumns';
import { StockTable } from './table/StockTable';

const SHOWN = [
  { value: 'breeders', label: 'Breeders' },
  { value: 'ready', label: 'Ready to spawn' },
  { value: 'young', label: 'Young' },
  { value: 'all', label: 'All' },
] as const;
type Shown = (typeof SHOWN)[number]['value'];

const isYoung = (lot: Lot) => lot.readiness === null && !lot.isRetired;
const FITS: Record<Shown, (lot: Lot) => boolean> = {
  breeders: (lot) => !isYoung(lot),
  ready: (lot) => lot.readiness === 'ready',
  young: isYoung,
  all: () => true,
};

function Balance() {
  const balance = useGet('balance');
  if (!balance.data) return null;
  const { cameIn, left, alive, balanced } = balance.data;
  return (
    <p className={balanced ? 'text-quiet' : 'font-semibold text-rust'}>
      {cameIn} came in: {left} left + {alive} live{balanced ? '' : ': the ledger does not balance; please report this'}
    </p>
  );
}

/** What can be done with the lots that are chosen. */
function ChosenBar({ chosen, clear }: { chosen: readonly Lot[]; clear: () => void }) {
  const navigate = useNavigate();
  const species = new Set(chosen.map((lot) => lot.speciesKey));
  const [key] = species;
  const open = (view: string) => void navigate(`/stock/lines/${key ?? ''}/${view}?lots=${chosen.map((lot) => lot.id).join(',')}`);
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3 border border-ink bg-sheet px-3 py-2" role="status">
      <b>{chosen.length} chosen</b>
      {species.size === 1 ? (
        <>
          <Button onClick={() => open('pairing')}>Pair them</Button>
          <Button onClick={() => open('kinship')}>Kinship of them</Button>
        </>
      ) : (
        <span className="text-quiet">Choose one species to pair them or see how they’re related.</span>
      )}
      <LotFiles lots={chosen} exportOnly />
      <Button look="quiet" className="ml-auto" onClick={clear}>
        Choose none
      </Button>
    </div>
  );
}

/** Who have I, of which sex and line, in what condition, who with whom? */
export function StockPage() {
  const house = useHouse();
  const lots = useGet('lots');
  const [adding, setAdding] = useState(false);
  const [search, setSearch] = usePageParams();
  const find = search.get('find') ?? '';
  const species = search.get('species') ?? '';
  const shown = SHOWN.find(({ value }) => value === search.get('which'))?.value ?? 'breeders';
  const set = (key: string) => (value: string) => setSearch(withParam(search, key, value));
  const [sorting, setSorting] = useState<SortingState>([{ id: 'who', desc: false }]);
  const [rowSelection, setRowSelection] = useState<RowSelectionState>({});
  const columns = useMemo(() => stockColumns(house), [house]);
  const all = lots.data;
  const kinds = useMemo(() => new Map((all ?? []).map((lot) => [lot.speciesKey, lot.speciesName])), [all]);
  const data = useMemo(() => {
    const wanted = find.trim().toLowerCase();
    return (all ?? []).filter(
      (lot) =>
        FITS[shown](lot) &&
        (!species || lot.speciesKey === species) &&
        (!wanted ||
          [lot.name, lot.speciesName, lot.tankCode, lot.line, lot.generation, lot.acquiredFrom, lot.marks].some((text) =>
            text?.toLowerCase().includes(wanted),
          )),
    );
  }, [all, find, species, shown]);
  const table = useReactTable({
    data,
    columns,
    state: { sorting, rowSelection },
    getRowId: (lot) => lot.id,
    onSortingChange: setSorting,
    onRowSelectionChange: setRowSelection,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const chosen = (all ?? []).filter((lot) => rowSelection[lot.id]);
  return (
    <Loaded reply={lots} what="the stock">
      {(every) => (
        <>
          <PageHead title="Stock" about={<Balance />}>
            <ButtonLink to="/species">Species</ButtonLink>
            <ButtonLink to={`/stock/lines/${species || chosen[0]?.speciesKey || every[0]?.speciesKey || ''}/kinship`}>
              Lines
            </ButtonLink>
            <LotFiles lots={data} />
            {house.may('keeper') && (
              <Button look="main" onClick={() => setAdding(true)}>
                Record stock
              </Button>
            )}
          </PageHead>
          {every.length === 0 ? (
            <Empty
              title="No fish yet"
              action={
                house.may('keeper') ? (
                  <Button look="main" onClick={() => setAdding(true)}>
                    Add the first group
                  </Button>
                ) : undefined
              }
            >
              Add your fish, shrimp or crayfish: one group per species, line and tank.
            </Empty>
          ) : (
            <>
              <div className="mb-3 flex flex-wrap items-end gap-x-4 gap-y-2">
                <Segmented
                  label="Which"
                  value={shown}
                  onChange={(value) => set('which')(value === 'breeders' ? '' : value)}
                  options={SHOWN}
                />
                <SelectField
                  label="Species"
                  boxClass="w-52"
                  value={species}
                  onChange={(event) => set('species')(event.target.value)}
                >
                  <option value="">every species</option>
                  {[...kinds]
                    .sort(([, a], [, b]) => (a < b ? -1 : 1))
                    .map(([key, name]) => (
                      <option key={key} value={key}>
                        {name}
                      </option>
                    ))}
                </SelectField>
                <TextField
                  label="Find"
                  boxClass="w-72"
                  placeholder="name, species, tank, line, from whom"
                  value={find}
                  onChange={(event) => set('find')(event.target.value)}
                />
                <span className="pb-2.5 text-quiet">
                  {data.length} of {every.length} lots
                </span>
              </div>
              {data.length === 0 ? (
                <p className="bg-sheet px-4 py-6 text-quiet">
                  {find
                    ? `Nothing matches “${find}”.`
                    : shown === 'ready'
                      ? 'No fish ready to spawn now. Breeders shows what’s missing.'
                      : 'None match.'}
                </p>
              ) : (
                <StockTable table={table} />
              )}
              {chosen.length > 0 && <ChosenBar chosen={chosen} clear={() => setRowSelection({})} />}
            </>
          )}
          <Dialog title="Record stock" open={adding} onClose={() => setAdding(false)} wide>
            <LotForm done={() => setAdding(false)} />
          </Dialog>
        </>
      )}
    </Loaded>
  );
}
