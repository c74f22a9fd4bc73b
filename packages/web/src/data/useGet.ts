import useSWR, { useSWRConfig, type SWRResponse } from 'swr';
import { useCallback } from 'react';
import { allInUnits } from '@freshet/core/units';
import { useUnits } from './house';
import { request, touchedBy, urlOf, type ApiProblem, type Query, type ReadName, type Reply, type WriteName } from './api';

/** What changes by itself, by time or by probes; all else changes by a write, and is asked for again then. */
const LIVING: ReadonlySet<ReadName> = new Set(['round', 'horizon', 'tankLife', 'probes', 'session', 'foodPlans', 'cultures']);
const EVERY_MS = 60_000;

/** Reads an endpoint; asks again when a write touched it, on focus, and after a failure. Null asks for nothing. */
export function useGet<Name extends ReadName>(
  name: Name | null,
  { params, query }: { params?: Record<string, string>; query?: Query<Name> } = {},
): SWRResponse<Reply<Name>, ApiProblem> {
  const key = name === null ? null : urlOf(name, params, query as Record<string, string | undefined> | undefined);
  // Sentences come in °C and litres; a house that reads in others sees only those.
  const units = useUnits();
  const read = async (url: string) => {
    const reply = await request<Reply<Name>>('GET', url);
    return units ? allInUnits(reply, units) : reply;
  };
  return useSWR<Reply<Name>, ApiProblem>(key, read, {
    keepPreviousData: true,
    refreshInterval: name !== null && LIVING.has(name) ? EVERY_MS : 0,
  });
}

/** Asks again for everything a write touches. */
export function useTouch(): (name: WriteName) => void {
  const { mutate } = useSWRConfig();
  return useCallback(
    (name) => {
      const prefixes = touchedBy(name);
      void mutate((key) => typeof key === 'string' && prefixes.some((prefix) => key.startsWith(prefix)));
    },
    [mutate],
  );
}
