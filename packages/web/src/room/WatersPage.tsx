import { lazy, Suspense, useState } from 'react';
import { v7 as newId } from 'uuid';
import { READING_LIMITS } from '@freshet/contract/room';
import { formatDay, houseDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { valuesOf } from './useSumFacts';
import { showTemperature, useGet, useHouse, useLog, type House, type Reply } from '../data';
import { Button, ButtonLink, Dialog, Empty, Loaded, PageHead, Panel, Segmented, Why } from '../ui';
import { AnalysisForm, MeterForm, WATER_WORDS, WaterForm } from './WaterForms';

const WaterChart = lazy(() => import('./WaterChart'));
type Water = Reply<'waters'>[number];
type Meter = Reply<'meters'>[number];
type Sheet = { kind: 'water' | 'meter' } | { kind: 'analysis'; water: Water };

const COLUMNS = [
  ['ghDeg', 'GH', '°dGH'],
  ['khDeg', 'KH', '°dKH'],
  ['tdsPpm', 'TDS', 'ppm'],
  ['ph', 'pH', ''],
  ['tempC', 'Temperature', ''],
  ['nitratePpm', 'Nitrate', 'mg/L'],
] as const;

function show(key: (typeof COLUMNS)[number][0], value: number | null, house: House): string {
  if (value === null) return '–';
  return key === 'tempC' ? showTemperature(value, house) : formatNumber(value, key === 'tdsPpm' || key === 'ph' ? 3 : 2);
}

function WaterTable({
  waters,
  basis,
  chosen,
  choose,
  analyse,
}: {
  waters: readonly Water[];
  basis: 'newest' | 'season';
  chosen: Water | undefined;
  choose: (water: Water) => void;
  analyse: (water: Water) => void;
}) {
  const house = useHouse();
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left">
        <thead className="border-b border-ink text-note">
          <tr>
            <th className="py-2 pr-3 font-semibold">Water</th>
            {COLUMNS.map(([key, label, unit]) => (
              <th key={key} className="px-3 py-2 text-right font-semibold">
                {label}
                {unit && <span className="font-normal text-quiet"> {unit}</span>}
              </th>
            ))}
            <th className="py-2 pl-3 font-semibold">Last analysis</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {waters.map((water) => {
            const values = valuesOf(water, basis, house.today, house.timeZone);
            const last = water.analyses.at(-1);
            return (
              <tr key={water.id} className={`border-b border-rule ${water.id === chosen?.id ? 'bg-today' : ''}`}>
                <td className="py-1 pr-3">
                  <button type="button" className="min-h-10 text-left font-semibold link" onClick={() => choose(water)}>
                    {water.name}
                  </button>
                  {WATER_WORDS[water.kind] !== water.name && (
                    <span className="text-note text-quiet"> {WATER_WORDS[water.kind]}</span>
                  )}
                </td>
                {COLUMNS.map(([key]) => (
                  <td key={key} className="px-3 text-right">
                    {show(key, values[key], house)}
                  </td>
                ))}
                <td className="pl-3 text-quiet">
                  {last ? formatDay(houseDay(last.at, house.timeZone), house.today) : 'none yet'}
                </td>
                <td className="pl-3 text-right">
                  {house.may('sitter') && (
                    <button type="button" className="min-h-10 link" onClick={() => analyse(water)}>
                      analysis
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Meters({ meters }: { meters: readonly Meter[] }) {
  const house = useHouse();
  const log = useLog();
  if (meters.length === 0)
    return (
      <p className="text-quiet">
        No instruments yet. Add a meter and its calibration dates to know how far to trust its readings.
      </p>
    );
  return meters.map((meter) => (
    <div key={meter.id} className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1.5">
      <span className="min-w-0 flex-1">
        <b>{meter.name}</b> <span className="text-quiet">{READING_LIMITS[meter.quantity].label}</span>
      </span>
      <span className={meter.dueOn !== null && meter.dueOn <= house.today ? 'text-rust' : 'text-quiet'}>
        {meter.everyDays === null
          ? 'needs no calibration'
          : meter.calibratedAt === null
            ? 'never calibrated, so trusted less'
            : meter.dueOn !== null && meter.dueOn <= house.today
              ? `calibration was due ${formatDay(meter.dueOn, house.today)}`
              : `calibrated ${formatDay(houseDay(meter.calibratedAt, house.timeZone), house.today)}, next ${formatDay(meter.dueOn ?? house.today, house.today)}`}
      </span>
      {meter.everyDays !== null && house.may('sitter') && (
        <Button
          onClick={() => void log('calibrate', { id: newId(), meterId: meter.id, at: house.now() }, `${meter.name} calibrated`)}
        >
          Calibrated now
        </Button>
      )}
    </div>
  ));
}

/** Which waters have I, how hard are they now, and how far can I believe it? */
export function WatersPage() {
  const house = useHouse();
  const waters = useGet('waters');
  const meters = useGet('meters');
  const [basis, setBasis] = useState<'newest' | 'season'>('newest');
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const close = () => setSheet(null);
  return (
    <Loaded reply={waters} what="the waters">
      {(data) => {
        const chosen = data.find(({ id }) => id === chosenId) ?? data[0];
        return (
          <>
            <PageHead title="Waters" about="What goes into your tanks, and what you measure with.">
              <ButtonLink to="/bench?sum=water.blend">Blend them</ButtonLink>
              {house.may('keeper') && (
                <>
                  <Button onClick={() => setSheet({ kind: 'meter' })}>Add an instrument</Button>
                  <Button look="main" onClick={() => setSheet({ kind: 'water' })}>
                    Add a water
                  </Button>
                </>
              )}
            </PageHead>
            {data.length === 0 ? (
              <Empty title="No source waters yet">
                Add your tap, rain butt or osmosis unit, and log a test now and then. Tap water changes with the season.
              </Empty>
            ) : (
              <div className="border border-rule bg-sheet">
                <Panel
                  title="Source waters"
                  aside={
                    <Segmented
                      label="Values shown"
                      value={basis}
                      onChange={setBasis}
                      options={[
                        { value: 'newest', label: 'Newest' },
                        { value: 'season', label: 'Mean of this season' },
                      ]}
                    />
                  }
                >
                  <WaterTable
                    waters={data}
                    basis={basis}
                    chosen={chosen}
                    choose={(water) => setChosenId(water.id)}
                    analyse={(water) => setSheet({ kind: 'analysis', water })}
                  />
                </Panel>
                {chosen && chosen.analyses.length > 1 && (
                  <Panel
                    title={`${chosen.name} over time`}
                    aside={
                      <span className="text-note text-quiet">
                        solid: GH; dotted: KH{' '}
                        <Why
                          about="Mean of this season"
                          formula="The average of tests from last month to next month, in any year."
                          source="docs/sources.md#source-waters"
                        />
                      </span>
                    }
                  >
                    <Suspense fallback={<div className="h-[150px]" />}>
                      <WaterChart water={chosen} />
                    </Suspense>
                  </Panel>
                )}
              </div>
            )}
            <div className="mt-3 border border-rule bg-sheet">
              <Panel title="Instruments">
                <Loaded reply={meters} what="the instruments">
                  {(found) => <Meters meters={found} />}
                </Loaded>
              </Panel>
            </div>
            <Dialog title="Add a source water" open={sheet?.kind === 'water'} onClose={close}>
              <WaterForm done={close} />
            </Dialog>
            <Dialog title="Add an instrument" open={sheet?.kind === 'meter'} onClose={close}>
              <MeterForm done={close} />
            </Dialog>
            {sheet?.kind === 'analysis' && (
              <Dialog title="Analysis" about={sheet.water.name} open onClose={close}>
                <AnalysisForm water={sheet.water} done={close} />
              </Dialog>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
