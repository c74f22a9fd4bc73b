import { clsx } from 'clsx';

/** A box of the walk that is ticked with a wet finger: square for what is done, round for what is looked for. */
export function TickBox({
  label,
  status,
  isRound = false,
  isDashed,
  disabled,
  onPress,
}: {
  label: string;
  status: 'done' | 'skipped' | false;
  isRound?: boolean;
  /** Not settled yet: of a coming day, or waiting to be sent. */
  isDashed: boolean;
  disabled: boolean;
  onPress: () => void;
}) {
  return (
    <button
      type="button"
      role="checkbox"
      aria-checked={status === 'done'}
      aria-label={label}
      disabled={disabled}
      onClick={onPress}
      className={clsx('-m-[9px] grid size-11 shrink-0 place-items-center disabled:opacity-100', disabled && 'cursor-default')}
    >
      <span
        className={clsx(
          'grid size-[26px] place-items-center border border-ink text-[17px] leading-none font-bold',
          isRound ? 'rounded-full' : 'rounded-part',
          status === 'done' ? 'bg-ink text-sheet' : 'bg-sheet',
          isDashed && 'border-dashed',
        )}
      >
        {status === 'skipped' ? '–' : status === 'done' ? '✓' : isRound ? '?' : ''}
      </span>
    </button>
  );
}
