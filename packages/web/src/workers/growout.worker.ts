import { expose } from 'comlink';
import { growthPicture, outlookOf, type Curve, type GrowthPicture, type Outlook, type PlaceChoices } from '@freshet/core/growout';
import { readHouse, type HouseFacts, type HouseView } from '@freshet/core/house';

let read: { facts: HouseFacts; at: string; view: HouseView } | null = null;

/** The house as it is; kept as long as nothing of it changes, with how its broods grow. */
function viewOf(facts: HouseFacts, now: string): HouseView {
  const at = `${facts.revision} ${now.slice(0, 13)}`;
  if (read?.at !== at) read = { facts, at, view: readHouse(facts, now) };
  return read.view;
}

/** Growth and places, worked out away from the page so that a choice never makes it stutter. */
const GROWOUT = {
  outlook: (facts: HouseFacts, now: string, choices?: PlaceChoices): Outlook => outlookOf(viewOf(facts, now), choices),
  growth: (facts: HouseFacts, now: string, broodId: string, curve: Curve): GrowthPicture | null =>
    growthPicture(viewOf(facts, now), broodId, curve),
};
export type GrowoutWork = typeof GROWOUT;

expose(GROWOUT);
