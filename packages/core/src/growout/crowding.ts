import { residentsOf, type Resident } from '../broods';
import type { LarderView } from '../larder';
import type { RoomTank } from '../room';
import { expectedAgeDays, expectedLengthMm, middle, type Figures } from '../species';
import { breederLimits } from '../stock';
import { addDays, type Day } from '../time';

/** Which end of a figure: the lower is a warning, the upper what a tank carries at most. */
type Side = 'tight' | 'full';
const end = ([low, high]: readonly [number, number], side: Side) => (side === 'tight' ? low : high);

/**
 * Young of a length that a tank carries: the species' figure at sale size, by litres or by floor, scaled by the square of the length.
 * Source: docs/sources.md#crowding
 */
export function youngCarried(figures: Figures, lengthMm: number, tank: Pick<RoomTank, 'litres' | 'floorM2'>, side: Side): number {
  const scale = (middle(figures.saleMm) / lengthMm) ** 2;
  return figures.limitedBy === 'floor' && figures.juvenilesPerM2
    ? end(figures.juvenilesPerM2, side) * tank.floorM2 * scale
    : end(figures.juvenilesPerLitre, side) * tank.litres * scale;
}

/** Share of a tank that one lot takes up at a length, 1 is full. */
function shareOf({ species, heads, isYoung }: Resident, lengthMm: number, tank: RoomTank, side: Side): number {
  if (isYoung) return heads / Math.max(1e-9, youngCarried(species.figures, lengthMm, tank, side));
  const { perHundredL, perM2 } = breederLimits(species.method, species.figures, species.breeders);
  const carried = species.figures.limitedBy === 'floor' ? perM2 * tank.floorM2 : (perHundredL * tank.litres) / 100;
  return heads / Math.max(1e-9, carried);
}

/** Share of what a tank carries at most that everybody in it takes up, 1 is full; null when nobody with a length lives there. */
export function tankCrowding(view: LarderView, tankId: string): number | null {
  const tank = view.tanks.get(tankId);
  const here = residentsOf(view, tankId).filter(({ lengthMm }) => lengthMm !== null);
  if (!tank || tank.litres <= 0 || here.length === 0) return null;
  return here.reduce((sum, resident) => sum + shareOf(resident, resident.lengthMm ?? 1, tank, 'full'), 0);
}

/** When a tank becomes tight and when it is full, with who grows in it. */
export interface CrowdingForecast {
  tightOn: Day | null;
  fullOn: Day | null;
  /** The young that grow most into it. */
  most: Resident;
  /** How many others take their part. */
  others: number;
}

/** The first days within `days` on which a tank is tight and full, all residents summed; null when no young grow there. */
export function crowdingForecast(view: LarderView, tankId: string, days: number): CrowdingForecast | null {
  const tank = view.tanks.get(tankId);
  const here = residentsOf(view, tankId).filter(({ lengthMm }) => lengthMm !== null);
  const young = here.filter(({ isYoung }) => isYoung);
  if (!tank || tank.litres <= 0 || young.length === 0) return null;
  const lengthAfter = ({ species: { figures }, lengthMm, isYoung }: Resident, ahead: number) => {
    if (!isYoung || lengthMm === null) return lengthMm ?? 1;
    const age = expectedAgeDays(figures, lengthMm);
    return age === null ? lengthMm : Math.max(lengthMm, expectedLengthMm(figures, age + ahead));
  };
  const load = (ahead: number, side: Side) =>
    here.reduce((sum, resident) => sum + shareOf(resident, lengthAfter(resident, ahead), tank, side), 0);
  let tightOn: Day | null = null;
  let fullOn: Day | null = null;
  for (let ahead = 0; ahead <= days && !(tightOn && fullOn); ahead++) {
    if (!tightOn && load(ahead, 'tight') > 1) tightOn = addDays(view.today, ahead);
    if (!fullOn && load(ahead, 'full') > 1) fullOn = addDays(view.today, ahead);
  }
  const [most] = [...young].sort(
    (a, b) => shareOf(b, lengthAfter(b, days), tank, 'full') - shareOf(a, lengthAfter(a, days), tank, 'full'),
  );
  const others = here.reduce((sum, { heads }) => sum + heads, 0) - (most?.heads ?? 0);
  return most ? { tightOn, fullOn, most, others } : null;
}
