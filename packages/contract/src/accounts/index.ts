export { accountEndpoints, Session, SignIn, NewHouse, UnitChoice } from './accounts.endpoints';
