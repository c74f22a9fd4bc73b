import { clsx } from 'clsx';
import type { ComponentProps } from 'react';
import { Link } from 'react-router';
import { BUTTON_LOOKS } from './Button';

/** A link that looks like a button: it leads somewhere, a button does something. */
export function ButtonLink({ look = 'plain', className, ...rest }: ComponentProps<typeof Link> & { look?: 'plain' | 'main' }) {
  return (
    <Link
      className={clsx('inline-flex min-h-11 items-center rounded-part px-4 font-semibold', BUTTON_LOOKS[look], className)}
      {...rest}
    />
  );
}
