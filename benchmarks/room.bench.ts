import { Agent, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { QueryTypes } from 'sequelize';
import { v7 as newId } from 'uuid';
import { CALCULATIONS, runCalculation } from '../packages/contract/src/bench';
import { computeExposure, type Contact } from '../packages/core/src/room';
import { buildApp } from '../packages/server/src/app/app';
import { compose } from '../packages/server/src/app/compose';
import { fixedClock, migrator, openDatabase, type Who } from '../packages/server/src/platform';
import { SUMS } from '../packages/web/src/bench/sums';
import { toSumInput } from '../packages/web/src/bench/sumInput';

// Probes' series, their ingest, exposure and the sums; ratios are taken within one run.

const NOW = '2026-11-25T07:00:00.000Z';
const YEAR_MS = 365 * 86_400_000;
const SAMPLES = 1_000_000;
const RUNS = 9;
const say = (line: string) => process.stdout.write(`${line}\n`);
const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

async function timed(work: () => Promise<unknown> | unknown): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < RUNS; i++) {
    const started = performance.now();
    await work();
    times.push(performance.now() - started);
  }
  return median(times);
}

async function main(): Promise<void> {
  const url = process.env.FRESHET_DATABASE_URL ?? '';
  const admin = openDatabase(url);
  await admin.sequelize.query('DROP DATABASE IF EXISTS freshet_room_bench', { type: QueryTypes.RAW });
  await admin.sequelize.query('CREATE DATABASE freshet_room_bench', { type: QueryTypes.RAW });
  const database = openDatabase(url.replace(/\/[^/]*$/, '/freshet_room_bench'));
  await migrator(database).up();
  const services = compose({ database, clock: fixedClock(NOW), secret: 'bench' });
  const who: Who = await services.accounts.createHouse({
    id: newId(),
    name: 'Bench',
    timeZone: 'Europe/Dublin',
    latitude: null,
    longitude: null,
    units: { temperature: 'degC', volume: 'L' },
    currency: 'EUR',
    demo: false,
    accounts: [{ login: 'bench', name: 'bench', password: 'eel-grass-and-rain', role: 'keeper' }],
  });
  const [rackId, shelfId, tankId, otherId] = [newId(), newId(), newId(), newId()];
  await services.log.enter(who, 'rack', { id: rackId, code: 'A', name: 'A', kind: 'rack', quarantine: false, sump: null });
  await services.log.enter(who, 'shelf', { id: shelfId, rackId, lengthCm: 400, depthCm: 60, heightCm: 50, loadLimitKg: null });
  const size = {
    lengthCm: 60,
    widthCm: 30,
    heightCm: 36,
    waterHeightCm: 30,
    glassMm: 6,
    substrateKg: 0,
    facing: 'long' as const,
    leftCm: null,
  };
  await services.log.enter(who, 'tank', { id: tankId, shelfId, code: 'A1', ...size });
  await services.log.enter(who, 'tank', { id: otherId, shelfId, code: 'A2', ...size });

  // A tank-year of a million readings.
  const fromMs = Date.parse(NOW) - YEAR_MS;
  const step = YEAR_MS / SAMPLES;
  const { samples } = services.room.repository;
  for (let i = 0; i < SAMPLES; i += 10_000)
    await samples.insert(
      Array.from({ length: 10_000 }, (_, k) => ({
        houseId: who.houseId,
        tankId,
        quantity: 'tempC' as const,
        atMs: Math.round(fromMs + (i + k) * step),
        value: 25 + Math.sin((i + k) / 500),
      })),
    );
  await database.sequelize.query('ANALYZE TABLE samples', { type: QueryTypes.SELECT });
  const bin = (id: string) => `x'${id.replaceAll('-', '')}'`;
  const scan = () =>
    database.sequelize.query(
      `SELECT COUNT(*), SUM(value), MIN(at_ms), MAX(at_ms) FROM samples WHERE house_id = ${bin(who.houseId)} AND tank_id = ${bin(tankId)} AND quantity = 0 AND at_ms BETWEEN ${fromMs} AND ${Date.parse(NOW)}`,
      { type: QueryTypes.SELECT },
    );
  const chart = (from: number) =>
    services.probes.series(who, tankId, { quantity: 'tempC', from: new Date(from).toISOString(), to: NOW, points: 400 });
  await scan();
  await chart(fromMs);
  const [plain, thinned] = [await timed(scan), await timed(() => chart(fromMs))];
  say(
    `chart over ${SAMPLES} readings of a tank-year: ${(thinned / plain).toFixed(2)} times the plain SQL range scan (${thinned.toFixed(0)} ms, ${plain.toFixed(0)} ms)`,
  );
  const week = await timed(() => chart(Date.parse(NOW) - 7 * 86_400_000));
  say(`chart over its last week: ${(week / plain).toFixed(2)} times that scan (${week.toFixed(0)} ms)`);

  // Ingest over HTTP on loopback: single readings, then batches, then all of it again.
  const probeId = newId();
  await services.log.enter(who, 'probe', { id: newId(), probeId, name: 'Probe', tankId: otherId });
  const token = services.probes.tokenOf(probeId);
  const server = buildApp({ services, log: pino({ level: 'silent' }), secret: 'bench' }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  const agent = new Agent({ keepAlive: true, maxSockets: 64 });
  const post = (readings: object[]) =>
    new Promise<void>((resolve, reject) => {
      const body = JSON.stringify({ readings });
      const sent = request(
        {
          port,
          host: '127.0.0.1',
          path: '/api/probe-readings',
          method: 'POST',
          agent,
          headers: {
            'content-type': 'application/json',
            'content-length': Buffer.byteLength(body),
            authorization: `Bearer ${token}`,
          },
        },
        (response) => {
          response.resume();
          response.on('end', () => (response.statusCode === 200 ? resolve() : reject(new Error(String(response.statusCode)))));
        },
      );
      sent.on('error', reject);
      sent.end(body);
    });
  const reading = (i: number) => ({
    at: new Date(Date.parse(NOW) - 86_400_000 + i * 1000).toISOString(),
    quantity: 'tempC',
    value: 25,
  });
  const singles = 6000;
  let started = performance.now();
  let next = 0;
  await Promise.all(
    Array.from({ length: 64 }, async () => {
      while (next < singles) await post([reading(next++)]);
    }),
  );
  say(`ingest, one reading a message: ${Math.round(singles / ((performance.now() - started) / 1000))} a second`);
  const batches = 120;
  started = performance.now();
  for (const again of [0, 1])
    for (let i = 0; i < batches; i++) {
      await post(Array.from({ length: 500 }, (_, k) => reading(singles + i * 500 + k)));
      if (again) await post([reading(i)]);
    }
  say(
    `ingest, 500 a message, each sent twice: ${Math.round((2 * batches * 500) / ((performance.now() - started) / 1000))} a second`,
  );
  const [counted] = await database.sequelize.query<{ n: string }>(
    `SELECT COUNT(*) n FROM samples WHERE tank_id = ${bin(otherId)}`,
    { type: QueryTypes.SELECT },
  );
  say(`kept: ${counted?.n} of ${singles + batches * 500} different readings`);
  agent.destroy();
  server.close();
  server.closeAllConnections();

  // Exposure over 500 tanks and 50 000 contacts.
  let state = 12_345;
  const random = () => (state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff) / 0x7fffffff;
  const contacts: Contact[] = Array.from({ length: 50_000 }, (_, i) => ({
    from: `t${Math.floor(random() * 500)}`,
    to: `t${Math.floor(random() * 500)}`,
    kind: 'lot',
    atMs: i % 20 === 0 ? null : Math.floor(random() * 1e9),
  }));
  computeExposure(contacts, 't1', 0);
  say(
    `exposure over 500 tanks and 50 000 contacts: ${(await timed(() => computeExposure(contacts, 't1', 5e8))).toFixed(1)} ms, backwards ${(await timed(() => computeExposure(contacts, 't1', 5e8, 'sources'))).toFixed(1)} ms`,
  );

  // Every sum of the bench with what stands in its fields at first.
  let slowest: [string, number] = ['', 0];
  for (const sum of SUMS) {
    const read = toSumInput(sum, {}, { temperature: 'degC', volume: 'L' });
    const ms = await timed(() => 'input' in read && runCalculation(sum.name, read.input));
    if (ms > slowest[1]) slowest = [sum.name, ms];
  }
  say(
    `the slowest of ${SUMS.length} sums (of ${CALCULATIONS.length} calculations): ${slowest[0]}, ${slowest[1].toFixed(2)} ms; a frame is 16.7 ms`,
  );
  await database.close();
  await admin.sequelize.query('DROP DATABASE freshet_room_bench', { type: QueryTypes.RAW });
  await admin.close();
}
main().then(
  () => process.exit(0),
  (error: unknown) => {
    process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
    process.exit(1);
  },
);
