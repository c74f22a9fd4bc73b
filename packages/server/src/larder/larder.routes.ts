import type { larderEndpoints } from '@freshet/contract/larder';
import type { Handlers } from '../platform';
import type { LarderService } from './larder.service';

export const larderHandlers = (larder: LarderService): Handlers<typeof larderEndpoints> => ({
  cultures: ({ who }) => larder.cultures(who),
  addCulture: ({ who, body }) => larder.addCulture(who, body),
  cultureEvent: ({ who, body }) => larder.cultureEvent(who, body),
});
