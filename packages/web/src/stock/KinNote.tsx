import { useMemo } from 'react';
import { showPercent } from '../data';
import { Loading, Why } from '../ui';
import { useKinshipOf, useLine } from './lines/useLine';

const MOST_BREEDERS = 24;
const SHOWN = 4;

/** How young of a lot are kin to each other and to the breeders the house has: what their young would be inbred by. */
export function KinNote({ lotId, speciesKey }: { lotId: string; speciesKey: string }) {
  const { pedigree, animals } = useLine(speciesKey);
  const own = useMemo(
    () => (pedigree.data?.animals ?? []).filter((animal) => animal.lotId === lotId).map(({ id }) => id),
    [pedigree.data, lotId],
  );
  const others = useMemo(() => {
    const seen = new Set([lotId]);
    return animals.filter((animal) => !seen.has(animal.lotId) && seen.add(animal.lotId)).slice(0, MOST_BREEDERS);
  }, [animals, lotId]);
  const kin = useKinshipOf(own.length > 0 ? pedigree.data?.pedigree : undefined, [
    ...own.slice(0, 2),
    ...others.map(({ id }) => id),
  ]);
  if (!pedigree.data) return <Loading what="their kin" />;
  if (own.length === 0) return <p className="text-note text-quiet">Their parents aren’t known.</p>;
  if (!kin) return <Loading what="their kin" />;
  const first = kin.matrix[0] ?? [];
  const among = own.length > 1 ? (first[1] ?? null) : null;
  const from = Math.min(2, own.length);
  const beside = others
    .map(({ label, tankCode, likelySex }, i) => ({ label, tankCode, likelySex, kinship: first[from + i] ?? 0 }))
    .sort((a, b) => a.kinship - b.kinship);
  return (
    <div className="border-l-4 border-deep bg-shade px-3 py-1.5">
      <p>
        <b>Kin</b> of those kept back{' '}
        <Why
          about="Kinship"
          formula="The chance that a gene of one and a gene of the other are copies of the same one: the inbreeding of their fry."
          source="docs/sources.md#group-kinship"
          notes={['Bought fish count as unrelated, though they may not be.']}
        />
        {among !== null && (
          <>
            : bred together, their fry are inbred by <b>{showPercent(among)}</b>
          </>
        )}
        {beside.length > 0 ? '; with your breeders, least related first:' : '. There are no other breeders of this species here.'}
      </p>
      {beside.length > 0 && (
        <ul className="text-note">
          {beside.slice(0, SHOWN).map(({ label, tankCode, likelySex, kinship }) => (
            <li key={`${label} ${tankCode ?? ''}`}>
              {label}
              {likelySex && `, ${likelySex === 'males' ? 'male' : 'female'}`}
              {tankCode && <span className="font-mono"> {tankCode}</span>}: <b>{showPercent(kinship)}</b>
            </li>
          ))}
          {beside.length > SHOWN && (
            <li className="text-quiet">
              and {beside.length - SHOWN} more, up to {showPercent(beside.at(-1)?.kinship ?? 0)}
            </li>
          )}
        </ul>
      )}
    </div>
  );
}
