import { instantOf, localTime, startOfDay, type Day, type Instant } from '../time';
import { readHouse, type HouseFacts, type HouseView } from './facts';

/**
 * The house as it will be on a coming day: ages, lengths, stages and what is due are of that day. What is expected to be over by then
 * is taken as seen when it was expected; headcounts, temperatures and cultures are as they are now.
 * @param view - the house now
 */
export function onDay(facts: HouseFacts, view: HouseView, now: Instant, day: Day): HouseView {
  if (day <= view.today) return view;
  const { timeZone } = facts;
  const begins = startOfDay(day, timeZone);
  const expected = new Map(view.broods.map(({ brood, state }) => [brood.id, state.windows]));
  const broods = facts.broods.broods.map((brood) => {
    const over = (stage: 'hatch' | 'freeSwimming') => {
      const window = expected.get(brood.id)?.find((one) => one.stage === stage);
      return window?.status === 'predicted' && window.earliest && window.latest && window.latest < begins
        ? { from: window.earliest, to: window.latest }
        : null;
    };
    const hatched = brood.hatched ?? over('hatch');
    const freeSwimming = brood.freeSwimming ?? (hatched ? over('freeSwimming') : null);
    return { ...brood, hatched, freeSwimming };
  });
  const at = instantOf(day, localTime(now, timeZone), timeZone);
  return readHouse({ ...facts, broods: { ...facts.broods, broods } }, at);
}
