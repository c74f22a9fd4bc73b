import { createServer, type Server } from 'node:https';
import type { Express } from 'express';
import { ownAddresses, ownName } from './addresses';
import { hostCertificate } from './certificates';

/** A router may give this machine another address. */
const LOOK_MS = 60_000;

/** The certificate of this machine in its network as it is now. @param folder - keeps it */
export const networkCertificate = (folder: string): ReturnType<typeof hostCertificate> =>
  hostCertificate(folder, [ownName(), 'localhost', '127.0.0.1', ...ownAddresses()], Date.now());

/**
 * Serves the house in its network, by https with a certificate of the house's own, which follows the machine's addresses.
 * @param port - others reach it at
 * @param folder - keeps the certificates
 * @param first - as `networkCertificate` gave it
 */
export async function listenInNetwork(
  app: Express,
  port: number,
  folder: string,
  first: Awaited<ReturnType<typeof networkCertificate>>,
): Promise<Server> {
  let shown = first.cert;
  const server = createServer({ key: first.key, cert: first.cert }, app);
  const timer = setInterval(() => {
    void networkCertificate(folder).then(({ key, cert }) => {
      if (cert === shown) return;
      server.setSecureContext({ key, cert });
      shown = cert;
    });
  }, LOOK_MS);
  timer.unref();
  server.on('close', () => clearInterval(timer));
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '0.0.0.0', resolve);
  });
  return server;
}
