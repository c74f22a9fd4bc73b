export { BroodsPage } from './BroodsPage';
export { BroodPage } from './BroodPage';
export { ClutchForm } from './ClutchForm';
export { WindowList } from './WindowList';
