import type { Reply } from '../data';

/** Every species as an option, by name. */
export function SpeciesOptions({ species }: { species: Reply<'species'> | undefined }) {
  return (
    <>
      <option value="">Choose a species</option>
      {[...(species ?? [])]
        .sort((a, b) => (a.commonName < b.commonName ? -1 : 1))
        .map((kind) => (
          <option key={kind.key} value={kind.key}>
            {kind.commonName}
          </option>
        ))}
    </>
  );
}
