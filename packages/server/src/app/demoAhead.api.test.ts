import { onDay, readHouse } from '@freshet/core/house';
import { youngMeals } from '@freshet/core/larder';
import { deriveAlarms, deriveRound } from '@freshet/core/rounds';
import { addDays, houseDay } from '@freshet/core/time';
import { bodyG } from '@freshet/core/species';
import { openTestHouse, type TestHouse } from '../testing/testHouse';
import { seedDemo } from './seedDemo';

const NOW = '2026-11-24T07:12:00.000Z';
const AHEAD = 60;
let test: TestHouse;

beforeAll(async () => {
  test = await openTestHouse(NOW);
  await seedDemo(test.database, NOW);
}, 120_000);
afterAll(async () => {
  await test.close();
});

/** Words that only a sum gone wrong writes. */
const NONSENSE = /NaN|undefined|Infinity|null|\[object/;

describe('the demonstration, sixty days ahead', () => {
  it('is a walk a keeper could make on each of them: words, amounts, first foods and mouths', async () => {
    const [houseId = ''] = await test.services.accounts.repository.demoHouseIds();
    const who = test.database.reading({
      userId: houseId,
      name: 'keeper',
      houseId,
      role: 'keeper' as const,
      timeZone: 'Europe/Dublin',
      temperatureUnit: 'degC' as const,
      volumeUnit: 'L' as const,
    });
    const { facts } = await test.services.house.snapshot(who);
    const today = readHouse(facts, NOW);
    const round = deriveRound(today, today.today);
    const faults: string[] = [];
    let walked = 0;
    for (let ahead = 0; ahead <= AHEAD; ahead++) {
      const day = addDays(today.today, ahead);
      const view = onDay(facts, today, NOW, day);
      const asked = deriveRound(view, day, ahead === 0 ? null : round);
      const must = (sound: boolean, words: string) => {
        if (!sound) faults.push(`${day}: ${words}`);
      };
      for (const { code, chores, who: lives } of asked.stops)
        for (const { text, amountText, why, amount, walk } of chores) {
          walked++;
          const all = [lives, text, amountText, ...why].join(' ');
          must(!NONSENSE.test(all), `${code} says "${all.slice(0, 120)}"`);
          must(amount === null || (amount.value > 0 && amount.value < 1000), `${code}: ${text} ${amountText}`);
          must(walk >= 0 && walk < view.room.hours.walks.length, `${code}: walk ${walk}`);
        }
      const alarms = deriveAlarms(view);
      for (const { title, text } of alarms) must(!NONSENSE.test(title + text), `alarm "${title} ${text}"`);
      for (const { read, ration, tankId, lot } of youngMeals(view, day)) {
        const { species, state } = read;
        const { ladder } = species.figures;
        const rung = ladder.find(({ food }) => food === ration.food);
        // The smallest tenth can take what is given, or it is the first food; a trace beside what they graze is for all.
        must(
          !rung || ration.unit === 'trace' || rung === ladder[0] || rung.fromMm <= (state.smallestMm ?? 0) + 1e-6,
          `${species.commonName} of ${state.smallestMm ?? 0} mm get ${ration.food}`,
        );
        const tank = view.tanks.get(tankId);
        const litres = tank?.litres ?? 1;
        // A tank that is fed more than its water bears is one the keeper is told to split.
        const isToldCrowded = alarms.some(({ title }) => title.startsWith(`${tank?.code ?? ''} is too full`));
        if (ration.dryGPerDay !== null) {
          must(isToldCrowded || ration.dryGPerDay / litres < 0.06, `${ration.dryGPerDay} g of dry food a day in ${litres} L`);
          const young = lot.males + lot.females + lot.unsexed;
          const body = young * bodyG(species.figures, lot.lengthMm ?? state.lengthMm ?? 1);
          must(ration.dryGPerDay <= body * 0.12 + 1e-9, `${ration.dryGPerDay} g for ${body} g of fish`);
        }
      }
      for (const { brood, state } of view.broods) {
        const swims = state.windows.find(({ stage }) => stage === 'freeSwimming');
        const isLate = swims?.latest != null && houseDay(swims.latest, view.timeZone) < day;
        must(!(isLate && state.stage === 'eggs'), `${brood.name} is still eggs after ${swims?.latest ?? ''}`);
      }
    }
    expect(faults.slice(0, 20)).toEqual([]);
    expect(walked).toBeGreaterThan(AHEAD * 40);
  });
});
