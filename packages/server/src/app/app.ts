import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type Request, type RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { openApi, recipeFileSchema, AREAS, type EntryKindName } from '@freshet/contract/api';
import type { AnyEndpoint } from '@freshet/contract/endpoints';
import { PROBLEMS } from '@freshet/contract/problems';
import { PHOTO_BYTES } from '@freshet/contract/stock';
import { accountHandlers } from '../accounts';
import { broodsHandlers } from '../broods';
import { houseHandlers } from '../house';
import { growoutHandlers } from '../growout';
import { salesHandlers } from '../sales';
import { larderHandlers } from '../larder';
import { logHandlers } from '../log';
import { DomainError, mount, problemHandler, sessions, type Enter, type Handlers, type Who } from '../platform';
import { biosecurityHandlers, hoursHandlers, probeHandlers, roomHandlers, waterHandlers } from '../room';
import { houseAddresses, isOwnHost } from '../reach';
import { roundsHandlers } from '../rounds';
import { spawningHandlers } from '../spawning';
import { speciesHandlers } from '../species';
import { broodstockHandlers, kinshipHandlers, stockHandlers } from '../stock';
import { transfersHandlers } from '../transfers';
import type { Services } from './compose';

export interface AppOptions {
  services: Services;
  log: Logger;
  /** Signs the session cookie. */
  secret: string;
  /** How it is reached beside from this machine: in the network, by an address of its own, through a proxy. */
  reach?: { lanPort: number | null; address: string | null; proxy: string | null; authority: string | null };
  /** Folder of the built pages; none in tests of the interface alone. */
  webFolder?: string;
}

const LOOPBACK_PEER = /^(127\.|::1$|::ffff:127\.)/;
/** A database that is slower than this is ill. */
const HEALTH_MS = 800;
const SIGN_IN_TRIES = 10;
/** Wrong passwords from one address, over all names. */
const ADDRESS_TRIES = 100;
const SIGN_IN_WINDOW_MS = 15 * 60_000;

const addressOf = (request: Request): string => ipKeyGenerator(request.ip ?? '');
const loginOf = (request: Request): string => {
  const { login } = (request.body ?? {}) as { login?: unknown };
  // As the contract folds it: a space before the name is no other name.
  return typeof login === 'string' ? login.trim().toLowerCase().slice(0, 80) : '';
};

/** Stops guessing: so many wrong passwords in a quarter of an hour, and no more are looked at. */
const wrongPasswords = (limit: number, keyOf: (request: Request) => string) =>
  rateLimit({
    windowMs: SIGN_IN_WINDOW_MS,
    limit,
    keyGenerator: keyOf,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, _response, next) => {
      next(new DomainError('request/too-many', { detail: 'Too many wrong passwords. Wait a quarter of an hour.' }));
    },
  });

/** Refuses writes that a browser sent from another page (a forged request carries the other page's origin). */
const sameOrigin: RequestHandler = (request, _response, next) => {
  const { origin, host } = request.headers;
  const site = request.headers['sec-fetch-site'];
  const foreign =
    origin !== undefined
      ? !URL.canParse(origin) || new URL(origin).host !== host
      : site !== undefined && site !== 'same-origin' && site !== 'none';
  if (foreign && !['GET', 'HEAD'].includes(request.method))
    throw new DomainError('request/foreign-origin', { detail: 'Open Freshet at its own address.' });
  next();
};

/** Refuses what was not sent to this house by a name of its own: another's page may bend its name to this machine. */
const ownHost =
  ({ lanPort, address }: NonNullable<AppOptions['reach']>): RequestHandler =>
  (request, response, next) => {
    if (isOwnHost(request.headers.host, lanPort !== null, address)) next();
    else response.status(421).type('text/plain').send('Freshet is not known by this name. Open it at its own address.\n');
  };

/** Where others find the house. */
function reachOf({ lanPort, address, authority }: NonNullable<AppOptions['reach']>) {
  const [first = null, ...others] = houseAddresses(lanPort, address);
  return { address: first, others, hasCertificate: authority !== null };
}

