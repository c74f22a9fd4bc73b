import { walkWords } from '@freshet/core/room';
import { formatDay } from '@freshet/core/time';
import { useGet, useHouse } from '../data';
import { Button, Loaded, PageHead } from '../ui';

/** The round on paper, for somebody who does not know the house. */
export function SitterSheet() {
  const house = useHouse();
  const round = useGet('round');
  return (
    <Loaded reply={round} what="the sheet">
      {(data) => (
        <div className="max-w-4xl bg-sheet p-5 print:p-0">
          <PageHead title={`${house.name}, ${formatDay(data.day, house.today)}`}>
            <Button look="main" onClick={() => window.print()}>
              Print
            </Button>
          </PageHead>
          <p className="mb-3 max-w-prose">
            Go through this sheet once, from top to bottom. ☐ is something to do; tick it. ◯ is something to look at; write what
            you see. Quarantine tanks come last and have their own net and hose. Wash your hands before and after. If a light,
            heater or pump is off, or there’s water on the floor: touch nothing wet, switch off at the wall, and call.
          </p>
          {data.alarms.filter((alarm) => alarm.severity === 'now').length > 0 && (
            <ul className="mb-3 border-l-4 border-rust pl-3">
              {data.alarms
                .filter((alarm) => alarm.severity === 'now')
                .map((alarm) => (
                  <li key={alarm.key}>
                    <b>{alarm.title}</b> {alarm.text}
                  </li>
                ))}
            </ul>
          )}
          <table className="w-full border-t border-ink text-left">
            <tbody>
              {data.stops.map((stop, i) => (
                <tr key={stop.code + String(stop.tankId)} className="break-inside-avoid border-b border-rule align-top">
                  <td className="w-8 py-1.5 text-quiet">{i + 1}</td>
                  <td className="w-20 py-1.5 font-mono font-semibold">{stop.code}</td>
                  <td className="w-56 py-1.5 pr-3">
                    {stop.who}
                    <span className="block text-note text-quiet">{stop.detail}</span>
                  </td>
                  <td className="py-1.5">
                    {stop.notes.map((note) => (
                      <i key={note} className="block text-note">
                        {note}
                      </i>
                    ))}
                    {stop.chores.map((chore) => (
                      <span key={chore.key} className="mr-5 inline-block">
                        {chore.outcome ? '☑' : chore.way === 'watch' ? '◯' : '☐'} {chore.text} <b>{chore.amountText}</b>
                        {chore.walk > 0 && <span className="text-note text-quiet"> {walkWords(data.walks, chore.walk)}</span>}
                      </span>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Loaded>
  );
}
