import { Link } from 'react-router';
import { formatNumber } from '@freshet/core/units';
import type { Reply } from '../data';

/** Whom of other broods the lots of this one hold, by expectation; nothing while it is of one parentage. */
export function MixedLine({ page }: { page: Reply<'brood'> }) {
  if (page.mixed.length === 0) return null;
  const code = (lotId: string) => page.lots.find(({ id }) => id === lotId)?.tankCode ?? 'no tank';
  return (
    <p className="border-t border-rule px-4 py-1.5">
      Mixed: probably{' '}
      {page.mixed.map(({ lotId, broodId, name, heads }, i) => (
        <span key={lotId + name}>
          {i > 0 && ', '}
          <b>{formatNumber(heads)}</b> of those in {code(lotId)} are of{' '}
          {broodId ? (
            <Link to={`/broods/${broodId}`} className="link">
              {name}
            </Link>
          ) : (
            name
          )}
        </span>
      ))}
      , striped in the picture. Nobody can tell which; kinship counts each as either.
    </p>
  );
}
