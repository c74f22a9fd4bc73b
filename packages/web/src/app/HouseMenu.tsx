import { localTime } from '@freshet/core/time';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import { send, useHouse, useTouch } from '../data';

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

/** The house's name and clock; opens what belongs to the house as a whole. */
export function HouseMenu() {
  const house = useHouse();
  const touch = useTouch();
  const [theme, toggleTheme] = useTheme();
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`${house.name}: menu`}
        className="flex shrink-0 items-center gap-3 px-3 py-1 text-left hover:bg-today md:w-[92px] md:flex-col md:items-start md:justify-center md:gap-0 md:border-r md:border-rule md:px-2"
      >
        <span className="text-code font-bold">Freshet</span>
        <span className="max-w-full truncate text-note leading-[15px] text-quiet md:line-clamp-2 md:whitespace-normal">
          {house.name}
        </span>
        <span className="ml-auto font-mono md:ml-0">{localTime(house.now(), house.timeZone)}</span>
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
