import { Link, useNavigate, useParams } from 'react-router';
import { compareWays, daysToSaleBy } from '@freshet/core/broods';
import { DECISIONS, DECISION_WORDS, FAULT_WORDS, faultRates, type Decision, type Fault } from '@freshet/core/growout';
import { formatDay, houseDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { showPercent, showTemperature, useGet, useHouse, type Reply } from '../../data';
import { Empty, Loaded, Panel, SelectField } from '../../ui';
import { GrowoutHead } from '../GrowoutHead';
import { FlowPicture } from './FlowPicture';

type GrowoutRecord = Reply<'growoutRecord'>;

/** Faults by cross with their range, and what became of those that were looked at. */
function Faults({ record }: { record: GrowoutRecord }) {
  const house = useHouse();
  const rates = faultRates(
    record.selections.map(({ broodId, cross, seen, faults, decisions }) => ({
      broodId,
      speciesKey: record.speciesKey,
      cross,
      seen,
      faults: faults as Partial<Record<Fault, number>>,
      decisions: decisions as Partial<Record<Decision, number>>,
    })),
  );
  if (record.selections.length === 0)
    return <p className="text-quiet">No fry checked yet. Open a brood’s growth page and look for faults.</p>;
  return (
    <>
      {rates.length > 0 && (
        <div className="overflow-x-auto">
          <table className="mb-2 w-full text-left">
            <thead>
              <tr className="text-note text-quiet">
                <th className="font-normal">cross</th>
                <th className="font-normal">fault</th>
                <th className="font-normal">of</th>
                <th className="font-normal">share, likely</th>
              </tr>
            </thead>
            <tbody>
              {rates.map(({ cross, fault, count, seen, rate }) => (
                <tr key={`${cross}${fault}`} className="border-t border-rule">
                  <td className="max-w-32 truncate pr-2">{cross}</td>
                  <td className="pr-2">{FAULT_WORDS[fault]}</td>
                  <td className="pr-2 whitespace-nowrap">
                    {count} of {seen}
                  </td>
                  <td className="whitespace-nowrap">
                    <b>{showPercent(rate.mean)}</b>{' '}
                    <span className="text-quiet">
                      {showPercent(rate.low95)} – {showPercent(rate.high95)}
                    </span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <ul>
        {record.selections.toReversed().map((one) => (
          <li key={one.id} className="border-t border-rule py-1">
            <Link to={`/broods/${one.broodId}`} className="link">
              {one.broodName}
            </Link>
            , {formatDay(houseDay(one.at, house.timeZone), house.today)}: {one.seen} looked at
            {DECISIONS.filter((key) => (one.decisions[key] ?? 0) > 0).map(
              (key) => `, ${one.decisions[key]} ${DECISION_WORDS[key]}`,
            )}
            {one.note && <span className="block text-note text-quiet">{one.note}</span>}
          </li>
        ))}
      </ul>
    </>
  );
}

/** What was sorted into what, and the ponds that were drained. */
function Sortings({ record }: { record: GrowoutRecord }) {
  const house = useHouse();
  if (record.sortings.length === 0) return <p className="text-quiet">Nothing sorted by size yet.</p>;
  return (
    <ul>
      {record.sortings.toReversed().map((one) => (
        <li key={one.id} className="border-t border-rule py-1 first:border-t-0">
          <b>{one.drained ? 'Drained' : 'Sorted'}</b> <span className="font-mono">{one.tankCode}</span>,{' '}
          {formatDay(houseDay(one.at, house.timeZone), house.today)}:{' '}
          {one.classes
            .map(({ name, heads, lengthMm }) => `${heads} ${name}${lengthMm ? ` of ${formatNumber(lengthMm)} mm` : ''}`)
            .join(', ')}
          {one.missing > 0 && (
            <>
              ; <b className="text-rust">{one.missing} missing</b> of {one.booked}
            </>
          )}
          {one.missing <= 0 && ` of ${one.booked}`}
          {one.drained && (
            <span className="block text-note text-quiet">
              {showPercent((one.booked - Math.max(0, one.missing)) / Math.max(1, one.booked))} of those booked were there
              {one.drained.fromC !== null &&
                one.drained.toC !== null &&
                `; ${showTemperature(one.drained.fromC, house)} to ${showTemperature(one.drained.toC, house)}${one.drained.minutes === null ? '' : ` in ${one.drained.minutes} minutes`}`}
              {one.drained.byCatch && `; by-catch: ${one.drained.byCatch}`}
              {one.drained.nextOn && `; stocked again ${formatDay(one.drained.nextOn, house.today)}`}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

const SCHOOL_WORDS = { bySize: 'parted by size', together: 'all together' } as const;

/** Broods that were sorted beside those that were not. */
function SchoolsKept({ record }: { record: GrowoutRecord }) {
  const outcomes = useGet('broodRecord', { params: { speciesKey: record.speciesKey } });
  const sorted = new Set(record.sortings.map(({ broodId }) => broodId));
  const wayOf = ({ broodId }: { broodId: string }) => (sorted.has(broodId) ? ('bySize' as const) : ('together' as const));
  const ways = compareWays(outcomes.data ?? [], wayOf, 'swimming', 'sale');
  const days = daysToSaleBy(outcomes.data ?? [], wayOf);
  return ways.length === 0 && days.length === 0 ? (
    <p className="text-quiet">No brood has reached sale size with a count yet.</p>
  ) : (
    <ul>
      {ways.map(({ way, kept, likelyBetter }) => (
        <li key={way} className="border-t border-rule py-1 first:border-t-0">
          {SCHOOL_WORDS[way]}: <b>{showPercent(kept.mean)}</b> from swimming to sale, {showPercent(kept.low95)} to{' '}
          {showPercent(kept.high95)} over {kept.clutches === 1 ? 'one brood' : `${kept.clutches} broods`}
          {likelyBetter !== null && likelyBetter > 0.5 && `; better with ${showPercent(likelyBetter)} chance`}
        </li>
      ))}
      {days.map((one) => (
        <li key={`days ${one.way}`} className="border-t border-rule py-1">
          {SCHOOL_WORDS[one.way]}: half sold <b>{one.days} days</b> after swimming
          {one.broods > 1 && `, ${one.low} to ${one.high}`}, {one.broods === 1 ? 'one brood' : `${one.broods} broods`}
        </li>
      ))}
    </ul>
  );
}

/** How a species goes through the house, and what sorting and selecting showed. */
export function RecordPage() {
  const { speciesKey } = useParams();
  const navigate = useNavigate();
  const species = useGet('species');
  const broods = useGet('broods');
  const first =
    speciesKey ?? broods.data?.find(({ feedingDays }) => feedingDays !== null)?.speciesKey ?? broods.data?.[0]?.speciesKey;
  const record = useGet(first ? 'growoutRecord' : null, { params: { speciesKey: first ?? '' } });
  return (
    <>
      <GrowoutHead
        title="Flow and faults"
        about="Breeders, fry growing up, those kept back to breed, and those that left in a year."
      >
        <SelectField
          label="Species"
          boxClass="max-w-72"
          value={first ?? ''}
          onChange={(event) => void navigate(`/growout/record/${event.target.value}`)}
        >
          {(species.data ?? []).map(({ key, commonName }) => (
            <option key={key} value={key}>
              {commonName}
            </option>
          ))}
        </SelectField>
      </GrowoutHead>
      {broods.data && !first ? (
        <Empty title="No broods yet">Once fry grow here, you’ll see where they end up and which faults they have.</Empty>
      ) : (
        <Loaded reply={record} what="the record">
          {(data) => (
            <>
              <section className="mb-3 border border-ink bg-sheet px-3 py-2">
                <FlowPicture flow={data.flow} name={data.speciesName} />
              </section>
              <div className="grid items-start divide-rule border border-ink bg-sheet max-lg:divide-y lg:grid-cols-[1.3fr_1.2fr_0.9fr] lg:divide-x">
                <Panel title="Faults by cross">
                  <Faults record={data} />
                </Panel>
                <Panel title="Sorted and drained">
                  <Sortings record={data} />
                </Panel>
                <Panel title="By size or together">
                  <SchoolsKept record={data} />
                </Panel>
              </div>
            </>
          )}
        </Loaded>
      )}
    </>
  );
}
