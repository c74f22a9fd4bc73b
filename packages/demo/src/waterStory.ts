import { tankLoad } from '@freshet/core/room';
import type { Places } from './broodStory';
import { RACKS } from './room';
import type { Story } from './story';

type WaterKey = 'tap' | 'rain' | 'ro' | 'aged';
/** How the tanks of the shed are changed: share, days between, ceiling, water, what comes into the water each day, mg/L. */
interface RegimePlan {
  tanks: string[];
  fraction: number;
  everyDays: number | null;
  ceilingPpm: number | null;
  water: WaterKey;
  ppmPerDay: number;
  /** Days ago of the last change. */
  last: number;
}

const REGIMES: readonly RegimePlan[] = [
  { tanks: ['A3.1', 'A3.2', 'A3.3'], fraction: 0.3, everyDays: 7, ceilingPpm: 40, water: 'tap', ppmPerDay: 1.6, last: 3 },
  { tanks: ['A3.4'], fraction: 0.2, everyDays: 7, ceilingPpm: 40, water: 'tap', ppmPerDay: 1.2, last: 5 },
  { tanks: ['A2.1', 'A2.2', 'A2.3'], fraction: 0.3, everyDays: 7, ceilingPpm: 40, water: 'tap', ppmPerDay: 1.2, last: 7 },
  {
    tanks: ['A1.1', 'A1.2', 'A1.3', 'A1.4', 'A1.5'],
    fraction: 0.5,
    everyDays: 1,
    ceilingPpm: 20,
    water: 'aged',
    ppmPerDay: 2,
    last: 1,
  },
  { tanks: ['A2.5', 'B1.3'], fraction: 0.4, everyDays: 3, ceilingPpm: 30, water: 'aged', ppmPerDay: 4, last: 3 },
  { tanks: ['B2.1', 'B2.2'], fraction: 0.25, everyDays: 7, ceilingPpm: 20, water: 'rain', ppmPerDay: 0.5, last: 4 },
  { tanks: ['B3.2'], fraction: 0.1, everyDays: null, ceilingPpm: 15, water: 'ro', ppmPerDay: 0.04, last: 24 },
  {
    tanks: ['B1.2', 'B3.1', 'B3.3', 'B2.4'],
    fraction: 0.25,
    everyDays: 4,
    ceilingPpm: 30,
    water: 'aged',
    ppmPerDay: 1.5,
    last: 2,
  },
];
const NITRATE: Record<WaterKey, number> = { tap: 8, rain: 1, ro: 0, aged: 7 };
const HISTORY_DAYS = 70;
const READ_EVERY = 9;

const litresOf = (code: string): number => {
  const plan = RACKS.flatMap((rack) => rack.shelves.flatMap((shelf) => shelf.tanks)).find((tank) => tank.code === code);
  if (!plan) return 30;
  const [lengthCm, widthCm, heightCm] = plan.size;
  return tankLoad({ lengthCm, widthCm, heightCm, waterHeightCm: plan.water }).waterLitres;
};
const round = (value: number, step: number) => Math.round(value / step) * step;

function tellSources(story: Story): Record<WaterKey, string> {
  const begin = story.daysAgo(400, '09:00');
  const ids = {} as Record<WaterKey, string>;
  for (const [key, name, kind] of [
    ['tap', 'Tap', 'tap'],
    ['rain', 'Rain butt', 'rain'],
    ['ro', 'Osmosis', 'osmosis'],
    ['aged', 'Aged tap', 'aged'],
  ] as const) {
    ids[key] = story.newId(begin);
    story.write(begin, 'addWater', { id: story.newId(begin), waterId: ids[key], name, kind });
  }
  const analyse = (key: WaterKey, daysAgo: number, values: [tempC: number, gh: number, kh: number, tds: number, ph: number]) => {
    const at = story.daysAgo(daysAgo, '09:30');
    const [tempC, ghDeg, khDeg, tdsPpm, ph] = values;
    story.write(at, 'addAnalysis', {
      id: story.newId(at),
      waterId: ids[key],
      at,
      tempC,
      ghDeg,
      khDeg,
      tdsPpm,
      ph,
      nitratePpm: NITRATE[key],
    });
  };
  // The tap is hardest and coldest in late winter, softest in summer.
  for (let daysAgo = 396; daysAgo > 3; daysAgo -= 33) {
    const month = Number(story.day(daysAgo).slice(5, 7));
    const winter = (1 + Math.cos((2 * Math.PI * (month - 2)) / 12)) / 2;
    analyse('tap', daysAgo, [
      round(17 - 7 * winter, 0.5),
      round(10.5 + 4 * winter + story.random.between(-0.4, 0.4), 0.5),
      round(8 + 3.4 * winter, 0.5),
      round(262 + 88 * winter + story.random.between(-6, 6), 1),
      round(7.4 + 0.2 * winter, 0.1),
    ]);
  }
  analyse('tap', 3, [11, 14, 11, 340, 7.6]);
  for (const daysAgo of [300, 210, 95, 12])
    analyse('rain', daysAgo, [daysAgo > 150 && daysAgo < 250 ? 15 : 9, 0.5, 0.3, 14, 5.9]);
  analyse('ro', 40, [15, 0, 0, 6, 6.2]);
  analyse('aged', 10, [19, 14, 10.5, 338, 8.1]);
  return ids;
}

