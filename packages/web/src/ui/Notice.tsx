import { clsx } from 'clsx';
import type { ReactNode } from 'react';

const LOOKS = {
  amber: 'border-amber-line bg-amber-wash px-3 py-2',
  rust: 'border-rust bg-rust-wash px-4 py-3',
  deep: 'border-deep bg-ground px-3 py-2',
} as const;

/** What must be read before going on: amber is a caution, rust is wrong, deep is good to know. */
export function Notice({
  look = 'amber',
  className,
  alert = false,
  children,
}: {
  look?: keyof typeof LOOKS;
  className?: string;
  /** Told at once by a screen reader. */
  alert?: boolean;
  children: ReactNode;
}) {
  return (
    <div {...(alert ? { role: 'alert' } : {})} className={clsx('border-l-4', LOOKS[look], className)}>
      {children}
    </div>
  );
}
