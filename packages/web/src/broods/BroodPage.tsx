import { Suspense, useState } from 'react';
import { Link, useParams } from 'react-router';
import { formatInstantRange } from '@freshet/core/time';
import { v7 as newId } from 'uuid';
import { useGet, useHouse, useLog, type Reply } from '../data';
import { CountForm, LengthsForm, LossForm, Photos, type SomeLot } from '../stock';
import type { SendSheet } from '../room';
import { Button, ButtonLink, Dialog, Loaded, Notice, PageHead, Panel } from '../ui';
import { EggPart } from './eggs/EggPart';
import { Food, Ledger, Next, Where } from './BroodPanels';
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
  join: 'Another spawning',
};

function LotChoice({ lots, chosen, change }: { lots: Page['lots']; chosen: string; change: (id: string) => void }) {
  if (lots.length < 2) return null;
  return (
    <label className="mb-4 flex flex-col gap-1 font-semibold">
      Which ones
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
                    compare with its other broods
                  </Link>
                </>
              }
            >
              {house.may('sitter') && lot && (
                <>
                  {waiting && !page.peat && (
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
                  {!waiting && <ButtonLink to={`/growout/broods/${page.id}`}>How they grow</ButtonLink>}
                  <Button onClick={() => setSheet('loss')}>Loss</Button>
                </>
              )}
            </PageHead>
            {page.trouble && (
              <Notice look="rust">
                {page.trouble}{' '}
                <Link to={`/species/${page.speciesKey}`} className="link">
                  Correct the figures
                </Link>
                ; it has no dates until then.
              </Notice>
            )}
            <StreamPicture page={page} />
            <EggPart page={page} />
            <div className="mt-3 grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-2 md:divide-y-0 lg:grid-cols-[1.6fr_1fr_1.2fr_1fr] lg:divide-x">
              <Next page={page} />
              <Ledger page={page} />
              <Food page={page} />
              <Where page={page} join={house.may('keeper') ? () => setSheet('join') : null} />
            </div>
            {(page.photos.length > 0 || (some && house.may('sitter'))) && (
              <section className="mt-3 border border-rule bg-sheet">
                <Panel title="Pictures">
                  {some || page.lots[0] ? (
                    <Photos lotId={some?.id ?? page.lots[0]?.id ?? ''} who={page.name} photos={page.photos} most={8} />
                  ) : null}
                  {page.carried && (
                    <p className="mt-1 text-note text-quiet">
                      One a week of her eggs tells how far they are: green or brown, then eyed.
                    </p>
                  )}
                </Panel>
              </section>
            )}
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
