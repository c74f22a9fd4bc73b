export { createAccounts, type AccountsService, type HouseInput } from './accounts.service';
export { accountHandlers } from './accounts.routes';
