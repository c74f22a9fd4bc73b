import type { ComponentProps } from 'react';
import { useHouse } from '../data';
import { AreaHead } from '../ui';

const SHARED = [
  { to: '/sales', label: 'For sale' },
  { to: '/sales/orders', label: 'Orders' },
];
const KEEPER = [
  ...SHARED,
  { to: '/sales/sold', label: 'Sold' },
  { to: '/sales/buyers', label: 'Buyers' },
  { to: '/sales/money', label: 'Profit' },
];

/** The head of every page of sales; who buys and for how much is the keeper's alone. */
export function SalesHead(props: Omit<ComponentProps<typeof AreaHead>, 'area' | 'pages'>) {
  const house = useHouse();
  return <AreaHead area="Sales" pages={house.may('keeper') ? KEEPER : SHARED} {...props} />;
}
