import type { BroodRecord } from '@freshet/core/broods';
import { middle, type ResolvedSpecies } from '@freshet/core/species';
import { isPossibleHatch } from '@freshet/core/spawning';
import type { TimeRange } from '@freshet/core/time';
import { formatNumber, formatRange } from '@freshet/core/units';
import type { Scope } from '../log';
import { DomainError } from '../platform';
import type { RoomService } from '../room';

/** Whether what is logged of a brood can be. */
export function createPossible({ room }: { room: RoomService }) {
  /** Refuses a hatch far outside of what its species can do at the temperature of its tank, unless the keeper says why. */
  async function mustBePossible(
    scope: Scope,
    { laid }: BroodRecord,
    hatched: TimeRange,
    kind: ResolvedSpecies,
    tankId: string | null,
  ): Promise<void> {
    const { figures } = kind;
    const span = { tankId: tankId ?? '', from: laid.from, to: hatched.to };
    const values = (tankId ? await room.repository.temperaturesWithin(scope, [span]) : []).map(({ value }) => value);
    const meanTempC =
      values.length > 0 ? values.reduce((total, value) => total + value, 0) / values.length : middle(figures.tempC);
    if (!figures.hatch || isPossibleHatch(figures, { laid, hatched, meanTempC })) return;
    throw new DomainError('broods/implausible-hatch', {
      detail: `${kind.commonName} hatch ${formatRange(figures.hatch.days)} days after laying at ${formatNumber(figures.hatch.atC)} °C; this tank was at about ${formatNumber(meanTempC, 3)} °C. Is it another clutch, or another day? If it is so, say why: it is kept, and nothing is learned from it.`,
      pointer: '#/at',
    });
  }

  return mustBePossible;
}
