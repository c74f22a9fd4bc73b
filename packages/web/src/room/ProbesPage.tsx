import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { v7 as newId } from 'uuid';
import { PLAYED_FAULTS } from '@freshet/contract/room';
import { formatInstant } from '@freshet/core/time';
import { formatNumber, inUnits } from '@freshet/core/units';
import { ApiProblem, send, showTemperature, useEntryForm, useGet, useHouse, type Reply } from '../data';
import { Button, Dialog, Empty, EntryFormFrame, Loaded, PageHead, SelectField, TextField } from '../ui';
import { Link } from 'react-router';

type Probe = Reply<'probes'>[number];
const FAULT_WORDS = {
  silent: 'silent',
  stuck: 'does not move',
  outOfRange: 'out of range',
  changingFast: 'changes fast',
  drifting: 'disagrees with the hand',
} as const;
const PLAYED_WORDS = {
  none: 'none',
  stuck: 'stuck',
  drifting: 'drifting',
  silent: 'silent',
  heaterFailed: 'heater failed',
} as const;

function ProbeForm({ done }: { done: () => void }) {
  const life = useGet('tankLife');
  const probeId = useRef(newId());
  const entry = useEntryForm({
    name: 'addProbe',
    defaults: { name: '', tankId: '' },
    toBody: (values) => ({ probeId: probeId.current, ...values }),
    label: ({ name }) => `${name} added`,
    done,
  });
  const { register, formState } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Add the probe">
      <TextField label="Name" autoFocus error={formState.errors.name?.message} {...register('name')} />
      <SelectField label="Hangs in" error={formState.errors.tankId?.message} {...register('tankId')}>
        <option value="">Choose a tank</option>
        {(life.data ?? []).map((tank) => (
          <option key={tank.tankId} value={tank.tankId}>
            {tank.code}
          </option>
        ))}
      </SelectField>
    </EntryFormFrame>
  );
}

/** How a probe is set up: where it sends, and with which token. */
function KeyDialog({ probe, close }: { probe: Probe; close: () => void }) {
  const key = useGet('probeKey', { params: { probeId: probe.id } });
  const [problem, setProblem] = useState('');
  const example = (token: string) =>
    JSON.stringify({ token, readings: [{ at: '2026-11-25T07:00:00Z', quantity: 'tempC', value: 24.6 }] });
  async function play(fault: (typeof PLAYED_FAULTS)[number]): Promise<void> {
    try {
      const { sent } = await send('playFault', { fault }, { probeId: probe.id });
      setProblem('');
      if (sent) toast(`${probe.name} plays: ${PLAYED_WORDS[fault]}`);
      else setProblem('No broker is connected: start with "npm start", or set FRESHET_MQTT_URL.');
    } catch (error) {
      setProblem(error instanceof ApiProblem ? error.message : 'That did not work.');
    }
  }
  return (
    <Dialog title={probe.name} about={`in ${probe.tankCode}`} open onClose={close} wide>
      <Loaded reply={key} what="its token">
        {({ token, topic, httpPath }) => (
          <div className="flex flex-col gap-4">
            <div>
              <h3>Over MQTT</h3>
              <p className="text-note text-quiet">Publish to this topic, quality 1; it is acknowledged once it is written.</p>
              <code className="mt-1 block overflow-x-auto border border-rule bg-ground p-2 font-mono text-note">{topic}</code>
              <code className="mt-1 block overflow-x-auto border border-rule bg-ground p-2 font-mono text-note">
                {example(token)}
              </code>
            </div>
            <div>
              <h3>Over HTTP</h3>
              <p className="text-note text-quiet">
                POST the readings with the token as “Authorization: Bearer”. Sent again they are recorded once.
              </p>
              <code className="mt-1 block overflow-x-auto border border-rule bg-ground p-2 font-mono text-note">{`${window.location.origin}${httpPath}`}</code>
            </div>
            <div>
              <h3>Play a fault</h3>
              <p className="text-note text-quiet">Only works on the demo probes.</p>
              <div className="mt-2 flex flex-wrap gap-2">
                {PLAYED_FAULTS.map((fault) => (
                  <Button key={fault} onClick={() => void play(fault)}>
                    {PLAYED_WORDS[fault]}
                  </Button>
                ))}
              </div>
              {problem && (
                <p role="alert" className="mt-2 font-semibold text-rust">
                  {problem}
                </p>
              )}
            </div>
          </div>
        )}
      </Loaded>
    </Dialog>
  );
}

