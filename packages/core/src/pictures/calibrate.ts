import { usualSize } from './bestLook';
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
  /** 0 where a handful or more were seen: the fewer, as a logarithm, the less likely that any of them is one. */
  few: number;
}

/** One brood differs by so much as a logarithm: half as long, or half as long again. */
const USUAL_SPREAD = 0.4;
/** As likely as not. */
const SEEN_FROM = 0.5;
/** So many are a handful. */
const HANDFUL = 7;

/** What tells of each of those seen in a picture. */
export function traitsOf<T extends Seen>(seen: readonly T[]): Traits<T>[] {
  const usual = usualSize(seen);
  const many = seen.filter(({ sure }) => sure > SEEN_FROM).length;
  const few = Math.max(0, Math.log((1 + HANDFUL) / (1 + many)));
  return seen.map((one) => ({
    one,
    heat: Math.log(one.sure / Math.max(1e-6, 1 - one.sure)),
    isHalf: one.isWhole ? 0 : 1,
    oddSize: usual === 0 ? 0 : Math.max(0, Math.abs(Math.log(one.size / usual)) - USUAL_SPREAD),
    few,
  }));
}

/** Weights of a logistic sum of traits. */
export interface Calibration {
  heat: number;
  isHalf: number;
  oddSize: number;
  few: number;
  base: number;
}

/** Those seen with how likely each truly is one. Fitted by training/calibrate.mjs to drawn pictures that the nets were not trained on. */
export function calibrated<T extends Seen>(seen: readonly T[], odds: Calibration): T[] {
  return traitsOf(seen).map(({ one, heat, isHalf, oddSize, few }) => ({
    ...one,
    sure: sigmoid(odds.base + odds.heat * heat + odds.isHalf * isHalf + odds.oddSize * oddSize + odds.few * few),
  }));
}
