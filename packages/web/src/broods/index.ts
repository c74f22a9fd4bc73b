export { BroodsPage } from './BroodsPage';
export { BroodPage } from './BroodPage';
