import { Link } from 'react-router';
import { standingContacts } from '@freshet/core/room';
import type { Reply } from '../../data';
import { Panel } from '../../ui';

/** Codes in few: "A1.1, A1.2, A1.3 and 12 more". */
const inFew = (codes: readonly string[]) =>
  codes.length > 6 ? `${codes.slice(0, 5).join(', ')} and ${codes.length - 5} more` : codes.join(', ');

/** What shares its water, what drips on it and on what it drips. */
export function TouchesPanel({ room, tankId, code }: { room: Reply<'room'>; tankId: string; code: string }) {
  const codes = new Map(
    room.racks.flatMap((rack) => rack.shelves.flatMap((shelf) => shelf.tanks.map((tank) => [tank.id, tank.code] as const))),
  );
  const rack = room.racks.find((one) => one.shelves.some((shelf) => shelf.tanks.some((tank) => tank.id === tankId)));
  const splash = standingContacts(
    room.racks.map((one) => ({
      ...one,
      shelves: one.shelves.map((shelf) => ({
        level: shelf.level,
        tanks: shelf.tanks.map((tank) => ({ ...tank, hasLid: tank.equipment.hasLid })),
      })),
    })),
  ).filter((contact) => contact.kind === 'splash');
  const codesOf = (ids: readonly string[]) => ids.map((id) => codes.get(id) ?? '').sort();
  const above = codesOf(splash.filter(({ to }) => to === tankId).map(({ from }) => from));
  const below = codesOf(splash.filter(({ from }) => from === tankId).map(({ to }) => to));
  const shared = rack?.sump
    ? room.racks
        .filter((one) => one.sump === rack.sump)
        .flatMap((one) => one.shelves.flatMap((shelf) => shelf.tanks.filter(({ id }) => id !== tankId).map((tank) => tank.code)))
    : [];
  const lines = [
    shared.length > 0 && `Water shared by sump ${rack?.sump ?? ''}: ${inFew(shared)}`,
    above.length > 0 && `Dripped on by: ${inFew(above)}`,
    below.length > 0 && `Drips onto: ${inFew(below)}`,
    `Tools: ${rack?.tools ?? (rack?.quarantine ? 'its own' : 'shared')}`,
  ].filter(Boolean);
  return (
    <Panel
      title="What it shares"
      aside={
        <Link to={`/room/exposure?tank=${tankId}`} className="link" aria-label={`Illness seen in ${code}`}>
          illness seen here?
        </Link>
      }
    >
      {lines.map((line) => (
        <p key={String(line)} className="text-note">
          {line}
        </p>
      ))}
    </Panel>
  );
}
