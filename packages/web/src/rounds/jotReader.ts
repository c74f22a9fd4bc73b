/** Fetched behind the page, not with it. */
export { parseJot } from '@freshet/core/rounds';
