import type { TankEventKind } from '@freshet/core/room';
import type { Places } from './broodStory';
import { RACKS } from './room';
import type { Story } from './story';

/** Tanks with shells or dense rock, and those with plants, mops, pipes or caves. */
const ROCK = new Set(['A2.1', 'A2.2']);
const LIFTS_OUT = new Set(['A2.4', 'A3.2', 'A3.3', 'B2.1', 'B2.2', 'B3.1', 'B3.2', 'B3.3']);

/** Equipment, the tanks that are not ready, and an illness with what it may have touched. */
export function tellReadiness(story: Story, lots: ReadonlyMap<string, string>, places: Places): void {
  const event = (code: string, kind: TankEventKind, daysAgo: number, time = '10:20', note?: string) => {
    const at = story.daysAgo(daysAgo, time);
    story.write(at, 'tankEvent', { id: story.newId(at), tankId: places.tankId(code), kind, at, ...(note ? { note } : {}) });
  };
  const reading = (code: string, quantity: 'ammoniaPpm' | 'nitritePpm', daysAgo: number, value: number) => {
    const at = story.daysAgo(daysAgo, '18:30');
    story.write(at, 'addReading', { id: story.newId(at), tankId: places.tankId(code), quantity, value, method: 'drops', at });
  };
  const equippedAt = story.daysAgo(120, '11:00');
  for (const rack of RACKS)
    for (const shelf of rack.shelves)
      for (const tank of shelf.tanks) {
        const litres = (tank.size[0] * tank.size[1] * tank.water) / 1000;
        const isHeated = rack.kind !== 'yard' && tank.tempC > 22.7;
        story.write(equippedAt, 'equip', {
          id: story.newId(equippedAt),
          tankId: places.tankId(tank.code),
          heaterW: isHeated ? (litres < 12 ? 25 : litres < 40 ? 50 : litres < 80 ? 75 : 150) : 0,
          filter: rack.sump ? `sump ${rack.sump}` : rack.kind === 'yard' ? null : litres < 12 ? 'air stone' : 'sponge filter',
          hasLid: rack.kind === 'rack',
          hasIntakeGuard: rack.code === 'A' && tank.facing === 'short',
          zeroDays: 7,
          restDays: 7,
          growsAlgae: tank.code === 'B3.2',
          furnishing: ROCK.has(tank.code) ? 'rock' : LIFTS_OUT.has(tank.code) ? 'liftOut' : rack.kind === 'yard' ? null : 'open',
          lossWPerK: tank.code === 'A3.1' ? 6.4 : null,
        });
        if (isHeated && rack.code !== 'Q') event(tank.code, 'heaterTested', rack.code === 'A' ? 150 : 118, '11:30');
      }

  // B3.4 starts afresh on new soil; the curves fall.
  event('B3.4', 'emptied', 24);
  event('B3.4', 'setUp', 23);
  event('B3.4', 'soilLaid', 22, '15:00');
  event('B3.4', 'filled', 22, '16:30');
  event('B3.4', 'heaterTested', 21);
  for (let daysAgo = 21; daysAgo >= 1; daysAgo -= 2) event('B3.4', 'fed', daysAgo, '18:10');
  const ammonia = [0.5, 1.5, 3, 4, 3, 1.5, 0.6, 0.25, 0.1, 0];
  const nitrite = [0, 0, 0.2, 0.8, 2, 3.5, 3, 2, 1.2, 0.7];
  for (const [i, value] of ammonia.entries()) {
    reading('B3.4', 'ammoniaPpm', 21 - i * 2.2 < 1 ? 1 : Math.round(21 - i * 2.2), value);
    reading('B3.4', 'nitritePpm', 21 - i * 2.2 < 1 ? 1 : Math.round(21 - i * 2.2), nitrite[i] ?? 0);
  }
  event('B1.1', 'emptied', 6);
  event('B1.1', 'refilled', 5, '17:15');
  event('B1.1', 'heaterTested', 4);
  event('A1.7', 'emptied', 12, '12:00', 'after the rainbows went to their parents');
  event('Q3', 'disinfected', 8, '12:30', 'before the next newcomers');
  event('C1.3', 'rinsed', 20, '09:45', 'was a jar shelf, now a hatching box');
  event('C1.1', 'setUp', 1, '09:30');
  // Old soil of the shrimp tank.
  event('B3.2', 'soilLaid', 420, '14:00');

  const seenAt = story.daysAgo(2, '19:40');
  story.write(seenAt, 'logIllness', {
    id: story.newId(seenAt),
    tankId: places.tankId('C2.3'),
    at: seenAt,
    what: 'white specks on the fins of two nothobranchs',
  });
  event('C2.3', 'quarantineBegan', 2, '19:50');
  const soldAt = story.daysAgo(3, '15:30');
  story.write(soldAt, 'lose', {
    id: story.newId(soldAt),
    lotId: lots.get('limia') ?? '',
    heads: { males: 0, females: 2, unsexed: 0 },
    cause: 'sale',
    at: soldAt,
    note: 'Quayside Exchange',
  });
  for (const [from, to, kind, daysAgo] of [
    ['Q2', 'C2.3', 'water', 4],
    ['C2.3', 'A2.4', 'water', 4],
    ['C2.3', 'B1.2', 'tools', 3],
    ['B1.2', 'C2.2', 'water', 3],
    ['A2.4', 'Q4', 'tools', 16],
  ] as const) {
    const at = story.daysAgo(daysAgo, '18:25');
    story.write(at, 'logContact', {
      id: story.newId(at),
      fromTankId: places.tankId(from),
      toTankId: places.tankId(to),
      kind,
      at,
    });
  }
}
