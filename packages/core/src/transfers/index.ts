export {
  COMPARED,
  planTransfer,
  type Compared,
  type TransferGroup,
  type TransferPlan,
  type TransferTank,
  type TransferWarning,
} from './planTransfer';
