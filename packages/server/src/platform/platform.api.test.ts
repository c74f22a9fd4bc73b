import { QueryTypes } from 'sequelize';
import { v7 as newId } from 'uuid';
import { openTestHouse, type TestHouse } from '../testing/testHouse';
import { isDatabaseAway, isDuplicate } from './database';
import { groupBy } from './groupBy';
import { withWriting, type Writing } from './access';
import { houseTable, declareTable, type RowOf, text, instant, json, nullable, flag } from './houseTable';
import { atLeast } from './mount';
import { fixedClock } from './clock';

const NOTE = declareTable('notes', {
  text: text(),
  at: instant(),
  facts: nullable(json<{ depth: number }>()),
  flag: flag(),
});
type Note = RowOf<typeof NOTE>;

let test: TestHouse;
let notes: ReturnType<typeof houseTable<typeof NOTE.columns>>;
const [HERE, THERE] = [{ houseId: newId() }, { houseId: newId() }];
/** Reads and single writes of a house. */
const at = (house: typeof HERE) => test.database.reading(house);
const write = <T>(house: typeof HERE, work: (writing: Writing) => Promise<T>) => test.database.writing(house, work);
const insert = (rows: Note | Note[]) => write(HERE, (writing) => notes.insert(writing, rows));
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
  notes = houseTable(test.database, NOTE);
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
    await insert([row, note({ text: 'second', facts: null, flag: false })]);
    expect(await notes.get(at(HERE), row.id)).toEqual(row);
    expect((await notes.find(at(HERE), { text: 'second' }))[0]).toMatchObject({ facts: null, flag: false });
  });

  it('keeps houses apart in every call', async () => {
    const row = note();
    await insert(row);
    expect(await notes.get(at(THERE), row.id)).toBeNull();
    expect(await notes.find(at(THERE))).toEqual([]);
    await write(THERE, async (writing) => {
      expect(await notes.update(writing, { id: row.id }, { text: 'stolen' })).toBe(0);
      await notes.undo(writing, row.entryId);
    });
    expect(await notes.get(at(HERE), row.id)).toEqual(row);
  });

  it('hides undone rows, and lets their unique names be used again', async () => {
    const row = note({ text: 'A1' });
    await insert(row);
    const twice: unknown = await insert(note({ text: 'A1' })).catch((error: unknown) => error);
    expect(isDuplicate(twice)).toBe(true);
    await write(HERE, (writing) => notes.undo(writing, row.entryId));
    expect(await notes.get(at(HERE), row.id)).toBeNull();
    expect(await notes.find(at(HERE), {}, { all: true })).toHaveLength(1);
    await insert(note({ text: 'A1' }));
    expect(await notes.find(at(HERE))).toHaveLength(1);
  });

  it('treats text as text: nothing typed reaches the database as a command', async () => {
    const text = "'); DROP TABLE notes; --";
    await insert(note({ text }));
    expect((await notes.find(at(HERE), { text }))[0]?.text).toBe(text);
  });
});

describe('a transaction', () => {
  it('is whole or not at all', async () => {
    await expect(
      write(HERE, async (writing) => {
        await notes.insert(writing, note({ text: 'half' }));
        throw new Error('stop here');
      }),
    ).rejects.toThrow('stop here');
    expect(await notes.find(at(HERE))).toEqual([]);
  });

  it('is what reads inside of it take: a plain read there is a fault, not a second connection', async () => {
    await insert(note({ text: 'seen' }));
    await write(HERE, async (writing) => {
      await notes.update(writing, { text: 'seen' }, { text: 'changed' });
      expect(await notes.find(writing, { text: 'changed' })).toHaveLength(1);
      await expect(notes.find(at(HERE))).rejects.toThrow('takes the scope of the write');
    });
    expect(await notes.find(at(HERE), { text: 'changed' })).toHaveLength(1);
  });

  it('finds the newest row of each key by one look', async () => {
    const [early, late] = [note({ text: 'one' }), note({ text: 'two', at: '2026-03-11T08:00:00.000Z' })];
    await insert([early, late, note({ text: 'three', entryId: early.entryId, at: '2026-03-12T08:00:00.000Z' })]);
    const newest = await notes.newestBy(at(HERE), 'entryId', [early.entryId, late.entryId, newId()]);
    expect(newest.map(({ text: words }) => words).sort()).toEqual(['three', 'two']);
    expect(await notes.newestBy(at(HERE), 'entryId', [])).toEqual([]);
  });

  it('is tried again by itself when two lock each other out', async () => {
    const [a, b] = [note({ text: 'a' }), note({ text: 'b' })];
    await insert([a, b]);
    let tries = 0;
    // As two servers would: writes of one server come in turn.
    const touch = (first: Note, second: Note) =>
      test.database.inTransaction((tx) =>
        withWriting(HERE, tx, async (writing) => {
          tries++;
          await notes.update(writing, { id: first.id }, { flag: false });
          await new Promise((resolve) => setTimeout(resolve, 150));
          await notes.update(writing, { id: second.id }, { flag: false });
        }),
      );
    await Promise.all([touch(a, b), touch(b, a)]);
    expect(tries).toBeGreaterThan(2);
    expect((await notes.find(at(HERE))).every((row) => !row.flag)).toBe(true);
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
