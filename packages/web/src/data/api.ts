import { API, type ApiName } from '@freshet/contract/api';
import type { BodyOf, QueryOf, ReplyOf } from '@freshet/contract/endpoints';
import type { ProblemCode } from '@freshet/contract/problems';

type Line<Name extends ApiName> = (typeof API)[Name];
/** Endpoints that only read. */
export type ReadName = { [Name in ApiName]: Line<Name>['method'] extends 'GET' ? Name : never }[ApiName];
/** Endpoints that write. */
export type WriteName = Exclude<ApiName, ReadName>;
export type Body<Name extends ApiName> = BodyOf<Line<Name>>;
export type Reply<Name extends ApiName> = ReplyOf<Line<Name>>;
export type Query<Name extends ApiName> = Partial<Record<keyof QueryOf<Line<Name>> & string, string>>;

/** A problem as the server told it, or `network` when nothing answered. */
export class ApiProblem extends Error {
  constructor(
    readonly code: ProblemCode | 'network',
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly errors: readonly { pointer: string; detail: string }[] = [],
    readonly overridable = false,
  ) {
    super(detail || title);
    this.name = 'ApiProblem';
  }

  /** True when trying again later may work by itself: nothing is wrong with what was sent. */
  get passing(): boolean {
    return this.code === 'network' || this.status === 503 || this.status === 502;
  }
}

/** The address of an endpoint with its path filled in. */
export function urlOf(
  name: ApiName,
  params: Record<string, string> = {},
  query: Record<string, string | undefined> = {},
): string {
  const path = API[name].path.replace(/:([A-Za-z]+)/g, (_match, key: string) => encodeURIComponent(params[key] ?? ''));
  const search = new URLSearchParams(Object.entries(query).filter((entry): entry is [string, string] => entry[1] !== undefined));
  return search.size > 0 ? `${path}?${search.toString()}` : path;
}

async function toProblem(response: Response): Promise<ApiProblem> {
  try {
    const told = (await response.json()) as Partial<ApiProblem> & { code?: ProblemCode; errors?: ApiProblem['errors'] };
    return new ApiProblem(
      told.code ?? 'platform/internal',
      response.status,
      told.title ?? 'Something went wrong',
      told.detail ?? '',
      told.errors ?? [],
      told.overridable ?? false,
    );
  } catch {
    return new ApiProblem('platform/internal', response.status, 'Something went wrong on the server', '');
  }
}

/** One request; throws {@link ApiProblem}. */
export async function request<T>(method: string, url: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, {
      method,
      credentials: 'same-origin',
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  } catch {
    throw new ApiProblem('network', 0, 'The server does not answer', 'What you typed is kept and will be tried again.');
  }
  if (!response.ok) throw await toProblem(response);
  return (await response.json()) as T;
}

/** Sends a write. */
export function send<Name extends WriteName>(
  name: Name,
  body?: Body<Name>,
  params?: Record<string, string>,
): Promise<Reply<Name>> {
  return request<Reply<Name>>(API[name].method, urlOf(name, params), body);
}

/** Sends a picture; what is said of it stands in the address. */
export async function sendPicture<Name extends WriteName>(
  name: Name,
  about: Record<string, string> & { id: string },
  picture: Blob,
): Promise<Reply<Name>> {
  let response: Response;
  try {
    response = await fetch(urlOf(name, {}, about), {
      method: API[name].method,
      credentials: 'same-origin',
      headers: { 'content-type': picture.type || 'application/octet-stream' },
      body: picture,
    });
  } catch {
    throw new ApiProblem('network', 0, 'The server does not answer', 'The server isn’t answering. Try again in a moment.');
  }
  if (!response.ok) throw await toProblem(response);
  return (await response.json()) as Reply<Name>;
}

/** Path prefixes that a write changes. */
export function touchedBy(name: WriteName): readonly string[] {
  return API[name].touches;
}
