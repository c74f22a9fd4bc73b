import { thinSeries } from '@freshet/core/room';
import { pino } from 'pino';
import { connect, type MqttClient } from 'mqtt';
import { startBroker } from '../../../devices/src/broker';
import { runProbes } from '../../../devices/src/runProbes';
import { overHttp, overMqtt } from '../../../devices/src/sendReadings';
import { listenToProbes } from './mqtt';
import { attempt, clutch, furnish, stockUp } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T08:00:00.000Z';
const MINUTE = 60_000;
let test: TestHouse;
let keeper: Client;
let sitter: Client;
let tanks: Record<string, string>;
let probeId: string;
let token: string;

beforeAll(async () => {
  test = await openTestHouse(NOW);
});
afterAll(async () => {
  await test.close();
});
beforeEach(async () => {
  test.setNow(NOW);
  ({ keeper, sitter } = await test.house());
  tanks = await furnish(keeper, ['A1', 'A2']);
  probeId = newId();
  await keeper.write('addProbe', { id: newId(), probeId, name: 'Probe 1', tankId: tanks.A1 ?? '' });
  ({ token } = await keeper.get('probeKey', { params: { probeId } }));
});

interface Sent {
  at: string;
  quantity: string;
  value: number;
}
const ago = (minutes: number) => new Date(Date.parse(NOW) - minutes * MINUTE).toISOString();
const temperature = (minutesAgo: number, value: number): Sent => ({ at: ago(minutesAgo), quantity: 'tempC', value });
const post = (readings: Sent[], bearer = token) =>
  test.client().raw('POST', '/api/probe-readings', JSON.stringify({ readings }), { authorization: `Bearer ${bearer}` });
const series = (points = '100', minutes = 600) =>
  keeper.get('series', { params: { tankId: tanks.A1 ?? '' }, query: { quantity: 'tempC', from: ago(minutes), to: NOW, points } });
const total = async () => (await series()).reduce((sum, bucket) => sum + bucket.count, 0);

describe('readings of a probe', () => {
  it('are taken with its token alone, one or many, and sent again are recorded once', async () => {
    const many = Array.from({ length: 300 }, (_, i) => temperature(i, 25 + Math.sin(i / 10)));
    expect(await (await post(many)).json()).toEqual({ accepted: 300 });
    await post(many);
    await post([temperature(0, 25)]);
    expect(await total()).toBe(300);
    expect((await post(many, `${probeId}.wrong`)).status).toBe(401);
    expect((await post(many, '')).status).toBe(401);
    const stranger = await test.house('Elsewhere');
    expect(await stranger.keeper.call('probeKey', undefined, { params: { probeId } })).toMatchObject({ ok: false, status: 404 });
    expect(
      await stranger.keeper.call('series', undefined, {
        params: { tankId: tanks.A1 ?? '' },
        query: { quantity: 'tempC', from: ago(60), to: NOW },
      }),
    ).toMatchObject({ ok: false, status: 404 });
    expect(await sitter.call('probeKey', undefined, { params: { probeId } })).toMatchObject({ ok: false, status: 403 });
  });

  it('that are impossible or ahead of time are refused whole, and say which', async () => {
    const refused = async (reading: Sent) => {
      const response = await post([temperature(1, 25), reading]);
      return [response.status, ((await response.json()) as { errors: { pointer: string }[] }).errors[0]?.pointer];
    };
    expect(await refused(temperature(0, 400))).toEqual([400, '#/readings/1/value']);
    expect(await refused(temperature(-60, 25))).toEqual([400, '#/readings/1/at']);
    expect(await refused({ ...temperature(0, 25), quantity: 'gravity' })).toEqual([400, '#/readings/1/quantity']);
    expect(await total()).toBe(0);
  });

  it('are thinned on reading as core thins them: count, mean, lowest and highest', async () => {
    const many = Array.from({ length: 500 }, (_, i) => temperature(500 - i, 24 + Math.sin(i / 7) + (i === 250 ? 6 : 0)));
    await post(many);
    const step = (600 * MINUTE) / 20;
    const wanted = thinSeries(many, step);
    const got = await series('20');
    expect(got.map(({ at, count, low, high }) => ({ at, count, low, high }))).toEqual(
      wanted.map(({ at, count, low, high }) => ({ at, count, low, high })),
    );
    for (const [i, bucket] of got.entries()) expect(bucket.mean).toBeCloseTo(wanted[i]?.mean ?? Number.NaN, 9);
    expect(Math.max(...got.map(({ high }) => high))).toBeGreaterThan(29);
  });

  it('raise alarms for the species in the tank, and drive the hatch of its eggs', async () => {
    const lotId = await stockUp(keeper, tanks.A1 ?? '', 'sixray-aspidoras', { males: 2, females: 2 }, '2026-03-01T08:00:00Z');
    const attemptId = await attempt(keeper, tanks.A1 ?? '', 'sixray-aspidoras', '2026-03-08', { sires: [lotId], dams: [lotId] });
    await clutch(sitter, attemptId, { from: ago(600), to: ago(590) }, 50);
    const hatch = async () => (await keeper.get('horizon')).items.find(({ kind }) => kind === 'eggs');
    await post(Array.from({ length: 110 }, (_, i) => temperature(550 - i * 5, 21 + 0.05 * (i % 3))));
    const cold = await hatch();
    expect((await keeper.get('probes'))[0]).toMatchObject({ lastTempC: expect.any(Number), faults: [{ fault: 'outOfRange' }] });
    expect((await keeper.get('round')).alarms.map(({ title }) => title)).toContain('A1 is too cold: 21.1 °C.');
    expect((await keeper.get('tankLife')).find(({ code }) => code === 'A1')?.tempC?.value).toBeCloseTo(21, 0);
    const other = await furnish(keeper, ['W1'], { code: 'W' });
    const warmId = newId();
    await keeper.write('addProbe', { id: newId(), probeId: warmId, name: 'Warm', tankId: other.W1 ?? '' });
    const warmToken = (await keeper.get('probeKey', { params: { probeId: warmId } })).token;
    await post(
      Array.from({ length: 110 }, (_, i) => temperature(550 - i * 5, 26 + 0.05 * (i % 3))),
      warmToken,
    );
    const second = await attempt(keeper, other.W1 ?? '', 'sixray-aspidoras', '2026-03-08', {
      sires: [lotId],
      dams: [lotId],
      name: 'Warm try',
    });
    await clutch(sitter, second, { from: ago(600), to: ago(590) }, 50);
    const warm = (await keeper.get('horizon')).items.find(({ kind, label }) => kind === 'eggs' && label.includes('W1'));
    expect((warm?.from ?? '') < (cold?.from ?? '')).toBe(true);
  });
});

