import { formatNumber } from '@freshet/core/units';
import { TankOptions } from '../../room';
import type { Reply } from '../../data';
import { LinkButton } from '../../ui';

/** A class as it is being filled. */
export interface ClassDraft {
  lotId: string;
  name: string;
  heads: string;
  toTankId: string;
  lengthMm: string;
  /** Which lengths belong in it, in words. */
  bounds: string;
}

/** One bowl: tap for one more, or type; what it is called, where it goes, how long they are. */
export function ClassTile({
  draft,
  change,
  remove,
  life,
  fromTankId,
  fromCode,
  error,
}: {
  draft: ClassDraft;
  change: (next: Partial<ClassDraft>) => void;
  remove: (() => void) | null;
  life: Reply<'tankLife'> | undefined;
  fromTankId: string | null;
  fromCode: string;
  error: string | undefined;
}) {
  const heads = Number(draft.heads) || 0;
  const step = (by: number) => change({ heads: String(Math.max(0, heads + by)) });
  return (
    <li className={`flex flex-col border ${error ? 'border-rust' : 'border-ink'} bg-sheet`}>
      <div className="flex items-stretch">
        <button
          type="button"
          className="min-h-20 flex-1 px-3 py-2 text-left hover:bg-today active:bg-shade"
          aria-label={`${draft.name}: one more`}
          onClick={() => step(1)}
        >
          <b className="block text-title">{draft.name || 'no name'}</b>
          <span className="text-note text-quiet">{draft.bounds}</span>
        </button>
        <button
          type="button"
          className="w-14 border-l border-rule font-semibold hover:bg-today active:bg-shade"
          aria-label={`${draft.name}: five more`}
          onClick={() => step(5)}
        >
          +5
        </button>
        <button
          type="button"
          className="w-14 border-l border-rule font-semibold hover:bg-today active:bg-shade"
          aria-label={`${draft.name}: one less`}
          onClick={() => step(-1)}
        >
          −1
        </button>
        <label className="flex w-24 items-center border-l border-rule">
          <span className="sr-only">{`${draft.name}, how many`}</span>
          <input
            className="h-full w-full bg-transparent text-center font-mono text-title"
            inputMode="numeric"
            placeholder="0"
            value={draft.heads}
            aria-invalid={Boolean(error)}
            onChange={(event) => change({ heads: event.target.value })}
          />
        </label>
      </div>
      <div className="grid grid-cols-[1fr_1.4fr_0.8fr] gap-2 border-t border-rule p-2">
        <label className="flex flex-col text-note">
          Called
          <input className="control" value={draft.name} onChange={(event) => change({ name: event.target.value })} />
        </label>
        <label className="flex flex-col text-note">
          Into
          <select className="control" value={draft.toTankId} onChange={(event) => change({ toTankId: event.target.value })}>
            <option value="stay">stay in {fromCode}</option>
            <TankOptions life={life} but={fromTankId} />
          </select>
        </label>
        <label className="flex flex-col text-note">
          About, mm
          <input
            className="control"
            inputMode="decimal"
            value={draft.lengthMm}
            onChange={(event) => change({ lengthMm: event.target.value })}
          />
        </label>
      </div>
      {(error ?? remove) && (
        <p className="flex justify-between gap-3 px-3 pb-2 text-note">
          <span role={error ? 'alert' : undefined} className="font-semibold text-rust">
            {error}
          </span>
          {remove && <LinkButton onClick={remove}>without this class</LinkButton>}
        </p>
      )}
    </li>
  );
}

/** Which lengths belong in a class, in words. */
export const boundsOf = (fromMm: number | null, toMm: number | null): string =>
  fromMm === null && toMm === null
    ? 'all of one size'
    : fromMm === null
      ? `below ${formatNumber(toMm ?? 0)} mm`
      : toMm === null
        ? `from ${formatNumber(fromMm)} mm`
        : `${formatNumber(fromMm)} to ${formatNumber(toMm)} mm`;
