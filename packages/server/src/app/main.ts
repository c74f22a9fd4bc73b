import { pino } from 'pino';
import { fixedClock, migrator, openDatabase, systemClock } from '../platform';
import { buildApp } from './app';
import { compose } from './compose';
import { demoProbes } from './demoProbes';
import { listenToProbes } from './mqtt';
import { seedDemo } from './seedDemo';

const say = (line: string) => process.stdout.write(`${line}\n`);

/** Settings; each has a default but the database. */
function settings() {
  const {
    FRESHET_DATABASE_URL: databaseUrl,
    FRESHET_PORT,
    FRESHET_NOW,
    FRESHET_SECRET,
    FRESHET_WEB,
    FRESHET_DEMO,
    FRESHET_LOG,
    FRESHET_MQTT_URL,
    FRESHET_MQTT_CLIENT,
  } = process.env;
  if (!databaseUrl) throw new Error('FRESHET_DATABASE_URL is not set; begin with "npm start".');
  return {
    databaseUrl,
    port: Number(FRESHET_PORT ?? 4173),
    clock: FRESHET_NOW ? fixedClock(FRESHET_NOW) : systemClock,
    secret: FRESHET_SECRET ?? 'freshet-development-only',
    webFolder: FRESHET_WEB,
    demo: FRESHET_DEMO !== 'no',
    logLevel: FRESHET_LOG ?? 'warn',
    mqttUrl: FRESHET_MQTT_URL,
    mqttClient: FRESHET_MQTT_CLIENT ?? 'freshet-server',
  };
}

async function checkLedger(databaseUrl: string): Promise<void> {
  const database = openDatabase(databaseUrl);
  const services = compose({ database, clock: systemClock });
  let wrong = 0;
  for (const houseId of await services.accounts.repository.houseIds()) {
    const balance = await services.stock.balance(database.reading({ houseId }));
    say(
      `${houseId}: ${balance.cameIn} came in, ${balance.left} left, ${balance.alive} live; ${balance.balanced ? 'the ledger balances' : `${balance.wrongLots.length} lots are wrong`}`,
    );
    if (!balance.balanced) wrong++;
  }
  await database.close();
  process.exitCode = wrong > 0 ? 1 : 0;
}

async function serve(): Promise<void> {
  const { databaseUrl, port, clock, secret, webFolder, demo, logLevel, mqttUrl, mqttClient } = settings();
  const log = pino({ level: logLevel, redact: ['req.headers.cookie', 'res.headers["set-cookie"]'] });
  const database = openDatabase(databaseUrl);
  await migrator(database).up();
  const services = compose({ database, clock, secret });
  if ((await services.accounts.removeUnfinished()) > 0) say('The demonstration house was never finished: it is filled anew.');
  if (demo && (await services.accounts.repository.countHouses()) === 0) {
    const started = Date.now();
    const { events, readings } = await seedDemo(database, clock.now());
    say(
      `Demonstration house filled: ${events} entries, ${readings} readings, in ${((Date.now() - started) / 1000).toFixed(1)} s`,
    );
  }
  const bridge = mqttUrl ? listenToProbes(mqttUrl, mqttClient, services.probes, log) : null;
  const standIns = demo && process.send ? await demoProbes(services) : [];
  const server = buildApp({ services, log, secret, ...(webFolder ? { webFolder } : {}) }).listen(
    port,
    '127.0.0.1',
    (error?: Error) => {
      if (error) {
        say(`Port ${port} cannot be used: ${error.message}`);
        process.exit(1);
      }
      say(`listening ${(server.address() as { port: number }).port}`);
      process.send?.({ listening: (server.address() as { port: number }).port, probes: standIns });
    },
  );
  const stop = () => {
    void bridge?.stop();
    server.close(() => {
      void database.close().then(() => process.exit(0));
    });
    server.closeAllConnections();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

const work = process.argv.includes('--check-ledger') ? checkLedger(settings().databaseUrl) : serve();
work.catch((error: unknown) => {
  process.stderr.write(
    `${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n${error instanceof Error && error.cause ? String((error.cause as Error).stack) : ''}\n`,
  );
  process.exit(1);
});