describe('the stand-ins', () => {
  it('over HTTP send through an outage, nothing lost and nothing twice', async () => {
    let nowMs = Date.parse(NOW) - 10 * MINUTE;
    let away = true;
    const http = overHttp(test.url);
    const running = runProbes(
      [{ id: probeId, token, litres: 50, heaterW: 50, targetC: 25 }],
      (probe, readings) => (away ? Promise.reject(new Error('away')) : http(probe, readings)),
      null,
      20,
      () => (nowMs += 1000),
    );
    await new Promise((resolve) => setTimeout(resolve, 300));
    away = false;
    await new Promise((resolve) => setTimeout(resolve, 500));
    running.stop();
    await new Promise((resolve) => setTimeout(resolve, 200));
    const ticks = (nowMs - Date.parse(NOW) + 10 * MINUTE) / 1000 - 1;
    const got = await total();
    expect(got).toBeGreaterThan(10);
    // All but what was read in the last tick, which was not sent any more.
    expect(ticks - got).toBeLessThanOrEqual(2);
  });

  it('over MQTT are heard; a change logged in Freshet makes the tank drop and warm again; a fault can be played', async () => {
    const broker = await startBroker();
    const log = pino({ level: 'silent' });
    const { probes } = test.services;
    // The first message meets a database that is away.
    let isAway = true;
    const accept: typeof probes.accept = async (...message) => {
      if (!isAway) return probes.accept(...message);
      isAway = false;
      throw new Error('away');
    };
    const bridge = listenToProbes(broker.url, 'freshet-test', { ...probes, accept }, log);
    const client: MqttClient = connect(broker.url);
    await new Promise((resolve) => client.once('connect', resolve));
    let nowMs = Date.parse(NOW) - 300 * MINUTE;
    const running = runProbes(
      [{ id: probeId, token, litres: 50, heaterW: 400, targetC: 25 }],
      overMqtt(client),
      client,
      15,
      () => (nowMs += MINUTE),
    );
    const probe = () => running.probes.get(probeId);
    const until = async (what: string, done: () => Promise<boolean> | boolean) => {
      for (let i = 0; i < 200; i++) {
        if (await done()) return;
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
      throw new Error(`never: ${what}`);
    };
    try {
      await until('a reading arrives', async () => (await total()) > 3);
      expect(isAway).toBe(false);
      await sitter.write('logChange', { id: newId(), tankId: tanks.A1 ?? '', litres: 20, waterId: null, tempC: 12, at: NOW });
      await until('the tank drops', () => (probe()?.tank().tempC ?? 99) < 21.5);
      await until('the heater brings it back', () => (probe()?.tank().tempC ?? 0) > 24.5);
      expect(await keeper.call('playFault', { fault: 'silent' }, { params: { probeId } })).toMatchObject({
        ok: true,
        body: { sent: true },
      });
      await until('the probe falls silent', () => probe()?.read(nowMs, 19).length === 0);
      expect((await series()).some(({ low }) => low < 21.6)).toBe(true);
      client.publish(`freshet/probes/${probeId}/readings`, 'no json', { qos: 1 });
      client.publish(`freshet/probes/${probeId}/readings`, JSON.stringify({ token: 'stolen', readings: [temperature(0, 20)] }), {
        qos: 1,
      });
    } finally {
      running.stop();
      await bridge.stop();
      await client.endAsync(true);
      await broker.stop();
    }
  });
});
