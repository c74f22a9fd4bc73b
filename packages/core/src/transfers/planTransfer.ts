import { dripAcclimation, type Quantity } from '../room';
import { addHeads, breederLimits, checkCompany, JUDGED_QUANTITIES, JUDGED_WATER, totalHeads, type Heads } from '../stock';
import { wouldEat, wouldSeize, type ResolvedSpecies } from '../species';
import { formatDay, type Day } from '../time';
import { formatNumber } from '../units';
import { youngCarried } from '../growout';
import { floatMinutes } from './floatMinutes';

/** What is compared between two waters. */
export const COMPARED = ['tempC', 'ph', 'ghDeg', 'khDeg', 'tdsPpm', 'nitratePpm'] as const satisfies readonly Quantity[];
export type Compared = (typeof COMPARED)[number];
export type WaterValues = Partial<Record<Compared, number | null>>;

/** A group that is moved or that lives there. */
export interface TransferGroup {
  lotId: string;
  species: ResolvedSpecies;
  heads: Heads;
  broodId: string | null;
  broodName: string | null;
  lengthMm: number;
  isYoung: boolean;
  isEggs: boolean;
  /** A proven pair, not to be disturbed. */
  isProven: boolean;
}
export interface TransferTank {
  tankId: string;
  code: string;
  litres: number;
  floorM2: number;
  water: WaterValues;
  residents: readonly TransferGroup[];
  quarantine: { endsOn: Day | null } | null;
  hindrances: readonly { what: string; remedy: string }[];
  /** Attempts that go on there, with what their recipe says of company. */
  attempts?: readonly { name: string; parentLotIds: readonly string[]; company: string | null }[] | undefined;
}
export interface TransferWarning {
  kind:
    | 'eats'
    | 'parentage'
    | 'quarantine'
    | 'notReady'
    | 'crowded'
    | 'temperature'
    | 'water'
    | 'unknownWater'
    | 'proven'
    | 'company';
  text: string;
}
export interface TransferPlan {
  rows: { quantity: Compared; source: number | null; target: number | null; differs: boolean }[];
  floatMinutes: number | null;
  /** Null when nothing measured differs by more than they stand at once. */
  drip: { hours: number; finalLitres: number; limitedBy: Compared; why: string } | null;
  warnings: TransferWarning[];
}

/** Usual steps that animals stand without dripping; shrimp and crayfish stand half. */
const TOLERANCE = { ghDeg: 2, khDeg: 2, tdsPpm: 40 } as const;
const TEMP_STEP_C = 1;
const PH_STEP = 0.5;

function mixingWarnings(moved: TransferGroup, target: TransferTank): TransferWarning[] {
  const warnings: TransferWarning[] = [];
  for (const other of target.residents) {
    const [large, small] = moved.lengthMm >= other.lengthMm ? [moved, other] : [other, moved];
    const sameBrood = moved.broodId !== null && moved.broodId === other.broodId;
    const name = (group: TransferGroup) => group.species.commonName.toLowerCase();
    const eggsEaten = small.isEggs && !large.isEggs && small.species.figures.eggsEatenBy !== 'nobody';
    const isEaten = !small.isEggs && wouldEat(large, small);
    for (const [hunter, prey] of [
      [moved, other],
      [other, moved],
    ] as const)
      if (wouldSeize(hunter.species, prey.species))
        warnings.push({ kind: 'eats', text: `${name(hunter)} grab ${name(prey)} resting on the bottom, whatever their size.` });
    if (!sameBrood && (eggsEaten || isEaten))
      warnings.push({
        kind: 'eats',
        text: `${name(large)} of about ${formatNumber(large.lengthMm)} mm would eat ${small.isEggs ? 'the eggs' : `${name(small)} of ${formatNumber(small.lengthMm)} mm`}.`,
      });
    if (other.species.key === moved.species.key && !sameBrood && (other.isYoung || moved.isYoung))
      warnings.push({
        kind: 'parentage',
        text: `${other.broodName ?? 'Others'} of the same species ${other.isYoung ? 'grow' : 'live'} in ${target.code}; once mixed, nobody can tell whose fry are whose.`,
      });
  }
  return warnings;
}

