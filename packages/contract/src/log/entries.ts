import type * as v from 'valibot';
import { endpoint, type Role } from '../endpoints';
import { Written } from './written';

/** A kind of entry: who may make one and take it back, what it is in words, which addresses show it. */
export interface EntryKindLine {
  role: Exclude<Role, 'viewer'>;
  words: string;
  /** Path prefixes besides those of the snapshot. */
  touches: readonly string[];
}

/** Addresses that are worked out from the whole house: any entry may change them. */
export const SNAPSHOT = [
  '/api/rounds',
  '/api/horizon',
  '/api/house',
  '/api/food-plans',
  '/api/larder',
  '/api/growout',
  '/api/sales',
  '/api/transfers',
  '/api/entries',
] as const;

/** Addresses by what they show. */
export const TOUCHES = {
  room: ['/api/room'],
  tanks: ['/api/tanks'],
  waters: ['/api/waters'],
  meters: ['/api/meters'],
  probes: ['/api/probes'],
  species: ['/api/species'],
  lots: ['/api/lots', '/api/sexing'],
  descent: ['/api/pedigree', '/api/genes'],
  spawns: ['/api/attempts', '/api/recipes', '/api/evidence'],
  broods: ['/api/broods', '/api/evidence'],
  cultures: ['/api/cultures'],
  all: [
    '/api/room',
    '/api/tanks',
    '/api/waters',
    '/api/meters',
    '/api/probes',
    '/api/lots',
    '/api/sexing',
    '/api/pedigree',
    '/api/genes',
    '/api/attempts',
    '/api/recipes',
    '/api/evidence',
    '/api/hours',
    '/api/broods',
    '/api/cultures',
  ],
} as const satisfies Record<string, readonly string[]>;

/** A declared kind: calling it declares the endpoint that makes such entries. */
export interface EntryKind<Kind extends string, Allowed extends Role> extends EntryKindLine {
  <const Path extends string, Body extends v.GenericSchema, Sends extends { sends?: 'image' }>(
    line: {
      path: Path;
      summary: string;
      body: Body;
    } & Sends,
  ): {
    method: 'POST';
    path: Path;
    summary: string;
    role: Allowed;
    body: Body;
    reply: typeof Written;
    touches: readonly string[];
    entry: Kind;
  } & Pick<Sends, 'sends' & keyof Sends>;
  kind: Kind;
}

/** Declares an area's kinds of entries. The role stands here once: endpoint and undo both follow it. */
export function entries<const Lines extends Record<string, EntryKindLine>>(
  lines: Lines,
): { [Kind in keyof Lines & string]: EntryKind<Kind, Lines[Kind]['role']> } {
  const declared: Record<string, unknown> = {};
  for (const [kind, { role, words, touches }] of Object.entries(lines)) {
    const all = [...SNAPSHOT, ...touches];
    const declare = (line: { path: string; summary: string; body: v.GenericSchema }) =>
      endpoint({ method: 'POST', role, reply: Written, touches: all, entry: kind, ...line });
    declared[kind] = Object.assign(declare, { kind, role, words, touches: all });
  }
  return declared as { [Kind in keyof Lines & string]: EntryKind<Kind, Lines[Kind]['role']> };
}
