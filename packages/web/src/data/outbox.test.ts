import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';

/** What waits to be sent: kept over a reload, by account and house, sent in order, once, and given up only when it was refused. */
type Outbox = typeof import('./outbox');

const KEEPER = 'keeper in shed';
let answers: (number | 'away')[];
let bodies: { id: string }[];
let sent: string[];
let refused: string[];
/** Ends the pages of a test. */
let stops: (() => void)[] = [];
/** Tabs take turns: who holds the lock sends. */
let isLocked = false;

/** A page of its own: the module anew, over the same store. */
function openPage(whose: string | null = KEEPER): Outbox {
  let outbox: Outbox | null = null;
  jest.isolateModules(() => {
    outbox = jest.requireActual<Outbox>('./outbox');
  });
  const page = outbox as Outbox | null;
  if (!page) throw new Error('no outbox');
  if (whose)
    stops.push(
      page.startOutbox(
        whose,
        (name) => sent.push(name),
        (label) => refused.push(label),
      ),
    );
  return page;
}
const entry = (id: string) => ({
  name: 'jot' as const,
  body: { id, line: 'A1 25', at: '2026-03-10T08:00:00Z' },
  label: `jot ${id}`,
});
/** What the store holds, read by hand. */
const waiting = () =>
  new Promise<string[]>((resolve, reject) => {
    const request = indexedDB.open('freshet');
    request.onerror = () => reject(new Error('no store'));
    request.onsuccess = () => {
      const all = request.result.transaction('waiting').objectStore('waiting').getAll();
      all.onsuccess = () => {
        request.result.close();
        resolve((all.result as { body: { id: string } }[]).map(({ body }) => body.id));
      };
    };
  });
jest.setTimeout(30_000);
const settle = async (rounds = 20) => {
  for (let i = 0; i < rounds; i++) await new Promise((resolve) => setTimeout(resolve, 30));
};

const realTimeout = globalThis.setTimeout;
beforeEach(() => {
  // The wait before trying again is shortened; the store's own timers stay as they are.
  globalThis.setTimeout = ((work: () => void, ms?: number) => realTimeout(work, ms === 4000 ? 5 : ms)) as typeof setTimeout;
  globalThis.indexedDB = new IDBFactory();
  [answers, bodies, sent, refused] = [[], [], [], []];
  isLocked = false;
  Object.assign(globalThis, { window: { addEventListener: () => undefined, removeEventListener: () => undefined } });
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: {
      locks: {
        request: async (_name: string, _options: object, work: (lock: object | null) => Promise<void>) => {
          if (isLocked) return work(null);
          isLocked = true;
          try {
            await work({});
          } finally {
            isLocked = false;
          }
        },
      },
    },
  });
  globalThis.BroadcastChannel = undefined as never;
  globalThis.fetch = async (_url, init) => {
    await new Promise((resolve) => realTimeout(resolve, 2));
    const status = answers.shift() ?? 200;
    if (status === 'away') throw new TypeError('away');
    bodies.push(JSON.parse(String(init?.body)) as { id: string });
    return new Response(JSON.stringify({ code: 'rounds/jot-unclear', title: 'Not understood', entryId: 'e' }), { status });
  };
});
afterEach(async () => {
  for (const stop of stops) stop();
  stops = [];
  await settle(1);
});
afterAll(() => {
  globalThis.setTimeout = realTimeout;
});

describe('the outbox', () => {
  it('keeps what could not be sent and sends it in order when the server is back, each once', async () => {
    answers = ['away', 503, 'away'];
    const outbox = openPage();
    await outbox.keepForLater(entry('1'));
    await outbox.keepForLater(entry('2'));
    await settle();
    expect(await waiting()).toEqual([]);
    expect(bodies.map(({ id }) => id).filter((id, i, all) => all.indexOf(id) === i)).toEqual(['1', '2']);
    expect([sent, refused]).toEqual([['jot', 'jot'], []]);
  });

  it('is still there after a reload, under the same ids', async () => {
    answers = Array<'away'>(400).fill('away');
    await openPage().keepForLater(entry('1'));
    expect(await waiting()).toEqual(['1']);
    answers = [];
    openPage();
    await settle();
    expect(bodies.map(({ id }) => id)).toContain('1');
    expect(await waiting()).toEqual([]);
  });

  it('sends what waits once, though two tabs are open', async () => {
    answers = ['away'];
    const [one, other] = [openPage(), openPage()];
    await Promise.all([one.keepForLater(entry('1')), other.keepForLater(entry('2')), one.keepForLater(entry('3'))]);
    await settle();
    expect(bodies.map(({ id }) => id).sort()).toEqual(['1', '2', '3']);
    expect(await waiting()).toEqual([]);
  });

  it('belongs to who typed it, in their house: another account sends nothing of it', async () => {
    answers = Array<'away'>(400).fill('away');
    await openPage('sitter in shed').keepForLater(entry('1'));
    await settle(2);
    [answers, bodies, sent] = [[], [], []];
    const keeper = openPage('keeper in shed');
    await settle(2);
    expect(bodies.filter(({ id }) => id !== '1')).toEqual([]);
    await keeper.keepForLater(entry('2'));
    await settle(3);
    expect(bodies.map(({ id }) => id)).toContain('2');
    await expect(openPage(null).keepForLater(entry('3'))).rejects.toThrow('Nobody is signed in');
  });

  it('tells of what was refused, and goes on with the rest', async () => {
    answers = [400, 200];
    const outbox = openPage();
    await outbox.keepForLater(entry('1'));
    await outbox.keepForLater(entry('2'));
    await settle();
    expect([refused, sent, await waiting()]).toEqual([['jot 1'], ['jot'], []]);
  });

  it('waits for signing in again instead of losing what was typed', async () => {
    answers = Array<number>(400).fill(401);
    await openPage().keepForLater(entry('1'));
    await settle(3);
    expect([refused, sent, await waiting()]).toEqual([[], [], ['1']]);
  });
});
