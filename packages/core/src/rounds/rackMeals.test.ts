import { chore, choreKinds, feedWords, type Chore } from '../agenda';
import { rackMeals } from './rackMeals';

const KINDS = choreKinds({ feed: { seconds: 30, meal: true, words: 'feed' }, look: { seconds: 10, words: 'look' } });
const fed = (subject: string, food: string, value: number, unit: string, more: Partial<Chore> = {}): Chore =>
  chore(KINDS.feed, { subject, day: '2026-03-10', text: feedWords(food), amount: { value, unit }, amountText: 'x', ...more });
const stop = (tankId: string, chores: Chore[], more: { rackCode?: string; quarantine?: boolean } = {}) => ({
  tankId,
  rackCode: 'A',
  quarantine: false,
  chores,
  ...more,
});
const outcome = { entryId: 'e', status: 'done' as const, amount: null, by: 'Ada' };
const ml = (code: string, value: number, more: Partial<Chore> = {}) => stop(code, [fed(code, 'brine shrimp', value, 'ml', more)]);
const said = (...stops: ReturnType<typeof stop>[]) =>
  rackMeals(stops).map(({ rackCode, walk, words }) => `${rackCode}${walk + 1} ${words}`);

describe('what a rack is fed', () => {
  it('is one line from three tanks on, with what to have in hand', () => {
    expect(said(ml('A1', 4.5), ml('A2', 0.1))).toEqual([]);
    expect(said(ml('A1', 4.5), ml('A2', 0.1), ml('A3', 0.2))).toEqual(['A1 Feed rack A, 3 tanks: brine shrimp 4.8 ml']);
    const mixed = stop('A3', [fed('A3', 'pellets', 1, 'pinch'), fed('A3b', 'brine shrimp', 1, 'ml')]);
    expect(said(ml('A1', 1), mixed, stop('A4', [fed('A4', 'pellets', 0.5, 'g')]))).toEqual([
      'A1 Feed rack A, 3 tanks: brine shrimp 2 ml; pellets 1 pinch and 0.5 g',
    ]);
    // What is not measured is named all the same.
    const trace = stop('A3', [fed('A3', 'crushed flake', 1, 'trace')]);
    expect(said(ml('A1', 1), ml('A2', 1), trace)).toEqual(['A1 Feed rack A, 3 tanks: brine shrimp 2 ml; crushed flake']);
  });

  it('is a line a walk and rack; quarantine, benches and what is no meal stay apart', () => {
    const later = { walk: 1 };
    expect(said(ml('A1', 1), ml('A2', 1), ml('A3', 1), ml('A1', 2, later), ml('A2', 2, later), ml('A3', 2, later))).toEqual([
      'A1 Feed rack A, 3 tanks: brine shrimp 3 ml',
      'A2 Feed rack A, 3 tanks: brine shrimp 6 ml',
    ]);
    const look = stop('A3', [chore(KINDS.look, { subject: 'x', day: '2026-03-10', text: 'Look' })]);
    expect(said(ml('A1', 1), ml('A2', 1), look)).toEqual([]);
    expect(said(ml('A1', 1), ml('A2', 1), { ...ml('A3', 1), quarantine: true })).toEqual([]);
    expect(said(ml('A1', 1), ml('A2', 1), { ...ml('B1', 1), rackCode: 'B' })).toEqual([]);
    const bench = ['x', 'y', 'z'].map((code) => ({ ...ml(code, 1), rackCode: '' }));
    expect(said(...bench)).toEqual([]);
  });

  it('says what is still to be fed; a rack that is fed keeps its line, with all it was', () => {
    const stops = [ml('A1', 4, { outcome }), ml('A2', 1), ml('A3', 2)];
    expect(said(...stops)).toEqual(['A1 Feed rack A, 2 tanks: brine shrimp 3 ml']);
    expect(rackMeals(stops)[0]?.stops.map(({ tankId, keys }) => [tankId, keys])).toEqual([
      ['A1', ['feed:A1:2026-03-10']],
      ['A2', ['feed:A2:2026-03-10']],
      ['A3', ['feed:A3:2026-03-10']],
    ]);
    expect(said(ml('A1', 4, { outcome }), ml('A2', 1, { outcome }), ml('A3', 2, { outcome }))).toEqual([
      'A1 Feed rack A, 3 tanks: brine shrimp 7 ml',
    ]);
    expect(said(ml('A1', 4, { outcome }), ml('A2', 1, { outcome }), ml('A3', 2))).toEqual([
      'A1 Feed rack A, 1 tank: brine shrimp 2 ml',
    ]);
  });
});
