import { lazy, Suspense, useState } from 'react';
import { READING_LIMITS, type Quantity } from '@freshet/contract/room';
import { formatDay, formatInstant, houseDay } from '@freshet/core/time';
import { isUnsteady, steadiness, swingLimit, type SwingPoint, type SwingQuantity } from '@freshet/core/room';
import { formatNumber, inUnits } from '@freshet/core/units';
import { showVolume, showTemperature, useGet, useHouse, type Reply } from '../../data';
import { LinkButton, Loaded, Panel, Why } from '../../ui';

const QuantityChart = lazy(() => import('./QuantityChart'));

export const CHART_DAYS = 42;
const PROBE_DAYS = 10;
const DAY_MS = 86_400_000;
/** The end of the span is rounded, so that looking again a second later asks for the same. */
const STEP_MS = 5 * 60_000;
type Readings = Reply<'readings'>;

/** What this routine does to nitrate, in words. */
function RegimeLine({ tankId, open }: { tankId: string; open: () => void }) {
  const house = useHouse();
  const reply = useGet('tankRegime', { params: { tankId } });
  const data = reply.data;
  if (!data) return null;
  const { regime, nextChange, production, forecast, sourcePpm, changes } = data;
  const last = changes.at(-1);
  const share = (fraction: number) => `${formatNumber(fraction * 100)} %`;
  return (
    <div className="mt-2 border-t border-rule pt-2">
      <p>
        {regime ? (
          <>
            <b>{share(regime.changeFraction)}</b>{' '}
            {regime.everyDays === null
              ? 'when readings ask for it'
              : regime.everyDays === 1
                ? 'every day'
                : `every ${regime.everyDays} days`}
            {nextChange && (
              <span className={nextChange < house.today ? 'text-rust' : 'text-quiet'}>
                {nextChange < house.today
                  ? `, was due ${formatDay(nextChange, house.today)}`
                  : `, next ${formatDay(nextChange, house.today)}`}
              </span>
            )}
          </>
        ) : (
          <span className="text-quiet">No water-change routine yet.</span>
        )}
        {last && (
          <span className="text-quiet">
            {regime ? '; ' : ' '}last {showVolume(last.litres, house)} on{' '}
            {formatDay(houseDay(last.at, house.timeZone), house.today)}
          </span>
        )}{' '}
        {house.may('keeper') && (
          <LinkButton className="min-h-6" onClick={open}>
            {regime ? 'change it' : 'set one'}
          </LinkButton>
        )}
      </p>
      {forecast && production && (
        <p className={forecast.exceedsOn ? 'text-rust' : undefined}>
          {forecast.exceedsOn && forecast.exceedsOn <= house.today
            ? `Nitrate is above ${formatNumber(regime?.ceilingPpm ?? 0)} mg/L. Change more, or more often.`
            : forecast.exceedsOn
              ? `Nitrate goes above ${formatNumber(regime?.ceilingPpm ?? 0)} mg/L on ${formatDay(forecast.exceedsOn, house.today)}.`
              : regime?.ceilingPpm
                ? `Nitrate stays under ${formatNumber(regime.ceilingPpm)} mg/L for the next four weeks.`
                : 'No nitrate limit set.'}{' '}
          <Why
            about="What this routine does to nitrate"
            inputs={[
              { label: 'Comes into the water each day', value: `${formatNumber(production.ppmPerDay)} mg/L` },
              { label: 'Fitted over', value: `${production.stretches} stretches between readings` },
              { label: 'In the new water', value: `${formatNumber(sourcePpm)} mg/L` },
              ...(forecast.smallestFraction === null
                ? []
                : [{ label: 'Smallest change that keeps to the limit', value: share(forecast.smallestFraction) }]),
            ]}
            formula="Nitrate is taken to rise evenly between readings and to be diluted by each logged change. The rate that fits best is carried on."
            source="docs/sources.md#dilution"
          />
        </p>
      )}
    </div>
  );
}

