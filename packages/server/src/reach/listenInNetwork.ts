import { createServer, type Server } from 'node:https';
import type { Express } from 'express';
import { ownAddresses, ownName } from './addresses';
import { hostCertificate } from './certificates';

/** A router may give this machine another address. */
const LOOK_MS = 60_000;

/**
 * Serves the house in its network, by https with a certificate of the house's own.
 * @param port - others reach it at @param folder - keeps the certificates
 * @returns the server, and the authority's certificate for phones to trust
 */
export async function listenInNetwork(
  app: Express,
  port: number,
  folder: string,
): Promise<{ server: Server; authority: string }> {
  const names = () => [ownName(), 'localhost', '127.0.0.1', ...ownAddresses()];
  const { authority, key, cert } = await hostCertificate(folder, names(), Date.now());
  const server = createServer({ key, cert }, app);
  const timer = setInterval(() => {
    void hostCertificate(folder, names(), Date.now()).then((newer) =>
      server.setSecureContext({ key: newer.key, cert: newer.cert }),
    );
  }, LOOK_MS);
  timer.unref();
  server.on('close', () => clearInterval(timer));
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '0.0.0.0', resolve);
  });
  return { server, authority };
}
