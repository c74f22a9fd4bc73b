import type { houseEndpoints } from '@freshet/contract/house';
import type { Handlers } from '../platform';
import type { HouseService } from './house.service';

/** @param reach - where others find the house, as it is now */
export const houseHandlers = (
  house: HouseService,
  reach: () => { address: string | null; others: string[]; hasCertificate: boolean },
): Handlers<typeof houseEndpoints> => ({
  async house({ who, setTag }) {
    const { tag, facts } = await house.snapshot(who);
    setTag(tag);
    return facts;
  },
  tankLife: ({ who }) => house.tankLife(who),
  reach: () => Promise.resolve(reach()),
});
