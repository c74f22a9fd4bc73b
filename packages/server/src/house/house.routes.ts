import type { houseEndpoints } from '@freshet/contract/house';
import type { Handlers } from '../platform';
import type { HouseService } from './house.service';

export const houseHandlers = (house: HouseService): Handlers<typeof houseEndpoints> => ({
  async house({ who, setTag }) {
    const { tag, facts } = await house.snapshot(who);
    setTag(tag);
    return facts;
  },
  tankLife: ({ who }) => house.tankLife(who),
});
