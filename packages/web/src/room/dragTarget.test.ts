import { placeAt, tankAt, tankBeside } from './dragTarget';
import { computeElevation, type Rack, type Tank } from './layoutRoom';
import { testTank as tank } from './testTank';
import { overlayLegend, overlayMark, OVERLAYS } from './overlay';

const shelf = (id: string, level: number, tanks: Tank[]): Rack['shelves'][number] => ({
  id,
  level,
  lengthCm: 200,
  depthCm: 60,
  heightCm: 50,
  loadLimitKg: 150,
  loadKg: 0,
  tanks,
});
const RACKS: Rack[] = [
  {
    id: 'A',
    code: 'A',
    name: 'A',
    kind: 'rack',
    position: 1,
    quarantine: false,
    sump: null,
    tools: null,
    quarantineDays: 28,
    shelves: [
      shelf('top', 1, [tank('A1', 'top', 0), tank('A2', 'top', 61)]),
      shelf('low', 2, [tank('A3', 'low', 0), tank('A4', 'low', 100)]),
    ],
  },
];
const elevation = computeElevation(RACKS, 420, Infinity, 2);
const placed = (code: string) => {
  const found = elevation.tanks.find(({ drawn }) => drawn.tank.code === code);
  if (!found) throw new Error(code);
  return found;
};

describe('what is dragged in the room', () => {
  it('finds the tank under a point, and beside it by the arrows', () => {
    const { box } = placed('A2');
    expect(tankAt(elevation, box.x + 5, box.y + 5)?.drawn.tank.code).toBe('A2');
    expect(tankAt(elevation, box.x + box.width + 30, box.y + 5)).toBeNull();
    const first = placed('A1').box;
    const middle = { x: first.x + first.width / 2, y: first.y + first.height / 2 };
    const beside = (key: string) => tankBeside(elevation, middle, key)?.drawn.tank.code;
    expect([beside('ArrowRight'), beside('ArrowDown'), beside('ArrowLeft'), beside('ArrowUp')]).toEqual([
      'A2',
      'A3',
      undefined,
      undefined,
    ]);
  });

  it('joins a tank to its neighbour when near, stands free elsewhere, and says what is in the way', () => {
    const low = elevation.shelves.find(({ shelf: one }) => one.id === 'low');
    const drop = (leftCm: number) => placeAt(elevation, placed('A1'), (low?.x ?? 0) + leftCm * (low?.pxPerCm ?? 1), low?.y ?? 0);
    expect(drop(62)).toMatchObject({ leftCm: 61, decision: { ok: false, field: 'leftCm', hard: true } });
    expect(drop(139)?.leftCm).toBe(140);
    // Three tanks of 60 kg are too much for 150.
    expect(drop(163)?.decision).toMatchObject({ ok: false, field: 'lengthCm' });
    expect(placeAt(elevation, placed('A1'), -500, 0)).toBeNull();
    const own = placed('A2');
    expect(placeAt(elevation, own, own.box.x + 20, own.box.y + own.box.height)).toMatchObject({
      leftCm: 71,
      decision: { ok: true },
    });
  });
});

describe('an overlay', () => {
  const house = { today: '2026-03-10', timeZone: 'Europe/Dublin', units: { temperature: 'degC', volume: 'L' } } as const;
  const life = (more: object) =>
    ({
      tempC: { value: 24.6, at: '2026-03-10T07:00:00Z' },
      nitrate: { ppm: 41, at: '2026-03-09T07:00:00Z' },
      lastChange: '2026-03-03T07:00:00Z',
      crowding: 1.2,
      tightOn: '2026-03-15',
      freeOn: '2026-03-10',
      readiness: { state: 'cycling' },
      ...more,
    }) as never;

  it('marks each tank by how much, in words that fit, and knows what it does not know', () => {
    const mark = (overlay: Exclude<(typeof OVERLAYS)[number], 'life'>, more = {}) => overlayMark(overlay, life(more), house);
    expect(mark('temperature')).toEqual({ step: 2, text: '24.6°' });
    expect(overlayMark('temperature', life({}), { ...house, units: { temperature: 'degF', volume: 'galUS' } }).text).toBe(
      '76.3°',
    );
    expect(mark('nitrate')).toEqual({ step: 4, text: '41' });
    expect(mark('change')).toEqual({ step: 2, text: '7 d' });
    expect(mark('crowding')).toEqual({ step: 4, text: '120 %' });
    expect(mark('tight')).toEqual({ step: 3, text: 'Sun 15 Mar' });
    expect(mark('tight', { tightOn: '2026-03-10' })).toEqual({ step: 4, text: 'now' });
    expect(mark('tight', { tightOn: null }).step).toBeNull();
    expect(mark('readiness')).toEqual({ step: 3, text: 'cycling' });
    expect(mark('free')).toEqual({ step: 0, text: 'free' });
    expect(mark('nitrate', { nitrate: null })).toEqual({ step: null, text: '–' });
    expect(overlayMark('change', undefined, house).step).toBeNull();
  });

  it('has a legend that names each of its steps once', () => {
    for (const overlay of OVERLAYS) {
      if (overlay === 'life') continue;
      const legend = overlayLegend(overlay, house);
      expect(legend.map(({ step }) => step)).toEqual([0, 1, 2, 3, 4, null]);
      expect(new Set(legend.map(({ words }) => words)).size).toBe(6);
    }
  });
});
