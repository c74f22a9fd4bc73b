import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { flexRender, type Table } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import type { Lot } from './stockColumns';

const ROW_PX = 40;

/** Lots in rows; only those in sight are drawn, so that thousands scroll like ten. */
export function StockTable({ table }: { table: Table<Lot> }) {
  const navigate = useNavigate();
  const box = useRef<HTMLDivElement>(null);
  const { rows } = table.getRowModel();
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const shown = virtual.getVirtualItems();
  const [above, below] = [shown[0]?.start ?? 0, virtual.getTotalSize() - (shown.at(-1)?.end ?? 0)];
  const span = table.getVisibleLeafColumns().length;
  return (
    <div
      ref={box}
      className="h-[calc(100dvh-330px)] min-h-72 overflow-auto bg-sheet px-3"
      tabIndex={0}
      role="region"
      aria-label="Lots"
    >
      <table className="w-full table-fixed text-left" style={{ minWidth: 1040 }}>
        <thead className="sticky top-0 z-10 bg-sheet">
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id} className="border-b border-ink text-note text-quiet">
              {group.headers.map((header) => {
                const sorted = header.column.getIsSorted();
                return (
                  <th
                    key={header.id}
                    style={{ width: header.getSize() }}
                    aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : undefined}
                    className="pr-3 font-normal whitespace-nowrap"
                  >
                    {header.column.getCanSort() ? (
                      <button
                        type="button"
                        className="flex min-h-9 items-center gap-1 hover:text-ink"
                        onClick={header.column.getToggleSortingHandler()}
                      >
                        {flexRender(header.column.columnDef.header, header.getContext())}
                        {sorted === 'asc' && <ArrowUp size={13} aria-hidden />}
                        {sorted === 'desc' && <ArrowDown size={13} aria-hidden />}
                      </button>
                    ) : (
                      flexRender(header.column.columnDef.header, header.getContext())
                    )}
                  </th>
                );
              })}
            </tr>
          ))}
        </thead>
        <tbody>
          {above > 0 && (
            <tr aria-hidden>
              <td colSpan={span} style={{ height: above }} />
            </tr>
          )}
          {shown.map(({ index }) => {
            const row = rows[index];
            if (!row) return null;
            return (
              <tr
                key={row.id}
                aria-rowindex={index + 2}
                className={`cursor-pointer border-b border-rule hover:bg-today ${row.getIsSelected() ? 'bg-shade' : ''}`}
                style={{ height: ROW_PX }}
                onClick={(event) => {
                  if (!(event.target as HTMLElement).closest('a, button, input, label'))
                    void navigate(`/stock/${row.original.id}`);
                }}
              >
                {row.getVisibleCells().map((cell) => (
                  <td key={cell.id} className="truncate pr-3">
                    {flexRender(cell.column.columnDef.cell, cell.getContext())}
                  </td>
                ))}
              </tr>
            );
          })}
          {below > 0 && (
            <tr aria-hidden>
              <td colSpan={span} style={{ height: below }} />
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}
