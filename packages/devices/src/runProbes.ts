import type { MqttClient } from 'mqtt';
import { FAULTS, createSimulatedProbe, type Fault, type ProbeSetUp, type Reading, type SimulatedProbe } from './simulatedProbe';
import type { Send } from './sendReadings';

/** Readings kept while nobody takes them: a day at one in ten seconds. */
const KEPT = 8640;
const AT_ONCE = 500;
const CENTRE_C = 19;
const SWING_C = 1.5;

/** The room: warmest in the afternoon. */
export const roomC = (nowMs: number): number => CENTRE_C + SWING_C * Math.cos((2 * Math.PI * (nowMs / 3_600_000 - 16)) / 24);

/**
 * Lets probes send every `everyMs`; what could not be sent is kept and sent later. Listens for faults to play and for water
 * changes of their tanks.
 */
export function runProbes(
  setUps: readonly ProbeSetUp[],
  send: Send,
  client: MqttClient | null,
  everyMs: number,
  now: () => number,
) {
  const probes = new Map<string, SimulatedProbe>(setUps.map((setUp, i) => [setUp.id, createSimulatedProbe(setUp, i + 1, now())]));
  const kept = new Map<string, Reading[]>();
  let sending = false;

  async function tick(): Promise<void> {
    const nowMs = now();
    for (const [id, probe] of probes) kept.set(id, [...(kept.get(id) ?? []), ...probe.read(nowMs, roomC(nowMs))].slice(-KEPT));
    if (sending) return;
    sending = true;
    await Promise.all(
      [...probes.values()].map(async (probe) => {
        const waiting = kept.get(probe.id) ?? [];
        if (waiting.length === 0) return;
        const batch = waiting.slice(0, AT_ONCE);
        try {
          await send(probe, batch);
          kept.set(
            probe.id,
            (kept.get(probe.id) ?? []).filter((reading) => !batch.includes(reading)),
          );
        } catch {
          // Kept, and sent with the next.
        }
      }),
    );
    sending = false;
  }

  client?.on('message', (topic, payload) => {
    const [, , id = '', what] = topic.split('/');
    const probe = probes.get(id);
    let body: { fault?: unknown; litres?: unknown; tempC?: unknown };
    try {
      body = JSON.parse(payload.toString()) as typeof body;
    } catch {
      return;
    }
    const nowMs = now();
    if (what === 'fault' && FAULTS.includes(body.fault as Fault)) probe?.setFault(body.fault as Fault, nowMs, roomC(nowMs));
    if (what === 'change' && typeof body.litres === 'number')
      probe?.change(body.litres, typeof body.tempC === 'number' ? body.tempC : null, nowMs, roomC(nowMs));
  });
  client?.subscribe(['freshet/probes/+/fault', 'freshet/probes/+/change'], { qos: 1 });
  const timer = setInterval(() => void tick(), everyMs);
  void tick();
  return { stop: () => clearInterval(timer), probes };
}
