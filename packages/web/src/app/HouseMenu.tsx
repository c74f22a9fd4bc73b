import { lazy, Suspense, useState } from 'react';
import { useHouse } from '../data';
import { HOUSE_BUTTON, HouseButtonFace } from './HouseButtonFace';

const HouseMenuList = lazy(() => import('./HouseMenuList'));

/** The house's name and clock; opens what belongs to the house as a whole. */
export function HouseMenu() {
  const house = useHouse();
  const [isWanted, setWanted] = useState(false);
  const button = (
    <button
      type="button"
      aria-label={`${house.name}: menu`}
      aria-haspopup="menu"
      aria-expanded={isWanted}
      className={HOUSE_BUTTON}
      onClick={() => setWanted(true)}
    >
      <HouseButtonFace />
    </button>
  );
  return isWanted ? (
    <Suspense fallback={button}>
      <HouseMenuList />
    </Suspense>
  ) : (
    button
  );
}
