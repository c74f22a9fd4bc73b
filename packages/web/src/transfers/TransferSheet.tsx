import { useRef, useState } from 'react';
import { v7 as newId } from 'uuid';
import { READING_LIMITS } from '@freshet/contract/room';
import { formatNumber } from '@freshet/core/units';
import { showTemperature, showVolume, useEntryForm, useGet, useHouse, type Reply } from '../data';
import { saveFile } from '../print';
import { Button, Dialog, EntryFormFoot, Loaded, Notice, SelectField, TextField, Why } from '../ui';
import { TankOptions } from '../room';
import { headsField, HeadsFields, headsText, readHeads } from '../stock';

type Life = Reply<'tankLife'>[number];
type LifeLot = Life['lots'][number];
type Transfer = Reply<'transfer'>;

const nameOf = (lot: LifeLot) => `${lot.speciesName}, ${lot.males + lot.females + lot.unsexed}`;
const minutes = (value: number) => `${formatNumber(Math.max(5, Math.round(value / 5) * 5))} min`;
const hours = (value: number) =>
  value < 1 ? `${formatNumber(Math.ceil(value * 12) * 5)} min` : `${formatNumber(Math.round(value * 4) / 4)} h`;

/** Two waters side by side. */
function Waters({ transfer, source, target }: { transfer: Transfer; source: string; target: string }) {
  const house = useHouse();
  const show = (quantity: Transfer['rows'][number]['quantity'], value: number | null) =>
    value === null
      ? 'not measured'
      : quantity === 'tempC'
        ? showTemperature(value, house)
        : `${formatNumber(value, 3)} ${READING_LIMITS[quantity].unit}`;
  return (
    <table className="w-full text-left">
      <thead className="border-b border-ink text-note">
        <tr>
          <th className="py-1 font-semibold">Water</th>
          <th className="py-1 text-right font-mono font-semibold">{source}</th>
          <th className="py-1 text-right font-mono font-semibold">{target}</th>
        </tr>
      </thead>
      <tbody>
        {transfer.rows.map((row) => (
          <tr key={row.quantity} className="border-b border-rule">
            <td className="py-1">
              {READING_LIMITS[row.quantity].label}
              {row.differs && <span className="text-amber"> differs</span>}
            </td>
            <td className={`text-right ${row.source === null ? 'text-quiet' : ''}`}>{show(row.quantity, row.source)}</td>
            <td className={`text-right ${row.target === null ? 'text-quiet' : row.differs ? 'font-semibold text-amber' : ''}`}>
              {show(row.quantity, row.target)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Acclimation({ transfer }: { transfer: Transfer }) {
  const house = useHouse();
  const { floatMinutes, drip } = transfer;
  return (
    <Notice look="deep">
      {floatMinutes === null ? (
        'Float until the temperatures are equal'
      ) : floatMinutes === 0 ? (
        drip ? (
          'The temperatures are equal: no floating'
        ) : (
          'No need to float: the temperatures are equal'
        )
      ) : (
        <>
          Float <b>{minutes(floatMinutes)}</b>, until a thermometer in the bag agrees
        </>
      )}
      {drip ? (
        <>
          {floatMinutes === 0 ? '; ' : ', then '}drip <b>{hours(drip.hours)}</b> until there are{' '}
          <b>{showVolume(drip.finalLitres, house)}</b>
        </>
      ) : (
        '; no dripping needed by what was measured'
      )}
      .{' '}
      <Why
        about="Float and drip"
        formula={
          drip
            ? `${drip.why} The difference shrinks as the bag fills.`
            : 'Hardness and TDS are close enough, or weren’t measured.'
        }
        notes={[
          'Float time is an estimate for a thin bag. Dripping doesn’t set pH.',
          'Never pour the bag’s water into the tank.',
        ]}
        source="docs/sources.md#drip"
      />
    </Notice>
  );
}

function Sheet({
  lot,
  life,
  source,
  target,
  choose,
  close,
}: {
  lot: LifeLot;
  life: Reply<'tankLife'>;
  source: Life;
  target: Life | undefined;
  choose: (tankId: string) => void;
  close: () => void;
}) {
  const house = useHouse();
  const newLotId = useRef(newId());
  const [bag, setBag] = useState('1');
  const [drip, setDrip] = useState('1.5');
  const [busy, setBusy] = useState(false);
  const amount = (text: string) => {
    const value = Number(text.replace(',', '.'));
    return Number.isFinite(value) && value > 0 && value <= 1000 ? String(value) : null;
  };
  const [bagLitres, dripLitresPerHour] = [amount(bag), amount(drip)];
  const transfer = useGet(target && bagLitres && dripLitresPerHour ? 'transfer' : null, {
    query: {
      lotId: lot.id,
      toTankId: target?.tankId ?? '',
      bagLitres: bagLitres ?? '1',
      dripLitresPerHour: dripLitresPerHour ?? '1.5',
    },
  });
  const entry = useEntryForm({
    name: 'move',
    defaults: { toTankId: target?.tankId ?? '', ...headsText(lot) },
    toBody: (values) => ({
      lotId: lot.id,
      newLotId: newLotId.current,
      toTankId: target?.tankId ?? '',
      heads: readHeads(values),
      at: house.now(),
    }),
    fieldOf: (path) => headsField(path) ?? (path === 'toTankId' ? 'toTankId' : undefined),
    label: () => `${lot.speciesName} moved to ${target?.code ?? ''}`,
    done: close,
  });
  async function print(): Promise<void> {
    if (!target || !transfer.data) return;
    setBusy(true);
    const { runSheet } = await import('./runSheet');
    const bytes = await runSheet({ lot, source, target, transfer: transfer.data, house });
    saveFile(bytes, `run-sheet-${source.code}-to-${target.code}.pdf`, 'application/pdf');
    setBusy(false);
  }
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)} className="flex flex-col gap-3">
      <div className="grid gap-4 sm:grid-cols-[1.4fr_1fr]">
        <SelectField
          label="To tank"
          error={entry.form.formState.errors.toTankId?.message}
          value={target?.tankId ?? ''}
          onChange={(event) => choose(event.target.value)}
        >
          <TankOptions life={life} but={source.tankId} />
        </SelectField>
        <HeadsFields form={entry.form} have={lot} />
      </div>
      {/* The place of the comparison is kept before it is there: a button must not move away under the finger. */}
      <div className="flex min-h-80 flex-col gap-3">
        {!target && <p className="text-quiet">Choose a tank to compare its water with {source.code}.</p>}
        {target && (
          <>
            <div className="grid gap-4 sm:grid-cols-[1.5fr_1fr]">
              <Loaded reply={transfer} what="the two waters">
                {(data) => <Waters transfer={data} source={source.code} target={target.code} />}
              </Loaded>
              <div className="flex flex-col gap-2">
                <TextField
                  label="Water in the bag, L"
                  inputMode="decimal"
                  error={bagLitres ? undefined : 'Above 0, at most 1000 L.'}
                  value={bag}
                  onChange={(event) => setBag(event.target.value)}
                />
                <TextField
                  label="Dripped each hour, L"
                  inputMode="decimal"
                  error={dripLitresPerHour ? undefined : 'Above 0, at most 1000 L.'}
                  value={drip}
                  onChange={(event) => setDrip(event.target.value)}
                />
              </div>
            </div>
            {transfer.data && (
              <>
                <Acclimation transfer={transfer.data} />
                {transfer.data.warnings.map((warning) => (
                  <p key={warning.text} className="border-l-4 border-amber-line bg-amber-wash px-3 py-1.5">
                    {warning.text.charAt(0).toUpperCase() + warning.text.slice(1)}
                  </p>
                ))}
              </>
            )}
          </>
        )}
      </div>
      <p className="text-note text-quiet">
        Move all, or only some; some become a group of their own with the same parents. Keep wet hands off plugs, cover cuts, mind
        spines. Never release animals or water outdoors.
      </p>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <EntryFormFoot entry={entry} action="Move them" />
        <Button disabled={!transfer.data || busy} onClick={() => void print()}>
          {busy ? 'Making …' : 'Run sheet to print'}
        </Button>
      </div>
    </form>
  );
}

/** A lot on its way to another tank: waters compared, float and drip worked out, what speaks against it, and the move. */
export function TransferSheet({
  fromTankId,
  toTankId,
  lotId,
  close,
}: {
  fromTankId: string;
  /** Where it was dropped; chosen in the sheet otherwise. */
  toTankId?: string;
  /** Chosen already; otherwise in the sheet, when the tank holds several. */
  lotId?: string;
  close: () => void;
}) {
  const life = useGet('tankLife');
  const [to, setTo] = useState(toTankId ?? '');
  const [chosen, setChosen] = useState(lotId ?? '');
  return (
    <Dialog title="Transfer sheet" open onClose={close} wide>
      <Loaded reply={life} what="the tanks">
        {(data) => {
          const source = data.find((tank) => tank.tankId === fromTankId);
          const lot = source?.lots.find((one) => one.id === chosen) ?? source?.lots[0];
          if (!source || !lot) return <p>No fish there any more.</p>;
          return (
            <>
              {source.lots.length > 1 && (
                <SelectField
                  label={`Who of ${source.code}`}
                  boxClass="mb-3"
                  value={lot.id}
                  onChange={(event) => setChosen(event.target.value)}
                >
                  {source.lots.map((one) => (
                    <option key={one.id} value={one.id}>
                      {nameOf(one)}
                    </option>
                  ))}
                </SelectField>
              )}
              {source.lots.length === 1 && (
                <p className="mb-2">
                  <b>{lot.speciesName}</b> from <b className="font-mono">{source.code}</b>
                </p>
              )}
              <Sheet
                key={lot.id}
                lot={lot}
                life={data}
                source={source}
                target={data.find((tank) => tank.tankId === to)}
                choose={setTo}
                close={close}
              />
            </>
          );
        }}
      </Loaded>
    </Dialog>
  );
}
