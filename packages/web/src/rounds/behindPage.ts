/** What is fetched behind the page waits so long: the page stands by then, and it is there before the server may be away. */
export const BEHIND_MS = 2000;
