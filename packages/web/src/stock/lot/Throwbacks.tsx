import { formatNumber } from '@freshet/core/units';
import { useGet, type Reply } from '../../data';
import { Why } from '../../ui';
import { kinshipWork, useWork } from '../../workers';

type Card = Reply<'lotCard'>;

/** What showed that no parent shows, and through whom it probably came down. */
export function Throwbacks({ card }: { card: Card }) {
  const any = card.throwbacks.length > 0;
  const pedigree = useGet(any ? 'pedigree' : null, { params: { speciesKey: card.lot.speciesKey } });
  const own = pedigree.data?.animals.find(({ lotId }) => lotId === card.lot.id)?.id;
  const record = pedigree.data?.pedigree.find(({ id }) => id === own);
  const likely = useWork(
    pedigree.data && record
      ? () =>
          kinshipWork().traceThrowback(
            pedigree.data?.pedigree.filter(({ brood }) => brood !== record.brood || !record.brood) ?? [],
            { sires: record.sires ?? [], dams: record.dams ?? [] },
          )
      : null,
    [pedigree.data, record],
  );
  if (!any) return null;
  const name = (id: string) => pedigree.data?.labels[id] ?? id;
  return (
    <div className="py-1">
      {card.throwbacks.map(({ id, what, seen, of }) => (
        <p key={id}>
          <b>Throwback, {what}</b>: {seen} of {of}
        </p>
      ))}
      {likely?.[0] && (
        <p className="text-note">
          Probably carried by{' '}
          {likely.slice(0, 2).map(({ founders, probability }, i) => (
            <span key={founders.join()}>
              {i > 0 && '; or '}
              <b>{founders.map(name).join(' and ')}</b> {formatNumber(probability * 100)} %
            </span>
          ))}{' '}
          <Why
            about="Who carried it?"
            formula="A hidden trait that shows came from both sides. Each founder is weighed by how often that happens in this pedigree, with one carrier in twenty."
            source="docs/sources.md#throwback"
          />
        </p>
      )}
    </div>
  );
}
