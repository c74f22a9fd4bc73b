import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { EGG_PLAN_WORDS, type EggPlan } from '@freshet/core/species';
import { EGG_WAYS, FUNGUS_WORDS, type FungusSchool } from '@freshet/core/spawning';
import { formatDay, formatDayRange, formatInstant, houseDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { showVolume, useHouse, useLog, type Reply } from '../../data';
import { Button, Dialog, Notice, Panel } from '../../ui';
import { BagForm } from './BagForm';
import { HatchForm } from './HatchForm';
import { KeepingForm } from './KeepingForm';
import { PickForm } from './PickForm';
import { WetForm } from './WetForm';

type Page = Reply<'brood'>;
type Sheet =
  | { sheet: 'keep'; to: { plan: EggPlan; fungus: FungusSchool } | null; why: string }
  | { sheet: 'pick' | 'bag' | 'wet' | 'hatch' };
const TITLES = {
  keep: 'How the eggs are kept',
  pick: 'Eggs picked',
  bag: 'Bag of peat',
  wet: 'Wet the peat',
  hatch: 'Hatched from the peat',
} as const;

/** Ways out, where something goes wrong with a clutch: one tap where nothing has to be moved, else the sheet filled in. */
function FallBacks({ page, open }: { page: Page; open: (sheet: Sheet) => void }) {
  const house = useHouse();
  const log = useLog();
  const { keeping, fallBacks } = page;
  const [left, setLeft] = useState<readonly string[]>([]);
  const shown = fallBacks.filter(({ trouble }) => !left.includes(trouble));
  if (!keeping || shown.length === 0) return null;
  return [...new Set(shown.map(({ trouble }) => trouble))].map((trouble) => {
    const ways = shown.filter((one) => one.trouble === trouble);
    const seen = ways[0]?.seen ?? '';
    const take = ({ to, label }: (typeof ways)[number]) => {
      if (to === null) return setLeft([...left, trouble]);
      const pulled = EGG_WAYS[to.plan].areApart && to.plan !== keeping.plan;
      if (pulled || to.fungus === 'dye') return open({ sheet: 'keep', to, why: seen });
      void log(
        'keepEggs',
        {
          id: newId(),
          broodId: page.id,
          at: house.now(),
          ...to,
          dyeMgPerL: keeping.dyeMgPerL,
          dyeStockPercent: keeping.dyeStockPercent,
          dailyChangeFraction: keeping.dailyChangeFraction,
          container: keeping.container,
          why: seen,
          toTankId: null,
        },
        `${page.name}: ${label.toLowerCase()}`,
      );
    };
    return (
      <Notice key={trouble} className="mt-3">
        <b>{seen}.</b> What now?
        <ul className="mt-2 flex flex-col gap-2">
          {ways.map((way) => (
            <li key={way.label} className="flex flex-wrap items-center gap-x-3 gap-y-1">
              <Button onClick={() => take(way)}>{way.label}</Button>
              <span className="min-w-0 flex-1 basis-60 text-note">{way.why}</span>
            </li>
          ))}
        </ul>
      </Notice>
    );
  });
}

function Keeping({ page, open }: { page: Page; open: (() => void) | null }) {
  const house = useHouse();
  const { keeping } = page;
  if (!keeping) return null;
  return (
    <Panel title="How the eggs are kept">
      <p>
        <b>{EGG_PLAN_WORDS[keeping.plan]}</b>
        {keeping.container && ` (${keeping.container})`}; {FUNGUS_WORDS[keeping.fungus].toLowerCase()}
        {keeping.fungus === 'dye' && keeping.dyeMgPerL !== null && `, ${formatNumber(keeping.dyeMgPerL)} mg/L`}.
      </p>
      <p className="text-note text-quiet">
        {keeping.since
          ? `Since ${formatDay(houseDay(keeping.since, house.timeZone), house.today)}${keeping.why ? `: ${keeping.why}` : ''}.`
          : 'As the recipe says.'}
      </p>
      {open && (
        <p className="mt-2">
          <Button onClick={open}>Keep the eggs another way</Button>
        </p>
      )}
    </Panel>
  );
}

function Batch({ page, open }: { page: Page; open: (() => void) | null }) {
  const house = useHouse();
  const { batch } = page;
  if (!batch) return null;
  const most = Math.max(...batch.picks.map(({ picked }) => picked));
  return (
    <Panel title={`Batch of ${batch.days === 1 ? 'one day' : `${batch.days} days`}`}>
      <p>
        <b>{batch.eggs}</b> eggs
        {batch.perFemaleAndDay !== null && `, ${formatNumber(batch.perFemaleAndDay)} a female and day`}.
        {batch.isFull && ' Full. The next eggs start a new batch, so the oldest don’t eat the youngest.'}
      </p>
      <ul className="my-1">
        {batch.picks.slice(-8).map(({ at, picked, hatch }) => (
          <li
            key={at.from + at.to}
            className="grid grid-cols-[8rem_1fr] items-center gap-2 border-b border-rule py-0.5 text-note"
          >
            <span>{formatDay(houseDay(at.to, house.timeZone), house.today)}</span>
            <span className="flex flex-wrap items-center gap-x-2">
              <span
                className="h-3 border border-edge"
                style={{ width: `${(90 * picked) / most}px`, background: 'var(--eggs)' }}
              />
              <b className="font-mono">{picked}</b>
              <span className="text-quiet">
                {hatch
                  ? `hatch ${formatDayRange(houseDay(hatch.from, house.timeZone), houseDay(hatch.to, house.timeZone), house.today)}`
                  : 'no hatch at this warmth'}
              </span>
            </span>
          </li>
        ))}
      </ul>
      {open && <Button onClick={open}>Eggs picked</Button>}
    </Panel>
  );
}

function Peat({ page, open }: { page: Page; open: ((sheet: 'bag' | 'wet' | 'hatch') => void) | null }) {
  const house = useHouse();
  const { peat } = page;
  if (!peat) return null;
  if (peat.wetted)
    return (
      <Panel title={peat.label ? `Bag ${peat.label}, wetted` : 'Wetted'}>
        <p>
          In water since <b>{formatInstant(peat.wetted, house.today, house.timeZone)}</b>. Fry come within hours to two days.
        </p>
        {open && (
          <p className="mt-2">
            <Button onClick={() => open('hatch')}>Log who hatched</Button>
          </p>
        )}
      </Panel>
    );
  return (
    <Panel title={peat.label ? `Bag ${peat.label}` : 'In the peat'}>
      <p>
        {peat.place && `${peat.place}; `}
        {peat.moisture ?? 'not bagged yet'}.{' '}
        {peat.wetOn && (
          <>
            To be wetted <b>{formatDay(peat.wetOn, house.today)}</b>.
          </>
        )}
      </p>
      <p className="text-note text-quiet">
        Can be wetted {formatDayRange(peat.from, peat.to, house.today)}; good until about {formatDay(peat.goodUntil, house.today)}{' '}
        usually. Eyes with a gold ring mean they’re ready.
      </p>
      {open && (
        <p className="mt-2 flex flex-wrap gap-2">
          <Button onClick={() => open('wet')}>Wetted</Button>
          <Button onClick={() => open('bag')}>{peat.label ? 'Change the bag' : 'Bag it'}</Button>
        </p>
      )}
    </Panel>
  );
}

function Larvae({ page }: { page: Page }) {
  const house = useHouse();
  const { larvae } = page;
  if (!larvae) return null;
  const day = (at: string) => houseDay(at, house.timeZone);
  return (
    <Panel title={`Salt for ${showVolume(larvae.litres, house)}, to ${formatNumber(larvae.toGPerL)} g/L`}>
      <ul className="grid gap-x-6 sm:grid-cols-2">
        {larvae.up.map(({ at, gPerL, addG }) => (
          <li key={at} className="flex justify-between gap-3 border-b border-rule py-1">
            <span>{formatInstant(at, house.today, house.timeZone)}</span>
            <span>
              <b className="font-mono">{formatNumber(addG)} g</b>
              <span className="text-quiet">, then {formatNumber(gPerL)} g/L</span>
            </span>
          </li>
        ))}
        {larvae.down.map(({ atHours, gPerL, changeLitres }) => (
          <li key={`down ${atHours}`} className="flex justify-between gap-3 border-b border-rule py-1">
            <span>{atHours === 0 ? 'settled' : `${formatNumber(atHours)} h after`}</span>
            <span>
              <b className="font-mono">{showVolume(changeLitres, house)}</b>
              <span className="text-quiet"> for fresh, then {formatNumber(gPerL)} g/L</span>
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-note text-quiet">
        Green water day and night until they settle, {formatDayRange(day(larvae.settleFrom), day(larvae.settleTo), house.today)}.
        In fresh water they all die within days.
      </p>
    </Panel>
  );
}

/** Eggs on their way: how they are kept and what to do when that goes wrong, a daily layer's batch, a bag of peat. */
export function EggPart({ page }: { page: Page }) {
  const house = useHouse();
  const [open, setOpen] = useState<Sheet | null>(null);
  const close = () => setOpen(null);
  const may = house.may('sitter') && page.alive > 0;
  if (!page.keeping && !page.batch && !page.peat && !page.larvae) return null;
  return (
    <>
      {may && <FallBacks page={page} open={setOpen} />}
      <div className="mt-3 grid divide-y divide-rule border border-rule bg-sheet md:grid-flow-col md:auto-cols-fr md:divide-x md:divide-y-0">
        <Batch page={page} open={may ? () => setOpen({ sheet: 'pick' }) : null} />
        <Keeping page={page} open={may ? () => setOpen({ sheet: 'keep', to: null, why: '' }) : null} />
        <Larvae page={page} />
        <Peat page={page} open={may ? (sheet) => setOpen({ sheet }) : null} />
      </div>
      <Dialog
        title={open ? TITLES[open.sheet] : ''}
        about={page.name}
        open={open !== null}
        onClose={close}
        wide={open?.sheet === 'keep'}
      >
        {open?.sheet === 'keep' && <KeepingForm page={page} to={open.to} why={open.why} done={close} />}
        {open?.sheet === 'pick' && <PickForm page={page} done={close} />}
        {open?.sheet === 'bag' && <BagForm page={page} done={close} />}
        {open?.sheet === 'wet' && <WetForm page={page} done={close} />}
        {open?.sheet === 'hatch' && <HatchForm page={page} done={close} />}
      </Dialog>
    </>
  );
}
