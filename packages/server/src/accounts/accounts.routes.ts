import { promisify } from 'node:util';
import type { Request } from 'express';
import type { accountEndpoints } from '@freshet/contract/accounts';
import type { Handlers, Who } from '../platform';
import type { AccountsService } from './accounts.service';

declare module 'express-session' {
  interface SessionData {
    userId: string;
    houseId: string;
  }
}

/** Begins a session under a new id, so that one known before signing in is worth nothing. */
async function begin(request: Request, who: Who): Promise<void> {
  await promisify(request.session.regenerate.bind(request.session))();
  request.session.userId = who.userId;
  request.session.houseId = who.houseId;
  await promisify(request.session.save.bind(request.session))();
}

export const accountHandlers = (accounts: AccountsService): Handlers<typeof accountEndpoints> => ({
  session: ({ who }) => accounts.session(who),
  async signIn({ body, request }) {
    const who = await accounts.signIn(body.login, body.password);
    await begin(request, who);
    return accounts.session(who);
  },
  async signOut({ request }) {
    await promisify(request.session.destroy.bind(request.session))();
    return accounts.session(null);
  },
  async newHouse({ body, request }) {
    const who = await accounts.createFirstHouse(body);
    await begin(request, who);
    return accounts.session(who);
  },
});
