import { v7 as newId } from 'uuid';
import { VESSEL_RULES, vesselFault, vesselWords, type VesselKind, type VesselPlace } from '@freshet/core/room';
import { formatNumber } from '@freshet/core/units';
import type { LogService, Scope } from '../log';
import { DomainError } from '../platform';
import type { createRoomRepository, TankRow } from './room.repository';

/** Egg boxes, bags of peat, jars: set up, hung elsewhere, put away. */
export function createVessels({
  log,
  repository,
  takenCode,
}: {
  log: LogService;
  repository: ReturnType<typeof createRoomRepository>;
  /** Does something that may find the code taken, and says so. */
  takenCode: <T>(code: string, work: () => Promise<T>) => Promise<T>;
}): void {
  const { tanks, vesselMoves } = repository;

  /** Where a vessel can be: the tank is there, and is a tank. Gives the code of that tank. */
  async function placeFor(scope: Scope, kind: VesselKind, litres: number, at: VesselPlace): Promise<(tankId: string) => string> {
    const fault = vesselFault(kind, litres, at);
    if (fault) throw new DomainError('request/invalid', { detail: fault.message, pointer: `#/${fault.field}` });
    if (at.inTankId === null) return () => '';
    const host = await tanks.get(scope, at.inTankId);
    if (!host) throw new DomainError('request/not-found', { detail: 'There’s no such tank.', pointer: '#/inTankId' });
    if (host.kind !== 'tank')
      throw new DomainError('request/invalid', {
        detail: `${host.code} is a ${VESSEL_RULES[host.kind].words} itself. Choose a tank.`,
        pointer: '#/inTankId',
      });
    if (litres >= host.litres)
      throw new DomainError('request/invalid', {
        detail: `${host.code} holds ${formatNumber(host.litres)} L; a box of ${formatNumber(litres)} L doesn’t fit into it.`,
        pointer: '#/litres',
      });
    return () => host.code;
  }

  async function vesselOf(scope: Scope, vesselId: string): Promise<TankRow & { kind: VesselKind }> {
    const row = await tanks.get(scope, vesselId);
    if (!row || row.kind === 'tank' || row.putAway)
      throw new DomainError('request/not-found', { detail: 'There’s no such box, bag or jar.', pointer: '#/vesselId' });
    return { ...row, kind: row.kind };
  }

  /** Where and how a vessel was, before it is changed. */
  const remember = (scope: Scope, { id: vesselId, inTankId, place, code }: TankRow) =>
    vesselMoves.insert(scope, {
      id: newId(),
      entryId: scope.entryId,
      vesselId,
      fromInTankId: inTankId,
      fromPlace: place,
      fromCode: code,
      at: scope.now,
    });

  /** Puts vessels back to where and how they were before an entry. */
  async function putBack(scope: Scope, { id: entryId }: { id: string }): Promise<void> {
    const changed = await vesselMoves.find(scope, { entryId });
    const newest = await vesselMoves.newestBy(
      scope,
      'vesselId',
      changed.map(({ vesselId }) => vesselId),
    );
    if (newest.some((row) => row.entryId !== entryId))
      throw new DomainError('log/later-entries', { detail: 'It was moved or put away again since; undo that first.' });
    for (const { vesselId, fromInTankId, fromPlace, fromCode } of changed)
      await takenCode(fromCode, () =>
        tanks.update(scope, { id: vesselId }, { inTankId: fromInTankId, place: fromPlace, code: fromCode, putAway: false }),
      );
  }

  log.declare({
    vessel: {
      apply: async (scope, { vesselId: id, kind, code, litres, inTankId, place }) => {
        const codeOf = await placeFor(scope, kind, litres, { inTankId, place });
        // Of a vessel only the litres are known: taken as a cube.
        const side = Math.cbrt(litres * 1000);
        await takenCode(code, () =>
          tanks.insert(scope, {
            id,
            entryId: scope.entryId,
            kind,
            shelfId: null,
            inTankId,
            place,
            putAway: false,
            code,
            lengthCm: side,
            widthCm: side,
            heightCm: side,
            waterHeightCm: side,
            glassMm: 0,
            substrateKg: 0,
            facing: 'long',
            leftCm: 0,
            litres,
            totalKg: litres,
            kgPerM2: 0,
          }),
        );
        return {
          text: `${code}: ${vesselWords(kind, { inTankId, place }, codeOf)}, ${formatNumber(litres)} L`,
          tankId: id,
          subjectId: id,
          about: [inTankId],
        };
      },
      undo: { tables: [tanks] },
    },
    vesselMove: {
      apply: async (scope, { vesselId, code, inTankId, place }) => {
        const row = await vesselOf(scope, vesselId);
        const codeOf = await placeFor(scope, row.kind, row.litres, { inTankId, place });
        await remember(scope, row);
        await takenCode(code, () => tanks.update(scope, { id: vesselId }, { inTankId, place, code }));
        return {
          text: `${code}: ${vesselWords(row.kind, { inTankId, place }, codeOf)}${code === row.code ? '' : `, was ${row.code}`}`,
          tankId: vesselId,
          subjectId: vesselId,
          about: [inTankId, row.inTankId],
        };
      },
      undo: { tables: [vesselMoves], before: putBack },
    },
    vesselAway: {
      apply: async (scope, { vesselId }) => {
        const row = await vesselOf(scope, vesselId);
        const { id, code, kind } = row;
        await remember(scope, row);
        await tanks.update(scope, { id }, { putAway: true });
        return { text: `${code}: ${VESSEL_RULES[kind].words} put away`, tankId: id, subjectId: id };
      },
      undo: { tables: [vesselMoves], before: putBack },
    },
  });
}
