import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { formatNumber, inUnits } from '@freshet/core/units';
import { showVolume, useGet, useHouse, type Reply } from '../../data';
import { ChangeForm, EquipForm, MoveTankForm, ReadingForm, RegimeForm, TankEventForm, type Rack, type Tank } from '../../room';
import { ClutchForm, FoundForm } from '../../broods';
import { CountForm, LossForm, LotForm } from '../../stock';
import { TransferSheet } from '../../transfers';
import { Button, ButtonLink, Dialog, Empty, Loaded, PageHead, Panel, Why } from '../../ui';
import { EntryList } from '../EntryList';
import { DeathForm } from './DeathForm';
import { LivesHere, toSome, type Life, type Sheet } from './LivesHere';
import { ReadinessPanel } from './ReadinessPanel';
import { TodayHere } from './TodayHere';
import { TouchesPanel } from './TouchesPanel';
import { VesselPage } from './VesselPage';
import { WaterPanel } from './WaterPanel';

function Measures({ tank, rack, level }: { tank: Tank; rack: Rack; level: number }) {
  const house = useHouse();
  return (
    <>
      {rack.code} {rack.name}
      {rack.shelves.length > 1 && `, shelf ${level}`};{' '}
      {inUnits(
        `${formatNumber(tank.lengthCm, 3)} × ${formatNumber(tank.widthCm, 3)} × ${formatNumber(tank.heightCm, 3)} cm, water at ${formatNumber(tank.waterHeightCm, 3)} cm`,
        house.units,
      )}
      ; <b className="text-ink">{showVolume(tank.litres, house)}</b>,{' '}
      <b className="text-ink">{inUnits(`${formatNumber(tank.totalKg)} kg`, house.units)}</b> on the shelf{' '}
      <Why
        about={`Litres and load of ${tank.code}`}
        inputs={[
          { label: 'Outer measures', value: `${tank.lengthCm} × ${tank.widthCm} × ${tank.heightCm} cm` },
          { label: 'Glass', value: `${tank.glassMm} mm` },
          { label: 'Load', value: `${formatNumber(tank.kgPerM2)} kg per m²` },
        ]}
        formula="Inner length × inner width × height of the water. Weight: glass at 2.5 kg per litre, water at 1 kg per litre, substrate."
        source="docs/sources.md#tank-load"
        notes={['A full rack can be too much for a floor at home; ask someone qualified.']}
      />
      {'; '}
      {[
        tank.equipment.heaterW > 0 ? `heater ${formatNumber(tank.equipment.heaterW, 3)} W` : 'no heater',
        tank.equipment.filter,
        tank.equipment.hasLid && 'lid',
        tank.equipment.hasIntakeGuard && 'intake guard',
      ]
        .filter(Boolean)
        .join(', ')}
    </>
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

const TITLES = {
  reading: 'Reading',
  stock: 'Record stock',
  change: 'Water change',
  death: 'Found dead',
  regime: 'Water-change routine',
  equipment: 'Equipment',
  event: 'Done to the tank',
  place: 'Move the tank',
  eggs: 'Eggs or young seen',
  found: 'Eggs or young found',
  loss: 'Loss',
  count: 'Count',
} as const;
const WIDE = ['regime', 'place', 'change'];

function TankSheets({
  sheet,
  tank,
  life,
  racks,
  close,
}: {
  sheet: Sheet | null;
  tank: Tank;
  life: Life | undefined;
  racks: readonly Rack[];
  close: () => void;
}) {
  const navigate = useNavigate();
  const species = useGet('species');
  const attemptId = sheet?.kind === 'eggs' ? sheet.attempt.id : '';
  const attempt = useGet(attemptId ? 'attempt' : null, { params: { attemptId } }).data;
  if (!sheet) return null;
  if (sheet.kind === 'move') return <TransferSheet fromTankId={tank.id} lotId={sheet.lot.id} close={close} />;
  const start = species.data?.find((kind) => kind.key === attempt?.speciesKey)?.start;
  return (
    <Dialog
      title={TITLES[sheet.kind]}
      about={'lot' in sheet ? `${sheet.lot.speciesName} in ${tank.code}` : tank.code}
      wide={WIDE.includes(sheet.kind)}
      open
      onClose={close}
    >
      {sheet.kind === 'reading' && <ReadingForm tank={tank} done={close} />}
      {sheet.kind === 'change' && <ChangeForm tank={tank} done={close} />}
      {sheet.kind === 'death' && life && <DeathForm life={life} done={close} />}
      {sheet.kind === 'regime' && <RegimeForm tank={tank} done={close} />}
      {sheet.kind === 'event' && <TankEventForm tank={tank} done={close} />}
      {sheet.kind === 'equipment' && <EquipForm tank={tank} done={close} />}
      {sheet.kind === 'place' && <MoveTankForm tank={tank} racks={racks} done={close} />}
      {sheet.kind === 'stock' && <LotForm tankId={tank.id} done={close} />}
      {sheet.kind === 'eggs' && attempt && start && (
        <ClutchForm
          attempt={attempt}
          start={start}
          done={(broodId) => (broodId ? void navigate(`/broods/${broodId}`) : close())}
        />
      )}
      {sheet.kind === 'found' && life && (
        <FoundForm life={life} done={(broodId) => (broodId ? void navigate(`/broods/${broodId}`) : close())} />
      )}
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
        const vessel = data.vessels.find(({ id }) => id === tankId);
        const found = find(data, tankId);
        const life = lives.data?.find((candidate) => candidate.tankId === tankId);
        if (vessel) return <VesselPage vessel={vessel} life={life} room={data} />;
        if (!found) return <Empty title="There’s no such tank">It may have been undone.</Empty>;
        const open = life?.attempts.filter((attempt) => attempt.from <= house.today) ?? [];
        return (
          <>
            <PageHead title={<span className="font-mono">{found.tank.code}</span>} about={<Measures {...found} />} />
            <div className="no-print mb-3 flex flex-wrap gap-2.5">
              {house.may('sitter') && (
                <>
                  <Button look="main" onClick={() => setSheet({ kind: 'reading' })}>
                    Reading
                  </Button>
                  <Button onClick={() => setSheet({ kind: 'change' })}>Change</Button>
                  {(life?.lots.length ?? 0) > 0 && <Button onClick={() => setSheet({ kind: 'death' })}>Found dead</Button>}
                  {open.length === 0 && (life?.lots.length ?? 0) > 0 && (
                    <Button onClick={() => setSheet({ kind: 'found' })}>Eggs or young found</Button>
                  )}
                  {open.slice(0, 2).map((attempt) => (
                    <Button key={attempt.id} onClick={() => setSheet({ kind: 'eggs', attempt })}>
                      Eggs or young{open.length > 1 ? `: ${attempt.name}` : ''}
                    </Button>
                  ))}
                </>
              )}
              {house.may('keeper') && (
                <>
                  <Button onClick={() => setSheet({ kind: 'stock' })}>Record stock</Button>
                  <Button onClick={() => void navigate(`/spawns/new?tank=${tankId}`)}>Plan a spawning</Button>
                  <Button onClick={() => setSheet({ kind: 'place' })}>Move the tank</Button>
                </>
              )}
              <ButtonLink to={`/bench?sum=water.changeToTemperature&tank=${tankId}`}>Work out</ButtonLink>
            </div>
            <div className="grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-2 md:divide-x md:divide-y-0 lg:grid-cols-[1fr_1.15fr_1fr]">
              <div className="divide-y divide-rule">
                {life ? <LivesHere life={life} open={setSheet} /> : <Panel title="Lives here">…</Panel>}
                {life && (
                  <ReadinessPanel
                    life={life}
                    openEquipment={() => setSheet({ kind: 'equipment' })}
                    openEvent={() => setSheet({ kind: 'event' })}
                  />
                )}
              </div>
              <WaterPanel
                key={`${tankId} ${life?.readiness.state === 'cycling'}`}
                first={life?.readiness.state === 'cycling' ? 'nitritePpm' : 'tempC'}
                tankId={tankId}
                speciesKey={life?.lots[0]?.speciesKey}
                probeC={life?.tempC ?? null}
                hasYoung={(life?.broods.length ?? 0) > 0}
                nightDropC={found.tank.equipment.nightDropC}
                openRegime={() => setSheet({ kind: 'regime' })}
              />
              <div className="divide-y divide-rule">
                <TodayHere tankId={tankId} />
                <TouchesPanel room={data} tankId={tankId} code={found.tank.code} />
              </div>
            </div>
            <div className="mt-3 border border-rule bg-sheet">
              <Panel title="What was logged">
                <EntryList tankId={tankId} limit={40} />
              </Panel>
            </div>
            <TankSheets sheet={sheet} tank={found.tank} life={life} racks={data.racks} close={() => setSheet(null)} />
          </>
        );
      }}
    </Loaded>
  );
}
