import { alarmLines, type Alarm, type AlarmTopic } from '.';

const alarm = (key: string, topic: AlarmTopic | null, more: Partial<Alarm> = {}): Alarm => ({
  key,
  severity: 'now',
  title: `${key} is wrong.`,
  text: `See to ${key}.`,
  subject: { kind: 'tank', id: key },
  ...(topic ? { about: { topic, part: `${key}: so and so` } } : {}),
  ...more,
});
const read = (...alarms: Alarm[]) =>
  alarmLines(alarms).map(({ severity, title, parts }) => [severity, title, ...parts.map(({ words }) => words)].join(' | '));

describe('what needs the keeper', () => {
  it('is a line an alarm, in their order, with its own words and way', () => {
    expect(read(alarm('A', null), alarm('B', 'cold'), alarm('C', 'warm'))).toEqual([
      'now | A is wrong.',
      'now | B is wrong.',
      'now | C is wrong.',
    ]);
    expect(alarmLines([alarm('B', 'cold')])[0]).toMatchObject({ text: 'See to B.', subject: { id: 'B' }, parts: [] });
  });

  it('is one line for all of a kind, where its first stood, as pressing as that, with each place and its way', () => {
    const soon = { severity: 'soon' } as const;
    expect(
      read(alarm('A', 'cold'), alarm('B', null), alarm('C', 'cold'), alarm('D', null, soon), alarm('E', 'cold', soon)),
    ).toEqual([
      'now | 3 tanks are too cold. | A: so and so | C: so and so | E: so and so',
      'now | B is wrong.',
      'soon | D is wrong.',
    ]);
    const [line] = alarmLines([alarm('A', 'cold'), alarm('C', 'cold')]);
    expect(line).toMatchObject({ subject: null, text: 'Check the heaters and the room. Change it slowly, over hours.' });
    expect(line?.parts.map(({ subject }) => subject?.id)).toEqual(['A', 'C']);
  });
});
