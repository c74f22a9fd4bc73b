import { useHouse } from '../data';
import { salesWork, useHouseWork } from '../workers';

/** What would be left over of a species, told before it is spawned; nothing while nothing is known of it. */
export function OverStockNote({ speciesKey }: { speciesKey: string }) {
  const house = useHouse();
  const { answer } = useHouseWork(`overStock:${speciesKey}`, (facts, now) => salesWork().overStock(facts, now, speciesKey));
  const over = answer?.made;
  if (!over || !house.may('sitter')) return null;
  const isMuch = over.weeksWithClutch === null ? over.coming > 0 : over.weeksWithClutch > 26;
  return (
    <p className={`my-2 border-l-4 pl-2.5 ${isMuch ? 'border-amber-line' : 'border-rule'}`} aria-label="Find a buyer">
      {over.words}
    </p>
  );
}
