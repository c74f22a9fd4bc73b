import type { Request, Router } from 'express';
import * as v from 'valibot';
import { ROLES, type AnyEndpoint, type BodyOf, type QueryOf, type ReplyOf, type Role } from '@freshet/contract/endpoints';
import { DomainError, RequestInvalid } from './DomainError';

/** Who calls, for which house. */
export interface Who {
  userId: string;
  name: string;
  houseId: string;
  role: Role;
  timeZone: string;
  temperatureUnit: 'degC' | 'degF';
}

/** What a handler is given: parsed, authorised. */
export interface Call<E> {
  who: Who;
  body: BodyOf<E>;
  query: QueryOf<E>;
  params: Record<string, string>;
  request: Request;
}
export type Handler<E> = (call: Call<E>) => Promise<ReplyOf<E>>;
/** One handler for every line of an area's endpoint table. */
export type Handlers<Table extends Record<string, AnyEndpoint>> = { [Name in keyof Table]: Handler<Table[Name]> };

/** Whether a role may do what asks for `least`. */
export function atLeast(role: Role, least: Role): boolean {
  return ROLES.indexOf(role) >= ROLES.indexOf(least);
}

function parse<S extends v.GenericSchema>(schema: S, data: unknown): v.InferOutput<S> {
  const result = v.safeParse(schema, data);
  if (result.success) return result.output;
  throw new RequestInvalid(
    result.issues.map((issue) => ({ pointer: `#/${(v.getDotPath(issue) ?? '').replaceAll('.', '/')}`, detail: issue.message })),
  );
}

/** Puts an area's endpoints on a router: who may call, what the input must look like, which handler answers. */
export function mount<Table extends Record<string, AnyEndpoint>>(
  router: Router,
  table: Table,
  handlers: Handlers<Table>,
  whoOf: (request: Request) => Promise<Who | null>,
): void {
  for (const [name, line] of Object.entries(table)) {
    const handler = handlers[name as keyof Table] as unknown as (call: {
      who: Who;
      body: unknown;
      query: unknown;
      params: Record<string, string>;
      request: Request;
    }) => Promise<unknown>;
    const method = line.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
    router[method](line.path, async (request, response) => {
      const who = await whoOf(request);
      if (line.role !== null) {
        if (!who) throw new DomainError('accounts/not-signed-in', { detail: 'Sign in to go on; what you typed is kept.' });
        if (!atLeast(who.role, line.role))
          throw new DomainError('accounts/not-allowed', { detail: `This needs the role ${line.role}; you are ${who.role}.` });
      }
      const body: unknown = line.body ? parse(line.body, request.body) : undefined;
      const query: unknown = line.query ? parse(line.query, request.query) : undefined;
      const reply = await handler({ who: who as Who, body, query, params: request.params as Record<string, string>, request });
      response.json(reply);
    });
  }
}
