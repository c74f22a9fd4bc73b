import { Op } from 'sequelize';
import { declareTable, houseTable, id, instant, text, type Database, type Reading, OLDEST_FIRST } from '../platform';

const ILLNESS = declareTable('illnesses', { tankId: id(), at: instant(), what: text() });
const CONTACT = declareTable('contacts', {
  fromTankId: id(),
  toTankId: id(),
  kind: text<'tools' | 'water'>(),
  at: instant(),
});

export function createBiosecurityRepository(database: Database) {
  const illnesses = houseTable(database, ILLNESS);
  const contacts = houseTable(database, CONTACT);
  const since = (at: string) => ({ at: { [Op.gte]: at } });
  return {
    illnesses,
    contacts,
    contactsSince: (at: Reading, from: string) => contacts.find(at, since(from)),
    /** Oldest first. */
    illnessesSince: (at: Reading, from: string) => illnesses.find(at, since(from), OLDEST_FIRST),
  };
}