/** Pages and their parts; parts carry a hash in their name and may be kept for ever. */
function pages(folder: string): RequestHandler[] {
  const index = join(folder, 'index.html');
  return [
    express.static(folder, {
      index: false,
      setHeaders: (response, path) => {
        response.setHeader('Cache-Control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    }),
    (request, response, next) => {
      if (request.method !== 'GET' || !request.accepts('html')) next();
      else response.set('Cache-Control', 'no-cache').sendFile(index);
    },
  ];
}

/** The worker that counts in pictures compiles the sums it ships with; no page and nothing else does. */
const COMPILES = /^\/assets\/pictures\.worker-[\w-]+\.js$/;
/** Whether what is asked for may compile WebAssembly. */
export const mayCompile = (url: string): boolean => COMPILES.test(url);

const ONLY_HERE = { lanPort: null, address: null, proxy: null, authority: null };

/** The whole application apart from listening. */
export function buildApp({ services, log, secret, webFolder, reach = ONLY_HERE }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', 'weak');
  if (reach.proxy !== null) app.set('trust proxy', reach.proxy.split(','));
  app.use(ownHost(reach));
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'", ({ url }) => (mayCompile(url ?? '') ? "'wasm-unsafe-eval'" : '')],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          connectSrc: ["'self'"],
          objectSrc: ["'none'"],
          frameAncestors: ["'none'"],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  // Fetched once and kept: worth the closest packing.
  app.use('/assets', compression({ level: 9 }));
  app.use(compression());
  app.get('/api/health', async (_request, response) => {
    const answers = await Promise.race([
      services.database.ping().then(
        () => true,
        () => false,
      ),
      new Promise<boolean>((resolve) => setTimeout(() => resolve(false), HEALTH_MS)),
    ]);
    response
      .status(answers ? 200 : 503)
      .json({ ok: answers, server: 'answers', database: answers ? 'answers' : 'does not answer' });
  });
  app.get('/freshet.crt', (_request, response, next) => {
    if (reach.authority === null) next();
    else response.type('application/x-x509-ca-cert').attachment('freshet.crt').send(reach.authority);
  });
  app.get('/api/openapi.json', (_request, response) => {
    response.json(openApi());
  });
  app.get('/api/recipe-schema.json', (_request, response) => {
    response.type('application/schema+json').json(recipeFileSchema());
  });
  app.use(
    '/api',
    pinoHttp({ logger: log, customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'error' : 'debug') }),
  );
  const small = express.json({ limit: '256kb' });
  // Files of lots are longer than anything typed.
  const large = express.json({ limit: '6mb' });
  const picture = express.raw({ type: ['image/*'], limit: PHOTO_BYTES });
  const json: RequestHandler = (request, response, next) =>
    (request.path === '/photos' ? picture : request.path === '/lot-imports' ? large : small)(request, response, next);
  // Probes have a token of their own: no session is looked up for them.
  const withSession = [sameOrigin, json, sessions(services.database, secret)];
  app.use('/api', (request, response, next) => {
    if (request.path === '/probe-readings') json(request, response, next);
    else next();
  });
  for (const step of withSession)
    app.use('/api', (request, response, next) => {
      if (request.path === '/probe-readings') next();
      else step(request, response, next);
    });
  // Whoever begins the house is its keeper: that is done where it stands, not by whoever in the network comes first.
  app.post('/api/houses', (request, _response, next) => {
    if (!LOOPBACK_PEER.test(request.socket.remoteAddress ?? ''))
      throw new DomainError('request/foreign-origin', { detail: 'Begin the house on the computer Freshet runs on.' });
    next();
  });
  app.post(
    '/api/session',
    wrongPasswords(SIGN_IN_TRIES, (request) => `${addressOf(request)} ${loginOf(request)}`),
    wrongPasswords(ADDRESS_TRIES, addressOf),
  );

  const whoOf = async (request: Request): Promise<Who | null> => {
    const { userId, houseId } = (request.session as Partial<Request['session']> | undefined) ?? {};
    return userId && houseId ? services.accounts.who(userId, houseId) : null;
  };
  const router = express.Router();
  const { accounts, house, room, species, stock, lines, spawning, broods, broodPages, larder, growout, growoutRecord, rounds } =
    services;
  const { water, probes, biosecurity } = services;
  const viewOf = (who: Who) => house.view(who);
  const enter: Enter = (who, kind, body) => services.log.enter(who, kind as EntryKindName, body as never);
  const put = <Table extends Record<string, AnyEndpoint>>(table: Table, handlers: Handlers<Table>) =>
    mount(router, table, handlers, enter, whoOf);
  put(AREAS.accounts, accountHandlers(accounts));
  put(AREAS.log, logHandlers(services.log));
  put(
    AREAS.house,
    houseHandlers(house, () => reachOf(reach)),
  );
  put(AREAS.species, speciesHandlers(species));
  put(AREAS.room, {
    ...roomHandlers(room, water),
    ...waterHandlers(water),
    ...probeHandlers(probes, (who) => house.wanted(who)),
    ...biosecurityHandlers(biosecurity),
    ...hoursHandlers(services.hours),
  });
  put(AREAS.stock, { ...stockHandlers(stock, lines.views), ...broodstockHandlers(lines), ...kinshipHandlers(lines.kinship) });
  put(
    AREAS.spawning,
    spawningHandlers(spawning, (at, ids) => broods.byAttempt(at, ids), services.evidence),
  );
  put(AREAS.broods, broodsHandlers(broods, broodPages, services));
  put(AREAS.larder, larderHandlers(larder, viewOf));
  put(AREAS.growout, growoutHandlers(growout, growoutRecord, viewOf));
  put(AREAS.sales, salesHandlers(services.sales, viewOf));
  put(AREAS.transfers, transfersHandlers(services.transfers));
  put(AREAS.rounds, roundsHandlers(rounds));
  app.use(router);
  app.get('/problems/:area/:what', (request, response, next) => {
    const code = `${request.params.area}/${request.params.what}`;
    if (!(code in PROBLEMS)) next();
    else response.json({ code, ...PROBLEMS[code as keyof typeof PROBLEMS] });
  });
  app.use('/api', () => {
    throw new DomainError('request/not-found', { detail: 'There’s no such address.' });
  });
  if (webFolder && existsSync(webFolder)) app.use(...pages(webFolder));
  app.use(problemHandler(log));
  return app;
}
