import { localTime } from '@freshet/core/time';
import { useHouse } from '../data';

export const HOUSE_BUTTON =
  'flex shrink-0 items-center gap-3 px-3 py-1 text-left hover:bg-today md:w-[92px] md:flex-col md:items-start md:justify-center md:gap-0 md:border-r md:border-rule md:px-2';

/** What stands on the button of the house: its name and its time. */
export function HouseButtonFace() {
  const house = useHouse();
  return (
    <>
      <span className="text-code font-bold">Freshet</span>
      <span className="max-w-full truncate text-note leading-[15px] text-quiet max-md:hidden md:line-clamp-2 md:whitespace-normal">
        {house.name}
      </span>
      <span className="ml-auto font-mono md:ml-0">{localTime(house.now(), house.timeZone)}</span>
    </>
  );
}