function Newest({
  readings,
  probeC,
  chosen,
  choose,
}: {
  readings: Readings;
  probeC: { value: number; at: string } | null;
  chosen: Quantity;
  choose: (quantity: Quantity) => void;
}) {
  const house = useHouse();
  const newest = new Map<Quantity, { value: number; at: string; band: number | null; isDoubtful: boolean }>();
  for (const reading of readings) newest.set(reading.quantity, { ...reading, isDoubtful: reading.disagreesWith !== null });
  if (probeC && probeC.at > (newest.get('tempC')?.at ?? '')) newest.set('tempC', { ...probeC, band: null, isDoubtful: false });
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1">
      {[...newest].map(([quantity, reading]) => {
        const { label, unit } = READING_LIMITS[quantity];
        return (
          <button
            key={quantity}
            type="button"
            aria-pressed={quantity === chosen}
            onClick={() => choose(quantity)}
            className="min-h-8 border-b-2 border-transparent text-left aria-pressed:border-deep hover:border-edge"
          >
            {quantity === 'tempC' ? (
              <b className="text-code">{showTemperature(reading.value, house)}</b>
            ) : (
              <b>{`${label} ${formatNumber(reading.value, quantity === 'ph' ? 3 : 2)}`}</b>
            )}{' '}
            {reading.band !== null && <span className="text-note text-quiet">± {formatNumber(reading.band)} </span>}
            {quantity !== 'tempC' && <span className="text-note">{unit} </span>}
            {quantity === chosen && (
              <span className="text-note text-quiet">{formatInstant(reading.at, house.today, house.timeZone)}</span>
            )}
            {reading.isDoubtful && <span className="text-note text-rust"> doubtful</span>}
          </button>
        );
      })}
    </div>
  );
}

/** Two readings of the same water that cannot both be right. */
function Doubts({ readings }: { readings: Readings }) {
  const house = useHouse();
  const byId = new Map(readings.map((reading) => [reading.id, reading]));
  return readings
    .filter(
      (reading) => reading.disagreesWith !== null && reading.at > new Date(Date.parse(house.now()) - 7 * DAY_MS).toISOString(),
    )
    .map((later) => {
      const earlier = byId.get(later.disagreesWith ?? '');
      const { label, unit } = READING_LIMITS[later.quantity];
      const say = (reading: Readings[number]) =>
        `${formatNumber(reading.value, 3)} ± ${formatNumber(reading.band)} ${unit} by ${reading.method}`.replace('  ', ' ');
      return (
        earlier && (
          <p key={later.id} className="mt-2 border-l-4 border-amber-line bg-amber-wash px-3 py-1.5">
            {label}: {say(earlier)} and {say(later)} within hours can’t both be right. Calibrate, then measure again.
          </p>
        )
      );
    });
}

/** How steady the water is: swing over a day and a week, and whether who lives there stands it. */
function SteadyLine({
  quantity,
  points,
  hasYoung,
  nightDropC,
}: {
  quantity: SwingQuantity;
  points: readonly SwingPoint[];
  hasYoung: boolean;
  nightDropC: number;
}) {
  const house = useHouse();
  const swing = steadiness(points, house.now());
  if (swing.day === null && swing.week === null) return null;
  const show = (value: number) =>
    inUnits(
      quantity === 'tempC' ? `swing of ${formatNumber(value)} °C` : `swing of ${formatNumber(value)} mg/L`,
      house.units,
    ).replace('swing of ', '');
  const limit = swingLimit(quantity, hasYoung, nightDropC);
  const unsteady = isUnsteady(quantity, swing, hasYoung, nightDropC);
  const cooled = quantity === 'tempC' && nightDropC > 0;
  return (
    <p className={unsteady ? 'border-l-4 border-amber-line bg-amber-wash px-3 py-1' : 'text-note text-quiet'}>
      {swing.day !== null && `Swings by ${show(swing.day)} in a day`}
      {swing.week !== null && `${swing.day === null ? 'Swings by' : ','} ${show(swing.week)} in a week`}.
      {!unsteady && cooled && ` It is cooled by ${show(nightDropC)} at night on purpose.`}
      {unsteady &&
        ` More than ${show(limit)} a day is a lot${hasYoung ? ' for young' : ''}${cooled ? `, with the ${show(nightDropC)} it is cooled at night` : ''}: look at heater, lid and room${cooled || quantity !== 'tempC' ? '' : '; one that is cooled at night on purpose is set so under Equipment'}.`}
    </p>
  );
}

