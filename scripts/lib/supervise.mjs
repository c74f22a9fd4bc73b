// Keeps the parts of a running Freshet alive: what ends is begun again, by itself, until it ends too often.
import { say } from './machine.mjs';

/** Waits before a part is begun again, ms; after the last the whole is given up. */
const WAITS_MS = [200, 1000, 2000, 4000];
/** What ran so long did not fail at its start. */
const STEADY_MS = 60_000;
/** What a part ends with that would end the same way again. */
const HOPELESS = 2;
const KEPT_LINES = 20;
/** What does not end in this time when asked is ended. */
const END_MS = 20_000;

const isRunning = (child) => child !== null && child.exitCode === null && child.signalCode === null;

/** The last lines a child said on its pipes, which are also shown where `shows` says so. */
function listenTo(child, lines, shows) {
  for (const [stream, screen] of [
    [child.stdout, process.stdout],
    [child.stderr, process.stderr],
  ])
    stream?.on('data', (chunk) => {
      const text = String(chunk);
      if (shows(text)) screen.write(text);
      lines.push(...text.split('\n').filter(Boolean));
      lines.splice(0, lines.length - KEPT_LINES);
    });
}

/**
 * Several parts, each begun again when it ends.
 * @param changed - told whenever a part has a new process
 * @param giveUp - told when a part ends five times in a row, or cannot be helped: its name, its last lines, how it ended
 */
export function supervisor({ changed, giveUp }) {
  const parts = [];
  let isEnding = false;

  function begin(part) {
    if (isEnding) return null;
    const begun = Date.now();
    const child = part.launch();
    part.child = child;
    listenTo(child, part.lines, part.shows);
    child.on('error', (error) => part.lines.push(error.message));
    child.once('exit', (code, signal) => {
      if (isEnding) return;
      if (code === HOPELESS) {
        giveUp(part.name, part.lines.join('\n'), 'ended for good');
        return;
      }
      part.failures = Date.now() - begun > STEADY_MS ? 1 : part.failures + 1;
      const wait = WAITS_MS[part.failures - 1];
      if (wait === undefined) {
        giveUp(part.name, part.lastLines?.() || part.lines.join('\n'), 'ended five times in a row');
        return;
      }
      say(`The ${part.name} ended (${signal ?? `code ${code}`}); it is started again.`);
      part.timer = setTimeout(() => begin(part), wait);
    });
    changed();
    part.begun?.(child);
    return child;
  }

  return {
    /**
     * Begins a part.
     * @param part - its name, how it is launched, what is done once it was, which of its words are shown, its own last lines
     */
    add(part) {
      const kept = { lines: [], failures: 0, child: null, timer: null, shows: () => true, ...part };
      parts.push(kept);
      begin(kept);
      return kept;
    },
    pids: () => Object.fromEntries(parts.map(({ name, child }) => [name, isRunning(child) ? child.pid : null])),
    /** Ends all parts, the last begun first. */
    async end() {
      isEnding = true;
      for (const { child, timer } of [...parts].reverse()) {
        clearTimeout(timer);
        if (!isRunning(child)) continue;
        const gone = new Promise((resolve) => child.once('exit', resolve));
        child.kill('SIGTERM');
        const late = setTimeout(() => child.kill('SIGKILL'), END_MS);
        await gone;
        clearTimeout(late);
      }
    },
  };
}