/** Which probes send, and which must I not believe? */
export function ProbesPage() {
  const house = useHouse();
  const probes = useGet('probes');
  const [isAdding, setAdding] = useState(false);
  const [shown, setShown] = useState<Probe | null>(null);
  return (
    <Loaded reply={probes} what="the probes">
      {(data) => {
        const wrong = data.filter((probe) => probe.faults.length > 0).length;
        return (
          <>
            <PageHead
              title="Probes"
              about={
                data.length > 0 &&
                (wrong === 0 ? `${data.length} probes, all sound` : `${data.length} probes, ${wrong} with something wrong`)
              }
            >
              {house.may('keeper') && (
                <Button look="main" onClick={() => setAdding(true)}>
                  Add a probe
                </Button>
              )}
            </PageHead>
            {data.length === 0 ? (
              <Empty title="No probes yet">
                A probe sends a tank’s temperature by itself (MQTT or HTTP). Hatch dates get better, and you’ll know if a heater
                dies at night.
              </Empty>
            ) : (
              <div className="overflow-x-auto border border-rule bg-sheet px-4 py-2">
                <table className="w-full text-left">
                  <thead className="border-b border-ink text-note">
                    <tr>
                      {['Probe', 'Tank', 'Shows', 'Last heard', 'State', ''].map((head) => (
                        <th key={head} className="py-2 pr-4 font-semibold">
                          {head}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {data.map((probe) => (
                      <tr key={probe.id} className="border-b border-rule">
                        <td className="py-2 pr-4 font-semibold">{probe.name}</td>
                        <td className="pr-4">
                          <Link to={`/tanks/${probe.tankId}`} className="font-mono link">
                            {probe.tankCode}
                          </Link>
                        </td>
                        <td className="pr-4">{probe.lastTempC === null ? '–' : showTemperature(probe.lastTempC, house)}</td>
                        <td className="pr-4 text-quiet">
                          {probe.lastAt ? formatInstant(probe.lastAt, house.today, house.timeZone) : 'nothing yet'}
                        </td>
                        <td className="pr-4">
                          {probe.faults.length === 0 ? (
                            <span className="text-quiet">{probe.lastAt ? 'sound' : 'waits for its first reading'}</span>
                          ) : (
                            probe.faults.map((fault) => (
                              <span key={fault.fault} className="block font-semibold text-rust">
                                {FAULT_WORDS[fault.fault]}
                                {fault.by !== 0 &&
                                  inUnits(`, ${fault.by > 0 ? '+' : '−'}${formatNumber(Math.abs(fault.by))} °C off`, house.units)}
                                <span className="font-normal text-quiet">
                                  {' '}
                                  since {formatInstant(fault.since, house.today, house.timeZone)}
                                </span>
                              </span>
                            ))
                          )}
                        </td>
                        <td className="text-right">
                          {house.may('keeper') && (
                            <button type="button" className="min-h-10 link" onClick={() => setShown(probe)}>
                              set up
                            </button>
                          )}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            )}
            <Dialog title="Add a probe" open={isAdding} onClose={() => setAdding(false)}>
              <ProbeForm done={() => setAdding(false)} />
            </Dialog>
            {shown && <KeyDialog probe={shown} close={() => setShown(null)} />}
          </>
        );
      }}
    </Loaded>
  );
}
