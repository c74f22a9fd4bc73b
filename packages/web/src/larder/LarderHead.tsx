import type { ComponentProps } from 'react';
import { AreaHead } from '../ui';

const PAGES = [
  { to: '/larder', label: 'Tide' },
  { to: '/larder/cultures', label: 'Cultures' },
  { to: '/larder/pour', label: 'Pour list' },
  { to: '/larder/ladder', label: 'Ladder' },
  { to: '/larder/shelf', label: 'Shelf' },
  { to: '/larder/pests', label: 'Pests' },
];

/** The head of every page of the larder. */
export const LarderHead = (props: Omit<ComponentProps<typeof AreaHead>, 'area' | 'pages'>) => (
  <AreaHead area="Larder" pages={PAGES} {...props} />
);
