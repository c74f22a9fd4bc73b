export { FoundForm } from './FoundForm';
export { ClutchForm } from './ClutchForm';
export { WindowList } from './WindowList';

/** The pages of the area, each fetched when it is opened. */
export const broodsPages = {
  broods: async () => (await import('./BroodsPage')).BroodsPage,
  brood: async () => (await import('./BroodPage')).BroodPage,
  record: async () => (await import('./RecordPage')).RecordPage,
  carriers: async () => (await import('./CarriersPage')).CarriersPage,
};
