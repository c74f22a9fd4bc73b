/** What waits to be sent: kept over a reload, sent in order, once, and given up only when it was refused. */
type Outbox = typeof import('./outbox');

const store = new Map<string, string>();
const shim = {
  getItem: (key: string) => store.get(key) ?? null,
  setItem: (key: string, value: string) => void store.set(key, value),
};
let answers: (number | 'away')[];
let bodies: { id: string }[];
let sent: string[];
let refused: string[];

/** A page of its own: the module anew, over the same store. */
function openPage(): Outbox {
  let outbox: Outbox | null = null;
  jest.isolateModules(() => {
    outbox = jest.requireActual<Outbox>('./outbox');
  });
  if (!outbox) throw new Error('no outbox');
  return outbox;
}
const entry = (id: string) => ({
  name: 'jot' as const,
  body: { id, line: 'A1 25', at: '2026-03-10T08:00:00Z' },
  label: `jot ${id}`,
});
const waiting = () => (JSON.parse(store.get('freshet.outbox') ?? '[]') as { body: { id: string } }[]).map(({ body }) => body.id);
const settle = () => jest.advanceTimersByTimeAsync(10_000);

beforeEach(() => {
  jest.useFakeTimers();
  store.clear();
  [answers, bodies, sent, refused] = [[], [], [], []];
  Object.assign(globalThis, {
    localStorage: shim,
    window: { addEventListener: () => undefined, removeEventListener: () => undefined },
  });
  globalThis.fetch = (_url, init) => {
    const status = answers.shift() ?? 200;
    if (status === 'away') return Promise.reject(new TypeError('away'));
    bodies.push(JSON.parse(String(init?.body)) as { id: string });
    return Promise.resolve(
      new Response(JSON.stringify({ code: 'rounds/jot-unclear', title: 'Not understood', entryId: 'e' }), { status }),
    );
  };
});
afterEach(() => {
  jest.useRealTimers();
});

describe('the outbox', () => {
  it('keeps what could not be sent and sends it in order when the server is back, each once', async () => {
    answers = ['away', 503, 'away'];
    const outbox = openPage();
    outbox.startOutbox(
      (name) => sent.push(name),
      (label) => refused.push(label),
    );
    outbox.keepForLater(entry('1'));
    outbox.keepForLater(entry('2'));
    expect(waiting()).toEqual(['1', '2']);
    await settle();
    await settle();
    expect(waiting()).toEqual([]);
    expect(bodies.map(({ id }) => id).filter((id, i, all) => all.indexOf(id) === i)).toEqual(['1', '2']);
    expect(sent).toEqual(['jot', 'jot']);
    expect(refused).toEqual([]);
  });

  it('is still there after a reload, under the same ids', async () => {
    answers = Array<'away'>(20).fill('away');
    openPage().keepForLater(entry('1'));
    answers = [];
    const again = openPage();
    again.startOutbox(
      (name) => sent.push(name),
      () => undefined,
    );
    await settle();
    expect(bodies.map(({ id }) => id)).toContain('1');
    expect(waiting()).toEqual([]);
  });

  it('tells of what was refused, and goes on with the rest', async () => {
    answers = [400, 200];
    const outbox = openPage();
    outbox.startOutbox(
      (name) => sent.push(name),
      (label) => refused.push(label),
    );
    outbox.keepForLater(entry('1'));
    outbox.keepForLater(entry('2'));
    await settle();
    expect([refused, sent, waiting()]).toEqual([['jot 1'], ['jot'], []]);
  });

  it('waits for signing in again instead of losing what was typed', async () => {
    answers = [401, 401, 401, 401, 401, 401];
    const outbox = openPage();
    outbox.startOutbox(
      (name) => sent.push(name),
      (label) => refused.push(label),
    );
    outbox.keepForLater(entry('1'));
    await settle();
    expect([refused, sent, waiting()]).toEqual([[], [], ['1']]);
  });

  it('begins empty over a store that holds nonsense', () => {
    store.set('freshet.outbox', '{broken');
    openPage().keepForLater(entry('1'));
    expect(waiting()).toEqual(['1']);
  });
});
