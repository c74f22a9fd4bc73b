import { pino } from 'pino';
import { fixedClock, openDatabase, prepareDatabase, StartError, systemClock } from '../platform';
import { buildApp } from './app';
import { compose } from './compose';
import { demoProbes } from './demoProbes';
import { houseAddresses, listenInNetwork, networkCertificate } from '../reach';
import { listenToProbes } from './mqtt';
import { seedDemo } from './seedDemo';
import { readSettings } from './settings';

const say = (line: string) => process.stdout.write(`${line}\n`);

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
  const {
    databaseUrl,
    port,
    now,
    secret,
    webFolder,
    demo,
    logLevel,
    mqttUrl,
    mqttClient,
    lanPort,
    certificates,
    address,
    proxy,
  } = readSettings(process.env);
  const clock = now ? fixedClock(now) : systemClock;
  const log = pino({ level: logLevel, redact: ['req.headers.cookie', 'res.headers["set-cookie"]'] });
  const database = openDatabase(databaseUrl);
  const services = compose({ database, clock, secret });
  await prepareDatabase(database, say, async () => {
    if ((await services.accounts.removeUnfinished()) > 0) say('The demonstration house was never finished: it is filled anew.');
    if (!demo || (await services.accounts.repository.countHouses()) > 0) return;
    const started = Date.now();
    const { events, readings } = await seedDemo(database, clock.now());
    say(
      `Demonstration house filled: ${events} entries, ${readings} readings, in ${((Date.now() - started) / 1000).toFixed(1)} s`,
    );
  });
  const bridge = mqttUrl ? listenToProbes(mqttUrl, mqttClient, services.probes, log) : null;
  const standIns = demo && process.send ? await demoProbes(services) : [];
  const certificate = lanPort === null ? null : await networkCertificate(certificates);
  const app = buildApp({
    services,
    log,
    secret,
    ...(webFolder ? { webFolder } : {}),
    reach: { lanPort, address, proxy, authority: certificate?.authority ?? null },
  });
  const network = lanPort !== null && certificate ? await listenInNetwork(app, lanPort, certificates, certificate) : null;
  const server = app.listen(port, '127.0.0.1', (error?: Error) => {
    if (error) {
      say(`Port ${port} cannot be used: ${error.message}`);
      process.exit(1);
    }
    say(`listening ${(server.address() as { port: number }).port}`);
    process.send?.({
      listening: (server.address() as { port: number }).port,
      probes: standIns,
      addresses: lanPort === null ? [] : houseAddresses(lanPort, address),
    });
  });
  const stop = () => {
    void bridge?.stop();
    network?.close();
    network?.closeAllConnections();
    server.close(() => {
      void database.close().then(() => process.exit(0));
    });
    server.closeAllConnections();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  // Whoever started it is gone: nothing is left running.
  process.on('disconnect', stop);
}

const work = process.argv.includes('--check-ledger') ? checkLedger(readSettings(process.env).databaseUrl) : serve();
work.catch((error: unknown) => {
  if (error instanceof StartError) {
    process.stderr.write(`${error.message}\n`);
    process.exit(2);
  }
  process.stderr.write(
    `${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n${error instanceof Error && error.cause ? String((error.cause as Error).stack) : ''}\n`,
  );
  process.exit(1);
});
