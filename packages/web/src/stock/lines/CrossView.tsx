import { useGet } from '../../data';
import { Loaded } from '../../ui';
import { CrossPanel } from './CrossPanel';
import type { LineAnimal } from './useLine';

/** What comes of it? */
export function CrossView({ speciesKey, animals }: { speciesKey: string; animals: readonly LineAnimal[] }) {
  const genes = useGet('genes', { params: { speciesKey } });
  return (
    <Loaded reply={genes} what="the genes">
      {(known) => <CrossPanel speciesKey={speciesKey} known={known} animals={animals} />}
    </Loaded>
  );
}
