import { readStream } from './streamReading';

const at = (day: number) => new Date(Date.parse('2026-03-01T00:00:00Z') + day * 86_400_000).toISOString();
const ms = (day: number) => Date.parse(at(day));
const stream: Parameters<typeof readStream>[0] = {
  alive: 60,
  bands: [
    {
      lotId: 'a',
      parentLotId: null,
      points: [
        { at: at(0), count: 100, cause: 'birth', change: 100 },
        { at: at(4), count: 60, cause: 'split', change: -40 },
      ],
      forecast: [
        { at: at(10), low: 54, mid: 60, high: 66 },
        { at: at(20), low: 20, mid: 40, high: 60 },
      ],
      counted: { at: at(8), low: 0.9, high: 1.1 },
    },
    {
      lotId: 'b',
      parentLotId: 'a',
      points: [{ at: at(4), count: 40, cause: 'split', change: 40 }],
      forecast: [],
      counted: null,
    },
  ],
};

describe('a stream read at a moment', () => {
  it('tells who lived then, what changed it last, and nothing of bands that had not begun', () => {
    expect(readStream(stream, ms(2), ms(10))).toMatchObject([{ lotId: 'a', count: 100, low: 100, high: 100, isExpected: false }]);
    expect(readStream(stream, ms(5), ms(10))).toMatchObject([
      { count: 60, change: { by: -40, cause: 'split', at: at(4) } },
      { lotId: 'b', count: 40 },
    ]);
  });

  it('tells the range of an unsure count from that count on', () => {
    expect(readStream(stream, ms(7), ms(10))[0]).toMatchObject({ low: 60, high: 60 });
    expect(readStream(stream, ms(9), ms(10))[0]).toMatchObject({ count: 60, low: 54, high: 66 });
  });

  it('tells what is expected between two points ahead, and stays at the last', () => {
    expect(readStream(stream, ms(15), ms(10))).toEqual([
      { lotId: 'a', count: 50, low: 37, high: 63, isExpected: true, change: null },
    ]);
    expect(readStream(stream, ms(40), ms(10))[0]).toMatchObject({ count: 40, low: 20, high: 60 });
  });
});
