import * as v from 'valibot';
import { endpoint, ROLES } from '../endpoints';
import { Currency, Name } from '../values';

/** Units a house shows; everything is stored in °C and litres. */
export const UnitChoice = v.object({ temperature: v.picklist(['degC', 'degF']), volume: v.picklist(['L', 'galUS']) });

/** Who is signed in, to which house, and what time it is there. */
export const Session = v.object({
  user: v.nullable(v.object({ id: v.string(), name: v.string(), role: v.picklist(ROLES) })),
  house: v.nullable(
    v.object({ id: v.string(), name: v.string(), timeZone: v.string(), units: UnitChoice, currency: v.string() }),
  ),
  /** Accounts of the demonstration, to enter with one tap; empty in an own house. */
  demoAccounts: v.array(v.object({ login: v.string(), password: v.string(), role: v.picklist(ROLES) })),
  /** True when no house exists yet. */
  needsHouse: v.boolean(),
  now: v.string(),
});

const Login = v.pipe(
  v.string(),
  v.trim(),
  v.toLowerCase(),
  v.regex(/^[a-z0-9._-]{2,40}$/, 'Two to forty letters, digits, dots or dashes.'),
);
const isTimeZone = (name: string) => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
};

/** Signing in. */
export const SignIn = v.object({
  login: v.pipe(v.string(), v.trim(), v.toLowerCase(), v.minLength(1, 'A name is needed.'), v.maxLength(80)),
  password: v.pipe(v.string(), v.minLength(1, 'A password is needed.'), v.maxLength(200)),
});

/** Beginning an own house with its first keeper. */
export const NewHouse = v.object({
  name: Name,
  timeZone: v.pipe(v.string(), v.check(isTimeZone, 'Not a time zone, such as Europe/Dublin.')),
  login: Login,
  password: v.pipe(v.string(), v.minLength(10, 'At least ten characters.'), v.maxLength(200, 'At most 200 characters.')),
  units: UnitChoice,
  /** What its prices are in; euros where nothing is said. */
  currency: v.optional(Currency, 'EUR'),
});

export const accountEndpoints = {
  session: endpoint({ method: 'GET', path: '/api/session', summary: 'Who is signed in', role: null, reply: Session }),
  signIn: endpoint({
    method: 'POST',
    path: '/api/session',
    summary: 'Sign in',
    role: null,
    body: SignIn,
    reply: Session,
    touches: ['/api'],
  }),
  signOut: endpoint({
    method: 'DELETE',
    path: '/api/session',
    summary: 'Sign out',
    role: null,
    reply: Session,
    touches: ['/api'],
  }),
  newHouse: endpoint({
    method: 'POST',
    path: '/api/houses',
    summary: 'Begin an own house, when there is none',
    role: null,
    body: NewHouse,
    reply: Session,
    touches: ['/api'],
  }),
};
