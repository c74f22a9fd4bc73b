import { connect } from 'mqtt';
import { startBroker } from './broker';
import { runProbes } from './runProbes';
import { overHttp, overMqtt } from './sendReadings';
import type { ProbeSetUp } from './simulatedProbe';

/**
 * Stand-ins for probes and heaters, and a broker for them. Settings: FRESHET_MQTT_URL another broker; FRESHET_MQTT_PORT port of
 * the own one; FRESHET_PROBE_SECONDS between two readings; FRESHET_URL sends over HTTP instead of MQTT. Which probes there are
 * comes from the parent process, or as JSON in FRESHET_PROBES.
 */
async function main(): Promise<void> {
  const { FRESHET_MQTT_URL, FRESHET_MQTT_PORT, FRESHET_PROBE_SECONDS, FRESHET_URL, FRESHET_PROBES } = process.env;
  const broker = FRESHET_MQTT_URL ? null : await startBroker(Number(FRESHET_MQTT_PORT ?? 0));
  const url = FRESHET_MQTT_URL ?? broker?.url ?? '';
  const client = connect(url, { reconnectPeriod: 2000 });
  const everyMs = Number(FRESHET_PROBE_SECONDS ?? 10) * 1000;
  let running: ReturnType<typeof runProbes> | null = null;
  const begin = (probes: readonly ProbeSetUp[]) => {
    running?.stop();
    running = runProbes(probes, FRESHET_URL ? overHttp(FRESHET_URL) : overMqtt(client), client, everyMs, () => Date.now());
  };
  process.on('message', (message: { probes?: ProbeSetUp[] }) => {
    if (message.probes) begin(message.probes);
  });
  if (FRESHET_PROBES) begin(JSON.parse(FRESHET_PROBES) as ProbeSetUp[]);
  process.send?.({ broker: url });
  process.stdout.write(`broker ${url}\n`);
  const stop = () => {
    running?.stop();
    client.end(true);
    void broker?.stop().then(() => process.exit(0));
    if (!broker) process.exit(0);
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  process.on('disconnect', stop);
}
main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
  process.exit(1);
});
