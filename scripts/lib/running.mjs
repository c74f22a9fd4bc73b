// Who runs on a folder: one start at a time, and what an earlier one left behind is ended.
import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { giveUp, say } from './machine.mjs';

const HALF_WRITTEN_MS = 300;

/** Whether a process runs and is the one meant: process numbers are given out again. */
export function alive(pid, program) {
  try {
    const state = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.[0];
    return state !== 'Z' && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(program);
  } catch {
    return false;
  }
}

/** What was written down; null when nothing, or only half of it. */
function readFacts(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}

/** Ends what an earlier start on this folder left running. */
async function endLeftOvers({ server, devices, database }) {
  const left = [
    [server, 'server.mjs'],
    [devices, 'devices.mjs'],
    [database, 'mariadbd'],
  ].filter(([pid, program]) => pid && alive(pid, program));
  if (left.length > 0) say('Ending what an earlier start left running ...');
  for (const [pid, program] of left) {
    process.kill(pid, 'SIGTERM');
    for (let i = 0; i < 100 && alive(pid, program); i++) await new Promise((resolve) => setTimeout(resolve, 100));
    if (alive(pid, program)) process.kill(pid, 'SIGKILL');
  }
}

/**
 * Claims a folder for this process.
 * @param folder - where one house's database is kept
 * @param facts - what is written down: process numbers, port, database
 * @param joins - looks on beside one that runs, instead of being refused
 * @returns the facts of one that runs and is joined, or null; how to write newer facts, and how to let go
 */
export async function claim(folder, facts, { joins = false } = {}) {
  const file = join(folder, 'running.json');
  let isMine = false;
  const write = (newer) => {
    if (!isMine) return;
    writeFileSync(`${file}.new`, JSON.stringify(newer), { mode: 0o600 });
    renameSync(`${file}.new`, file);
  };
  const release = () => {
    if (isMine) rmSync(file, { force: true });
    isMine = false;
  };
  for (;;) {
    try {
      writeFileSync(file, JSON.stringify(facts), { mode: 0o600, flag: 'wx' });
      isMine = true;
      return { taken: null, write, release };
    } catch (error) {
      if (error.code !== 'EEXIST')
        giveUp(`${folder} cannot be written (${error.code}).`, 'Make room on the disk, or start as the user it belongs to.');
    }
    let before = readFacts(file);
    // Another start may be writing it just now.
    if (!before) {
      await new Promise((resolve) => setTimeout(resolve, HALF_WRITTEN_MS));
      before = readFacts(file);
    }
    if (before && (alive(before.start, 'start.mjs') || alive(before.start, 'backup.mjs'))) {
      if (joins) return { taken: before, write, release };
      giveUp(
        'it is running already from this folder.',
        before.port
          ? `Open http://127.0.0.1:${before.port}, or end process ${before.start} first.`
          : `It is starting; process ${before.start}.`,
      );
    }
    if (before) await endLeftOvers(before);
    // Only what was read is taken away: another start may have claimed the folder meanwhile.
    if (!existsSync(file) || JSON.stringify(readFacts(file)) === JSON.stringify(before)) rmSync(file, { force: true });
  }
}
