import { SHIPPED_SPECIES } from '../../core/src/species';
import { RACKS } from './room';
import { saltingsShed } from './saltingsShed';

const NOW = '2026-11-24T07:12:00.000Z';
const house = saltingsShed(NOW);

describe('Saltings Shed', () => {
  it('is the same house for the same instant, and another day later for another', () => {
    expect(saltingsShed(NOW)).toEqual(house);
    expect(saltingsShed('2026-11-25T07:12:00.000Z').events.length).toBeGreaterThan(500);
  });

  it('has 38 tanks and 4 tubs, and fourteen months behind it', () => {
    const codes = RACKS.flatMap((rack) =>
      rack.shelves.flatMap((shelf) => shelf.tanks.map((tank) => [rack.kind, tank.code] as const)),
    );
    expect(codes.filter(([kind]) => kind !== 'yard')).toHaveLength(38);
    expect(codes.filter(([kind]) => kind === 'yard')).toHaveLength(4);
    expect(new Set(codes.map(([, code]) => code)).size).toBe(42);
    const first = house.events[0]?.at ?? NOW;
    expect((Date.parse(NOW) - Date.parse(first)) / 86_400_000).toBeGreaterThan(420);
  });

  it('happens in order, never ahead of now, with ids of its own', () => {
    const times = house.events.map((event) => event.at);
    expect(times).toEqual([...times].sort());
    expect(times.every((at) => at <= NOW)).toBe(true);
    expect(house.readings.every((reading) => reading.at <= NOW)).toBe(true);
    const ids = [
      ...house.events.map((event) => (event.body as { id: string }).id),
      ...house.readings.map((reading) => reading.id),
    ];
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('keeps to the species of the shed, and uses nearly all of them', () => {
    const keys = new Set(
      house.events.flatMap((event) => (event.name === 'addLot' || event.name === 'addAttempt' ? [event.body.speciesKey] : [])),
    );
    const shipped = new Set(SHIPPED_SPECIES.map(({ key }) => key));
    expect([...keys].filter((key) => !shipped.has(key))).toEqual([]);
    expect(keys.size).toBeGreaterThanOrEqual(25);
  });

  it('hides an effect to be found: aspidoras spawn after a cool change more often than without', () => {
    const attempts = house.events.flatMap((event) =>
      event.name === 'addAttempt' && event.body.speciesKey === 'sixray-aspidoras' ? [event.body] : [],
    );
    const spawned = new Set(house.events.flatMap((event) => (event.name === 'addClutch' ? [event.body.attemptId] : [])));
    const share = (trigger: string) => {
      const tried = attempts.filter((attempt) => attempt.recipe.trigger === trigger);
      return tried.filter((attempt) => spawned.has(attempt.attemptId)).length / tried.length;
    };
    expect(share('coolChange')).toBeGreaterThan(share('stable') + 0.2);
  });
});