/** What the newcomers are to those that spawn there, and to a guard with eggs or young. */
function spawningWarnings(moved: TransferGroup, target: TransferTank): TransferWarning[] {
  const warnings: TransferWarning[] = [];
  for (const { name, parentLotIds, company } of target.attempts ?? [])
    if (!parentLotIds.includes(moved.lotId) && moved.broodId === null)
      warnings.push({
        kind: 'company',
        text: `${name} goes on in ${target.code}, and they are none of its parents. ${company ? `Its recipe says of company: ${company}.` : 'Its recipe plans no company.'}`,
      });
  const guards = target.residents.filter(
    ({ species, isYoung, lotId }) => isYoung && species.guards !== 'nobody' && lotId !== moved.lotId,
  );
  for (const { species } of guards)
    if (moved.broodId === null && species.key !== moved.species.key)
      warnings.push({
        kind: 'company',
        text: `${species.commonName.toLowerCase()} guard eggs or young in ${target.code}: they chase or hurt anything that comes near. A few quick fish at the surface can calm a pair.`,
      });
  return warnings;
}

/** What the newcomers do to a proven pair, to the ratio of the sexes and to the room of grown animals of their kind. */
function companyWarnings(moved: TransferGroup, source: TransferTank, target: TransferTank): TransferWarning[] {
  const warnings: TransferWarning[] = [];
  if (moved.isProven && totalHeads(moved.heads) > 0)
    warnings.push({ kind: 'proven', text: `They are a proven pair in ${source.code}: leave them where they breed if you can.` });
  for (const other of target.residents)
    if (other.isProven)
      warnings.push({
        kind: 'proven',
        text: `A proven pair of ${other.species.commonName.toLowerCase()} lives in ${target.code}; newcomers could break it up.`,
      });
  if (moved.isYoung) return warnings;
  const kin = target.residents.filter((other) => other.species.key === moved.species.key && !other.isYoung);
  const heads = kin.reduce((sum, other) => addHeads(sum, other.heads), moved.heads);
  const company = { ...heads, litres: target.litres, floorM2: target.floorM2, shelters: null };
  for (const check of checkCompany(company, breederLimits(moved.species.method, moved.species.figures, moved.species.breeders)))
    // One sex alone is how they are kept apart before spawning: nothing to warn of.
    if (!check.isMet && !(check.what === 'ratio' && (heads.males === 0 || heads.females === 0)))
      warnings.push({ kind: 'company', text: `With them in ${target.code}: ${check.words}` });
  return warnings;
}

/**
 * What to know before a group goes to another tank: the two waters side by side, how long to float and drip, and what speaks
 * against it. Nothing is assumed of what was not measured. Source: docs/sources.md#drip
 * @param bagLitres - water they travel in, > 0
 * @param dripLitresPerHour - > 0
 */
