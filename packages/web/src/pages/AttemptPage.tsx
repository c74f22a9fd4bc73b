import { useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { formatDay, formatInstantRange } from '@freshet/core/time';
import { useGet, useHouse, type Reply } from '../data';
import { Button, Dialog, Fact, Loaded, PageHead, Panel } from '../ui';
import { ClutchForm, WindowList } from '../broods';
import { EndForm, SCHOOL_WORDS, TriggerForm } from '../spawning';

type Attempt = Reply<'attempt'>;

function Brood({ broodId }: { broodId: string }) {
  const brood = useGet('brood', { params: { broodId } });
  return (
    <Loaded reply={brood} what="the brood">
      {(data) => (
        <Panel
          title={data.name}
          aside={
            <Link to={`/broods/${data.id}`} className="link">
              open the brood
            </Link>
          }
        >
          <p className="mb-1 text-quiet">
            {data.alive} of {data.began} alive
          </p>
          <WindowList windows={data.windows} carried={data.carried} />
        </Panel>
      )}
    </Loaded>
  );
}

function Plan({ attempt }: { attempt: Attempt }) {
  const house = useHouse();
  const day = (value: string | null): ReactNode => (value ? formatDay(value, house.today) : '–');
  const { recipe } = attempt;
  return (
    <>
      <Panel title="Days">
        <Fact label="Tank taken">{day(attempt.from)}</Fact>
        <Fact label="Conditioning from">{day(attempt.conditioningFrom)}</Fact>
        <Fact label="Set up and parents in">{day(attempt.setUpOn)}</Fact>
        <Fact label="Trigger planned">{day(attempt.triggerOn)}</Fact>
        <Fact label="Triggered">
          {attempt.triggered ? formatInstantRange(attempt.triggered, house.today, house.timeZone) : '–'}
        </Fact>
        <Fact label="Tank free from">{attempt.to ? `after ${formatDay(attempt.to, house.today)}` : 'open'}</Fact>
        {attempt.triggerNote && <p className="mt-2 text-quiet">{attempt.triggerNote}</p>}
      </Panel>
      <Panel title="Recipe">
        <Fact label="Trigger">{SCHOOL_WORDS.trigger[recipe.trigger]}</Fact>
        <Fact label="Eggs">{SCHOOL_WORDS.eggPlan[recipe.eggPlan]}</Fact>
        <Fact label="Against fungus">{SCHOOL_WORDS.fungus[recipe.fungus]}</Fact>
        {recipe.fungus === 'dye' && (
          <Fact label="Dye">
            {recipe.dyeMgPerL} mg/L from a {recipe.dyeStockPercent} % stock
          </Fact>
        )}
        <Fact label="Water changed daily">{Math.round(recipe.dailyChangeFraction * 100)} %</Fact>
        {attempt.note && <p className="mt-2">{attempt.note}</p>}
      </Panel>
      <Panel title="Parents">
        {attempt.parents.length === 0 && <p className="text-quiet">Not recorded.</p>}
        {attempt.parents.map((parent) => (
          <Fact key={parent.lotId + parent.role} label={parent.role === 'sire' ? 'Male side' : 'Female side'}>
            {parent.label}
          </Fact>
        ))}
        {attempt.parents.filter((parent) => parent.role === 'dam').length > 1 && (
          <p className="mt-2 text-note text-quiet">
            More than one female is possible: the young are kept as of uncertain mother.
          </p>
        )}
      </Panel>
    </>
  );
}

/** One attempt: what was planned, what was done, what came of it. */
export function AttemptPage() {
  const { attemptId = '' } = useParams();
  const house = useHouse();
  const navigate = useNavigate();
  const reply = useGet('attempt', { params: { attemptId } });
  const species = useGet('species');
  const [sheet, setSheet] = useState<'trigger' | 'clutch' | 'end' | null>(null);
  const close = () => setSheet(null);
  return (
    <Loaded reply={reply} what="the attempt">
      {(attempt) => {
        const kind = species.data?.find((candidate) => candidate.key === attempt.speciesKey);
        const seen = kind?.start === 'born' ? 'Young born' : kind?.start === 'carried' ? 'Carrying seen' : 'Eggs seen';
        return (
          <>
            <PageHead
              title={attempt.name}
              about={
                <>
                  {kind?.commonName} in{' '}
                  <Link to={`/tanks/${attempt.tankId}`} className="font-mono link">
                    {attempt.tankCode}
                  </Link>
                  {attempt.outcome && `, ${attempt.outcome}`}
                </>
              }
            >
              {!attempt.outcome && house.may('sitter') && (
                <>
                  <Button onClick={() => setSheet('trigger')}>Trigger</Button>
                  <Button look="main" onClick={() => setSheet('clutch')}>
                    {seen}
                  </Button>
                  {house.may('keeper') && <Button onClick={() => setSheet('end')}>End it</Button>}
                </>
              )}
            </PageHead>
            <div className="grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-3 md:divide-x md:divide-y-0">
              <Plan attempt={attempt} />
            </div>
            {attempt.broodIds.length > 0 && (
              <div className="mt-4 grid gap-4 md:grid-cols-2">
                {attempt.broodIds.map((broodId) => (
                  <div key={broodId} className="border border-rule bg-sheet">
                    <Brood broodId={broodId} />
                  </div>
                ))}
              </div>
            )}
            {kind && attempt.broodIds.length === 0 && <p className="mt-4 max-w-prose text-quiet">{kind.eggPlan}</p>}
            <Dialog title="Trigger" about={attempt.name} open={sheet === 'trigger'} onClose={close}>
              <TriggerForm attempt={attempt} done={close} />
            </Dialog>
            <Dialog title={seen} about={`${attempt.name} in ${attempt.tankCode}`} open={sheet === 'clutch'} onClose={close}>
              <ClutchForm
                attempt={attempt}
                start={kind?.start ?? 'laid'}
                done={(broodId) => (broodId ? void navigate(`/broods/${broodId}`) : close())}
              />
            </Dialog>
            <Dialog title="End the attempt" about={attempt.name} open={sheet === 'end'} onClose={close}>
              <EndForm attempt={attempt} spawned={attempt.broodIds.length > 0} done={close} />
            </Dialog>
          </>
        );
      }}
    </Loaded>
  );
}
