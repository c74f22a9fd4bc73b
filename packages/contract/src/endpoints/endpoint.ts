import type * as v from 'valibot';

/** Roles of a house, each may do all that the one before may: look; log; plan and change. */
export const ROLES = ['viewer', 'sitter', 'keeper'] as const;
export type Role = (typeof ROLES)[number];

type Schema = v.GenericSchema<unknown, unknown>;

/** One line of the table that client and server share. */
export interface Endpoint<Body extends Schema, Query extends Schema, Reply extends Schema> {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Express style, `/api/tanks/:tankId/readings`. */
  path: string;
  summary: string;
  /** Least role that may call it; null when nobody need be signed in. */
  role: Role | null;
  body?: Body;
  query?: Query;
  reply: Reply;
  /** Path prefixes of what a write changes; the web client asks for them again. */
  touches: readonly string[];
  /** Kind of the entry a write makes; none for what is not logged. */
  entry?: string;
  /** `image`: the body is the bytes of a picture, the rest stands in the query. */
  sends?: 'image';
  /** `image`: the reply is the bytes of a picture, which never change. */
  answers?: 'image';
}

export type AnyEndpoint = Endpoint<Schema, Schema, Schema>;
export type BodyOf<E> = E extends { body: infer B extends Schema } ? v.InferOutput<B> : undefined;
export type QueryOf<E> = E extends { query: infer Q extends Schema } ? v.InferOutput<Q> : undefined;
export type ReplyOf<E> = E extends { reply: infer R extends Schema } ? v.InferOutput<R> : never;

/** Declares an endpoint, keeping the exact types of its schemas. `touches` is empty by default. */
export function endpoint<const E extends Omit<AnyEndpoint, 'touches'> & { touches?: readonly string[] }>(
  line: E,
): E & { touches: readonly string[] } {
  return { ...line, touches: line.touches ?? [] };
}
