export { BroodsPage } from './BroodsPage';
export { BroodPage } from './BroodPage';
export { FoundForm } from './FoundForm';
export { ClutchForm } from './ClutchForm';
export { WindowList } from './WindowList';
export { RecordPage } from './RecordPage';
export { CarriersPage } from './CarriersPage';
