import { useState } from 'react';
import { USUAL_BAG, type BagChoices, type BagPlan, type OpenOrder, type PickStop } from '@freshet/core/sales';
import { packedOf } from './packed';
import { allInUnits, formatNumber } from '@freshet/core/units';
import { showVolume, useGet, useHouse, type Reply } from '../data';
import { saveFile } from '../print';
import { Button, Loaded, Notice, Segmented, TextField, Why } from '../ui';

type Order = Reply<'orders'>[number];
type Species = Reply<'species'>[number];

/** Beyond this a sum of hours is not told: nobody tried. */
const LONG_HOURS = 48;
const LIMITS: Record<BagPlan['limitedBy'], string> = {
  oxygen: 'oxygen',
  breath: 'carbon dioxide',
  ammonia: 'ammonia',
  room: 'room',
  alone: 'one by one',
};

function Sheet({
  stops,
  open,
  order,
  facts,
  species,
  currency,
  buyer,
}: {
  stops: readonly PickStop[];
  open: OpenOrder;
  order: Order | null;
  facts: Reply<'house'>;
  species: readonly Species[];
  currency: string;
  /** Who they go to, where the reader may know. */
  buyer: { name: string; bagsMost: number | null } | null;
}) {
  const house = useHouse();
  const lots = useGet('lots');
  const [hours, setHours] = useState(String(USUAL_BAG.hours));
  const [bagL, setBagL] = useState<number>(USUAL_BAG.bagL);
  const [gas, setGas] = useState<BagChoices['gas']>(USUAL_BAG.gas);
  const typed = Number(hours.replace(',', '.'));
  const wrong = typed > 0 && typed <= 72 ? undefined : 'Between 0 and 72 hours.';
  const packed = packedOf(stops, open, facts, species, lots.data ?? [], {
    ...USUAL_BAG,
    bagL,
    gas,
    hours: wrong ? USUAL_BAG.hours : typed,
  });
  const bags = packed.reduce((sum, { plan }) => sum + plan.bags, 0);
  const name = `order-${open.number}`;
  const labels = async () => {
    const { bagLabels } = await import('./bagLabels');
    saveFile(await bagLabels(packed, window.location.origin), `${name}-labels.pdf`, 'application/pdf');
  };
  const list = async () => {
    const { buyersList } = await import('./buyersList');
    const bytes = await buyersList({ house: house.name, open, order, packed, currency, today: house.today });
    saveFile(bytes, `${name}-list.pdf`, 'application/pdf');
  };
  return (
    <section aria-label="To catch and bag" className="border border-ink bg-sheet">
      <div className="flex flex-wrap items-end gap-4 border-b border-ink px-3 py-2">
        <h2 className="mr-auto self-center">
          {packed.reduce((sum, { heads }) => sum + heads, 0)} to catch in{' '}
          {stops.length === 1 ? 'one tank' : `${stops.length} tanks`}, {bags === 1 ? 'one bag' : `${bags} bags`}
        </h2>
        <TextField
          label="Hours on the way"
          inputMode="decimal"
          className="w-28"
          value={hours}
          error={wrong}
          onChange={(event) => setHours(event.target.value)}
        />
        <Segmented
          label="Size of the bags"
          value={String(bagL)}
          options={[1, 3, 6].map((litres) => ({ value: String(litres), label: showVolume(litres, house) }))}
          onChange={(value) => setBagL(Number(value))}
        />
        <Segmented
          label="Filled up with"
          value={gas}
          options={[
            { value: 'air', label: 'Air' },
            { value: 'oxygen', label: 'Oxygen' },
          ]}
          onChange={setGas}
        />
      </div>
      {buyer?.bagsMost != null && bags > buyer.bagsMost && (
        <Notice className="m-3">
          {buyer.name} takes {buyer.bagsMost === 1 ? 'one bag' : `${buyer.bagsMost} bags`} at most, and you have {bags}. Take
          larger bags, bring fewer, or leave some for next time.
        </Notice>
      )}
      <table className="w-full">
        <thead>
          <tr className="border-b border-rule text-left text-note text-quiet">
            <th className="px-3 py-1 font-normal">tank</th>
            <th className="px-2 py-1 font-normal">who</th>
            <th className="px-2 py-1 text-right font-normal">bags</th>
            <th className="hidden px-2 py-1 font-normal sm:table-cell">a bag</th>
            <th className="hidden px-2 py-1 font-normal md:table-cell">code</th>
          </tr>
        </thead>
        <tbody>
          {packed.map((one) => (
            <tr key={one.lotId} className="border-b border-rule last:border-0">
              <td className="px-3 py-1.5 font-mono font-semibold">{one.tankCode}</td>
              <td className="px-2 py-1.5">
                <b>{one.heads}</b> {one.speciesName.toLowerCase()}
                <span className="block text-note text-quiet">
                  {one.papers && `${one.papers}; `}
                  {one.words && `${one.words}; `}about {formatNumber(one.lengthMm)} mm
                </span>
              </td>
              <td className="px-2 py-1.5 text-right font-mono font-semibold">{one.plan.bags}</td>
              <td className="hidden px-2 py-1.5 sm:table-cell">
                {one.plan.perBag} in each{' '}
                <Why
                  about={`${one.speciesName}: ${one.plan.perBag} in a bag`}
                  notes={allInUnits(one.plan.why, house.units)}
                  source="docs/sources.md#bags"
                />
                <span className="block text-note text-quiet">
                  {one.plan.limitedBy === 'alone'
                    ? 'one by one'
                    : one.plan.lastsHours > LONG_HOURS
                      ? `Good for two days (${LIMITS[one.plan.limitedBy]} runs out first)`
                      : `Good for about ${formatNumber(one.plan.lastsHours, 2)} h (${LIMITS[one.plan.limitedBy]} runs out first)`}
                </span>
              </td>
              <td className="hidden px-2 py-1.5 font-mono md:table-cell">{one.code}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex flex-wrap items-center gap-3 border-t border-rule px-3 py-2">
        <Button disabled={packed.length === 0} onClick={() => void labels()}>
          Labels
        </Button>
        {order && <Button onClick={() => void list()}>List for the buyer</Button>}
        <span className="min-w-0 flex-1 text-note text-quiet">
          Don’t feed them the day before; it’s on your walk. Keep them dark, upright, insulated and as warm as their tank. This
          has a safety margin of two. Carriers and animal-transport law ask for more.
        </span>
      </div>
    </section>
  );
}

/** What to catch where, how many bags, and their labels. */
export function PackingSheet(props: Omit<Parameters<typeof Sheet>[0], 'species'>) {
  const species = useGet('species');
  return (
    <Loaded reply={species} what="the species">
      {(kinds) => <Sheet {...props} species={kinds} />}
    </Loaded>
  );
}
