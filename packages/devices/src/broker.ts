import { createServer, type AddressInfo, type Server } from 'node:net';
import { Aedes } from 'aedes';

/** A small MQTT broker on loopback, so that the demonstration needs none. @param port - 0 for any */
export async function startBroker(port = 0): Promise<{ url: string; stop: () => Promise<void> }> {
  const broker = await Aedes.createBroker();
  const server: Server = createServer(broker.handle);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  return {
    url: `mqtt://127.0.0.1:${(server.address() as AddressInfo).port}`,
    stop: async () => {
      await new Promise<void>((resolve) => broker.close(() => resolve()));
      await new Promise<void>((resolve) => server.close(() => resolve()));
    },
  };
}
