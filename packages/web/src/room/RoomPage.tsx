import { useState } from 'react';
import { useNavigate } from 'react-router';
import { formatDay, houseDay } from '@freshet/core/time';
import { showTemperature, useGet, useHouse, type Reply } from '../data';
import { Button, Dialog, Empty, Loaded, PageHead, stageFill, STAGE_WORDS, Swatch, useWidth, type StageKind } from '../ui';
import type { DrawnTank, Rack } from './layoutRoom';
import { RackElevation } from './RackElevation';
import { RackForm } from './RackForm';
import { ShelfForm } from './ShelfForm';
import { TankForm } from './TankForm';

type Life = Reply<'tankLife'>[number];
const KINDS: readonly StageKind[] = ['breeders', 'eggs', 'yolk', 'fry', 'growing', 'ready', 'culture'];
const ROW_CM = 660;

/** "As 110": who, in two letters, and how many. */
function inShort(life: Life | undefined): string {
  if (!life) return '';
  const marks = [...new Set(life.lots.map((lot) => lot.mark))];
  return marks.length > 0 ? `${marks.slice(0, 2).join(' ')} ${life.heads}` : '';
}

function describe(life: Life | undefined, code: string): string {
  if (!life || (life.lots.length === 0 && life.cultures.length === 0)) return `${code}: empty`;
  const names = [...new Set(life.lots.map((lot) => lot.speciesName)), ...life.cultures.map((culture) => culture.name)];
  return `${code}: ${names.join(', ')}${life.heads > 0 ? `, ${life.heads}` : ''}`;
}

function TankPicture({
  drawn,
  box,
  life,
  open,
  point,
}: {
  drawn: DrawnTank;
  box: { x: number; y: number; width: number; height: number; water: number };
  life: Life | undefined;
  open: () => void;
  point: (on: boolean) => void;
}) {
  const { code } = drawn.tank;
  const size = Math.max(8.5, Math.min(13, (box.width - 4) / (code.length * 0.62)));
  const short = inShort(life);
  const band = Math.min(box.water * 0.42, 34);
  const room = box.height > 46 && box.width > short.length * 6.4 + 6;
  const empty = !life?.stage;
  return (
    <g
      role="link"
      tabIndex={0}
      aria-label={describe(life, code)}
      className="cursor-pointer"
      onClick={open}
      onKeyDown={(event) => event.key === 'Enter' && open()}
      onMouseEnter={() => point(true)}
      onMouseLeave={() => point(false)}
      onFocus={() => point(true)}
      onBlur={() => point(false)}
    >
      <rect x={box.x} y={box.y} width={box.width} height={box.height} fill="var(--sheet)" />
      <rect
        x={box.x}
        y={box.y + box.height - box.water}
        width={box.width}
        height={box.water}
        fill={empty ? 'none' : 'var(--water)'}
      />
      {life?.stage && (
        <rect
          x={box.x + 2.5}
          y={box.y + box.height - band - 2}
          width={box.width - 5}
          height={band}
          fill={stageFill(life.stage)}
        />
      )}
      <rect
        x={box.x}
        y={box.y}
        width={box.width}
        height={box.height}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.4"
        strokeDasharray={empty ? '4 3' : undefined}
      />
      <text
        x={box.x + 3}
        y={box.y + size + 1}
        fontSize={size}
        fontWeight="700"
        fontFamily="'Atkinson Hyperlegible Mono Variable'"
        fill="var(--ink)"
      >
        {code}
      </text>
      {room && (
        <text x={box.x + box.width / 2} y={box.y + box.height - band - 7} fontSize="12" textAnchor="middle" fill="var(--ink)">
          {short}
        </text>
      )}
    </g>
  );
}

type Sheet = { kind: 'rack' } | { kind: 'shelf'; rack: Rack } | { kind: 'tank'; shelfId: string };

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

