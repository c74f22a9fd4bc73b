import { broodChores, broodsAgenda, type ReadBrood } from '../broods';
import { crowdingForecast } from '../growout';
import { deriveAlarms, deriveHorizon } from '../rounds';
import { addDays } from '../time';
import { brood, exactly, house, lot, NOW, tank, TODAY, view } from './houseFixture';

/** Lemon tetra eggs of so many days in T1 at 26 °C; nobody logged a hatch. */
const eggs = (days: number, more: object = {}) =>
  view(
    house({
      tanks: [tank('T1')],
      broods: [brood('B', 'lemon-tetra', { laid: exactly(`${addDays(TODAY, -days)}T08:00:00.000Z`), ...more })],
      lots: [lot('e', 'T1', 'lemon-tetra', { broodId: 'B', unsexed: 90 })],
      temperatures: { T1: { at: NOW, tempC: 26 } },
    }),
  );
const kinds = (seen: ReturnType<typeof eggs>) => {
  const stop = seen.tanks.get('T1');
  return stop ? broodChores(seen.broods[0] as ReadBrood, stop, seen, TODAY).map(({ kind }) => kind) : [];
};

describe('a hatch that nobody logged', () => {
  const latest = eggs(0).broods[0]?.state.windows[0]?.latest?.slice(0, 10) ?? '';
  /** Days from laying to the last day of the window. */
  const span = Math.round((Date.parse(latest) - Date.parse(TODAY)) / 86_400_000);

  it('is waited for two weeks after its window, then asked about once', () => {
    expect(span).toBeGreaterThan(0);
    const waited = eggs(span + 14);
    expect(waited.broods[0]?.state.isForgotten).toBe(false);
    expect(deriveAlarms(waited).some(({ key }) => key === 'overdue:B:hatch')).toBe(true);
    expect(deriveHorizon(waited, 30).length).toBeGreaterThan(0);

    const forgotten = eggs(span + 15);
    expect(forgotten.broods[0]?.state.isForgotten).toBe(true);
    expect(deriveAlarms(forgotten)).toMatchObject([
      { key: 'forgotten:B', severity: 'soon', title: 'T1: what became of B?', subject: { kind: 'brood', id: 'B' } },
    ]);
    expect(deriveAlarms(forgotten)[0]?.text).toMatch(/^They should have hatched by .* still eggs\.$/);
  });

  it('leaves the Horizon, the food, the crowding and the care; the look for it stays', () => {
    const forgotten = eggs(span + 15);
    expect(broodsAgenda.bars?.(forgotten, addDays(TODAY, 30))).toEqual([]);
    expect(deriveHorizon(forgotten, 30)).toEqual([]);
    expect(crowdingForecast(forgotten, 'T1', 60)).toBeNull();
    expect(forgotten.broods[0]?.state.windows.map(({ stage }) => stage)).toEqual(['hatch']);
    const keeping = {
      plan: 'pullEggs',
      fungus: 'flow',
      dyeMgPerL: null,
      dyeStockPercent: null,
      dailyChangeFraction: 0.5,
    } as const;
    const boxed = { keeping: { ...keeping, container: null, since: null, why: null } };
    expect(kinds(eggs(span + 14, boxed))).toEqual(['pickWhite', 'eggChange', 'sighting']);
    expect(kinds(eggs(span + 15, boxed))).toEqual(['sighting']);
  });

  it('is waited for again when somebody saw eggs since', () => {
    const seen = eggs(span + 15, { eggsSeenAt: `${addDays(TODAY, -3)}T08:00:00.000Z` });
    expect(seen.broods[0]?.state.isForgotten).toBe(false);
    const again = eggs(span + 40, { eggsSeenAt: `${addDays(TODAY, -15)}T08:00:00.000Z` });
    expect(again.broods[0]?.state.isForgotten).toBe(true);
  });

  it('is the same of young on their yolk that nobody saw swim', () => {
    const young = eggs(60, { hatched: exactly(`${addDays(TODAY, -58)}T08:00:00.000Z`) });
    expect(young.broods[0]?.state).toMatchObject({ stage: 'yolk', isForgotten: true });
    expect(deriveAlarms(young)[0]?.text).toMatch(/^They should have swum free by .* still there\.$/);
  });
});
