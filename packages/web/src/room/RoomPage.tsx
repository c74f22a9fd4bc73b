import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 as newId } from 'uuid';
import { formatDay, houseDay } from '@freshet/core/time';
import { showTemperature, useGet, useHouse, useLog, type Reply } from '../data';
import {
  Button,
  ButtonLink,
  Checkbox,
  Empty,
  Loaded,
  PageHead,
  Segmented,
  STAGE_WORDS,
  type StageKind,
  Swatch,
  usePageParams,
  useWidth,
  withParam,
} from '../ui';
import type { DragMode } from './DragGhost';
import type { DragPlace } from './dragTarget';
import type { Rack, Tank } from './layoutRoom';
import { overlayLegend, overlayMark, OVERLAYS, OVERLAY_WORDS, type Overlay } from './overlay';
import { OverlaySwatch } from './OverlayPatterns';
import { RoomSheets, type Sheet } from './RoomSheets';
import { RoomPicture } from './RoomPicture';
import type { SendSheet } from './sendSheet';
import { describeLife } from './TankPicture';
import { Vessels } from './Vessels';

type Life = Reply<'tankLife'>[number];
const KINDS: readonly StageKind[] = ['breeders', 'eggs', 'yolk', 'fry', 'growing', 'ready', 'culture'];
const ROW_CM = 660;

function AddButtons({ racks, open }: { racks: readonly Rack[]; open: (sheet: Sheet) => void }) {
  const house = useHouse();
  const firstShelf = racks.flatMap((rack) => rack.shelves)[0];
  const lastRack = racks.at(-1);
  if (!house.may('keeper')) return null;
  return (
    <>
      <Button onClick={() => open({ kind: 'rack' })}>Add a rack</Button>
      {lastRack && <Button onClick={() => open({ kind: 'shelf', rack: lastRack })}>Add a shelf</Button>}
      {firstShelf && (
        <Button look="main" onClick={() => open({ kind: 'tank', shelfId: firstShelf.id })}>
          Add a tank
        </Button>
      )}
    </>
  );
}

function EmptyRoom({ open }: { open: (sheet: Sheet) => void }) {
  const house = useHouse();
  return (
    <Empty
      title="No racks yet"
      action={
        house.may('keeper') && (
          <Button look="main" onClick={() => open({ kind: 'rack' })}>
            Put up the first rack
          </Button>
        )
      }
    >
      Add a rack, its shelves, then your tanks by their size. You’ll get litres, weight and a picture of your room.
    </Empty>
  );
}

/** What stands below the picture: the tank pointed at, or the legend. */
function Reading({ pointed, life, overlay }: { pointed: string | null; life: Life | undefined; overlay: Overlay }) {
  const house = useHouse();
  if (pointed && life)
    return (
      <p>
        <b className="font-mono">{life.code}</b> {describeLife(life, life.code).slice(life.code.length + 2)}
        {life.tempC && (
          <span className="text-quiet">
            , {showTemperature(life.tempC.value, house)} on {formatDay(houseDay(life.tempC.at, house.timeZone), house.today)}
          </span>
        )}
        {life.attempts.length > 0 && (
          <span className="text-quiet">, {life.attempts.map((attempt) => attempt.name).join(', ')}</span>
        )}
        {life.quarantine && (
          <span className="text-rust">
            , quarantine{life.quarantine.endsOn && ` until ${formatDay(life.quarantine.endsOn, house.today)}`}
          </span>
        )}
        {life.readiness.hindrances[0] && <span className="text-quiet">; not ready: {life.readiness.hindrances[0].what}</span>}
      </p>
    );
  if (overlay !== 'life')
    return overlayLegend(overlay, house).map(({ step, words }) => (
      <span key={words} className="flex items-center gap-2">
        <OverlaySwatch step={step} />
        {words}
      </span>
    ));
  return (
    <>
      {KINDS.map((kind) => (
        <span key={kind} className="flex items-center gap-2">
          <Swatch kind={kind} />
          {STAGE_WORDS[kind]}
        </span>
      ))}
      <span className="text-quiet">dashed: empty; red corner: quarantine</span>
    </>
  );
}

