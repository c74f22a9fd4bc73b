import { Suspense, useState } from 'react';
import { Link, useParams } from 'react-router';
import { FOOD_NAMES } from '@freshet/core/species';
import { formatDateRange, formatDay, formatInstantRange, houseDay, sentence } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { v7 as newId } from 'uuid';
import { COUNT_WAY_WORDS } from '../counting';
import { useGet, useHouse, useLog, type Reply } from '../data';
import { CountForm, LengthsForm, LossForm, type SomeLot } from '../stock';
import type { SendSheet } from '../room';
import { WindowList } from './WindowList';
import { Button, Dialog, Fact, LinkButton, Loaded, Notice, PageHead, Panel, Why } from '../ui';
import { JoinForm } from './JoinForm';
import { ObservationForm } from './ObservationForm';
import { StreamPicture } from './StreamPicture';
import { TriageForm } from './TriageForm';

type Page = Reply<'brood'>;
type Sheet = 'observe' | 'triage' | 'count' | 'split' | 'loss' | 'lengths' | 'join';
const SHEETS: Record<Sheet, string> = {
  observe: 'What was seen',
  triage: 'Look through the eggs',
  count: 'Count',
  split: 'Split or move',
  loss: 'Loss',
  lengths: 'Lengths',
  join: 'Another attempt',
};

function Next({ page }: { page: Page }) {
  const house = useHouse();
  return (
    <Panel title="What comes when">
      {!page.born && <WindowList windows={page.windows} carried={page.carried} />}
      {page.ready && page.alive > 0 && (
        <Fact label={<>Ready for sale</>}>
          {formatDateRange(houseDay(page.ready.from, house.timeZone), houseDay(page.ready.to, house.timeZone), house.today)}, by{' '}
          {page.measured ? 'their lengths' : 'the curve'}
        </Fact>
      )}
      {page.feedingDays !== null && page.lengthMm !== null && (
        <p className="mt-2 text-note text-quiet">
          Day {Math.floor(page.feedingDays)} of feeding; about {formatNumber(page.lengthMm)} mm, the smallest tenth under{' '}
          {formatNumber(page.smallestMm ?? page.lengthMm)} mm,{' '}
          {page.measured
            ? `from ${page.measured.count} measured on ${formatDay(houseDay(page.measured.at, house.timeZone), house.today)} (${formatNumber(page.measured.meanMm, 3)} mm)${Math.abs(page.aheadDays) >= 2 ? `: ${formatNumber(Math.abs(page.aheadDays))} days ${page.aheadDays > 0 ? 'ahead of' : 'behind'} the species’ curve` : ''}.`
            : 'by the species’ curve and not measured.'}
        </p>
      )}
    </Panel>
  );
}

function Ledger({ page }: { page: Page }) {
  const house = useHouse();
  return (
    <Panel title="Headcount, always adds up">
      {page.ledger.map((line, i) => (
        <div
          key={line.label}
          className={`flex justify-between gap-4 border-b py-1.5 ${i === page.ledger.length - 1 ? 'border-ink font-bold' : 'border-rule'}`}
        >
          <span>{line.label}</span>
          <span className="font-mono font-semibold">{line.count < 0 ? `− ${-line.count}` : line.count}</span>
        </div>
      ))}
      {page.counted && (
        <p className="mt-2">
          Counted <b>{page.counted.count}</b> {formatDay(houseDay(page.counted.at, house.timeZone), house.today)}
          {page.counted.low < page.counted.high && `, likely ${page.counted.low} to ${page.counted.high}`}
          {page.counted.how !== 'all' && `, by ${COUNT_WAY_WORDS[page.counted.how]}`}.
        </p>
      )}
      {page.began > 0 && (
        <p className="mt-2 text-note text-quiet">
          {Math.round((100 * page.alive) / page.began)} % of those that began are alive here.
        </p>
      )}
    </Panel>
  );
}

function Food({ page }: { page: Page }) {
  const house = useHouse();
  const { ration } = page;
  const next = page.foods.find((rung) => rung.from !== null && rung.from > house.now());
  return (
    <Panel title="Food">
      {ration && (
        <Fact
          label={
            <>
              Today <Why about="Today’s food" notes={ration.why} source="docs/sources.md#rations" />
            </>
          }
        >
          {FOOD_NAMES[ration.food]},{' '}
          {ration.unit === 'trace' ? 'a trace' : `${ration.mealsPerDay} × ${formatNumber(ration.perMeal)} ${ration.unit}`}
        </Fact>
      )}
      {page.foods.map((rung) => (
        <Fact key={rung.food} label={FOOD_NAMES[rung.food]}>
          {rung.from && rung.to
            ? `${formatDateRange(houseDay(rung.from, house.timeZone), houseDay(rung.to, house.timeZone), house.today)}${rung.to < house.now() ? ', done' : ''}`
            : 'from the first feed on'}
        </Fact>
      ))}
      {next && (
        <p className="mt-2 text-note text-quiet">
          {sentence(FOOD_NAMES[next.food])} once the smallest tenth can take it; the old food goes on beside it.
        </p>
      )}
    </Panel>
  );
}

