import type { ComponentProps } from 'react';
import { AreaHead } from '../ui';

const PAGES = [
  { to: '/growout', label: 'Places' },
  { to: '/growout/weeks', label: 'Tanks by week' },
  { to: '/growout/record', label: 'Flow and faults' },
];

/** The head of every page of grow-out. */
export const GrowoutHead = (props: Omit<ComponentProps<typeof AreaHead>, 'area' | 'pages'>) => (
  <AreaHead area="Grow-out" pages={PAGES} {...props} />
);
