import { DEMO_PROBES } from '@freshet/demo';
import type { Services } from './compose';

/** What the stand-ins of the demonstration are given at start: one for every probe of a demonstration house, with its token. */
export async function demoProbes({ accounts, database, room, probes }: Services) {
  const found = [];
  for (const houseId of await accounts.repository.demoHouseIds()) {
    const at = database.reading({ houseId });
    const [rows, rooms] = await Promise.all([room.repository.probes.find(at), room.repository.all(at)]);
    const last = await room.repository.samples.latest(at, [...new Set(rows.map((row) => row.tankId))]);
    const shown = new Map(last.map(({ tankId, value }) => [tankId, value]));
    const tanks = new Map(rooms.tanks.map((tank) => [tank.id, tank]));
    for (const row of rows) {
      const tank = tanks.get(row.tankId);
      const plan = DEMO_PROBES.find(({ name }) => name === row.name);
      if (tank && plan)
        found.push({
          id: row.id,
          token: probes.tokenOf(row.id),
          litres: tank.litres,
          heaterW: room.equipmentOf(rooms.equipped.get(tank.id)).heaterW,
          targetC: plan.targetC,
          also: [...plan.also],
          fault: plan.fault,
          startC: shown.get(tank.id),
        });
    }
  }
  return found;
}