/** Source waters, instruments, regimes with ten weeks of changes, and readings that go with them. */
export function tellWater(story: Story, places: Places): void {
  const waters = tellSources(story);
  const begin = story.daysAgo(HISTORY_DAYS + 1, '09:10');
  const meters: Record<string, string> = {};
  for (const [key, name, quantity, method, everyDays, calibratedDaysAgo] of [
    ['ph', 'pH pen', 'ph', 'meter', 30, 44],
    ['tds', 'TDS pen', 'tdsPpm', 'meter', 180, 60],
    ['no3', 'Nitrate drops', 'nitratePpm', 'drops', null, null],
    ['strip', 'Test strips', 'ph', 'strip', null, null],
  ] as const) {
    meters[key] = story.newId(begin);
    story.write(begin, 'addMeter', { id: story.newId(begin), meterId: meters[key], name, quantity, method, everyDays });
    if (calibratedDaysAgo === null) continue;
    const at = story.daysAgo(calibratedDaysAgo, '09:20');
    story.write(at, 'calibrate', { id: story.newId(at), meterId: meters[key], at });
  }
  const read = (
    code: string,
    quantity: 'nitratePpm' | 'ph' | 'ghDeg' | 'khDeg' | 'tdsPpm',
    value: number,
    daysAgo: number,
    time = '17:50',
    key = 'no3',
    method: 'drops' | 'meter' | 'strip' = 'drops',
  ) => {
    const at = story.daysAgo(daysAgo, time);
    story.write(at, 'addReading', {
      id: story.newId(at),
      tankId: places.tankId(code),
      quantity,
      value,
      method,
      meterId: meters[key] ?? null,
      at,
    });
  };
  for (const plan of REGIMES)
    for (const code of plan.tanks) {
      story.write(begin, 'setRegime', {
        id: story.newId(begin),
        tankId: places.tankId(code),
        changeFraction: plan.fraction,
        everyDays: plan.everyDays,
        ceilingPpm: plan.ceilingPpm,
        waterId: waters[plan.water],
      });
      const litres = litresOf(code);
      const every = plan.everyDays ?? 30;
      let ppm = NITRATE[plan.water] + (plan.ppmPerDay * every) / plan.fraction - plan.ppmPerDay * every * 0.5;
      for (let daysAgo = HISTORY_DAYS; daysAgo >= 0; daysAgo--) {
        ppm += plan.ppmPerDay;
        if (daysAgo % READ_EVERY === 2 && daysAgo > 0)
          read(code, 'nitratePpm', Math.max(0, round(ppm + story.random.between(-1.5, 1.5), ppm > 20 ? 1 : 0.5)), daysAgo);
        if (daysAgo < plan.last || (daysAgo - plan.last) % every !== 0) continue;
        const at = story.daysAgo(daysAgo, '18:40');
        story.write(at, 'logChange', {
          id: story.newId(at),
          tankId: places.tankId(code),
          litres: round(litres * plan.fraction, 0.5),
          waterId: waters[plan.water],
          tempC: plan.water === 'tap' ? 22 : null,
          at,
        });
        ppm = ppm * (1 - plan.fraction) + NITRATE[plan.water] * plan.fraction;
      }
      // Blue-eyes: rain with enough of the tap in it.
      const mixed = code === 'B2.4';
      const soft = plan.water === 'rain' || plan.water === 'ro';
      read(code, 'ghDeg', mixed ? 6 : soft ? 3 : 10, 6);
      read(code, 'khDeg', soft ? 1 : 8, 6);
      read(code, 'tdsPpm', Math.round((mixed ? 150 : soft ? 95 : 260) + story.random.between(-8, 8)), 6, '18:00', 'tds', 'meter');
      read(
        code,
        'ph',
        round((mixed ? 7.2 : soft ? 6.5 : 7.4) + story.random.between(-0.05, 0.05), 0.1),
        6,
        '18:05',
        'ph',
        'meter',
      );
    }
  // Two readings of the same water that cannot both be right.
  read('B2.2', 'ph', 7.9, 1, '18:00', 'strip', 'strip');
  read('B2.2', 'ph', 6.4, 1, '18:20', 'ph', 'meter');
}
