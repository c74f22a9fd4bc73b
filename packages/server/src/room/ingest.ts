import type { SampleRow } from './samples.repository';

/** How long a reading waits for others that come along, ms. */
const GATHER_MS = 15;
/** Rows written in one statement. */
const AT_ONCE = 4000;

interface Waiting {
  rows: readonly SampleRow[];
  done: () => void;
  failed: (error: unknown) => void;
}

/**
 * Gathers what arrives within a few milliseconds into one statement; each sender is answered once its own rows are written, so a
 * reply means kept, and what fails is sent again by the probe.
 */
export function createIngest(write: (rows: readonly SampleRow[]) => Promise<void>) {
  const waiting: Waiting[] = [];
  let running = false;

  async function drain(): Promise<void> {
    running = true;
    while (waiting.length > 0) {
      await new Promise((resolve) => setTimeout(resolve, GATHER_MS));
      const batch: Waiting[] = [];
      let rows = 0;
      while (waiting.length > 0 && (batch.length === 0 || rows + (waiting[0]?.rows.length ?? 0) <= AT_ONCE)) {
        const next = waiting.shift();
        if (!next) break;
        batch.push(next);
        rows += next.rows.length;
      }
      try {
        await write(batch.flatMap((one) => one.rows));
        for (const one of batch) one.done();
      } catch (error) {
        for (const one of batch) one.failed(error);
      }
    }
    running = false;
  }

  return {
    /** Resolves when the rows are written. */
    add: (rows: readonly SampleRow[]): Promise<void> =>
      new Promise((done, failed) => {
        waiting.push({ rows, done, failed });
        if (!running) void drain();
      }),
  };
}
