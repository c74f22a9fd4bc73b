import { useState } from 'react';
import { Link } from 'react-router';
import { v7 as newId } from 'uuid';
import { CARRIER_STEPS, type CarrierStep } from '@freshet/core/broods';
import { exactly, formatDay, formatDayRange, houseDay } from '@freshet/core/time';
import { showHeads, useGet, useHouse, useLog, type Reply } from '../data';
import { Button, ButtonLink, Dialog, Empty, Loaded, PageHead, Panel } from '../ui';
import { BirthForm } from './BirthForm';
import { Livebearers } from './Livebearers';
import { LostClutchForm } from './LostClutchForm';

type Brood = Reply<'broods'>[number];
type Carried = Brood & { carrier: NonNullable<Brood['carrier']> };
const STEP_WORDS: Record<CarrierStep, string> = {
  carrying: 'carrying',
  eyed: 'eyed',
  attached: 'young attached',
  letGo: 'let go',
};
const isCarried = (brood: Brood): brood is Carried => brood.carrier !== null;
/** What comes first stands first; what warmth does not tell stands last. */
const dueOf = ({ carrier }: Carried) => carrier.steps.find(({ isSeen }) => !isSeen)?.from ?? '9';

/** One holder: her steps with what was seen and what is expected, and what there is to log in a tap. */
function Holder({ brood, lost }: { brood: Carried; lost: () => void }) {
  const house = useHouse();
  const log = useLog();
  const { carrier } = brood;
  const next = carrier.steps.find(({ isSeen }) => !isSeen)?.step;
  const see = (kind: 'eggsSeen' | 'stripped' | 'hatched' | 'freeSwimming', words: string) =>
    void log(
      'observe',
      { id: newId(), broodId: brood.id, kind, at: exactly(house.now()), counted: null },
      `${brood.name}: ${words}`,
    );
  const lot = brood.lots.find(({ count }) => count > 0);
  return (
    <li className="border-b border-rule px-4 py-3">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        {lot?.tankId && (
          <Link to={`/tanks/${lot.tankId}`} className="font-mono font-bold link">
            {lot.tankCode}
          </Link>
        )}
        <Link to={`/broods/${brood.id}`} className="link font-semibold">
          {brood.name}
        </Link>
        <span className="text-quiet">
          {brood.speciesName}, {brood.alive} carried, day {brood.ageDays}
        </span>
      </div>
      <ol className="mt-2 grid gap-1 sm:grid-cols-4">
        {CARRIER_STEPS.filter((step) => carrier.steps.some((span) => span.step === step)).map((step) => {
          const span = carrier.steps.find((one) => one.step === step);
          const day = (at: string) => houseDay(at, house.timeZone);
          return (
            <li
              key={step}
              className={`border px-3 py-1.5 ${span?.isSeen ? 'border-ink bg-today' : step === next ? 'border-dashed border-ink bg-sheet' : 'border-dashed border-edge text-quiet'}`}
            >
              <b className="block">{STEP_WORDS[step]}</b>
              <span className="text-note">
                {span?.from && span.to
                  ? span.isSeen
                    ? `seen ${formatDayRange(day(span.from), day(span.to), house.today)}`
                    : formatDayRange(day(span.from), day(span.to), house.today)
                  : span?.from
                    ? `from ${formatDay(day(span.from), house.today)}`
                    : 'not at this warmth'}
              </span>
            </li>
          );
        })}
      </ol>
      {carrier.advice.length > 0 && <p className="mt-1.5 text-note text-quiet">{carrier.advice.join(' ')}</p>}
      {house.may('sitter') && (
        <div className="mt-2 flex flex-wrap gap-2">
          {carrier.now === 'carrying' && <Button onClick={() => see('eggsSeen', 'still carrying')}>Still carrying</Button>}
          {carrier.now === 'carrying' && carrier.steps.some(({ step }) => step === 'attached') && (
            <Button onClick={() => see('hatched', 'young attached')}>Young attached</Button>
          )}
          {carrier.mayStrip && <Button onClick={() => see('stripped', 'taken from her')}>Taken from her</Button>}
          <Button onClick={() => see('freeSwimming', 'young let go')}>Let go</Button>
          <Button onClick={lost}>Lost her eggs</Button>
        </div>
      )}
    </li>
  );
}

