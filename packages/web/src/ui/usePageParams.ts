import { useState } from 'react';
import { useSearchParams } from 'react-router';

/**
 * What a page is set to, kept in its address. A change shows at once: the address follows in its own time, and until then what was
 * chosen stands, so that a box once ticked never jumps back.
 */
export function usePageParams(): [URLSearchParams, (next: URLSearchParams) => void] {
  const [search, setSearch] = useSearchParams();
  const [chosen, setChosen] = useState<URLSearchParams | null>(null);
  if (chosen && chosen.toString() === search.toString()) setChosen(null);
  return [
    chosen ?? search,
    (next) => {
      setChosen(next);
      setSearch(next, { replace: true });
    },
  ];
}

/** An address' settings with one of them changed; an empty one is left out, so that the usual address stays short. */
export function withParam(search: URLSearchParams, key: string, value: string): URLSearchParams {
  const next = new URLSearchParams(search);
  if (value) next.set(key, value);
  else next.delete(key);
  return next;
}
