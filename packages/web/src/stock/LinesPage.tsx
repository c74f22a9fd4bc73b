import { useNavigate, useParams } from 'react-router';
import { useGet } from '../data';
import { Loaded, PageHead, Segmented, SelectField, usePageParams } from '../ui';
import { CrossView } from './lines/CrossView';
import { KinshipView } from './lines/KinshipView';
import { PairingView } from './lines/PairingView';
import { PedigreeView } from './lines/PedigreeView';
import { useLine } from './lines/useLine';

const VIEWS = [
  { value: 'kinship', label: 'Kinship' },
  { value: 'pairing', label: 'Pairing' },
  { value: 'pedigree', label: 'Pedigree' },
  { value: 'cross', label: 'Cross' },
] as const;
type View = (typeof VIEWS)[number]['value'];

/** Lines of a species: how near they are, who with whom, where from, what comes of it. */
export function LinesPage() {
  const { speciesKey = '', view = 'kinship' } = useParams();
  const navigate = useNavigate();
  const [search, setSearch] = usePageParams();
  const lots = useGet('lots');
  const { pedigree, animals, label } = useLine(speciesKey);
  const kinds = [...new Map((lots.data ?? []).map((lot) => [lot.speciesKey, lot.speciesName]))].sort(([, a], [, b]) =>
    a < b ? -1 : 1,
  );
  const chosenLots = search.get('lots')?.split(',').filter(Boolean) ?? [];
  const among = chosenLots.length > 0 ? animals.filter(({ lotId }) => chosenLots.includes(lotId)) : animals;
  return (
    <>
      <PageHead
        title="Lines"
        about={
          <>
            <b className="text-ink">{among.length}</b> breeders{chosenLots.length > 0 && ' chosen'}
            {chosenLots.length > 0 && (
              <button type="button" className="ml-3 link" onClick={() => void navigate(`/stock/lines/${speciesKey}/${view}`)}>
                all of them
              </button>
            )}
          </>
        }
      >
        <SelectField
          label="Species"
          boxClass="w-56 [&_label]:sr-only"
          value={speciesKey}
          onChange={(event) => void navigate(`/stock/lines/${event.target.value}/${view}`)}
        >
          {!kinds.some(([key]) => key === speciesKey) && <option value={speciesKey}>choose</option>}
          {kinds.map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </SelectField>
        <Segmented
          label="View"
          value={view as View}
          onChange={(next) =>
            void navigate(`/stock/lines/${speciesKey}/${next}${search.size > 0 ? `?${search.toString()}` : ''}`)
          }
          options={VIEWS}
        />
      </PageHead>
      <Loaded reply={pedigree} what="the pedigree">
        {(data) => {
          if (!lots.data) return null;
          const key = `${speciesKey} ${search.get('lots') ?? ''}`;
          if (view === 'pairing')
            return (
              <PairingView
                key={key}
                records={data.pedigree}
                animals={animals}
                label={label}
                speciesKey={speciesKey}
                chosenLots={chosenLots}
              />
            );
          if (view === 'pedigree')
            return (
              <PedigreeView
                key={key}
                records={data.pedigree}
                animals={animals}
                labels={data.labels}
                chosen={search.get('animal')}
                choose={(id) => {
                  const next = new URLSearchParams(search);
                  next.set('animal', id);
                  setSearch(next);
                }}
              />
            );
          if (view === 'cross') return <CrossView key={key} speciesKey={speciesKey} animals={animals} />;
          return <KinshipView key={key} records={data.pedigree} animals={among} label={label} speciesKey={speciesKey} />;
        }}
      </Loaded>
    </>
  );
}