/** Who of the carrying kinds is ready and carries nothing yet. */
function Ripe({ busyTanks }: { busyTanks: ReadonlySet<string> }) {
  const lots = useGet('lots');
  const species = useGet('species');
  const carrying = new Set((species.data ?? []).filter(({ start }) => start === 'carried').map(({ key }) => key));
  const ripe = (lots.data ?? []).filter(
    (lot) =>
      carrying.has(lot.speciesKey) &&
      lot.readiness === 'ready' &&
      lot.females + lot.unsexed > 0 &&
      !busyTanks.has(`${lot.tankId} ${lot.speciesKey}`),
  );
  if (ripe.length === 0) return <p className="text-quiet">No females ready.</p>;
  return (
    <ul>
      {ripe.slice(0, 8).map((lot) => (
        <li key={lot.id} className="border-b border-rule py-1">
          <b className="font-mono">{lot.tankCode}</b>{' '}
          <Link to={`/stock/${lot.id}`} className="link">
            {lot.name ?? lot.speciesName}
          </Link>{' '}
          <span className="text-note text-quiet">{showHeads(lot)}</span>
        </li>
      ))}
    </ul>
  );
}

/** Every holder of eggs or young, where she stands, and what comes when? */
export function CarriersPage() {
  const broods = useGet('broods');
  const [lost, setLost] = useState<Brood | null>(null);
  const [born, setBorn] = useState<Reply<'drops'>[number] | null>(null);
  return (
    <Loaded reply={broods} what="the broods">
      {(data) => {
        const carried = data.filter(isCarried).sort((a, b) => (dueOf(a) < dueOf(b) ? -1 : 1));
        const busy = new Set(
          carried.flatMap(({ lots, speciesKey }) => lots.map(({ tankId }) => `${tankId ?? ''} ${speciesKey}`)),
        );
        return (
          <>
            <PageHead
              title="Carriers"
              about={`${carried.length === 1 ? 'One clutch is' : `${carried.length} clutches are`} carried, the next one first`}
            >
              <ButtonLink to="/broods">Broods</ButtonLink>
            </PageHead>
            <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_280px]">
              <div>
                {carried.length === 0 ? (
                  <Empty title="No females carrying">
                    Log a carrying female at her spawning, or from her tank’s page if you didn’t expect it.
                  </Empty>
                ) : (
                  <ul className="border border-rule bg-sheet">
                    {carried.map((brood) => (
                      <Holder key={brood.id} brood={brood} lost={() => setLost(brood)} />
                    ))}
                  </ul>
                )}
                <Livebearers born={setBorn} />
              </div>
              <aside className="divide-y divide-rule self-start border border-rule bg-sheet">
                <Panel title="Ready, not carrying">
                  <Ripe busyTanks={busy} />
                </Panel>
                <Panel title="Not seen doesn’t mean lost">
                  <p className="text-note text-quiet">
                    A carrying female hides for days. If you didn’t see her, log nothing. Log a lost clutch only when you see her
                    without eggs. Shaded squares were seen, dashed ones are expected. When eyes show is a guess.
                  </p>
                </Panel>
              </aside>
            </div>
            <Dialog title="Lost her eggs" about={lost?.name ?? ''} open={lost !== null} onClose={() => setLost(null)}>
              {lost && <LostClutchForm brood={lost} done={() => setLost(null)} />}
            </Dialog>
            <Dialog title="Young born" about={born?.label ?? ''} open={born !== null} onClose={() => setBorn(null)}>
              {born && <BirthForm drop={born} done={() => setBorn(null)} />}
            </Dialog>
          </>
        );
      }}
    </Loaded>
  );
}
