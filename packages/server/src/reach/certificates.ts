import 'reflect-metadata';
import { webcrypto } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import * as x509 from '@peculiar/x509';

const KEYS = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** Phones take no certificate that is good for longer. */
const HOST_DAYS = 390;
/** Made anew when it is good for so long only. */
const RENEW_DAYS = 30;

/** A key and its certificate, PEM. */
export interface Certificate {
  key: string;
  cert: string;
}

const pem = (label: string, bytes: ArrayBuffer): string =>
  `-----BEGIN ${label}-----\n${(
    Buffer.from(bytes)
      .toString('base64')
      .match(/.{1,64}/g) ?? []
  ).join('\n')}\n-----END ${label}-----\n`;

async function importKey(text: string): Promise<webcrypto.CryptoKey> {
  const bytes = Buffer.from(text.replace(/-----[^-]+-----|\s/g, ''), 'base64');
  return webcrypto.subtle.importKey('pkcs8', bytes, KEYS, true, ['sign']);
}

const serial = (): string =>
  Buffer.from(webcrypto.getRandomValues(new Uint8Array(9)))
    .toString('hex')
    .replace(/^./, '1');

function read(folder: string, name: string): Certificate | null {
  const [key, cert] = [join(folder, `${name}.key`), join(folder, `${name}.crt`)];
  return existsSync(key) && existsSync(cert) ? { key: readFileSync(key, 'utf8'), cert: readFileSync(cert, 'utf8') } : null;
}
function write(folder: string, name: string, { key, cert }: Certificate): Certificate {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(join(folder, `${name}.key`), key, { mode: 0o600 });
  writeFileSync(join(folder, `${name}.crt`), cert);
  return { key, cert };
}

/** Whether a certificate is good for some time yet, for all these names. */
function isGood({ cert }: Certificate, names: readonly string[], now: number): boolean {
  const read = new x509.X509Certificate(cert);
  const said = read.getExtension(x509.SubjectAlternativeNameExtension)?.names.items.map(({ value }) => value) ?? [];
  return read.notAfter.getTime() - now > RENEW_DAYS * DAY_MS && names.every((name) => said.includes(name));
}

/** The house's own small authority: made once, kept, and what a phone is told to trust. */
async function authority(folder: string, now: number): Promise<Certificate> {
  const kept = read(folder, 'authority');
  if (kept && isGood(kept, [], now)) return kept;
  const keys = await webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const made = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: 'CN=Freshet at home, O=Freshet',
    notBefore: new Date(now - DAY_MS),
    notAfter: new Date(now + AUTHORITY_DAYS * DAY_MS),
    keys,
    signingAlgorithm: KEYS,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  const key = pem('PRIVATE KEY', await webcrypto.subtle.exportKey('pkcs8', keys.privateKey));
  return write(folder, 'authority', { key, cert: made.toString('pem') });
}

/**
 * The certificate this machine shows in its network, signed by the house's own authority; made anew when a name is missing or its time
 * is nearly up.
 * @param folder - keeps them; only its owner may read the keys
 * @param names - host names and addresses it is good for
 * @param now - ms
 */
export async function hostCertificate(
  folder: string,
  names: readonly string[],
  now: number,
): Promise<Certificate & { authority: string }> {
  const signer = await authority(folder, now);
  const kept = read(folder, 'host');
  if (kept && isGood(kept, names, now)) return { ...kept, authority: signer.cert };
  const keys = await webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const issuer = new x509.X509Certificate(signer.cert);
  const made = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${names[0] ?? 'freshet.local'}`,
    issuer: issuer.subject,
    notBefore: new Date(now - DAY_MS),
    notAfter: new Date(now + HOST_DAYS * DAY_MS),
    publicKey: keys.publicKey,
    signingKey: await importKey(signer.key),
    signingAlgorithm: KEYS,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) ? ('ip' as const) : ('dns' as const), value })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(issuer),
    ],
  });
  const key = pem('PRIVATE KEY', await webcrypto.subtle.exportKey('pkcs8', keys.privateKey));
  return { ...write(folder, 'host', { key, cert: made.toString('pem') }), authority: signer.cert };
}
