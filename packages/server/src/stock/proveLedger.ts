import type { Reading } from '../platform';
import type { StockRepository } from './stock.repository';

/** Proves the ledger: cached headcounts against the movements, and what came in against what left and lives. */
export async function proveLedger(repository: StockRepository, at: Reading) {
  const [rows, outside] = await Promise.all([repository.balance(at), repository.outside(at)]);
  const wrongLots = rows
    .filter(
      (row) =>
        row.males !== Number(row.bookedMales) ||
        row.females !== Number(row.bookedFemales) ||
        row.unsexed !== Number(row.bookedUnsexed),
    )
    .map((row) => row.id);
  const alive = rows.reduce((sum, row) => sum + row.males + row.females + row.unsexed, 0);
  const [cameIn, left] = [Number(outside?.cameIn ?? 0), Number(outside?.gone ?? 0)];
  return { cameIn, left, alive, balanced: wrongLots.length === 0 && cameIn === left + alive, wrongLots };
}
