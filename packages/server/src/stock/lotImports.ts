import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { broodstockEndpoints } from '@freshet/contract/stock';
import { CalculationError } from '@freshet/core/errors';
import { orderGroups, totalHeads } from '@freshet/core/stock';
import type { Scope } from '../log';
import { DomainError } from '../platform';
import type { BroodstockDeps } from './broodstock.service';

type ImportBody = BodyOf<(typeof broodstockEndpoints)['importLots']>;
type Row = ImportBody['lots'][number];
/** What came in a year or so ahead of its clock is a wrong year. */
const FUTURE_MS = 15 * 60_000;

const wrong = (i: number, field: string, detail: string) =>
  new DomainError('request/invalid', { detail: `Row ${i + 1}: ${detail}`, pointer: `#/lots/${i}/${field}` });

/** Lots out of a file: every one or none, in one entry that can be taken back whole. Checked as the forms check. */
export function createLotImports({ log, room, stock, repository, views }: BroodstockDeps): void {
  /** Refuses parents that are not there, of another species, or descendants. */
  async function checkParents(scope: Scope, rows: readonly Row[]): Promise<void> {
    const own = new Map(rows.map((row) => [row.lotId, row.speciesKey]));
    const asked = rows.flatMap((row) => [...row.sires, ...row.dams].map(({ lotId }) => lotId));
    const here = await stock.repository.byIds(scope, [...new Set(asked.filter((lotId) => !own.has(lotId)))]);
    const speciesOf = new Map([...here.map((lot) => [lot.id, lot.speciesKey] as const), ...own]);
    for (const [i, row] of rows.entries())
      for (const side of ['sires', 'dams'] as const)
        for (const { lotId } of row[side]) {
          const species = speciesOf.get(lotId);
          if (species === undefined) throw wrong(i, side, 'one of its parents is neither here nor in the file.');
          if (species !== row.speciesKey) throw wrong(i, side, 'one of its parents is of another species.');
        }
    const toCandidates = (side: Row['sires']) => side.map(({ lotId, probability }) => ({ id: lotId, probability }));
    try {
      orderGroups([
        ...here.map(({ id }) => ({ id })),
        ...rows.map((row) => ({ id: row.lotId, sires: toCandidates(row.sires), dams: toCandidates(row.dams) })),
      ]);
    } catch (error) {
      if (!(error instanceof CalculationError)) throw error;
      const isCircle = error.code === 'pedigreeCycle' || error.code === 'selfParent';
      throw new DomainError('stock/wrong-parents', {
        detail: isCircle ? 'Some of these animals would be their own ancestors.' : error.message,
        pointer: '#/lots',
        cause: error,
      });
    }
  }

  async function check(scope: Scope, rows: readonly Row[]): Promise<void> {
    const kinds = await views.species(scope);
    const tanks = new Set((await room.repository.tanks.find(scope)).map(({ id }) => id));
    const latest = Date.parse(scope.now) + FUTURE_MS;
    const seen = new Set<string>();
    for (const [i, row] of rows.entries()) {
      if (seen.has(row.lotId)) throw wrong(i, 'lotId', 'its id stands in the file twice.');
      seen.add(row.lotId);
      if (!kinds.has(row.speciesKey)) throw wrong(i, 'speciesKey', `there is no species "${row.speciesKey}".`);
      if (row.tankId && !tanks.has(row.tankId)) throw wrong(i, 'tankId', 'there is no such tank.');
      if (totalHeads(row.heads) > 0 && !row.tankId) throw wrong(i, 'tankId', 'animals need a tank.');
      if (Date.parse(row.since) > latest) throw wrong(i, 'since', 'it came on a day that is still to come.');
      if (row.details.bornOn && row.details.bornOn > row.since.slice(0, 10))
        throw wrong(i, 'details/bornOn', 'it was born after it came.');
    }
    await checkParents(scope, rows);
  }

  log.declare({
    import: {
      check: (scope, body) => check(scope, body.lots),
      apply: async (scope, body) => {
        const { entryId } = scope;
        await stock.addLots(
          scope,
          body.lots.map(({ lotId, speciesKey, origin, acquiredFrom, tankId, heads, since, details }) => ({
            lot: { id: lotId, speciesKey, origin, acquiredFrom, broodId: null, tankId, since, ...details },
            heads,
          })),
        );
        await repository.parentSets.insert(
          scope,
          body.lots
            .filter(({ sires, dams }) => sires.length + dams.length > 0)
            .map(({ lotId, sires, dams }) => ({ id: newId(), entryId, subjectId: lotId, sires, dams, at: scope.now })),
        );
        return {
          text: `${body.lots.length} ${body.lots.length === 1 ? 'lot' : 'lots'} imported from a file`,
          about: body.lots.flatMap(({ lotId, tankId }) => [lotId, tankId]),
        };
      },
      undo: stock.ledgerUndoing({ tables: [repository.parentSets] }),
    },
  });
}
