import type { VesselKind } from '@freshet/core/room';

/** Racks of Saltings Shed, front to back as they are walked. Measures in cm, loads in kg. */
export interface RackPlan {
  code: string;
  name: string;
  kind: 'rack' | 'stand' | 'yard';
  quarantine?: boolean;
  sump?: string;
  shelves: { lengthCm: number; depthCm: number; heightCm: number; loadLimitKg: number | null; tanks: TankPlan[] }[];
}
/** A tank by outer measures; `water` is the height of the water. */
export interface TankPlan {
  code: string;
  size: [length: number, width: number, height: number];
  water: number;
  facing?: 'long' | 'short';
  substrateKg?: number;
  /** Usual temperature, °C. */
  tempC: number;
}

type Size = TankPlan['size'];
const row = (prefix: string, size: Size, water: number, temps: number[], more: Partial<TankPlan> = {}): TankPlan[] =>
  temps.map((tempC, i) => ({ code: `${prefix}.${i + 1}`, size, water, tempC, ...more }));

/** One sump is one water: what hangs on S1 has one temperature. */
const S1_C = 25.4;
const NURSERY: Size = [60, 30, 36];
const CUBE: Size = [30, 30, 30];

export const RACKS: readonly RackPlan[] = [
  {
    code: 'A',
    name: 'North wall',
    kind: 'rack',
    sump: 'S1',
    shelves: [
      {
        lengthCm: 250,
        depthCm: 62,
        heightCm: 48,
        loadLimitKg: 450,
        tanks: [
          ...row('A1', NURSERY, 28, [S1_C, S1_C, S1_C, S1_C], { facing: 'short' }),
          ...[5, 6, 7].map((i) => ({ code: `A1.${i}`, size: CUBE, water: 24, tempC: S1_C })),
        ],
      },
      {
        lengthCm: 250,
        depthCm: 62,
        heightCm: 48,
        loadLimitKg: 420,
        tanks: row('A2', [45, 35, 35], 30, [S1_C, S1_C, S1_C, S1_C, S1_C], { substrateKg: 4 }),
      },
      {
        lengthCm: 250,
        depthCm: 62,
        heightCm: 58,
        loadLimitKg: 700,
        tanks: row('A3', [60, 45, 45], 40, [S1_C, S1_C, S1_C, S1_C], { substrateKg: 6 }),
      },
    ],
  },
  {
    code: 'B',
    name: 'Window, rain water',
    kind: 'rack',
    shelves: [
      {
        lengthCm: 200,
        depthCm: 45,
        heightCm: 42,
        loadLimitKg: 250,
        tanks: row('B1', [40, 25, 30], 24, [25.6, 25.1, 24.4, 27.2]),
      },
      {
        lengthCm: 200,
        depthCm: 45,
        heightCm: 42,
        loadLimitKg: 300,
        tanks: row('B2', [45, 30, 32], 26, [25.2, 24.1, 23.8, 25.4], { substrateKg: 2 }),
      },
      {
        lengthCm: 200,
        depthCm: 45,
        heightCm: 42,
        loadLimitKg: 300,
        tanks: row('B3', [48, 30, 30], 24, [26.0, 23.9, 22.6, 24.6], { substrateKg: 5 }),
      },
    ],
  },
  {
    code: 'C',
    name: 'Bench',
    kind: 'rack',
    shelves: [
      { lengthCm: 110, depthCm: 40, heightCm: 35, loadLimitKg: 60, tanks: row('C1', [22, 16, 16], 12, [22.1, 22.3, 21.9]) },
      { lengthCm: 110, depthCm: 40, heightCm: 35, loadLimitKg: 80, tanks: row('C2', [30, 20, 20], 15, [25.4, 27.3, 23.8]) },
    ],
  },
  {
    code: 'Y',
    name: 'Yard',
    kind: 'yard',
    shelves: [
      {
        lengthCm: 700,
        depthCm: 200,
        heightCm: 300,
        loadLimitKg: null,
        tanks: [
          { code: 'Y1', size: [100, 70, 45], water: 35, tempC: 3.4 },
          { code: 'Y2', size: [150, 100, 50], water: 38, tempC: 3.2 },
          { code: 'Y3', size: [220, 130, 60], water: 50, tempC: 3.5 },
          { code: 'Y4', size: [60, 60, 90], water: 70, tempC: 3 },
        ],
      },
    ],
  },
  {
    code: 'Q',
    name: 'Quarantine',
    kind: 'stand',
    quarantine: true,
    shelves: [
      {
        lengthCm: 220,
        depthCm: 40,
        heightCm: 60,
        loadLimitKg: null,
        tanks: ['Q1', 'Q2', 'Q3', 'Q4'].map((code, i) => ({
          code,
          size: [50, 30, 30],
          water: 25,
          tempC: [24.5, 21.2, 25, 24.8][i] ?? 24,
        })),
      },
    ],
  },
];

/** Boxes and jars of the shed that are not tanks. */
export const VESSELS: readonly { code: string; kind: VesselKind; litres: number; tank?: string; place?: string }[] = [
  { code: 'U1', kind: 'tumbler', litres: 1.2, tank: 'B2.3' },
  { code: 'E1', kind: 'eggBox', litres: 2, tank: 'A2.3' },
  { code: 'J1', kind: 'larvalJar', litres: 12, place: 'window sill' },
];
