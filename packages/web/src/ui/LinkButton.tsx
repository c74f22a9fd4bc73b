import { clsx } from 'clsx';
import type { ComponentProps } from 'react';

/** Does something small in the middle of words; looks like a link. */
export function LinkButton({ className, type = 'button', ...rest }: ComponentProps<'button'>) {
  return <button type={type} className={clsx('min-h-9 link', className)} {...rest} />;
}