function Picture({
  room,
  life,
  open,
}: {
  room: Reply<'room'>;
  life: Reply<'tankLife'> | undefined;
  open: (sheet: Sheet) => void;
}) {
  const house = useHouse();
  const log = useLog();
  const navigate = useNavigate();
  const [measure, width] = useWidth<HTMLDivElement>();
  const [pointed, setPointed] = useState<string | null>(null);
  const [search, setSearch] = usePageParams();
  const laid = search.get('overlay');
  const overlay: Overlay = OVERLAYS.find((one) => one === laid) ?? 'life';
  const [mode, setMode] = useState<DragMode>('animals');
  const lives = useMemo(() => new Map((life ?? []).map((entry) => [entry.tankId, entry])), [life]);
  const marks = useMemo(
    () =>
      new Map(overlay === 'life' ? [] : (life ?? []).map((entry) => [entry.tankId, overlayMark(overlay, entry, house)] as const)),
    [overlay, life, house],
  );
  const go = useCallback((tankId: string) => void navigate(`/tanks/${tankId}`), [navigate]);

  function place(tank: Tank, { shelf, leftCm, decision }: DragPlace): void {
    const at = { shelfId: shelf.shelf.id, leftCm };
    if (decision.ok)
      void log('moveTank', { id: newId(), tankId: tank.id, facing: tank.facing, ...at }, `${tank.code} moved to ${leftCm} cm`);
    else open({ kind: 'place', tank, place: at });
  }

  return (
    <>
      <div className="no-print mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Segmented
          label="Colour tanks by"
          value={overlay}
          onChange={(chosen) => setSearch(withParam(search, 'overlay', chosen === 'life' ? '' : chosen))}
          options={OVERLAYS.map((value) => ({ value, label: OVERLAY_WORDS[value] }))}
        />
        {house.may('keeper') && (
          <Checkbox checked={mode === 'tanks'} onChange={(event) => setMode(event.target.checked ? 'tanks' : 'animals')}>
            Drag tanks, not animals
          </Checkbox>
        )}
      </div>
      <div ref={measure} className="overflow-x-auto">
        {width > 0 && (
          <RoomPicture
            racks={room.racks}
            width={Math.max(width, 640)}
            rowWidthCm={ROW_CM}
            maxScale={1.62}
            lives={lives}
            markOf={(tankId) => marks.get(tankId) ?? null}
            mode={mode}
            canDrag={mode === 'tanks' ? house.may('keeper') : house.may('sitter')}
            open={go}
            point={setPointed}
            onSend={(fromTankId, toTankId) => open({ kind: 'send', fromTankId, toTankId })}
            onPlace={place}
          />
        )}
      </div>
      <div className="mt-2 flex min-h-12 flex-wrap items-center gap-x-5 gap-y-1 border-t border-ink pt-2">
        <Reading pointed={pointed} life={pointed ? lives.get(pointed) : undefined} overlay={overlay} />
      </div>
    </>
  );
}

/** Which tank? What is in it, is it ready, what touches it? The racks as you stand before them. */
export function RoomPage({ Send }: { Send: SendSheet }) {
  const house = useHouse();
  const room = useGet('room');
  const life = useGet('tankLife');
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const free = (life.data ?? []).filter(
    (tank) => !tank.vessel && tank.heads === 0 && tank.cultures.length === 0 && tank.attempts.length === 0,
  );
  const notReady = free.filter((tank) => !tank.readiness.ready).length;
  return (
    <Loaded reply={room} what="the room">
      {(data) => {
        const count = data.racks.reduce(
          (sum, rack) => sum + rack.shelves.reduce((tanks, shelf) => tanks + shelf.tanks.length, 0),
          0,
        );
        return (
          <>
            <PageHead
              title="Room"
              about={
                count > 0 && (
                  <>
                    <b className="text-ink">{count}</b> tanks and tubs, <b className="text-ink">{free.length}</b> empty and free
                    {notReady > 0 && `, ${notReady} of them not ready`}
                  </>
                )
              }
            >
              {count > 0 && (
                <>
                  <ButtonLink to="/room/waters">Waters</ButtonLink>
                  <ButtonLink to="/room/probes">Probes</ButtonLink>
                  <ButtonLink to="/room/exposure">Exposure</ButtonLink>
                  <Button onClick={() => setSheet({ kind: 'labels' })}>Labels</Button>
                </>
              )}
              <AddButtons racks={data.racks} open={setSheet} />
            </PageHead>
            {data.racks.length === 0 ? (
              <EmptyRoom open={setSheet} />
            ) : (
              <>
                <Picture room={data} life={life.data} open={setSheet} />
                <Vessels
                  vessels={data.vessels}
                  life={life.data}
                  add={house.may('sitter') ? () => setSheet({ kind: 'vessel' }) : null}
                />
              </>
            )}
            <RoomSheets sheet={sheet} racks={data.racks} vessels={data.vessels} open={setSheet} Send={Send} />
          </>
        );
      }}
    </Loaded>
  );
}
