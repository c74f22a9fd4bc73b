import { clsx } from 'clsx';
import type { ComponentProps } from 'react';

/** What buttons, and links like them, look like. */
export const BUTTON_LOOKS = {
  plain: 'border border-ink bg-sheet text-ink hover:bg-today',
  main: 'border border-ink bg-ink text-sheet hover:bg-deep hover:border-deep hover:text-on-deep',
  quiet: 'text-quiet hover:text-ink underline decoration-1 underline-offset-[3px]',
} as const;

/** A button; 44 px high, square, in words. */
export function Button({
  look = 'plain',
  className,
  type = 'button',
  ...rest
}: ComponentProps<'button'> & { look?: keyof typeof BUTTON_LOOKS }) {
  return (
    <button
      type={type}
      className={clsx(
        'min-h-11 rounded-part font-semibold whitespace-nowrap',
        look === 'quiet' ? 'px-1 font-normal' : 'px-4',
        BUTTON_LOOKS[look],
        className,
      )}
      {...rest}
    />
  );
}
