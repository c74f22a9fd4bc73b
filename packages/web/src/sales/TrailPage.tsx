import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { SETTLEMENT_WORDS, SETTLEMENTS, type Settlement } from '@freshet/core/sales';
import { formatDay, formatInstant, houseDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useEntryForm, useGet, useHouse, type Reply } from '../data';
import { Button, Dialog, EntryFormFrame, Fact, Loaded, NoteField, Notice, Panel, readWhole, SelectField, TextField } from '../ui';
import { moneyOf, showMoney } from './money';
import { SalesHead } from './SalesHead';
import { useCurrency } from './useCurrency';

type Trail = Reply<'trail'>;
const ORIGIN_WORDS: Record<string, string> = {
  wild: 'caught in the wild',
  imported: 'imported',
  local: 'from another keeper',
  ownBrood: 'bred here',
};

function ComplaintForm({ trail, currency, done }: { trail: Trail; currency: string; done: () => void }) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'complain',
    defaults: { heads: String(trail.heads), what: '', settled: 'open' as Settlement, cents: '' },
    toBody: ({ heads, what, settled, cents }) => ({
      soldId: trail.soldId,
      heads: readWhole('heads', heads),
      what,
      settled,
      cents: settled === 'open' || settled === 'none' ? 0 : moneyOf('cents', cents),
      at: house.now(),
    }),
    label: () => `Complaint of ${trail.code} kept`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const settled = watch('settled');
  return (
    <EntryFormFrame entry={entry} action="Keep it">
      <NoteField label="What was wrong" autoFocus error={errors.what?.message} {...register('what')} />
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Of how many" inputMode="numeric" error={errors.heads?.message} {...register('heads')} />
        <SelectField label="What did you do about it?" error={errors.settled?.message} {...register('settled')}>
          {SETTLEMENTS.map((one) => (
            <option key={one} value={one}>
              {SETTLEMENT_WORDS[one]}
            </option>
          ))}
        </SelectField>
        {settled !== 'open' && settled !== 'none' && (
          <TextField label={`Worth, ${currency}`} inputMode="decimal" error={errors.cents?.message} {...register('cents')} />
        )}
      </div>
    </EntryFormFrame>
  );
}

/** Who else could be affected: sisters elsewhere, sisters here, the tank. */
function Others({ trail }: { trail: Trail }) {
  const house = useHouse();
  const day = (at: string) => formatDay(houseDay(at, house.timeZone), house.today);
  return (
    <Panel title="Who else could be affected">
      {trail.illness.map(({ what, at }) => (
        <p key={at} className="text-rust">
          {what}, seen in their tank {day(at)}
        </p>
      ))}
      {trail.sisters.length === 0 && trail.livingSisters.length === 0 && (
        <p className="text-quiet">No other fish from this brood were sold.</p>
      )}
      {trail.sisters.map((one, i) => (
        <Fact
          key={`${one.code}${i}`}
          label={
            <>
              <Link className="font-mono link" to={`/sales/trail/${one.code}`}>
                {one.code}
              </Link>{' '}
              {one.buyerName}, {day(one.at)}
              {one.complained && <b className="text-rust"> complained too</b>}
            </>
          }
        >
          {one.heads}
        </Fact>
      ))}
      {trail.livingSisters.map((one) => (
        <Fact
          key={one.tankId}
          label={
            <>
              still here in{' '}
              <Link className="font-mono link" to={`/tanks/${one.tankId}`}>
                {one.code}
              </Link>
            </>
          }
        >
          {one.heads}
        </Fact>
      ))}
      {trail.tank && (
        <p className="mt-2">
          <Link className="link" to="/room/exposure">
            Exposure
          </Link>{' '}
          <span className="text-quiet">shows where water, tools and animals from {trail.tank.code} went.</span>
        </p>
      )}
    </Panel>
  );
}

function Found({ trail }: { trail: Trail }) {
  const house = useHouse();
  const currency = useCurrency();
  const [asking, setAsking] = useState(false);
  const when = (at: string) => formatInstant(at, house.today, house.timeZone);
  return (
    <>
      <SalesHead
        title={`${trail.code}: ${trail.heads} ${trail.speciesName.toLowerCase()}`}
        about={`To ${trail.buyerName}, ${when(trail.at)}${trail.lengthMm === null ? '' : `, about ${formatNumber(trail.lengthMm)} mm`}`}
      >
        <Button look="main" onClick={() => setAsking(true)}>
          Log a complaint
        </Button>
      </SalesHead>
      {trail.complaints.map((one) => (
        <Notice key={one.entryId} className="mb-3">
          <b>
            {one.heads} of {trail.heads}: {one.what}.
          </b>{' '}
          {when(one.at)}; {SETTLEMENT_WORDS[one.settled]}
          {one.cents > 0 && `, ${showMoney(one.cents, currency)}`}
        </Notice>
      ))}
      <div className="grid gap-3 border border-ink bg-sheet lg:grid-cols-3">
        <Panel title="Where they came from">
          {trail.brood && (
            <Fact label="Brood">
              <Link className="link" to={`/broods/${trail.brood.id}`}>
                {trail.brood.name}
              </Link>
              , laid {formatDay(houseDay(trail.brood.laidAt, house.timeZone), house.today)}
            </Fact>
          )}
          {trail.parents.map(({ lotId, name, as }) => (
            <Fact key={`${lotId}${as}`} label={as === 'sire' ? 'Male side' : 'Female side'}>
              <Link className="link" to={`/stock/${lotId}`}>
                {name}
              </Link>
            </Fact>
          ))}
          <Fact label="Origin">{ORIGIN_WORDS[trail.origin] ?? trail.origin}</Fact>
          {trail.permit && <Fact label="Papers">{trail.permit}</Fact>}
          {trail.tank && (
            <Fact label="Tank">
              <Link className="font-mono link" to={`/tanks/${trail.tank.id}`}>
                {trail.tank.code}
              </Link>
            </Fact>
          )}
        </Panel>
        <Panel title="Water and food at the time">
          {trail.water.length === 0 && <p className="text-quiet">Nothing measured in the two months before.</p>}
          {trail.water.map(({ quantity, value, unit, at }) => (
            <Fact key={quantity} label={`${quantity}, ${formatDay(houseDay(at, house.timeZone), house.today)}`}>
              {`${formatNumber(value)} ${unit}`}
            </Fact>
          ))}
          {trail.food.map(({ what, at }) => (
            <Fact key={what} label={what}>
              {formatDay(houseDay(at, house.timeZone), house.today)}
            </Fact>
          ))}
        </Panel>
        <Others trail={trail} />
      </div>
      <Dialog title={`Complaint of ${trail.code}`} open={asking} onClose={() => setAsking(false)}>
        {asking && <ComplaintForm trail={trail} currency={currency} done={() => setAsking(false)} />}
      </Dialog>
    </>
  );
}

/** From a label back to where its animals came from, and on to who else may be affected. */
export function TrailPage() {
  const { code = '' } = useParams();
  const reply = useGet('trail', { params: { code } });
  return (
    <Loaded reply={reply} what="the trail">
      {(trail) => <Found trail={trail} />}
    </Loaded>
  );
}
