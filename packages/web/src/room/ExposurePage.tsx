import { useMemo } from 'react';
import { Link, useNavigate } from 'react-router';
import { CONTACT_KINDS } from '@freshet/core/room';
import { formatDay, houseDay } from '@freshet/core/time';
import { useGet, useHouse } from '../data';
import { DayInput, Field, Loaded, PageHead, Panel, Segmented, SelectField, TextField, usePageParams, useWidth, Why } from '../ui';
import { KIND_WORDS, LogContact, LogIllness, PathWords, type Step } from './ExposureParts';
import { OverlayPatterns, OverlaySwatch } from './OverlayPatterns';
import { RackElevation } from './RackElevation';
import { TankPicture } from './TankPicture';

const ROW_CM = 660;

/** Steps by how far it is from the tank where it was seen: nearer is denser. */
function stepOf(path: readonly Step[] | undefined): 0 | 1 | 2 | 3 | 4 | null {
  if (!path) return null;
  return path.length === 0 ? 4 : path.length === 1 ? 3 : path.length === 2 ? 2 : 1;
}

/** Illness seen here: where may it be, where may it come from, by what path, since when? */
export function ExposurePage() {
  const house = useHouse();
  const navigate = useNavigate();
  const room = useGet('room');
  const life = useGet('tankLife');
  const species = useGet('species');
  const [search, setSearch] = usePageParams();
  const [measure, width] = useWidth<HTMLDivElement>();
  const tanks = useMemo(
    () =>
      (room.data?.racks ?? []).flatMap((rack) =>
        rack.shelves.flatMap((shelf) => shelf.tanks.map(({ id, code }) => ({ id, code }))),
      ),
    [room.data],
  );
  const sick = useGet(tanks[0] && !search.get('tank') ? 'exposure' : null, {
    query: { tankId: tanks[0]?.id ?? '', day: house.today },
  }).data?.illnesses[0];
  const tankId = search.get('tank') ?? sick?.tankId ?? tanks[0]?.id ?? '';
  const day = search.get('day') ?? (sick && !search.get('tank') ? houseDay(sick.at, house.timeZone) : house.today);
  const direction = search.get('direction') === 'sources' ? ('sources' as const) : ('exposed' as const);
  const unseenDays = search.get('unseen') ?? '7';
  const kinds = search.get('kinds') ?? CONTACT_KINDS.filter((kind) => kind !== 'sameTools').join(',');
  const valid = tankId !== '' && /^\d{4}-\d{2}-\d{2}$/.test(day) && /^\d{1,3}$/.test(unseenDays);
  const exposure = useGet(valid ? 'exposure' : null, { query: { tankId, day, direction, unseenDays, kinds: kinds || 'none' } });
  const set = (key: string, value: string) => {
    const next = new URLSearchParams(search);
    next.set(key, value);
    if (key === 'tank' && !next.has('day')) next.set('day', day);
    setSearch(next);
  };
  const codeOf = (id: string) => tanks.find((tank) => tank.id === id)?.code ?? '?';
  const lives = new Map((life.data ?? []).map((one) => [one.tankId, one]));
  const paths = new Map((exposure.data?.tanks ?? []).map((tank) => [tank.tankId, tank.path]));
  const others = (exposure.data?.tanks ?? []).filter((tank) => tank.tankId !== tankId);
  const chosen = new Set(kinds.split(','));
  return (
    <Loaded reply={room} what="the room">
      {(data) => (
        <>
          <PageHead
            title="Exposure"
            about={
              exposure.data && (
                <>
                  Illness in <b className="text-ink">{codeOf(tankId)}</b>:{' '}
                  {direction === 'exposed' ? (
                    <>
                      <b className="text-ink">{others.length}</b> other tanks could have it,{' '}
                      <b className="text-ink">{exposure.data.left.reduce((sum, one) => sum + one.heads, 0)}</b> animals have left
                      your place since
                    </>
                  ) : (
                    <>
                      it may have come from <b className="text-ink">{others.length}</b> tanks
                    </>
                  )}{' '}
                  <Why
                    about="How exposure is worked out"
                    formula="It follows every contact from the tank and the first possible day, in order of time. A shared sump and drips pass it on at once."
                    source="docs/sources.md#exposure"
                    notes={['It shows what’s possible, not what’s certain. Look, keep them apart, and ask a vet if you can.']}
                    inputs={[{ label: 'Contacts followed', value: String(exposure.data.contacts) }]}
                  />
                </>
              )
            }
          />
          <div className="mb-3 flex flex-wrap items-end gap-x-4 gap-y-2">
            <SelectField label="Seen in" boxClass="w-28" value={tankId} onChange={(event) => set('tank', event.target.value)}>
              {tanks.map(({ id, code }) => (
                <option key={id} value={id}>
                  {code}
                </option>
              ))}
            </SelectField>
            <Field label="on" className="w-56">
              {(part) => (
                <DayInput
                  label="on"
                  value={day}
                  part={part}
                  onChange={(text) => /^\d{4}-\d{2}-\d{2}$/.test(text) && set('day', text)}
                />
              )}
            </Field>
            <TextField
              label={direction === 'exposed' ? 'Days it could have been there unseen' : 'Days looked back'}
              inputMode="numeric"
              boxClass="w-44"
              error={/^\d{1,3}$/.test(unseenDays) ? undefined : 'Whole days, 0 to 365.'}
              value={unseenDays}
              onChange={(event) => set('unseen', event.target.value)}
            />
            <Segmented
              label="Look for"
              value={direction}
              onChange={(value) => set('direction', value)}
              options={[
                { value: 'exposed', label: 'Where it could be' },
                { value: 'sources', label: 'Where it could come from' },
              ]}
            />
            <fieldset className="flex flex-wrap gap-x-4">
              <legend className="sr-only">Which contacts count</legend>
              {CONTACT_KINDS.map((kind) => (
                <label key={kind} className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5 accent-[var(--deep)]"
                    checked={chosen.has(kind)}
                    onChange={(event) =>
                      set(
                        'kinds',
                        CONTACT_KINDS.filter((one) => (one === kind ? event.target.checked : chosen.has(one))).join(','),
                      )
                    }
                  />
                  {KIND_WORDS[kind]}
                </label>
              ))}
            </fieldset>
          </div>
          <div className="grid gap-3 lg:grid-cols-[1.55fr_1fr]">
            <div>
              <div ref={measure}>
                {width > 0 && (
                  <RackElevation
                    racks={data.racks}
                    width={width}
                    rowWidthCm={ROW_CM}
                    label="Exposure over the racks"
                    draw={(drawn, box) => {
                      const path = paths.get(drawn.tank.id);
                      const step = stepOf(path);
                      const text = path === undefined ? '' : path.length === 0 ? 'seen' : `${path.length}`;
                      return (
                        <g
                          role="link"
                          tabIndex={0}
                          aria-label={`${drawn.tank.code}: ${path === undefined ? 'not exposed' : path.length === 0 ? 'seen here' : 'exposed'}`}
                          className="cursor-pointer"
                          onClick={() => void navigate(`/tanks/${drawn.tank.id}`)}
                          onKeyDown={(event) => event.key === 'Enter' && void navigate(`/tanks/${drawn.tank.id}`)}
                        >
                          <TankPicture tank={drawn.tank} box={box} life={lives.get(drawn.tank.id)} mark={{ step, text }} />
                        </g>
                      );
                    }}
                  >
                    <OverlayPatterns />
                  </RackElevation>
                )}
              </div>
              <div className="mt-1 flex flex-wrap gap-x-5 gap-y-1 border-t border-ink pt-2">
                {(
                  [
                    [4, 'seen here'],
                    [3, 'one step'],
                    [2, 'two steps'],
                    [1, 'more'],
                    [null, 'not exposed'],
                  ] as const
                ).map(([step, words]) => (
                  <span key={words} className="flex items-center gap-2">
                    <OverlaySwatch step={step} />
                    {words}
                  </span>
                ))}
              </div>
              <div className="mt-3 flex flex-col gap-3 border border-rule bg-sheet px-4 py-3">
                <LogIllness key={tankId} tankId={tankId} code={codeOf(tankId)} />
                <LogContact tankId={tankId} tanks={tanks} />
              </div>
            </div>
            <div className="border border-rule bg-sheet">
              <Panel title={direction === 'exposed' ? 'Could have it' : 'Could be the source'}>
                <Loaded reply={exposure} what="the contacts">
                  {() =>
                    others.length === 0 ? (
                      <p className="text-quiet">No other tank, by these contacts.</p>
                    ) : (
                      <ul className="max-h-[330px] overflow-y-auto">
                        {others.map((tank) => (
                          <li key={tank.tankId} className="border-b border-rule py-1.5">
                            <Link to={`/tanks/${tank.tankId}`} className="font-mono font-bold link">
                              {codeOf(tank.tankId)}
                            </Link>{' '}
                            <span>
                              {direction === 'exposed' ? 'since' : 'until'}{' '}
                              {formatDay(houseDay(tank.since, house.timeZone), house.today)}
                            </span>
                            <span className="block text-note">
                              <PathWords path={tank.path} codeOf={codeOf} />
                            </span>
                          </li>
                        ))}
                      </ul>
                    )
                  }
                </Loaded>
              </Panel>
              {direction === 'exposed' && exposure.data && exposure.data.left.length > 0 && (
                <Panel title="Left your place since">
                  {exposure.data.left.map((one) => (
                    <p key={`${one.lotId}${one.at}`} className="border-b border-rule py-1.5">
                      <b>{one.heads}</b> {species.data?.find(({ key }) => key === one.speciesKey)?.commonName ?? one.speciesKey}{' '}
                      from <b className="font-mono">{codeOf(one.tankId)}</b>{' '}
                      <span className="text-quiet">
                        {one.cause === 'sale' ? 'sold' : 'given away'} {formatDay(houseDay(one.at, house.timeZone), house.today)}
                      </span>
                    </p>
                  ))}
                  <p className="pt-1.5 text-note text-quiet">Tell the people who have them.</p>
                </Panel>
              )}
              {exposure.data && exposure.data.illnesses.length > 0 && (
                <Panel title="Illness logged">
                  {exposure.data.illnesses.slice(0, 5).map((illness) => (
                    <p key={illness.id} className="border-b border-rule py-1.5">
                      <button
                        type="button"
                        className="font-mono font-bold link"
                        onClick={() => {
                          const next = new URLSearchParams(search);
                          next.set('tank', illness.tankId);
                          next.set('day', houseDay(illness.at, house.timeZone));
                          setSearch(next);
                        }}
                      >
                        {codeOf(illness.tankId)}
                      </button>{' '}
                      {illness.what}{' '}
                      <span className="text-quiet">{formatDay(houseDay(illness.at, house.timeZone), house.today)}</span>
                    </p>
                  ))}
                </Panel>
              )}
            </div>
          </div>
        </>
      )}
    </Loaded>
  );
}
