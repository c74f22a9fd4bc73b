import { hostname, networkInterfaces } from 'node:os';

/** Names under which only this machine reaches itself. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/** This machine's addresses in its network, IPv4, as others reach it. */
export const ownAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);

/** Its name in a network that finds machines by name. */
export function ownName(): string {
  const [first = 'freshet'] = hostname().toLowerCase().split('.');
  return `${first}.local`;
}

/**
 * Where others find the house, the address to give to others first.
 * @param lanPort - it listens at in the network; null while only this machine reaches it
 * @param address - its own address, such as behind a proxy; null for none
 */
export const houseAddresses = (lanPort: number | null, address: string | null): string[] => [
  ...(address === null ? [] : [address]),
  ...(lanPort === null ? [] : [...ownAddresses(), ownName()].map((name) => `https://${name}:${lanPort}`)),
];

/** The host a request was sent to, without its port, small letters. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

/**
 * Whether a request was meant for this house: sent to this machine by one of its names, or to the address that was set. A page of
 * somebody else's whose name was bent to this machine is not.
 * @param host - the Host header; none is nobody's
 * @param isInNetwork - whether others in the network may reach it
 * @param address - the house's own address, such as behind a proxy; null for none
 */
export function isOwnHost(host: string | undefined, isInNetwork: boolean, address: string | null): boolean {
  if (host === undefined) return false;
  const name = nameOf(host);
  if (LOOPBACK.includes(name)) return true;
  if (address !== null && new URL(address).hostname === name) return true;
  return isInNetwork && (name === ownName() || ownAddresses().includes(name));
}