function Where({ page, join }: { page: Page; join: (() => void) | null }) {
  return (
    <Panel title="Where they are">
      {page.lots
        .filter((lot) => lot.count > 0)
        .map((lot) => (
          <Fact
            key={lot.id}
            label={
              lot.tankId ? (
                <Link to={`/tanks/${lot.tankId}`} className="font-mono link">
                  {lot.tankCode}
                </Link>
              ) : (
                'no tank'
              )
            }
          >
            {lot.count}
          </Fact>
        ))}
      {page.alive === 0 && <p className="text-quiet">None is left here.</p>}
      <h2 className="mt-3 mb-1">Parents</h2>
      {page.parents.length === 0 && <p className="text-quiet">Not recorded.</p>}
      {page.parents.map((parent) => (
        <p key={parent.lotId + parent.role} className="border-b border-rule py-1">
          <span className="text-quiet">{parent.role === 'sire' ? 'male side' : 'female side'}</span> {parent.label}
        </p>
      ))}
      {page.attemptId && (
        <Link to={`/spawns/${page.attemptId}`} className="mt-2 inline-block min-h-6 link">
          the attempt
        </Link>
      )}
      {join && (
        <p className="mt-3">
          <LinkButton onClick={join}>it is of another attempt</LinkButton>
        </p>
      )}
    </Panel>
  );
}

function LotChoice({ lots, chosen, change }: { lots: Page['lots']; chosen: string; change: (id: string) => void }) {
  if (lots.length < 2) return null;
  return (
    <label className="mb-4 flex flex-col gap-1 font-semibold">
      Which of them
      <select className="control font-normal" value={chosen} onChange={(event) => change(event.target.value)}>
        {lots.map((lot) => (
          <option key={lot.id} value={lot.id}>
            {lot.tankCode}: {lot.count}
          </option>
        ))}
      </select>
    </label>
  );
}

/** How many, how old, what comes next and when, for one brood. */
export function BroodPage({ Send }: { Send: SendSheet }) {
  const { broodId = '' } = useParams();
  const house = useHouse();
  const reply = useGet('brood', { params: { broodId } });
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [lotId, setLotId] = useState('');
  const log = useLog();
  const close = () => setSheet(null);
  return (
    <Loaded reply={reply} what="the brood">
      {(page) => {
        const living = page.lots.filter((lot) => lot.count > 0);
        const lot = living.find((candidate) => candidate.id === lotId) ?? living[0];
        const some: SomeLot | null = lot
          ? {
              id: lot.id,
              speciesName: page.speciesName,
              tankId: lot.tankId,
              males: lot.males,
              females: lot.females,
              unsexed: lot.unsexed,
            }
          : null;
        const waiting = page.stage === 'eggs' || page.stage === 'yolk';
        return (
          <>
            <PageHead
              title={page.name}
              about={
                <>
                  {page.speciesName}, {page.born ? 'born' : page.carried ? 'carried since' : 'laid'}{' '}
                  {formatInstantRange(page.laid, house.today, house.timeZone)};{' '}
                  <Link to={`/broods/record/${page.speciesKey}`} className="link">
                    beside the others of its kind
                  </Link>
                </>
              }
            >
              {house.may('sitter') && lot && (
                <>
                  {waiting && (
                    <Button look="main" onClick={() => setSheet('observe')}>
                      {page.carried ? 'Young let go' : page.stage === 'eggs' ? 'Hatched' : 'Free-swimming'}
                    </Button>
                  )}
                  {page.stage === 'eggs' && !page.carried && (
                    <Button onClick={() => setSheet('triage')}>Look through the eggs</Button>
                  )}
                  <Button onClick={() => setSheet('count')}>Count</Button>
                  <Button onClick={() => setSheet('split')}>Split</Button>
                  {!waiting && <Button onClick={() => setSheet('lengths')}>Measure</Button>}
                  <Button onClick={() => setSheet('loss')}>Loss</Button>
                </>
              )}
            </PageHead>
            {page.trouble && (
              <Notice look="rust">
                {page.trouble}{' '}
                <Link to={`/species/${page.speciesKey}`} className="link">
                  Mend the figures
                </Link>
                ; until then nothing is said of its dates.
              </Notice>
            )}
            <StreamPicture page={page} />
            <div className="mt-3 grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-2 md:divide-y-0 lg:grid-cols-[1.6fr_1fr_1.2fr_1fr] lg:divide-x">
              <Next page={page} />
              <Ledger page={page} />
              <Food page={page} />
              <Where page={page} join={house.may('keeper') ? () => setSheet('join') : null} />
            </div>
            <Dialog
              title={sheet ? SHEETS[sheet] : ''}
              about={page.name}
              open={sheet !== null && sheet !== 'split'}
              onClose={close}
              wide={sheet === 'triage' || sheet === 'count'}
            >
              {sheet === 'observe' && <ObservationForm brood={{ ...page, lots: living }} done={close} />}
              {sheet === 'join' && <JoinForm brood={page} done={close} />}
              {sheet === 'triage' && <TriageForm brood={page} done={close} />}
              {some && (sheet === 'count' || sheet === 'loss' || sheet === 'lengths') && (
                <>
                  <LotChoice lots={living} chosen={some.id} change={setLotId} />
                  {sheet === 'count' && (
                    <CountForm
                      key={some.id}
                      lot={some}
                      kind={page.stage === 'eggs' ? 'eggs' : 'young'}
                      done={close}
                      measured={(lengthsMm) =>
                        void log(
                          'sampleLengths',
                          {
                            id: newId(),
                            lotId: some.id,
                            at: house.now(),
                            method: 'photograph',
                            lengthsMm: [...lengthsMm].slice(0, some.unsexed + some.males + some.females),
                          },
                          `${lengthsMm.length} lengths kept`,
                        )
                      }
                    />
                  )}
                  {sheet === 'lengths' && (
                    <LengthsForm
                      key={some.id}
                      lot={{ id: some.id, heads: some.males + some.females + some.unsexed }}
                      done={close}
                    />
                  )}
                  {sheet === 'loss' && <LossForm key={some.id} lot={some} done={close} />}
                </>
              )}
            </Dialog>
            {sheet === 'split' && some?.tankId && (
              <Suspense>
                <Send fromTankId={some.tankId} lotId={some.id} close={close} />
              </Suspense>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
