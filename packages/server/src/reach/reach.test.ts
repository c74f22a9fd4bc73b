import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { hostname, networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { hostCertificate, isOwnHost, ownAddresses, ownName } from '.';

describe('whom a request was meant for', () => {
  const own = ownAddresses();

  it('is this house by loopback, by its own address where it has one, and by the network’s names where that may', () => {
    for (const host of ['localhost', 'localhost:4173', '127.0.0.1:4173', '[::1]:4173', 'LOCALHOST'])
      expect([host, isOwnHost(host, false, null)]).toEqual([host, true]);
    expect(isOwnHost('shed.example', false, 'https://shed.example')).toBe(true);
    expect(isOwnHost('shed.example:8443', false, 'https://shed.example')).toBe(true);
    expect(isOwnHost(`${ownName()}:4174`, true, null)).toBe(true);
    for (const address of own) expect([address, isOwnHost(`${address}:4174`, true, null)]).toEqual([address, true]);
  });

  it('is not by a name that was bent to this machine, nor by the network’s while only this machine may', () => {
    for (const host of [undefined, '', 'evil.example', 'evil.example:4173', 'localhost.evil.example', '127.0.0.1.evil.example'])
      expect([host, isOwnHost(host, true, 'https://shed.example')]).toEqual([host, false]);
    expect(isOwnHost(ownName(), false, null)).toBe(false);
    for (const address of own) expect(isOwnHost(address, false, null)).toBe(false);
  });

  it('names are this machine’s', () => {
    expect(ownName()).toBe(`${hostname().toLowerCase().split('.')[0] ?? ''}.local`);
    const all = Object.values(networkInterfaces()).flatMap((of) => of ?? []);
    for (const address of own) expect(all.find((one) => one.address === address)?.internal).toBe(false);
  });
});

describe('the house’s own certificate', () => {
  const folder = mkdtempSync(join(tmpdir(), 'freshet-certificates-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const NOW = Date.parse('2026-11-24T07:12:00Z');
  const DAY_MS = 86_400_000;
  const NAMES = ['shed.local', '192.0.2.7'];

  it('is good for its names, signed by an authority that may sign nothing but hosts, with keys only their owner reads', async () => {
    const made = await hostCertificate(folder, NAMES, NOW);
    const [host, authority] = [new X509Certificate(made.cert), new X509Certificate(made.authority)];
    expect([host.checkHost('shed.local'), host.checkIP('192.0.2.7')]).toEqual(['shed.local', '192.0.2.7']);
    expect(host.checkHost('other.local')).toBeUndefined();
    expect([host.ca, authority.ca]).toEqual([false, true]);
    expect([host.verify(authority.publicKey), authority.verify(authority.publicKey)]).toEqual([true, true]);
    // Phones take none that is good for longer than 398 days.
    expect((Date.parse(host.validTo) - Date.parse(host.validFrom)) / DAY_MS).toBeLessThanOrEqual(398);
    for (const key of ['authority.key', 'host.key']) expect(statSync(join(folder, key)).mode & 0o077).toBe(0);
  });

  it('is kept while it is good, and made anew for another name or near its end, by the same authority', async () => {
    const first = await hostCertificate(folder, NAMES, NOW);
    expect(await hostCertificate(folder, NAMES, NOW + 100 * DAY_MS)).toEqual(first);
    const moved = await hostCertificate(folder, ['shed.local', '192.0.2.8'], NOW);
    expect(new X509Certificate(moved.cert).checkIP('192.0.2.8')).toBe('192.0.2.8');
    const later = await hostCertificate(folder, ['shed.local', '192.0.2.8'], NOW + 365 * DAY_MS);
    expect(later.cert).not.toBe(moved.cert);
    expect([moved.authority, later.authority]).toEqual([first.authority, first.authority]);
    expect(readFileSync(join(folder, 'authority.crt'), 'utf8')).toBe(first.authority);
  });
});
