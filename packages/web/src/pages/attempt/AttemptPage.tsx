import { useState, type ComponentType, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { startsFor } from '@freshet/core/larder';
import { formatDay, formatInstantRange } from '@freshet/core/time';
import { showPercent, useGet, useHouse, type Reply } from '../../data';
import { Button, ButtonLink, Dialog, Fact, Loaded, Notice, PageHead, Panel } from '../../ui';
import { ClutchForm, WindowList } from '../../broods';
import { EndForm, MoveDaysForm, RecipeDifference, RecipeView, SettlingLog, TriggerForm, useOwnHistory } from '../../spawning';
import { AttemptLine } from './AttemptLine';
import { nextSentence } from './nextSentence';

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

function Days({ attempt }: { attempt: Attempt }) {
  const house = useHouse();
  const day = (value: string | null): ReactNode => (value ? formatDay(value, house.today) : '–');
  return (
    <Panel title="Days">
      <Fact label="Conditioning from">{day(attempt.conditioningFrom)}</Fact>
      <Fact label="Tank reserved">{day(attempt.from)}</Fact>
      <Fact label="Parents in">{day(attempt.setUpOn)}</Fact>
      <Fact label="Trigger planned">{day(attempt.triggerOn)}</Fact>
      <Fact label="Triggered">
        {attempt.triggered ? formatInstantRange(attempt.triggered, house.today, house.timeZone) : '–'}
      </Fact>
      <Fact label="Tank free">{attempt.to ? `after ${formatDay(attempt.to, house.today)}` : 'open'}</Fact>
      {attempt.note && <p className="mt-2">{attempt.note}</p>}
      {attempt.tags.length > 0 && <p className="mt-2 text-quiet">Marks: {attempt.tags.join(', ')}</p>}
    </Panel>
  );
}

/** Who is in, who is not, in what condition, and how akin their young would be. */
function Parents({ attempt }: { attempt: Attempt }) {
  const lots = useGet('lots');
  const byId = new Map((lots.data ?? []).map((lot) => [lot.id, lot]));
  return (
    <Panel title="Parents">
      {attempt.parents.length === 0 && <p className="text-quiet">Not recorded.</p>}
      {attempt.parents.map((parent) => {
        const lot = byId.get(parent.lotId);
        const isIn = lot?.tankId === attempt.tankId;
        return (
          <Fact
            key={parent.lotId + parent.role}
            label={
              <>
                <Link to={`/stock/${parent.lotId}`} className="link">
                  {parent.label}
                </Link>
                <span className="block text-note text-quiet">
                  {parent.role === 'sire' ? 'male side' : 'female side'}
                  {lot?.readiness === 'notReady' && ', not ready yet'}
                </span>
              </>
            }
          >
            {!lot ? 'gone' : isIn ? 'in the tank' : `in ${lot.tankCode ?? 'no tank'}`}
          </Fact>
        );
      })}
      {attempt.parents.filter((parent) => parent.role === 'dam').length > 1 && (
        <p className="mt-2 text-note text-quiet">More than one female: the mother is kept as uncertain.</p>
      )}
      {attempt.inbreeding !== null && (
        <Fact label="Inbreeding of their fry">
          {attempt.inbreeding < 0.0005 ? 'none known' : showPercent(attempt.inbreeding)}
        </Fact>
      )}
    </Panel>
  );
}

/** One attempt as one page: its line of time, what is next, what was done, and how it differs from the last that worked. */
/** @param OverStock - whether anybody takes the young; fetched with sales */
export function AttemptPage({ OverStock }: { OverStock: ComponentType<{ speciesKey: string }> }) {
  const { attemptId = '' } = useParams();
  const house = useHouse();
  const navigate = useNavigate();
  const reply = useGet('attempt', { params: { attemptId } });
  const species = useGet('species');
  const broods = useGet('broods');
  const history = useOwnHistory(reply.data?.speciesKey ?? null);
  const [sheet, setSheet] = useState<'trigger' | 'clutch' | 'end' | 'days' | null>(null);
  const close = () => setSheet(null);
  return (
    <Loaded reply={reply} what="the spawning">
      {(attempt) => {
        const kind = species.data?.find((candidate) => candidate.key === attempt.speciesKey);
        const seen = kind?.start === 'born' ? 'Young born' : kind?.start === 'carried' ? 'Carrying seen' : 'Eggs seen';
        const next = nextSentence(attempt, house, history.triggerDays, attempt.firstLight);
        const own = (broods.data ?? []).filter(({ id }) => attempt.broodIds.includes(id));
        const worked = history.records.find(({ id, spawnedAfterDays }) => id !== attempt.id && spawnedAfterDays !== null);
        return (
          <>
            <PageHead
              title={attempt.name}
              about={
                <>
                  {kind && (
                    <Link to={`/species/${kind.key}`} className="link">
                      {kind.commonName}
                    </Link>
                  )}{' '}
                  in{' '}
                  <Link to={`/tanks/${attempt.tankId}`} className="font-mono link">
                    {attempt.tankCode}
                  </Link>
                  , {attempt.state}
                  {attempt.state === 'resting' && attempt.restUntil && ` until ${formatDay(attempt.restUntil, house.today)}`}
                </>
              }
            >
              {!attempt.outcome && house.may('sitter') && (
                <>
                  <Button onClick={() => setSheet('trigger')}>Trigger</Button>
                  <Button look="main" onClick={() => setSheet('clutch')}>
                    {seen}
                  </Button>
                  {house.may('keeper') && !attempt.triggered && attempt.broodIds.length === 0 && (
                    <Button onClick={() => setSheet('days')}>Move its days</Button>
                  )}
                  {house.may('keeper') && <Button onClick={() => setSheet('end')}>End it</Button>}
                </>
              )}
              {attempt.setUpOn && !attempt.outcome && <ButtonLink to={`/spawns/${attempt.id}/set-up`}>Set-up sheet</ButtonLink>}
            </PageHead>
            {next && (
              <Notice look="deep" className="mb-3 text-code">
                {next}
              </Notice>
            )}
            {!attempt.outcome && attempt.broodIds.length === 0 && <OverStock speciesKey={attempt.speciesKey} />}
            <div className="border border-rule bg-sheet px-3 py-2">
              <AttemptLine
                attempt={attempt}
                species={kind}
                triggerDays={history.triggerDays}
                clutches={own.map(({ id, name, laid }) => ({ id, name, ...laid }))}
              />
            </div>
            <div className="mt-4 grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-3 md:divide-x md:divide-y-0">
              <Panel title="Settling">
                <SettlingLog attempt={attempt} may={!attempt.outcome && house.may('sitter')} />
              </Panel>
              <Parents attempt={attempt} />
              <Days attempt={attempt} />
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
            <section aria-label="Recipe" className="mt-4 border border-rule bg-sheet px-4 py-3">
              <div className="mb-2 flex flex-wrap items-baseline justify-between gap-3">
                <h2>Recipe</h2>
                <span className="flex gap-4">
                  {attempt.recipeRef && (
                    <Link to={`/spawns/recipes/${attempt.recipeRef}`} className="link">
                      the recipe it follows
                    </Link>
                  )}
                  {house.may('keeper') && (
                    <Link to={`/spawns/recipes/new?from=${attempt.id}`} className="link">
                      keep it as a recipe
                    </Link>
                  )}
                  <Link to={`/spawns/evidence/${attempt.speciesKey}`} className="link">
                    what worked before
                  </Link>
                </span>
              </div>
              <RecipeView recipe={attempt.recipe} isBorn={kind?.start === 'born'} />
            </section>
            {worked && (
              <section aria-label="The last that worked" className="mt-4 border border-rule bg-sheet px-4 py-3">
                <h2 className="mb-1">
                  Compared with the last one that worked:{' '}
                  <Link to={`/spawns/${worked.id}`} className="link">
                    {worked.name}
                  </Link>
                </h2>
                <RecipeDifference before={worked.recipe} after={attempt.recipe} names={[worked.name, attempt.name]} />
              </section>
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
            <Dialog title="Move its days" about={attempt.name} open={sheet === 'days'} onClose={close} wide>
              {kind && (
                <MoveDaysForm
                  attempt={attempt}
                  species={kind}
                  triggerDays={history.triggerDays}
                  cultureStarts={startsFor}
                  done={close}
                />
              )}
            </Dialog>
            <Dialog title="End the spawning" about={attempt.name} open={sheet === 'end'} onClose={close}>
              <EndForm attempt={attempt} spawned={attempt.broodIds.length > 0} done={close} />
            </Dialog>
          </>
        );
      }}
    </Loaded>
  );
}
