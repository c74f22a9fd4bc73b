import { v7 as newId } from 'uuid';
import type { TankEventKind } from '@freshet/core/room';
import { formatDay, formatDayRange } from '@freshet/core/time';
import { useHouse, useLog, type Reply } from '../../data';
import { EVENT_WORDS, STATE_WORDS } from '../../room';
import { LinkButton, Panel, Why } from '../../ui';

type Life = Reply<'tankLife'>[number];

/** What may be logged next, by state. */
const NEXT: Record<Life['readiness']['state'], readonly TankEventKind[]> = {
  settingUp: ['filled', 'soilLaid', 'heaterTested'],
  cycling: ['fed', 'seeded', 'heaterTested'],
  ready: ['emptied', 'heaterTested', 'disinfected'],
  inUse: ['heaterTested', 'quarantineBegan'],
  resting: ['heaterTested', 'emptied'],
  empty: ['refilled', 'setUp', 'disinfected'],
  disinfected: ['rinsed'],
};
const BASIS = {
  zeros: 'from your tests so far',
  curve: 'from how fast the readings fall',
  usual: 'usually 4 to 8 weeks',
  rest: 'after its rest',
} as const;

/** Is the tank ready, why not, and what would make it so? */
export function ReadinessPanel({
  life,
  openEquipment,
  openEvent,
}: {
  life: Life;
  openEquipment: () => void;
  /** Anything else that was done, or at another time. */
  openEvent: () => void;
}) {
  const house = useHouse();
  const log = useLog();
  const { readiness, quarantine } = life;
  const tell = (kind: TankEventKind) =>
    void log(
      'tankEvent',
      { id: newId(), tankId: life.tankId, kind, at: house.now() },
      `${life.code}: ${EVENT_WORDS[kind].toLowerCase()}`,
    );
  const next: TankEventKind[] = [...NEXT[readiness.state], ...(quarantine ? (['quarantineEnded'] as const) : [])];
  return (
    <Panel
      title="Readiness"
      aside={
        <Why
          about="Readiness"
          formula="Fill, cycle, ready, in use, empty, refill, rest, ready again. A new tank is ready once ammonia and nitrite stay at zero for your set days while you feed the filter."
          source="docs/sources.md#readiness"
        />
      }
    >
      <p>
        <b>{STATE_WORDS[readiness.state].charAt(0).toUpperCase() + STATE_WORDS[readiness.state].slice(1)}</b>
        {readiness.since && <span className="text-quiet"> since {formatDay(readiness.since, house.today)}</span>}
        {readiness.ready && readiness.state !== 'inUse' && <span className="text-quiet">; you can stock it</span>}
      </p>
      {quarantine && (
        <p className="text-rust">
          Quarantine{quarantine.endsOn ? ` until ${formatDay(quarantine.endsOn, house.today)}` : ': empty so far'}
        </p>
      )}
      {readiness.hindrances.map(({ what, remedy }) => (
        <p key={what} className="mt-1 border-l-4 border-amber-line pl-2.5">
          {what} <span className="text-quiet">{remedy}</span>
        </p>
      ))}
      {readiness.expected && (
        <p className="mt-1">
          Expected ready <b>{formatDayRange(readiness.expected.from, readiness.expected.to, house.today)}</b>
          <span className="text-quiet">, {BASIS[readiness.expected.basis]}</span>
        </p>
      )}
      {readiness.notes.map((note) => (
        <p key={note} className="mt-1 border-l-2 border-edge pl-2.5 text-note text-quiet">
          {note}
        </p>
      ))}
      {house.may('sitter') && (
        <div className="mt-1 flex flex-wrap gap-x-4">
          {next.map((kind) => (
            <LinkButton key={kind} onClick={() => tell(kind)}>
              {EVENT_WORDS[kind]}
            </LinkButton>
          ))}
          <LinkButton onClick={openEvent}>Something else, or earlier</LinkButton>
          {house.may('keeper') && <LinkButton onClick={openEquipment}>Equipment</LinkButton>}
        </div>
      )}
      {readiness.state === 'disinfected' && (
        <p className="text-note text-quiet">
          Label and data sheet first; gloves; never mix; keep from children. Rinse until nothing smells; dispose as local rules
          say.
        </p>
      )}
    </Panel>
  );
}
