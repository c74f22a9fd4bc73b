import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';

const ROOT = join(__dirname, '..', '..');
/** The last line of a start that is ready. */
const READY = 'Ctrl-C stops it';

/** A port nobody listens on. */
export const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => resolve(port));
    });
  });

/** A start that was begun. */
export interface Started {
  child: ChildProcess;
  /** All it said so far. */
  said: () => string;
  /** Whether it came to be ready; false when it ended before. */
  ready: Promise<boolean>;
}

/** Begins an own house as from a terminal, in a process group of its own. @param data - its folder */
export function begin(data: string, port: number): Started {
  const child = spawn(process.execPath, ['scripts/start.mjs', '--empty'], {
    cwd: ROOT,
    env: { ...process.env, FRESHET_DATA: data, FRESHET_PORT: String(port) },
    detached: true,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  const ready = new Promise<boolean>((resolve) => {
    const hear = (chunk: Buffer) => {
      text += String(chunk);
      if (text.includes(READY)) resolve(true);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', () => resolve(false));
  });
  return { child, said: () => text, ready };
}

/** Sends a signal to the whole group, as Ctrl-C does, and waits for the end. */
export async function endWith({ child }: Started, signal: NodeJS.Signals): Promise<void> {
  if (!child.pid || child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  process.kill(-child.pid, signal);
  await gone;
}

/** Sends JSON to a house. @param address - whole */
export const send = (address: string, body: object, cookie = '') =>
  fetch(address, { method: 'POST', headers: { 'content-type': 'application/json', cookie }, body: JSON.stringify(body) });
