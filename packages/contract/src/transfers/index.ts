export { transfersEndpoints, Transfer } from './transfers.endpoints';
