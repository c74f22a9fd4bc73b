import { lazy, Suspense, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { READING_LIMITS, type Quantity } from '@freshet/contract/room';
import { formatDay, formatInstant } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { showHeads, showTemperature, showVolume, useGet, useHouse, type Reply } from '../data';
import { ReadingForm, type Rack, type Tank } from '../room';
import { ClutchForm } from '../spawning';
import { CountForm, LossForm, LotForm, MoveForm, type SomeLot } from '../stock';
import { Button, Dialog, Empty, Loaded, PageHead, Panel, STAGE_WORDS, Swatch, Why } from '../ui';
import { ChoreRow } from './ChoreRow';
import { EntryList } from './EntryList';

const TemperatureChart = lazy(() => import('./TemperatureChart'));

type Life = Reply<'tankLife'>[number];
type LifeLot = Life['lots'][number];
type Sheet =
  | { kind: 'reading' | 'stock' }
  | { kind: 'eggs'; attempt: Life['attempts'][number] }
  | { kind: 'move' | 'loss' | 'count'; lot: LifeLot };

const CHART_DAYS = 42;
const toSome = (lot: LifeLot, tankId: string): SomeLot => ({ ...lot, tankId });

function LivesHere({ life, open }: { life: Life; open: (sheet: Sheet) => void }) {
  const house = useHouse();
  const may = house.may('sitter');
  return (
    <Panel title="Lives here">
      {life.lots.length === 0 && life.cultures.length === 0 && <p className="text-quiet">Nobody.</p>}
      {life.lots.map((lot) => (
        <div key={lot.id} className="border-b border-rule py-1.5">
          <div className="flex items-start gap-2.5">
            <span className="pt-1">
              <Swatch kind={lot.stage} width={18} height={14} />
            </span>
            <div className="min-w-0 flex-1">
              <b>{lot.speciesName}</b> {showHeads(lot)}
              <div className="text-note text-quiet">
                {STAGE_WORDS[lot.stage]}
                {lot.broodId && (
                  <>
                    ,{' '}
                    <Link to={`/broods/${lot.broodId}`} className="link">
                      {life.broods.find((brood) => brood.id === lot.broodId)?.name ?? 'brood'}
                    </Link>
                  </>
                )}
              </div>
            </div>
          </div>
          {may && (
            <div className="flex gap-4 pl-7">
              {lot.broodId && (
                <button type="button" className="min-h-9 link" onClick={() => open({ kind: 'count', lot })}>
                  count
                </button>
              )}
              <button type="button" className="min-h-9 link" onClick={() => open({ kind: 'move', lot })}>
                move or split
              </button>
              <button type="button" className="min-h-9 link" onClick={() => open({ kind: 'loss', lot })}>
                loss
              </button>
            </div>
          )}
        </div>
      ))}
      {life.cultures.map((culture) => (
        <Link key={culture.id} to="/larder" className="flex items-center gap-2.5 border-b border-rule py-2">
          <Swatch kind="culture" width={18} height={14} />
          <b>{culture.name}</b>
        </Link>
      ))}
      {life.attempts.map((attempt) => (
        <p key={attempt.id} className="border-b border-rule py-2">
          <Link to={`/spawns/${attempt.id}`} className="link">
            {attempt.name}
          </Link>{' '}
          <span className="text-quiet">
            {attempt.from > house.today ? 'books it from' : 'holds it since'} {formatDay(attempt.from, house.today)}
            {attempt.to && ` to ${formatDay(attempt.to, house.today)}`}
          </span>
        </p>
      ))}
    </Panel>
  );
}

function Water({ tankId, speciesKey }: { tankId: string; speciesKey: string | undefined }) {
  const house = useHouse();
  const readings = useGet('readings', { params: { tankId }, query: { days: String(CHART_DAYS) } });
  const species = useGet('species');
  const wanted = species.data?.find((kind) => kind.key === speciesKey)?.figures.tempC ?? null;
  return (
    <Panel title="Water">
      <Loaded reply={readings} what="the readings">
        {(data) => {
          const temperatures = data.filter((reading) => reading.quantity === 'tempC');
          const newest = new Map<Quantity, (typeof data)[number]>();
          for (const reading of data) newest.set(reading.quantity, reading);
          if (data.length === 0)
            return (
              <p className="text-quiet">
                Nothing measured in the last six weeks. Log a temperature, and hatches are worked out from it.
              </p>
            );
          return (
            <>
              <div className="flex flex-wrap gap-x-6 gap-y-1">
                {[...newest.values()].map((reading) => (
                  <span key={reading.quantity}>
                    {reading.quantity === 'tempC' ? (
                      <b className="text-code">{showTemperature(reading.value, house)}</b>
                    ) : (
                      <b>{`${READING_LIMITS[reading.quantity].label} ${formatNumber(reading.value)} ${READING_LIMITS[reading.quantity].unit}`}</b>
                    )}{' '}
                    <span className="text-note text-quiet">{formatInstant(reading.at, house.today, house.timeZone)}</span>
                  </span>
                ))}
              </div>
              {temperatures.length > 1 && (
                <div className="mt-2">
                  <Suspense fallback={<div className="h-[150px]" />}>
                    <TemperatureChart readings={temperatures} wanted={wanted} />
                  </Suspense>
                  <p className="text-note text-quiet">
                    {CHART_DAYS / 7} weeks
                    {wanted &&
                      `; shaded: ${showTemperature(wanted[0], house)} to ${showTemperature(wanted[1], house)}, as wanted here`}
                  </p>
                </div>
              )}
            </>
          );
        }}
      </Loaded>
    </Panel>
  );
}

function Measures({ tank, rack, level }: { tank: Tank; rack: Rack; level: number }) {
  const house = useHouse();
  return (
    <>
      {rack.code} {rack.name}
      {rack.shelves.length > 1 && `, shelf ${level}`}; {formatNumber(tank.lengthCm, 3)} × {formatNumber(tank.widthCm, 3)} ×{' '}
      {formatNumber(tank.heightCm, 3)} cm, water at {formatNumber(tank.waterHeightCm, 3)} cm;{' '}
      <b className="text-ink">{showVolume(tank.litres, house)}</b>, <b className="text-ink">{formatNumber(tank.totalKg)} kg</b> on
      the shelf{' '}
      <Why
        about={`Litres and load of ${tank.code}`}
        inputs={[
          { label: 'Outer measures', value: `${tank.lengthCm} × ${tank.widthCm} × ${tank.heightCm} cm` },
          { label: 'Glass', value: `${tank.glassMm} mm` },
          { label: 'Load', value: `${formatNumber(tank.kgPerM2)} kg per m²` },
        ]}
        formula="Inner length × inner width × height of the water. Weight: glass at 2.5 kg per litre, water at 1 kg per litre, substrate."
        source="docs/sources.md#tank-load"
        notes={['A full rack can exceed a domestic floor; ask a qualified person.']}
      />
    </>
  );
}

function Chores({ tankId }: { tankId: string }) {
  const round = useGet('round');
  const stop = round.data?.stops.find((candidate) => candidate.tankId === tankId);
  return (
    <Panel title="Today here">
      {stop?.notes.map((note) => (
        <p key={note} className="mb-1 border-l-2 border-edge pl-2.5 text-note text-quiet">
          {note}
        </p>
      ))}
      {stop && round.data ? (
        stop.chores.map((chore) => (
          <ChoreRow key={chore.key} chore={chore} stop={stop} day={round.data?.day ?? ''} ahead={false} />
        ))
      ) : (
        <p className="text-quiet">Nothing to do here today.</p>
      )}
    </Panel>
  );
}

function find(room: Reply<'room'>, tankId: string): { rack: Rack; tank: Tank; level: number } | null {
  for (const rack of room.racks)
    for (const shelf of rack.shelves) {
      const tank = shelf.tanks.find((candidate) => candidate.id === tankId);
      if (tank) return { rack, tank, level: shelf.level };
    }
  return null;
}

function TankSheets({ sheet, tank, close }: { sheet: Sheet | null; tank: Tank; close: () => void }) {
  const navigate = useNavigate();
  const species = useGet('species');
  const attempts = useGet(sheet?.kind === 'eggs' ? 'attempts' : null);
  if (!sheet) return null;
  const attempt = sheet.kind === 'eggs' ? attempts.data?.find((candidate) => candidate.id === sheet.attempt.id) : undefined;
  const start = species.data?.find((kind) => kind.key === attempt?.speciesKey)?.start;
  const titles = {
    reading: 'Reading',
    stock: 'Record stock',
    eggs: 'Eggs or young seen',
    move: 'Move or split',
    loss: 'Loss',
    count: 'Count',
  };
  return (
    <Dialog
      title={titles[sheet.kind]}
      about={'lot' in sheet ? `${sheet.lot.speciesName} in ${tank.code}` : tank.code}
      open
      onClose={close}
    >
      {sheet.kind === 'reading' && <ReadingForm tank={tank} done={close} />}
      {sheet.kind === 'stock' && <LotForm tankId={tank.id} done={close} />}
      {sheet.kind === 'eggs' && attempt && start && (
        <ClutchForm
          attempt={attempt}
          start={start}
          done={(broodId) => (broodId ? void navigate(`/broods/${broodId}`) : close())}
        />
      )}
      {sheet.kind === 'move' && <MoveForm lot={toSome(sheet.lot, tank.id)} done={close} />}
      {sheet.kind === 'loss' && <LossForm lot={toSome(sheet.lot, tank.id)} done={close} />}
      {sheet.kind === 'count' && <CountForm lot={toSome(sheet.lot, tank.id)} done={close} />}
    </Dialog>
  );
}

/** One tank: who lives in it, its water, what is to do, what was logged. */
export function TankPage() {
  const { tankId = '' } = useParams();
  const house = useHouse();
  const navigate = useNavigate();
  const room = useGet('room');
  const lives = useGet('tankLife');
  const [sheet, setSheet] = useState<Sheet | null>(null);
  return (
    <Loaded reply={room} what="the tank">
      {(data) => {
        const found = find(data, tankId);
        const life = lives.data?.find((candidate) => candidate.tankId === tankId);
        if (!found) return <Empty title="There is no such tank">It may have been taken back.</Empty>;
        const open = life?.attempts.filter((attempt) => attempt.from <= house.today) ?? [];
        return (
          <>
            <PageHead title={<span className="font-mono">{found.tank.code}</span>} about={<Measures {...found} />} />
            <div className="no-print mb-3 flex flex-wrap gap-3">
              {house.may('sitter') && (
                <Button look="main" onClick={() => setSheet({ kind: 'reading' })}>
                  Reading
                </Button>
              )}
              {house.may('sitter') &&
                open.slice(0, 2).map((attempt) => (
                  <Button key={attempt.id} onClick={() => setSheet({ kind: 'eggs', attempt })}>
                    Eggs or young{open.length > 1 ? `: ${attempt.name}` : ''}
                  </Button>
                ))}
              {house.may('keeper') && (
                <>
                  <Button onClick={() => setSheet({ kind: 'stock' })}>Record stock</Button>
                  <Button onClick={() => void navigate(`/spawns/new?tank=${tankId}`)}>Start an attempt</Button>
                </>
              )}
            </div>
            <div className="grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-2 md:divide-x md:divide-y-0 lg:grid-cols-[1fr_1.1fr_1fr]">
              {life ? <LivesHere life={life} open={setSheet} /> : <Panel title="Lives here">…</Panel>}
              <Water tankId={tankId} speciesKey={life?.lots[0]?.speciesKey} />
              <Chores tankId={tankId} />
            </div>
            <div className="mt-3 border border-rule bg-sheet">
              <Panel title="What was logged">
                <EntryList tankId={tankId} limit={40} />
              </Panel>
            </div>
            <TankSheets sheet={sheet} tank={found.tank} close={() => setSheet(null)} />
          </>
        );
      }}
    </Loaded>
  );
}