/** A tank's water: newest values with their error bands, the curve of one of them, and what its regime does. */
export function WaterPanel({
  tankId,
  speciesKey,
  probeC,
  hasYoung,
  nightDropC,
  openRegime,
  first = 'tempC',
}: {
  tankId: string;
  speciesKey: string | undefined;
  /** Newest temperature, by hand or by probe. */
  probeC: { value: number; at: string } | null;
  /** Young stand less of a swing. */
  hasYoung: boolean;
  /** How far it is cooled at night on purpose, K. */
  nightDropC: number;
  openRegime: () => void;
  /** What is drawn at first. */
  first?: Quantity;
}) {
  const house = useHouse();
  const [quantity, setQuantity] = useState<Quantity>(first);
  const readings = useGet('readings', { params: { tankId }, query: { days: String(CHART_DAYS) } });
  const species = useGet('species');
  const regime = useGet('tankRegime', { params: { tankId } });
  const untilMs = Math.ceil(Date.parse(house.now()) / STEP_MS) * STEP_MS;
  const days = quantity === 'tempC' ? PROBE_DAYS : CHART_DAYS;
  const series = useGet('series', {
    params: { tankId },
    query: {
      quantity,
      from: new Date(untilMs - days * DAY_MS).toISOString(),
      to: new Date(untilMs).toISOString(),
      points: '240',
    },
  });
  const wanted = species.data?.find((kind) => kind.key === speciesKey)?.figures;
  const probed = series.data ?? [];
  const since = probed.length > 1 ? new Date(untilMs - days * DAY_MS).toISOString() : '';
  return (
    <Panel title="Water">
      <Loaded reply={readings} what="the readings">
        {(data) => {
          const chosen = data.filter((reading) => reading.quantity === quantity && reading.at >= since);
          const forecast =
            quantity === 'nitratePpm'
              ? (regime.data?.forecast?.curve ?? []).map(({ day, ppm }) => ({ at: Date.parse(`${day}T18:00:00Z`), ppm }))
              : [];
          return (
            <>
              {data.length === 0 && !probeC ? (
                <p className="text-quiet">Nothing measured in the last six weeks. Log a temperature to get hatch dates.</p>
              ) : (
                <Newest readings={data} probeC={probeC} chosen={quantity} choose={setQuantity} />
              )}
              {chosen.length + probed.length > 1 && (
                <div className="mt-2">
                  <Suspense fallback={<div className="h-[160px]" />}>
                    <QuantityChart
                      quantity={quantity}
                      readings={chosen}
                      series={probed}
                      wanted={
                        (quantity === 'tempC'
                          ? wanted?.tempC
                          : quantity === 'ph'
                            ? wanted?.ph
                            : quantity === 'ghDeg'
                              ? wanted?.ghDeg
                              : null) ?? null
                      }
                      ceiling={quantity === 'nitratePpm' ? (regime.data?.regime?.ceilingPpm ?? null) : null}
                      forecast={forecast}
                    />
                  </Suspense>
                  <p className="text-note text-quiet">
                    {probed.length > 1 ? `${days} days; green: probe` : `${CHART_DAYS / 7} weeks`}
                    {quantity === 'tempC' &&
                      wanted &&
                      `; shaded: ${showTemperature(wanted.tempC[0], house)} to ${showTemperature(wanted.tempC[1], house)}, as wanted here`}
                    {forecast.length > 1 && '; dashed: expected'}
                    {forecast.length > 1 && regime.data?.regime?.ceilingPpm != null && '; red line: ceiling'}
                  </p>
                </div>
              )}
              {(quantity === 'tempC' || quantity === 'tdsPpm') && (
                <SteadyLine
                  quantity={quantity}
                  hasYoung={hasYoung}
                  nightDropC={nightDropC}
                  points={[...chosen.map(({ at, value }) => ({ at, low: value, high: value })), ...probed]}
                />
              )}
              <Doubts readings={data} />
              <RegimeLine tankId={tankId} open={openRegime} />
            </>
          );
        }}
      </Loaded>
    </Panel>
  );
}
