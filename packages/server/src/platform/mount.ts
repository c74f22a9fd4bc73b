import type { Request, Response, Router } from 'express';
import * as v from 'valibot';
import { ROLES, type AnyEndpoint, type BodyOf, type QueryOf, type ReplyOf, type Role } from '@freshet/contract/endpoints';
import type { Reading } from './access';
import { DomainError, RequestInvalid } from './DomainError';

/** Who does something, in which house. */
export interface Actor {
  userId: string;
  name: string;
  houseId: string;
  role: Role;
  timeZone: string;
  temperatureUnit: 'degC' | 'degF';
  volumeUnit: 'L' | 'galUS';
}
/** Who calls, with the way to the rows of their house. In a write the scope takes its place. */
export type Who = Actor & Reading;

/** The bytes of a picture and what they are. */
export interface Image {
  type: string;
  bytes: Uint8Array;
}

/** What a handler is given: parsed, authorised. */
export interface Call<E> {
  who: Who;
  body: BodyOf<E>;
  query: QueryOf<E>;
  params: Record<string, string>;
  request: Request;
  /** Names the state that is answered, so that a caller who has it is told so instead. */
  setTag: (tag: string) => void;
}

export type Handler<E> = (call: Call<E>) => Promise<E extends { answers: 'image' } ? Image : ReplyOf<E>>;
/** One handler for every line of an area's endpoint table that makes no entry: entries have one door for all. */
export type Handlers<Table extends Record<string, AnyEndpoint>> = {
  [Name in keyof Table as Table[Name] extends { entry: string } ? never : Name]: Handler<Table[Name]>;
};
/** The door of all entries. @param kind - as the endpoint names it @param body - parsed; a picture's bytes stand in it as `image` */
export type Enter = (who: Who, kind: string, body: object) => Promise<unknown>;

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

/** Pictures never change under their address: they are fetched once. */
function sendImage(response: Response, { type, bytes }: Image): void {
  response.set('Content-Type', type).set('Cache-Control', 'private, max-age=31536000, immutable').send(Buffer.from(bytes));
}

/** Puts an area's endpoints on a router: who may call, what the input must look like, which handler answers. */
export function mount<Table extends Record<string, AnyEndpoint>>(
  router: Router,
  table: Table,
  handlers: Handlers<Table>,
  enter: Enter,
  whoOf: (request: Request) => Promise<Who | null>,
): void {
  for (const [name, line] of Object.entries(table)) {
    const { entry } = line;
    const handler = (
      entry === undefined
        ? handlers[name as keyof typeof handlers]
        : ({ who, body, request }: { who: Who; body: object; request: Request }) =>
            enter(who, entry, line.sends === 'image' ? { ...body, image: request.body as Uint8Array } : body)
    ) as (call: {
      who: Who;
      body: unknown;
      query: unknown;
      params: Record<string, string>;
      request: Request;
      setTag: (tag: string) => void;
    }) => Promise<unknown>;
    const method = line.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
    router[method](line.path, async (request, response) => {
      const who = await whoOf(request);
      if (line.role !== null) {
        if (!who) throw new DomainError('accounts/not-signed-in', { detail: 'Sign in to go on; what you typed is kept.' });
        if (!atLeast(who.role, line.role))
          throw new DomainError('accounts/not-allowed', { detail: `This needs the role ${line.role}; you are ${who.role}.` });
      }
      // A picture's bytes are the body; what is said of it stands in the query.
      const told: unknown = line.sends === 'image' ? request.query : request.body;
      const body: unknown = line.body ? parse(line.body, told) : undefined;
      const query: unknown = line.query ? parse(line.query, request.query) : undefined;
      let isKnown = false;
      const setTag = (tag: string) => {
        const named = `W/"${tag}"`;
        isKnown = (request.headers['if-none-match'] ?? '').split(/,\s*/).includes(named);
        response.set('ETag', named);
      };
      const params = request.params as Record<string, string>;
      const reply = await handler({ who: who as Who, body, query, params, request, setTag });
      if (isKnown) response.status(304).end();
      else if (line.answers === 'image') sendImage(response, reply as Image);
      else response.json(reply);
    });
  }
}
