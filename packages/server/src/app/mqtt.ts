import { connect, type IPublishPacket } from 'mqtt';
import type { Logger } from 'pino';
import * as v from 'valibot';
import { Samples } from '@freshet/contract/room';
import { DomainError } from '../platform';
import type { ProbesService } from '../room';

const Message = v.object({ token: v.string(), ...Samples.entries });
/** While the database is away a message is tried again after this. */
const RETRY_MS = 500;
const READINGS = /^freshet\/probes\/([0-9a-f-]{36})\/readings$/;

/**
 * Listens to probes on a broker, which keeps what comes while the server is away (a session by name: give each server its own). A message is acknowledged once its readings are written; while the database is away it is
 * tried again and the broker keeps those behind it. A message that cannot be read is acknowledged and logged, or it would come for ever.
 */
export function listenToProbes(url: string, clientId: string, probes: ProbesService, log: Logger): { stop: () => Promise<void> } {
  const client = connect(url, { clientId, clean: false, reconnectPeriod: 2000 });

  async function take(packet: IPublishPacket): Promise<void> {
    const probeId = READINGS.exec(packet.topic)?.[1];
    if (!probeId) return;
    let body: unknown;
    try {
      body = JSON.parse(packet.payload.toString());
    } catch {
      log.warn({ topic: packet.topic }, 'a probe sent no JSON');
      return;
    }
    const parsed = v.safeParse(Message, body);
    if (!parsed.success || !parsed.output.token.startsWith(probeId)) {
      log.warn({ topic: packet.topic, issues: parsed.issues?.map((issue) => issue.message) }, 'a probe sent what cannot be read');
      return;
    }
    await probes.accept(parsed.output.token, parsed.output.readings);
  }

  let isStopping = false;
  async function takeUntilKept(packet: IPublishPacket): Promise<void> {
    while (!isStopping) {
      try {
        await take(packet);
        return;
      } catch (error) {
        if (error instanceof DomainError) {
          log.warn({ topic: packet.topic, code: error.code }, error.detail);
          return;
        }
        log.error({ err: error, topic: packet.topic }, 'readings were not written; they are tried again');
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
      }
    }
  }

  client.handleMessage = (packet, done) => {
    void takeUntilKept(packet).then(() => {
      // What is left unacknowledged at the end comes again at the next start.
      if (!isStopping) done();
    });
  };
  client.on('connect', () => {
    client.subscribe('freshet/probes/+/readings', { qos: 1 });
  });
  client.on('error', (error) => log.warn({ err: error }, 'the broker cannot be reached; it is tried again'));
  probes.onTell((probeId, topic, payload) => {
    if (!client.connected) return false;
    client.publish(`freshet/probes/${probeId}/${topic}`, JSON.stringify(payload), { qos: 1 });
    return true;
  });
  return {
    stop: () => {
      isStopping = true;
      return client.endAsync(true).then(() => undefined);
    },
  };
}
