import { Link } from 'react-router';
import type { SpareBreeders } from '@freshet/core/sales';
import { LinkButton } from '../ui';

/** Grown animals the house could do without; the keeper knows who is kept for a line or a colour. */
export function Spare({ spare, sell }: { spare: readonly SpareBreeders[]; sell: ((one: SpareBreeders) => void) | null }) {
  if (spare.length === 0) return null;
  return (
    <section aria-label="Grown animals to spare" className="mb-3 border border-ink bg-sheet">
      <h2 className="border-b border-ink px-3 py-2">
        Grown animals to spare{' '}
        <span className="font-normal text-quiet">only a suggestion; you know which you keep for a line or colour</span>
      </h2>
      <ul>
        {spare.map((one) => (
          <li
            key={one.lotId}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-3 py-1.5 last:border-0"
          >
            <b className="w-16 shrink-0 text-right text-title">{one.males + one.females}</b>
            <span className="min-w-0 flex-1 basis-56">
              <Link to={`/stock/${one.lotId}`} className="font-semibold link">
                {one.name ?? one.speciesName}
              </Link>{' '}
              <span className="text-quiet">
                {one.name !== null && `${one.speciesName}, `}
                <span className="font-mono">{one.code}</span>
              </span>
              <span className="block text-note text-quiet">
                {[one.males > 0 && `${one.males} m`, one.females > 0 && `${one.females} f`].filter(Boolean).join(', ')}; {one.why}
              </span>
            </span>
            {sell && (
              <LinkButton aria-label={`Sell ${one.name ?? one.speciesName} of ${one.code}`} onClick={() => sell(one)}>
                Sell
              </LinkButton>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
