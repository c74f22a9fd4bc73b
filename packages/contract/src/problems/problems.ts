import * as v from 'valibot';

/** Every problem the interface answers with; `overridable` ones may be repeated with a reason. */
export const PROBLEMS = {
  'request/invalid': { status: 400, title: 'Some fields need another look' },
  'request/not-found': { status: 404, title: 'There is nothing here' },
  'request/too-large': { status: 413, title: 'That is too much at once' },
  'request/too-many': { status: 429, title: 'Too many tries; wait a little' },
  'request/foreign-origin': { status: 403, title: 'This request came from another page' },
  'platform/internal': { status: 500, title: 'Something went wrong on the server' },
  'platform/database-away': { status: 503, title: 'The database does not answer' },
  'accounts/not-signed-in': { status: 401, title: 'Sign in first' },
  'accounts/wrong-password': { status: 401, title: 'Name or password is wrong' },
  'accounts/not-allowed': { status: 403, title: 'Your role may not do this' },
  'accounts/already-set-up': { status: 409, title: 'This installation has a house already' },
  'log/id-taken': { status: 409, title: 'This id already stands for something else' },
  'spawning/before-set-up': { status: 409, title: 'Before the set-up', overridable: true },
  'spawning/one-sex': { status: 409, title: 'Only one sex', overridable: true },
  'log/edited-since': { status: 409, title: 'Someone changed it meanwhile', overridable: true },
  'log/not-yours': { status: 403, title: 'Your role may not take that back' },
  'log/later-entries': { status: 409, title: 'Something later builds on this' },
  'log/implausible-date': { status: 409, title: 'That date looks wrong', overridable: true },
  'room/code-taken': { status: 409, title: 'That code is taken' },
  'room/does-not-fit': { status: 409, title: 'It does not fit', overridable: true },
  'room/place-taken': { status: 409, title: 'Another tank stands there' },
  'room/implausible-reading': { status: 409, title: 'That reading looks wrong', overridable: true },
  'room/not-ready': { status: 409, title: 'The tank is not ready', overridable: true },
  'room/exposed': { status: 409, title: 'They may carry an illness', overridable: true },
  'room/quarantine': { status: 409, title: 'This breaks a quarantine', overridable: true },
  'room/unknown-token': { status: 401, title: 'No probe has this token' },
  'stock/too-many': { status: 409, title: 'There are not that many' },
  'stock/implausible-length': { status: 409, title: 'That length looks wrong', overridable: true },
  'stock/mixed-parentage': { status: 409, title: 'Their parentage would be lost', overridable: true },
  'stock/wrong-parents': { status: 409, title: 'Those cannot be the parents' },
  'spawning/tank-booked': { status: 409, title: 'The tank is booked', overridable: true },
  'spawning/ended': { status: 409, title: 'This spawning has ended' },
  'broods/out-of-order': { status: 409, title: 'That does not follow from what was logged' },
  'broods/implausible-hatch': { status: 409, title: 'That hatch looks wrong', overridable: true },
  'larder/ended': { status: 409, title: 'This culture has ended' },
  'larder/too-much': { status: 409, title: 'More than it can spare', overridable: true },
  'larder/no-dose': { status: 409, title: 'That measure is not known yet' },
  'larder/invertebrates': { status: 409, title: 'Invertebrates live there', overridable: true },
  'species/unknown': { status: 409, title: 'No such species' },
  'rounds/unknown-tick': { status: 400, title: 'Nothing is logged by that' },
  'rounds/already-ticked': { status: 409, title: 'Already ticked' },
  'rounds/jot-unclear': { status: 400, title: 'The line is not understood' },
} as const satisfies Record<string, { status: number; title: string; overridable?: true }>;

/** Code of a problem, `<area>/<what>`. */
export type ProblemCode = keyof typeof PROBLEMS;

/** RFC 9457 problem details as the interface sends them. */
export const ProblemDetails = v.object({
  type: v.string(),
  title: v.string(),
  status: v.number(),
  code: v.string(),
  detail: v.optional(v.string()),
  instance: v.optional(v.string()),
  overridable: v.optional(v.boolean()),
  errors: v.optional(v.array(v.object({ pointer: v.string(), detail: v.string() }))),
});
