import { median } from './image';
import { sigmoid } from './spots';

/** What was seen: how hot it is as the net tells, how large, and whether all of it was seen. */
export interface Seen {
  sure: number;
  /** Radius or length, pixels. */
  size: number;
  isWhole: boolean;
}

/** What beside its heat tells whether something seen is one of them. */
export interface Traits<T> {
  one: T;
  /** Heat as log odds. */
  heat: number;
  isHalf: number;
  /** How far its size is from the usual, as a logarithm, beyond what one brood or clutch differs by. */
  oddSize: number;
}

/** One brood differs by so much as a logarithm: half as long, or half as long again. */
const USUAL_SPREAD = 0.4;
/** From this heat on they tell what size is usual. */
const TELLS_SIZE = 0.5;

/** What tells of each of those seen in a picture. */
export function traitsOf<T extends Seen>(seen: readonly T[]): Traits<T>[] {
  const usual = median(seen.filter(({ sure }) => sure > TELLS_SIZE).map(({ size }) => size));
  return seen.map((one) => ({
    one,
    heat: Math.log(one.sure / Math.max(1e-6, 1 - one.sure)),
    isHalf: one.isWhole ? 0 : 1,
    oddSize: usual === 0 ? 0 : Math.max(0, Math.abs(Math.log(one.size / usual)) - USUAL_SPREAD),
  }));
}

/** Weights of a logistic sum of traits. */
export interface Calibration {
  heat: number;
  isHalf: number;
  oddSize: number;
  base: number;
}

/** Those seen with how likely each truly is one. Fitted by training/calibrate.mjs to drawn pictures that the nets were not trained on. */
export function calibrated<T extends Seen>(seen: readonly T[], { heat, isHalf, oddSize, base }: Calibration): T[] {
  return traitsOf(seen).map((traits) => ({
    ...traits.one,
    sure: sigmoid(base + heat * traits.heat + isHalf * traits.isHalf + oddSize * traits.oddSize),
  }));
}
