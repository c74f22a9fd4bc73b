import type { Tank } from './layoutRoom';

/** A tank of 60 × 30 × 36 cm on a shelf, for tests of the picture. */
export const testTank = (code: string, shelfId: string, leftCm: number, more: Partial<Tank> = {}): Tank => ({
  id: code,
  shelfId,
  code,
  lengthCm: 60,
  widthCm: 30,
  heightCm: 36,
  waterHeightCm: 30,
  glassMm: 6,
  facing: 'long',
  leftCm,
  litres: 50,
  totalKg: 60,
  kgPerM2: 300,
  equipment: {
    heaterW: 0,
    filter: null,
    hasLid: true,
    hasIntakeGuard: false,
    zeroDays: 7,
    restDays: 7,
    shelters: null,
    nightDropC: 0,
    growsAlgae: false,
    furnishing: null,
    lossWPerK: null,
    version: null,
  },
  ...more,
});
