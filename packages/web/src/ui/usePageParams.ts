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
