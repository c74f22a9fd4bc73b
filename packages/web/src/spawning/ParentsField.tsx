import { showHeads, type Reply } from '../data';

export type Lot = Reply<'lots'>[number];

/** Lots that can be parents on one side: those with animals of that sex, or unsexed ones. */
export const fit = (lots: readonly Lot[], speciesKey: string, sex: 'males' | 'females') =>
  lots.filter(
    (lot) =>
      lot.speciesKey === speciesKey &&
      !lot.isRetired &&
      (lot.broodId === null || lot.readiness !== null) &&
      lot[sex] + lot.unsexed > 0,
  );

/** Why a lot is not ready yet, said before it is chosen. */
function readinessWords({ readiness, missing }: Lot): string | null {
  return (
    readiness &&
    { ready: 'ready', notReady: `not ready: ${missing.join('; ') || 'its card says why'}`, unknown: 'condition not scored' }[
      readiness
    ]
  );
}

/** Who may be a parent on one side, each with what it lacks, to be ticked. */
export function ParentsField({
  title,
  lots,
  chosen,
  change,
  error,
}: {
  title: string;
  lots: readonly Lot[];
  chosen: readonly string[];
  change: (ids: string[]) => void;
  error?: string | undefined;
}) {
  return (
    <fieldset className="min-w-0">
      <legend className="font-semibold">{title}</legend>
      {lots.length === 0 && <p className="py-2 text-quiet">None of this species in the log.</p>}
      {lots.map((lot) => {
        const ready = readinessWords(lot);
        return (
          <label key={lot.id} className="flex min-h-11 items-center gap-3 border-b border-rule">
            <input
              type="checkbox"
              className="size-6 shrink-0 accent-[var(--deep)]"
              checked={chosen.includes(lot.id)}
              onChange={(event) => change(event.target.checked ? [...chosen, lot.id] : chosen.filter((id) => id !== lot.id))}
            />
            <span className="min-w-0">
              <b className="font-mono">{lot.tankCode}</b> {lot.name ? <b>{lot.name}, </b> : null}
              {showHeads(lot)}
              {lot.line && `, line ${lot.line}`}
              {lot.generation && `, ${lot.generation}`}
              {ready && <span className={`block text-note ${ready === 'ready' ? 'text-deep' : 'text-amber'}`}>{ready}</span>}
            </span>
          </label>
        );
      })}
      {error && (
        <p role="alert" className="text-note font-semibold text-rust">
          {error}
        </p>
      )}
    </fieldset>
  );
}
