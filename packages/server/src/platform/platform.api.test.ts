import { QueryTypes } from 'sequelize';
import { v7 as newId } from 'uuid';
import { openTestHouse, type TestHouse } from '../testing/testHouse';
import { isDatabaseAway, isDuplicate } from './database';
import { groupBy } from './groupBy';
import { houseTable, type HouseRow } from './houseTable';
import { atLeast } from './mount';
import { fixedClock } from './clock';

interface Note extends HouseRow {
  text: string;
  at: string;
  facts: { depth: number } | null;
  flag: boolean;
}

let test: TestHouse;
let notes: ReturnType<typeof houseTable<Note>>;
const [HERE, THERE] = [newId(), newId()];
const note = (more: Partial<Note> = {}): Note => ({
  id: newId(),
  entryId: newId(),
  text: 'a note',
  at: '2026-03-10T08:00:00.123Z',
  facts: { depth: 2 },
  flag: true,
  ...more,
});

beforeAll(async () => {
  test = await openTestHouse('2026-03-10T08:00:00.000Z');
  await test.database.sequelize.query(
    'CREATE TABLE notes (id CHAR(36) CHARACTER SET ascii PRIMARY KEY, house_id CHAR(36) CHARACTER SET ascii NOT NULL, entry_id CHAR(36) CHARACTER SET ascii NOT NULL, live TINYINT NULL, text VARCHAR(80) NOT NULL, at DATETIME(3) NOT NULL, facts LONGTEXT NULL, flag BOOLEAN NOT NULL, UNIQUE KEY notes_text (house_id, text, live)) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4',
    { type: QueryTypes.RAW },
  );
  notes = houseTable<Note>(test.database, 'notes', { text: 'text', at: 'instant', facts: 'json', flag: 'flag' });
});
afterAll(async () => {
  await test.close();
});
beforeEach(async () => {
  await test.database.sequelize.query('DELETE FROM notes', { type: QueryTypes.RAW });
});

describe('the table of a house', () => {
  it('gives back what was put in: instants to the millisecond, lists and flags', async () => {
    const row = note({ text: 'Añejo, 鱼 & "quotes"' });
    await notes.insert(HERE, [row, note({ text: 'second', facts: null, flag: false })]);
    expect(await notes.get(HERE, row.id)).toEqual(row);
    expect((await notes.find(HERE, { text: 'second' }))[0]).toMatchObject({ facts: null, flag: false });
  });

  it('keeps houses apart in every call', async () => {
    const row = note();
    await notes.insert(HERE, row);
    expect(await notes.get(THERE, row.id)).toBeNull();
    expect(await notes.find(THERE)).toEqual([]);
    await test.database.inTransaction(async (tx) => {
      expect(await notes.update(THERE, { id: row.id }, { text: 'stolen' }, tx)).toBe(0);
      await notes.undo(THERE, row.entryId, tx);
    });
    expect(await notes.get(HERE, row.id)).toEqual(row);
  });

  it('hides undone rows, and lets their unique names be used again', async () => {
    const row = note({ text: 'A1' });
    await notes.insert(HERE, row);
    const twice: unknown = await notes.insert(HERE, note({ text: 'A1' })).catch((error: unknown) => error);
    expect(isDuplicate(twice)).toBe(true);
    await test.database.inTransaction((tx) => notes.undo(HERE, row.entryId, tx));
    expect(await notes.get(HERE, row.id)).toBeNull();
    expect(await notes.find(HERE, {}, { all: true })).toHaveLength(1);
    await notes.insert(HERE, note({ text: 'A1' }));
    expect(await notes.find(HERE)).toHaveLength(1);
  });

  it('treats text as text: nothing typed reaches the database as a command', async () => {
    const text = "'); DROP TABLE notes; --";
    await notes.insert(HERE, note({ text }));
    expect((await notes.find(HERE, { text }))[0]?.text).toBe(text);
  });
});

describe('a transaction', () => {
  it('is whole or not at all', async () => {
    await expect(
      test.database.inTransaction(async (tx) => {
        await notes.insert(HERE, note({ text: 'half' }), tx);
        throw new Error('stop here');
      }),
    ).rejects.toThrow('stop here');
    expect(await notes.find(HERE)).toEqual([]);
  });

  it('is tried again by itself when two lock each other out', async () => {
    const [a, b] = [note({ text: 'a' }), note({ text: 'b' })];
    await notes.insert(HERE, [a, b]);
    let tries = 0;
    const touch = (first: Note, second: Note) =>
      test.database.inTransaction(async (tx) => {
        tries++;
        await notes.update(HERE, { id: first.id }, { flag: false }, tx);
        await new Promise((resolve) => setTimeout(resolve, 150));
        await notes.update(HERE, { id: second.id }, { flag: false }, tx);
      });
    await Promise.all([touch(a, b), touch(b, a)]);
    expect(tries).toBeGreaterThan(2);
    expect((await notes.find(HERE)).every((row) => !row.flag)).toBe(true);
  });
});

describe('small parts', () => {
  it('tell a database that is away from a statement that is wrong', async () => {
    const wrong: unknown = await test.database.sequelize
      .query('SELECT nonsense FROM nowhere', { type: QueryTypes.SELECT })
      .catch((error: unknown) => error);
    expect(isDatabaseAway(wrong)).toBe(false);
    expect(isDatabaseAway({ parent: { code: 'ECONNREFUSED' } })).toBe(true);
    expect(isDatabaseAway({ parent: { errno: 1927 } })).toBe(true);
    expect(isDatabaseAway(null)).toBe(false);
  });

  it('order roles: who may more may all of less', () => {
    const may = (['viewer', 'sitter', 'keeper'] as const).map((role) =>
      (['viewer', 'sitter', 'keeper'] as const).map((least) => atLeast(role, least)),
    );
    expect(may).toEqual([
      [true, false, false],
      [true, true, false],
      [true, true, true],
    ]);
  });

  it('group rows in their order, and refuse a clock that shows no time', () => {
    expect([...groupBy([1, 2, 3, 4], (n) => (n % 2 ? 'odd' : 'even'))]).toEqual([
      ['odd', [1, 3]],
      ['even', [2, 4]],
    ]);
    expect(fixedClock('2026-03-10T08:00:00Z').now()).toBe('2026-03-10T08:00:00.000Z');
    expect(() => fixedClock('this morning')).toThrow();
  });
});