function SheetDialog({
  sheet,
  racks,
  open,
}: {
  sheet: Sheet | null;
  racks: readonly Rack[];
  open: (sheet: Sheet | null) => void;
}) {
  const close = () => open(null);
  return (
    <>
      <Dialog title="Add a rack" open={sheet?.kind === 'rack'} onClose={close}>
        <RackForm done={close} />
      </Dialog>
      {sheet?.kind === 'shelf' && (
        <Dialog title="Add a shelf" about="It goes below the others of its rack." open onClose={close}>
          <label className="mb-4 flex flex-col gap-1 font-semibold">
            Rack
            <select
              className="control font-normal"
              value={sheet.rack.id}
              onChange={(event) =>
                open({ kind: 'shelf', rack: racks.find((rack) => rack.id === event.target.value) ?? sheet.rack })
              }
            >
              {racks.map((rack) => (
                <option key={rack.id} value={rack.id}>
                  {rack.code} {rack.name}
                </option>
              ))}
            </select>
          </label>
          <ShelfForm key={sheet.rack.id} rack={sheet.rack} done={close} />
        </Dialog>
      )}
      {sheet?.kind === 'tank' && (
        <Dialog title="Add a tank" open onClose={close} wide>
          <TankForm racks={racks} shelfId={sheet.shelfId} done={close} />
        </Dialog>
      )}
    </>
  );
}

function EmptyRoom({ open }: { open: (sheet: Sheet) => void }) {
  return (
    <Empty
      title="An empty room"
      action={
        <Button look="main" onClick={() => open({ kind: 'rack' })}>
          Put up the first rack
        </Button>
      }
    >
      A rack has shelves, a shelf has tanks. Everything else, from readings to broods, is written to a tank.
    </Empty>
  );
}

function Picture({ room, life }: { room: Reply<'room'>; life: Reply<'tankLife'> | undefined }) {
  const house = useHouse();
  const navigate = useNavigate();
  const [measure, width] = useWidth<HTMLDivElement>();
  const [pointed, setPointed] = useState<string | null>(null);
  const lives = new Map((life ?? []).map((entry) => [entry.tankId, entry]));
  const at = pointed ? lives.get(pointed) : undefined;
  return (
    <>
      <div ref={measure} className="overflow-x-auto">
        {width > 0 && (
          <RackElevation
            racks={room.racks}
            width={Math.max(width, 640)}
            rowWidthCm={ROW_CM}
            maxScale={1.72}
            label="Racks as they stand"
            draw={(drawn, box) => (
              <TankPicture
                drawn={drawn}
                box={box}
                life={lives.get(drawn.tank.id)}
                open={() => void navigate(`/tanks/${drawn.tank.id}`)}
                point={(on) => setPointed(on ? drawn.tank.id : null)}
              />
            )}
          />
        )}
      </div>
      <div className="mt-3 flex min-h-12 flex-wrap items-center gap-x-5 gap-y-1 border-t border-ink pt-2">
        {pointed && at ? (
          <p>
            <b className="font-mono">{at.code}</b> {describe(at, at.code).slice(at.code.length + 2)}
            {at.tempC && (
              <span className="text-quiet">
                , {showTemperature(at.tempC.value, house)} on {formatDay(houseDay(at.tempC.at, house.timeZone), house.today)}
              </span>
            )}
            {at.attempts.length > 0 && (
              <span className="text-quiet">, {at.attempts.map((attempt) => attempt.name).join(', ')}</span>
            )}
          </p>
        ) : (
          <>
            {KINDS.map((kind) => (
              <span key={kind} className="flex items-center gap-2">
                <Swatch kind={kind} />
                {STAGE_WORDS[kind]}
              </span>
            ))}
            <span className="text-quiet">dashed: empty</span>
          </>
        )}
      </div>
    </>
  );
}

/** Which tank? What is in it? The racks as you stand before them. */
export function RoomPage() {
  const room = useGet('room');
  const life = useGet('tankLife');
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const free = (life.data ?? []).filter(
    (tank) => tank.heads === 0 && tank.cultures.length === 0 && tank.attempts.length === 0,
  ).length;
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
                    <b className="text-ink">{count}</b> tanks and tubs, <b className="text-ink">{free}</b> empty and not booked
                  </>
                )
              }
            >
              <AddButtons racks={data.racks} open={setSheet} />
            </PageHead>
            {data.racks.length === 0 ? <EmptyRoom open={setSheet} /> : <Picture room={data} life={life.data} />}
            <SheetDialog sheet={sheet} racks={data.racks} open={setSheet} />
          </>
        );
      }}
    </Loaded>
  );
}
