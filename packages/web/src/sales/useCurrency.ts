import { useGet, useHouse } from '../data';

/** The house's currency, for those who see money. */
export function useCurrency(): string {
  const house = useHouse();
  return useGet(house.may('keeper') ? 'rates' : null).data?.currency ?? 'EUR';
}