export function planTransfer(input: {
  moved: TransferGroup;
  source: TransferTank;
  target: TransferTank;
  bagLitres: number;
  dripLitresPerHour: number;
  today: Day;
}): TransferPlan {
  const { moved, source, target, bagLitres, dripLitresPerHour, today } = input;
  const factor = moved.species.waterSteps;
  const warnings: TransferWarning[] = [];
  const steps: Record<Compared, number> = {
    tempC: TEMP_STEP_C,
    ph: PH_STEP,
    ghDeg: TOLERANCE.ghDeg * factor,
    khDeg: TOLERANCE.khDeg * factor,
    tdsPpm: TOLERANCE.tdsPpm * factor,
    nitratePpm: 30,
  };
  const rows = COMPARED.map((quantity) => {
    const [from, to] = [source.water[quantity] ?? null, target.water[quantity] ?? null];
    return { quantity, source: from, target: to, differs: from !== null && to !== null && Math.abs(from - to) > steps[quantity] };
  });
  const [bagC, tankC] = [source.water.tempC ?? null, target.water.tempC ?? null];
  const conserved = (['ghDeg', 'khDeg', 'tdsPpm'] as const).filter((quantity) =>
    rows.some((row) => row.quantity === quantity && row.differs),
  );
  let drip: TransferPlan['drip'] = null;
  if (conserved.length > 0) {
    const { hours, finalLitres, limitedBy } = dripAcclimation({
      bagLitres,
      dripLitresPerHour,
      bag: source.water,
      tank: target.water,
      tolerance: Object.fromEntries(conserved.map((quantity) => [quantity, steps[quantity]])),
    });
    const by = limitedBy ?? conserved[0] ?? 'tdsPpm';
    const words = { ghDeg: 'GH', khDeg: 'KH', tdsPpm: 'TDS', tempC: 'temperature' }[by];
    drip = {
      hours,
      finalLitres,
      limitedBy: by,
      why: `${words} goes from ${formatNumber(source.water[by] ?? 0)} to within ${formatNumber(steps[by])} of ${formatNumber(target.water[by] ?? 0)}; nothing is poured away meanwhile.`,
    };
  }
  if (tankC !== null) {
    const [low, high] = moved.isEggs ? moved.species.figures.eggTempC : moved.species.figures.tempC;
    if (tankC < low - 0.5 || tankC > high + 0.5)
      warnings.push({
        kind: 'temperature',
        text: `${target.code} is at ${formatNumber(tankC, 3)} °C; ${moved.species.commonName.toLowerCase()} want ${formatNumber(low, 3)} to ${formatNumber(high, 3)} °C.`,
      });
  }
  for (const quantity of JUDGED_QUANTITIES) {
    const { name, unit, give } = JUDGED_WATER[quantity];
    const value = target.water[quantity] ?? null;
    const [low, high] = moved.species.figures[quantity];
    if (value !== null && (value < low - give || value > high + give))
      warnings.push({
        kind: 'water',
        text: `${target.code} has ${name} ${formatNumber(value, 3)}${unit}; ${moved.species.commonName.toLowerCase()} want ${formatNumber(low, 3)} to ${formatNumber(high, 3)}${unit}. Dripping does not change that.`,
      });
  }
  if (rows.every((row) => row.source === null || row.target === null || row.quantity === 'tempC'))
    warnings.push({
      kind: 'unknownWater',
      text: 'Hardness or TDS of one of the tanks was not measured lately; measure it before you decide to drip.',
    });
  for (const hindrance of target.hindrances)
    warnings.push({ kind: 'notReady', text: `${target.code} is not ready. ${hindrance.what} ${hindrance.remedy}` });
  if (source.quarantine && !target.quarantine && source.quarantine.endsOn !== null && source.quarantine.endsOn > today)
    warnings.push({
      kind: 'quarantine',
      text: `Quarantine in ${source.code} lasts until ${formatDay(source.quarantine.endsOn, today)}.`,
    });
  if (target.quarantine && !source.quarantine && target.residents.length > 0)
    warnings.push({
      kind: 'quarantine',
      text: `${target.code} is in quarantine: newcomers stay as long and start it again for the others.`,
    });
  warnings.push(...mixingWarnings(moved, target), ...spawningWarnings(moved, target), ...companyWarnings(moved, source, target));
  if (moved.isYoung && !moved.isEggs && target.litres > 0) {
    const carries = Math.floor(youngCarried(moved.species.figures, moved.lengthMm, target, 'full'));
    const there = target.residents
      .filter((other) => other.isYoung && !other.isEggs)
      .reduce((sum, other) => sum + totalHeads(other.heads), 0);
    if (totalHeads(moved.heads) + there > carries)
      warnings.push({
        kind: 'crowded',
        text: `${formatNumber(target.litres)} L carries about ${carries} at ${formatNumber(moved.lengthMm)} mm; there would be ${totalHeads(moved.heads) + there}.`,
      });
  }
  return {
    rows,
    floatMinutes: bagC === null || tankC === null ? null : floatMinutes(bagLitres, bagC, tankC),
    drip,
    warnings: [...new Map(warnings.map((warning) => [warning.text, warning])).values()],
  };
}
