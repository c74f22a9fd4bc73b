import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import { send, useHouse, useTouch } from '../data';
import { HOUSE_BUTTON, HouseButtonFace } from './HouseButtonFace';

const THEME_KEY = 'freshet.theme';

function useTheme(): [string, () => void] {
  const [theme, setTheme] = useState(document.documentElement.dataset.theme ?? 'day');
  const toggle = () => {
    const next = theme === 'day' ? 'dim' : 'day';
    document.documentElement.dataset.theme = next;
    try {
      localStorage.setItem(THEME_KEY, next);
    } catch {
      // Without a store the choice holds for this page.
    }
    setTheme(next);
  };
  return [theme, toggle];
}

const ITEM = 'flex min-h-11 cursor-pointer items-center px-4 data-[highlighted]:bg-today data-[highlighted]:outline-none';

/** What belongs to the house as a whole; fetched when it is opened for the first time. */
export default function HouseMenuList() {
  const house = useHouse();
  const touch = useTouch();
  const [theme, toggleTheme] = useTheme();
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger aria-label={`${house.name}: menu`} className={HOUSE_BUTTON}>
        <HouseButtonFace />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" sideOffset={2} className="z-50 min-w-56 border border-ink bg-sheet py-1 text-ink">
          <div className="border-b border-rule px-4 py-2 text-note text-quiet">
            {house.name}; you are {house.userName}, {house.role}
          </div>
          <DropdownMenu.Item className={ITEM} onSelect={toggleTheme}>
            {theme === 'day' ? 'Dim the page' : 'Day colours'}
          </DropdownMenu.Item>
          <DropdownMenu.Item className={ITEM} asChild>
            <Link to="/log">Log of the house</Link>
          </DropdownMenu.Item>
          {house.may('keeper') && (
            <DropdownMenu.Item className={ITEM} asChild>
              <Link to="/hours">Hours: walks, lamps, place</Link>
            </DropdownMenu.Item>
          )}
          <DropdownMenu.Item className={ITEM} asChild>
            <Link to="/phone">On your phone</Link>
          </DropdownMenu.Item>
          <DropdownMenu.Item className={ITEM} asChild>
            <Link to="/species">Species and their figures</Link>
          </DropdownMenu.Item>
          <DropdownMenu.Item className={ITEM} onSelect={() => void send('signOut').then(() => touch('signOut'))}>
            Sign out
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
