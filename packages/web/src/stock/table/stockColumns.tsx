import { Link } from 'react-router';
import { createColumnHelper } from '@tanstack/react-table';
import { sexWords } from '@freshet/core/stock';
import { formatDate, houseDay } from '@freshet/core/time';
import type { House, Reply } from '../../data';
import { ScoreMark } from '../ScoreMark';

export type Lot = Reply<'lots'>[number];

const ORIGIN = { wild: 'wild', imported: 'imported', local: 'local', ownBrood: 'own brood' } as const;
const READY = { ready: 'ready', notReady: 'not yet', unknown: 'look first' } as const;
const READY_ORDER = { ready: 0, unknown: 1, notReady: 2 } as const;

/** Where a lot came from, in few words. */
export const originWords = ({ origin, acquiredFrom }: Pick<Lot, 'origin' | 'acquiredFrom'>): string =>
  [ORIGIN[origin], acquiredFrom].filter((text) => text && text !== 'own brood').join(', ') || 'own brood';

/** "2 y 3 mo", "14 mo", "40 d" */
export function ageWords(days: number | null): string {
  if (days === null) return '';
  if (days < 90) return `${days} d`;
  const months = Math.floor(days / 30.44);
  return months < 24 ? `${months} mo` : `${Math.floor(months / 12)} y ${months % 12} mo`;
}

/** "1 m 2 f 12 ?" */
function Heads({ lot }: { lot: Lot }) {
  const parts = [
    [lot.males, 'm'],
    [lot.females, 'f'],
    [lot.unsexed, '?'],
  ] as const;
  return (
    <span role="img" aria-label={`${lot.males} males, ${lot.females} females, ${lot.unsexed} unsexed`}>
      {parts
        .filter(([count]) => count > 0)
        .map(([count, sign]) => (
          <span key={sign} className="mr-2">
            <b>{count}</b> <span className="text-quiet">{sign}</span>
          </span>
        ))}
    </span>
  );
}

const column = createColumnHelper<Lot>();

/** The columns of the stock; each sorts by what it shows. */
export const stockColumns = (house: House) => [
  column.display({
    id: 'select',
    size: 34,
    enableSorting: false,
    header: () => <span className="sr-only">Choose</span>,
    cell: ({ row }) => (
      <label className="grid size-9 place-items-center">
        <input
          type="checkbox"
          className="size-5 accent-[var(--deep)]"
          aria-label={`Choose ${row.original.name ?? row.original.speciesName} in ${row.original.tankCode ?? 'no tank'}`}
          checked={row.getIsSelected()}
          onChange={row.getToggleSelectedHandler()}
        />
      </label>
    ),
  }),
  column.accessor((lot) => `${lot.speciesName} ${lot.name ?? ''}`, {
    id: 'who',
    header: 'Who',
    size: 208,
    cell: ({ row: { original: lot } }) => (
      <Link
        to={`/stock/${lot.id}`}
        className="font-semibold hover:link"
        title={lot.name ? `${lot.name}, ${lot.speciesName}` : lot.speciesName}
      >
        {lot.name ? (
          <>
            {lot.name} <span className="font-normal text-quiet">{lot.speciesName}</span>
          </>
        ) : (
          lot.speciesName
        )}
      </Link>
    ),
  }),
  column.accessor((lot) => lot.tankCode ?? '', {
    id: 'tank',
    header: 'Tank',
    size: 62,
    cell: ({ row: { original: lot } }) =>
      lot.tankId ? (
        <Link to={`/tanks/${lot.tankId}`} className="inline-flex min-h-9 min-w-11 items-center font-mono link">
          {lot.tankCode}
        </Link>
      ) : (
        '–'
      ),
  }),
  column.accessor((lot) => lot.males + lot.females + lot.unsexed, {
    id: 'heads',
    header: 'Heads',
    size: 96,
    cell: ({ row: { original: lot } }) => <Heads lot={lot} />,
  }),
  column.accessor((lot) => lot.pMale ?? -1, {
    id: 'sex',
    header: 'Sex by traits',
    size: 112,
    cell: ({ row: { original: lot } }) => (lot.pMale === null ? '' : sexWords(lot.pMale).replace('over ', '>')),
  }),
  column.accessor((lot) => [lot.line, lot.generation].filter(Boolean).join(', '), {
    id: 'line',
    header: 'Line',
    size: 140,
    cell: ({ getValue, row: { original: lot } }) => (
      <span className="flex items-center gap-1.5" title={getValue()}>
        <span className="truncate">{getValue()}</span>
        {lot.grade && <b className="shrink-0 border border-edge px-1 text-note">{lot.grade}</b>}
      </span>
    ),
  }),
  column.accessor((lot) => lot.score?.value ?? 0, {
    id: 'condition',
    header: 'Condition',
    size: 92,
    cell: ({ row: { original: lot } }) => lot.score && <ScoreMark score={lot.score.value} trend={lot.score.trend} />,
  }),
  column.accessor((lot) => (lot.readiness ? READY_ORDER[lot.readiness] : 3), {
    id: 'ready',
    header: 'To spawn',
    size: 206,
    cell: ({ row: { original: lot } }) =>
      lot.isRetired ? (
        <span className="text-quiet">retired</span>
      ) : lot.readiness === null ? (
        <span className="text-quiet">growing</span>
      ) : (
        <span title={lot.missing.join(' ')}>
          <b className={lot.readiness === 'ready' ? 'text-deep' : ''}>{READY[lot.readiness]}</b>
          {lot.isDueForReplacement && <span className="text-amber">, replace soon</span>}
          {lot.missing[0] && <span className="text-note text-quiet">: {lot.missing[0]}</span>}
        </span>
      ),
  }),
  column.accessor((lot) => lot.ageDays ?? -1, {
    id: 'age',
    header: 'Age',
    size: 66,
    cell: ({ row: { original: lot } }) => ageWords(lot.ageDays),
  }),
  column.accessor('since', {
    header: 'Here since',
    size: 116,
    cell: ({ row: { original: lot } }) => (
      <span className="text-quiet" title={originWords(lot)}>
        {formatDate(houseDay(lot.since, house.timeZone), house.today)}
      </span>
    ),
  }),
];
