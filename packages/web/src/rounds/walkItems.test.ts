import type { Chore, Stop } from './chore';
import { choresOf, walkItems } from './walkItems';

const chore = (key: string): Chore => ({ key, outcome: null }) as Chore;
const stop = (code: string, keys: string[], more: Partial<Stop> = {}): Stop =>
  ({ tankId: code, code, rackCode: code.slice(0, 1), chores: keys.map(chore), meals: [], notes: [], ...more }) as unknown as Stop;
const meal = (rackCode: string, walk: number, stops: Record<string, string[]>) => ({
  rackCode,
  walk,
  words: `Feed rack ${rackCode}`,
  stops: Object.entries(stops).map(([tankId, keys]) => ({ tankId, keys })),
});
const read = (round: Parameters<typeof walkItems>[0]) =>
  walkItems(round).map((item) => {
    const what = item.kind === 'stop' ? item.stop.code : `rack ${item.feeding.rackCode}, walk ${item.feeding.walk + 1}`;
    return `${item.number} ${what}: ${choresOf(item)
      .map(({ key }) => key)
      .join(' ')}`;
  });

describe('the walk as it is gone', () => {
  it('feeds a rack first, then stops where more is to do', () => {
    const stops = [
      stop('A1', ['feed1', 'change']),
      stop('A2', ['feed2']),
      stop('A3', ['feed3'], { notes: ['She’s carrying.'] }),
      stop('B1', ['feed4']),
    ];
    expect(read({ stops, rackMeals: [meal('A', 0, { A1: ['feed1'], A2: ['feed2'], A3: ['feed3'] })] })).toEqual([
      '1 rack A, walk 1: feed1 feed2 feed3',
      '2 A1: change',
      '3 B1: feed4',
    ]);
  });

  it('keeps a meal in its stop where the rack has none, and feeds a rack once for each walk though it is come by twice', () => {
    const line = { walk: 0, words: 'Feed x', keys: ['a', 'b'] };
    const ill = stop('A2', ['look'], { quarantine: true });
    const stops = [stop('A1', ['a', 'b', 'late'], { meals: [line] }), stop('B1', ['c']), ill];
    expect(walkItems({ stops, rackMeals: [] })[0]?.stop?.meals).toEqual([line]);
    expect(read({ stops, rackMeals: [meal('A', 0, { A1: ['a', 'b'] }), meal('A', 1, { A1: ['late'] })] })).toEqual([
      '1 rack A, walk 2: late',
      '2 rack A, walk 1: a b',
      '3 B1: c',
      '4 A2: look',
    ]);
  });

  it('keeps a stop that has only something to know', () => {
    expect(read({ stops: [stop('Y1', [], { notes: ['Too cold to feed.'] }), stop('Y2', [])], rackMeals: [] })).toEqual([
      '1 Y1: ',
      '2 Y2: ',
    ]);
  });
});
