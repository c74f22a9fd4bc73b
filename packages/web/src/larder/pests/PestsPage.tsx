import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { v7 as newId } from 'uuid';
import { PEST_KINDS, PESTS, treatmentWarnings, type Pest } from '@freshet/core/larder';
import { formatDay, formatInstant, inARow, sentence } from '@freshet/core/time';
import { useEntryForm, useGet, useHouse, useLog, type Reply } from '../../data';
import { Button, Checkbox, Dialog, Empty, EntryFormFrame, Loaded, Notice, SelectField, TextField } from '../../ui';
import { LarderHead } from '../LarderHead';

type Sighting = Reply<'pests'>[number];

function SeeForm({ done }: { done: () => void }) {
  const house = useHouse();
  const life = useGet('tankLife');
  const cultures = useGet('cultures');
  const sightingId = useRef(newId());
  const entry = useEntryForm({
    name: 'seePest',
    defaults: { pest: 'hydra' as Pest, where: '', cameBy: '' },
    toBody: ({ pest, where, cameBy }) => ({
      sightingId: sightingId.current,
      pest,
      tankId: where.startsWith('tank:') ? where.slice(5) : null,
      cultureId: where.startsWith('culture:') ? where.slice(8) : null,
      cameBy: cameBy.trim() || null,
      at: house.now(),
    }),
    fieldOf: (path) => (path === 'tankId' || path === 'cultureId' ? 'where' : undefined),
    label: ({ pest }) => `${sentence(PEST_KINDS[pest].words)} logged`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const kind = PEST_KINDS[watch('pest')];
  return (
    <EntryFormFrame entry={entry} action="Log it">
      <SelectField label="What" hint={`${kind.harm} Comes with ${kind.comesWith}.`} {...register('pest')}>
        {PESTS.map((pest) => (
          <option key={pest} value={pest}>
            {PEST_KINDS[pest].words}
          </option>
        ))}
      </SelectField>
      <SelectField label="Where" error={formState.errors.where?.message} {...register('where')}>
        <option value="">Choose</option>
        {(life.data ?? []).map(({ tankId, code }) => (
          <option key={tankId} value={`tank:${tankId}`}>
            {code}
          </option>
        ))}
        {(cultures.data ?? []).map(({ id, name }) => (
          <option key={id} value={`culture:${id}`}>
            {name}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Came with"
        hint="like plants from a friend, pond catch"
        error={formState.errors.cameBy?.message}
        {...register('cameBy')}
      />
    </EntryFormFrame>
  );
}

function TreatForm({ seen, done }: { seen: Sighting; done: () => void }) {
  const house = useHouse();
  const kind = PEST_KINDS[seen.pest];
  const entry = useEntryForm({
    name: 'pestEvent',
    defaults: { treatment: kind.treatments[0]?.key ?? '', half: seen.invertebrates },
    toBody: ({ treatment, half }) => ({ sightingId: seen.id, kind: 'treated' as const, treatment, half, at: house.now() }),
    label: () => `${seen.where}: treatment logged`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const treatment = kind.treatments.find(({ key }) => key === watch('treatment'));
  return (
    <EntryFormFrame entry={entry} action="Log the treatment">
      <SelectField label="What you do" error={formState.errors.treatment?.message} {...register('treatment')}>
        {kind.treatments.map(({ key, words }) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </SelectField>
      {treatment?.isDosed && (
        <Checkbox {...register('half')} hint={formState.errors.half?.message}>
          Half the dose on the label
        </Checkbox>
      )}
      {treatment && (
        <ul className="list-disc pl-5 text-note">
          {treatmentWarnings(treatment, { invertebrates: seen.invertebrates, isCulture: seen.cultureId !== null }).map(
            (words) => (
              <li key={words}>{words}</li>
            ),
          )}
        </ul>
      )}
      {treatment?.caution && <Notice>{treatment.caution}</Notice>}
    </EntryFormFrame>
  );
}

/** Hydra, flatworms, mites and others: where, with what they came, what was done. */
export function PestsPage() {
  const house = useHouse();
  const log = useLog();
  const pests = useGet('pests');
  const [seeing, setSeeing] = useState(false);
  const [treating, setTreating] = useState<Sighting | null>(null);
  return (
    <Loaded reply={pests} what="the pests">
      {(data) => {
        const open = data.filter(({ events }) => events.at(-1)?.kind !== 'gone');
        return (
          <>
            <LarderHead
              title="Pests"
              about={open.length === 0 ? 'no pests now' : `${open.length === 1 ? 'one' : open.length} still there`}
            >
              {house.may('sitter') && (
                <Button look="main" onClick={() => setSeeing(true)}>
                  Log one
                </Button>
              )}
            </LarderHead>
            {data.length === 0 ? (
              <Empty
                title="No pests seen"
                action={house.may('sitter') ? <Button onClick={() => setSeeing(true)}>Log one</Button> : undefined}
              >
                Log hydra, flatworms, mites or leeches: where you saw them and how they came. You’ll see what helps without
                harming your animals.
              </Empty>
            ) : (
              <ul className="border-t border-ink bg-sheet px-3">
                {data.map((seen) => {
                  const isGone = seen.events.at(-1)?.kind === 'gone';
                  return (
                    <li key={seen.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule py-2">
                      <div className="min-w-60 flex-1">
                        <p className={isGone ? 'text-quiet' : ''}>
                          <b className="first-letter:uppercase inline-block">{PEST_KINDS[seen.pest].words}</b> in{' '}
                          {seen.tankId ? (
                            <Link to={`/tanks/${seen.tankId}`} className="link">
                              {seen.where}
                            </Link>
                          ) : (
                            seen.where
                          )}
                          {isGone && ', gone'}
                        </p>
                        <p className="text-note text-quiet">
                          seen {formatInstant(seen.at, house.today, house.timeZone)}
                          {seen.cameBy && `, came with ${seen.cameBy}`}. {PEST_KINDS[seen.pest].harm}
                        </p>
                        {seen.events
                          .filter(({ kind }) => kind === 'treated')
                          .map(({ at, treatment, half }) => (
                            <p key={at} className="text-note">
                              {formatInstant(at, house.today, house.timeZone)}:{' '}
                              {PEST_KINDS[seen.pest].treatments.find(({ key }) => key === treatment)?.words ?? treatment}
                              {half && ', half dose'}
                              {seen.changesOn.length > 0 &&
                                `; water changed ${inARow(seen.changesOn.map((day) => formatDay(day, house.today)))}`}
                            </p>
                          ))}
                        {seen.tankId && !isGone && (
                          <p className="text-note">
                            <Link to={`/room/exposure?tank=${seen.tankId}`} className="link">
                              What it may have spread by
                            </Link>
                          </p>
                        )}
                      </div>
                      {!isGone && house.may('keeper') && (
                        <div className="flex gap-2">
                          <Button onClick={() => setTreating(seen)}>Treat</Button>
                          <Button
                            onClick={() =>
                              void log(
                                'pestEvent',
                                { id: newId(), sightingId: seen.id, kind: 'gone', treatment: null, half: false, at: house.now() },
                                `${sentence(PEST_KINDS[seen.pest].words)} gone from ${seen.where}`,
                              )
                            }
                          >
                            Gone
                          </Button>
                        </div>
                      )}
                    </li>
                  );
                })}
              </ul>
            )}
            {seeing && (
              <Dialog title="Log a pest" open onClose={() => setSeeing(false)}>
                <SeeForm done={() => setSeeing(false)} />
              </Dialog>
            )}
            {treating && (
              <Dialog
                title={`${sentence(PEST_KINDS[treating.pest].words)} in ${treating.where}`}
                open
                onClose={() => setTreating(null)}
              >
                <TreatForm seen={treating} done={() => setTreating(null)} />
              </Dialog>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
