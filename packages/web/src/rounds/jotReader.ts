/** Fetched behind the page, not with it. */
export { jotHouse, parseJot } from '@freshet/core/jot';
