import type { BodyOf } from '@freshet/contract/endpoints';
import type { broodsEndpoints } from '@freshet/contract/broods';
import { expectedAgeDays, type Figures } from '@freshet/core/species';
import { exactly, houseDay, plusDays, type TimeRange } from '@freshet/core/time';
import { formatRange } from '@freshet/core/units';
import { v7 as newId } from 'uuid';
import type { Applied, Scope } from '../log';
import { DomainError } from '../platform';
import type { SpawningService } from '../spawning';
import type { SpeciesService } from '../species';
import type { StockService } from '../stock';
import type { BroodsRepository } from './broods.repository';

type Body = BodyOf<(typeof broodsEndpoints)['foundBrood']>;
interface Deps {
  stock: StockService;
  spawning: SpawningService;
  species: SpeciesService;
  observations: BroodsRepository['observations'];
  applyClutch: (
    scope: Scope,
    body: { broodId: string; lotId: string; attemptId: string; laid: TimeRange; count: number; white: number },
  ) => Promise<Applied>;
}

/** Days from laying to swimming at the species' own temperatures. */
const developmentDays = ({ hatch, freeSwimming }: Figures): readonly [number, number] => [
  (hatch?.days[0] ?? 0) + (freeSwimming?.days[0] ?? 0),
  (hatch?.days[1] ?? 0) + (freeSwimming?.days[1] ?? 0),
];
/** Since when young of a length swim, by the growth curve of their kind. */
function swimmingSince(figures: Figures, [short, long]: readonly [number, number], at: string): TimeRange {
  const [least, most] = [expectedAgeDays(figures, short), expectedAgeDays(figures, long)];
  if (least === null || most === null)
    throw new DomainError('request/invalid', {
      detail: `That is as long as grown ones (${formatRange(figures.adultMm)} mm): record them as stock.`,
      pointer: '#/youngMm',
    });
  return { from: plusDays(at, -most), to: plusDays(at, -least) };
}

/** What is found without an attempt. */
export function createFound({ stock, spawning, species, observations, applyClutch }: Deps) {
  /** Eggs or young nobody expected: the attempt is noted now, with whoever of the kind lives there as likely parents. */
  async function applyFound(scope: Scope, body: Body): Promise<Applied> {
    const kind = await species.get(scope, body.speciesKey);
    const { figures } = kind;
    const swimming = body.youngMm ? swimmingSince(figures, body.youngMm, body.at) : null;
    const before = developmentDays(figures);
    const laid =
      body.laid ??
      (swimming ? { from: plusDays(swimming.from, -before[1]), to: plusDays(swimming.to, -before[0]) } : exactly(body.at));
    const grown = (await stock.repository.inTank(scope, body.tankId)).filter((lot) => lot.speciesKey === body.speciesKey);
    await spawning.applyFound(scope, {
      attemptId: body.attemptId,
      speciesKey: body.speciesKey,
      name: `${kind.commonName} found`,
      tankId: body.tankId,
      method: kind.method,
      on: houseDay(laid.from, scope.timeZone),
      sires: grown.filter(({ males }) => males > 0).map(({ id }) => id),
      dams: grown.filter(({ females }) => females > 0).map(({ id }) => id),
    });
    const { broodId, lotId, attemptId, count } = body;
    const applied = await applyClutch(scope, { broodId, lotId, attemptId, laid, count, white: 0 });
    if (swimming && kind.start !== 'born')
      await observations.insert(scope, {
        id: newId(),
        entryId: scope.entryId,
        broodId,
        kind: 'freeSwimming',
        fromAt: swimming.from,
        toAt: swimming.to,
      });
    return applied;
  }

  return applyFound;
}
