import type { ComponentProps, ReactNode } from 'react';

/** A box to tick with its words; 44 px high. @param hint - a line below, in quiet letters */
export function Checkbox({
  children,
  hint,
  ...rest
}: Omit<ComponentProps<'input'>, 'type' | 'className'> & { children: ReactNode; hint?: ReactNode }) {
  return (
    <label className={`flex min-h-11 gap-3 ${hint ? 'items-start py-1' : 'items-center'}`}>
      <input type="checkbox" className={`size-6 shrink-0 accent-[var(--deep)] ${hint ? 'mt-0.5' : ''}`} {...rest} />
      <span>
        {children}
        {hint && <span className="block text-note text-quiet">{hint}</span>}
      </span>
    </label>
  );
}
