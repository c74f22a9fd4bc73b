import type { MqttClient } from 'mqtt';
import type { Reading } from './simulatedProbe';

/** How readings leave a probe; rejects when they were not taken, so that they are sent again. */
export type Send = (probe: { id: string; token: string }, readings: readonly Reading[]) => Promise<void>;

/** Over MQTT, at least once: the broker keeps what the server has not acknowledged. */
export const overMqtt =
  (client: MqttClient): Send =>
  async ({ id, token }, readings) => {
    await client.publishAsync(`freshet/probes/${id}/readings`, JSON.stringify({ token, readings }), { qos: 1 });
  };

/** Over plain HTTP with the probe's token. */
export const overHttp =
  (address: string): Send =>
  async ({ token }, readings) => {
    const response = await fetch(`${address}/api/probe-readings`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
      body: JSON.stringify({ readings }),
      signal: AbortSignal.timeout(5000),
    });
    if (!response.ok) throw new Error(`refused with ${response.status}: ${await response.text()}`);
  };
