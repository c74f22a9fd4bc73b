import { ApiProblem, request, send, touchedBy, urlOf } from './api';

const answer = (status: number, body: unknown) =>
  new Response(typeof body === 'string' ? body : JSON.stringify(body), {
    status,
    headers: { 'content-type': 'application/json' },
  });
let sent: { url: string; init: RequestInit | undefined }[];
let next: () => Promise<Response>;

beforeEach(() => {
  sent = [];
  globalThis.fetch = (url, init) => {
    sent.push({ url: String(url), init });
    return next();
  };
});

describe('addresses', () => {
  it('carry their path and only the query that is given, safely', () => {
    expect(urlOf('readings', { tankId: 'a/b c' }, { days: '42', other: undefined })).toBe(
      '/api/tanks/a%2Fb%20c/readings?days=42',
    );
    expect(urlOf('round')).toBe('/api/rounds');
    expect(touchedBy('move')).toContain('/api/rounds');
  });
});

describe('a request', () => {
  it('sends JSON with the session, and gives back what came', async () => {
    next = () => Promise.resolve(answer(200, { entryId: 'e', replayed: false, subjectId: null }));
    const reply = await send('undo', { id: 'i', entryId: 'e' });
    expect(reply.entryId).toBe('e');
    expect(sent[0]).toMatchObject({
      url: '/api/undos',
      init: { method: 'POST', credentials: 'same-origin', body: '{"id":"i","entryId":"e"}' },
    });
  });

  it('turns a refusal into a problem with its fields', async () => {
    next = () =>
      Promise.resolve(
        answer(409, {
          code: 'spawning/tank-booked',
          title: 'The tank is booked',
          detail: 'Held until Friday.',
          overridable: true,
          errors: [{ pointer: '#/tankId', detail: 'Held.' }],
        }),
      );
    const problem: unknown = await request('POST', '/api/attempts', {}).catch((error: unknown) => error);
    expect(problem).toBeInstanceOf(ApiProblem);
    expect(problem).toMatchObject({
      code: 'spawning/tank-booked',
      status: 409,
      message: 'Held until Friday.',
      overridable: true,
      passing: false,
      errors: [{ pointer: '#/tankId' }],
    });
  });

  it('knows what may pass by itself: no answer at all, or a database that is away', async () => {
    next = () => Promise.reject(new TypeError('failed to fetch'));
    await expect(request('GET', '/api/rounds')).rejects.toMatchObject({ code: 'network', passing: true });
    next = () => Promise.resolve(answer(503, { code: 'platform/database-away', title: 'The database does not answer' }));
    await expect(request('GET', '/api/rounds')).rejects.toMatchObject({ passing: true, message: 'The database does not answer' });
    next = () => Promise.resolve(answer(500, 'not even JSON'));
    await expect(request('GET', '/api/rounds')).rejects.toMatchObject({ code: 'platform/internal', passing: false });
  });
});
