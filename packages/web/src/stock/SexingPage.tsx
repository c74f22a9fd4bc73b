import { lazy, Suspense, useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 as newId } from 'uuid';
import { findNextTrait, openBits, sexing, sexWords } from '@freshet/core/stock';
import { formatDay, houseDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { showPercent, useGet, useHouse, useLog, type Reply } from '../data';
import { Button, ButtonLink, Dialog, LinkButton, Loaded, Loading, PageHead, Panel, Segmented, TextField, Why } from '../ui';
import { MarkForm } from './sexing/MarkForm';
import { MarksTell } from './sexing/MarksTell';
import { SexScale } from './sexing/SexScale';
import { TraitDrawing } from './sexing/TraitDrawing';

const GroupSexing = lazy(() => import('./sexing/GroupSexing'));
type Card = Reply<'lotCard'>;
type Traits = Reply<'sexing'>;
type Trait = Traits['traits'][number];
type Look = 'seen' | 'notSeen' | 'cannotTell';
const LOOKS = [
  { value: 'seen', label: 'seen' },
  { value: 'notSeen', label: 'not seen' },
  { value: 'cannotTell', label: 'cannot tell' },
] as const;
const SURE = 0.9;

function TraitRow({
  trait,
  look,
  change,
  isNext,
  tooSmall,
}: {
  trait: Trait;
  look: Look | undefined;
  change: (look: Look) => void;
  isNext: boolean;
  tooSmall: boolean;
}) {
  const moved = trait.animals > 0;
  return (
    <li className={`flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule px-3 py-2.5 ${isNext ? 'bg-today' : ''}`}>
      <TraitDrawing drawing={trait.drawing} />
      <div className="min-w-0 flex-1 basis-56">
        <p>
          <b>{trait.name}</b>
          {isNext && <span className="ml-2 text-note font-semibold text-deep">look at this next</span>}
        </p>
        <p className="text-note">{trait.look}</p>
        <p className="text-note text-quiet">
          {showPercent(trait.pIfMale)} of males, {showPercent(trait.pIfFemale)} of females
          {moved && `, by ${trait.animals} of your own`}{' '}
          <Why
            about={trait.name}
            inputs={[
              { label: 'Starting point, males', value: showPercent(trait.startIfMale) },
              { label: 'Starting point, females', value: showPercent(trait.startIfFemale) },
              { label: 'Own animals of known sex', value: String(trait.animals) },
            ]}
            formula="The starting point counts as ten animals of each sex. Each animal whose sex was proven by spawning adds one."
            source="docs/sources.md#sexing"
          />
          {tooSmall && <span className="text-amber">; shows from about {formatNumber(trait.fromMm)} mm</span>}
        </p>
      </div>
      <Segmented label={`${trait.name}: seen or not`} value={look ?? ('' as Look)} onChange={change} options={LOOKS} />
    </li>
  );
}

function Aid({ card, known }: { card: Card; known: Traits }) {
  const house = useHouse();
  const log = useLog();
  const { lot } = card;
  const [looks, setLooks] = useState<Readonly<Record<string, Look>>>({});
  const [length, setLength] = useState('');
  const [id, setId] = useState(() => newId());
  const [adding, setAdding] = useState(false);
  const lengthMm = length.trim() === '' ? null : Number(length.replace(/\s*mm$/i, '').replace(',', '.'));
  const lengthWrong = lengthMm !== null && !(lengthMm > 0);
  const measured =
    lengthMm ??
    [...card.conditions, ...card.assessments]
      .filter((one) => one.lengthMm !== null)
      .sort((a, b) => (a.at < b.at ? -1 : 1))
      .at(-1)?.lengthMm ??
    null;
  const answered = known.traits.filter(({ key }) => looks[key] && looks[key] !== 'cannotTell');
  const last = card.assessments.at(-1);
  const { pMale } = sexing({
    priorMale: known.priorMale,
    traits: answered.map(({ key, pIfMale, pIfFemale }) => ({ name: key, observed: looks[key] === 'seen', pIfMale, pIfFemale })),
  });
  const open = known.traits.filter(({ key, fromMm }) => !looks[key] && (measured === null || measured >= fromMm));
  const next = findNextTrait(pMale, open);
  const certainty = Math.max(pMale, 1 - pMale);
  const sex = pMale >= 0.5 ? ('males' as const) : ('females' as const);
  const booked = lot[sex] === 1;
  async function save() {
    const answers = Object.entries(looks).map(([trait, look]) => ({ trait, look }));
    if (await log('assessSex', { id, lotId: lot.id, at: house.now(), lengthMm, answers }, `Looked at: ${sexWords(pMale)}`)) {
      setLooks({});
      setId(newId());
    }
  }
  return (
    <div className="grid gap-3 lg:grid-cols-[1.7fr_1fr]">
      <div className="border border-rule bg-sheet">
        <ul>
          {known.traits.map((trait) => (
            <TraitRow
              key={trait.key}
              trait={trait}
              look={looks[trait.key]}
              isNext={next?.trait.key === trait.key}
              tooSmall={measured !== null && measured < trait.fromMm}
              change={(look) => setLooks({ ...looks, [trait.key]: look })}
            />
          ))}
        </ul>
        <div className="flex flex-wrap items-end gap-4 px-3 py-3">
          <TextField
            label="Length, mm"
            boxClass="w-32"
            inputMode="decimal"
            placeholder={measured === null ? '' : formatNumber(measured, 3)}
            error={lengthWrong ? 'A length above 0.' : undefined}
            value={length}
            onChange={(event) => setLength(event.target.value)}
          />
          <Button
            look="main"
            disabled={Object.keys(looks).length === 0 || lengthWrong || !house.may('sitter')}
            onClick={() => void save()}
          >
            Log it
          </Button>
          {house.may('keeper') && (
            <LinkButton className="pb-2.5" onClick={() => setAdding(true)}>
              a mark of your own
            </LinkButton>
          )}
          <span className="pb-2.5 text-note text-quiet">Look for a minute in calm light, without catching it if you can.</span>
        </div>
        <Dialog title="A mark of your own" about={lot.speciesName} open={adding} onClose={() => setAdding(false)}>
          <MarkForm speciesKey={lot.speciesKey} done={() => setAdding(false)} />
        </Dialog>
      </div>
      <div className="divide-y divide-rule border border-rule bg-sheet">
        <Panel title="By these marks">
          <SexScale
            pMale={answered.length > 0 ? pMale : (last?.pMale ?? known.priorMale)}
            before={answered.length > 0 ? (last?.pMale ?? null) : null}
          />
          <p className="text-code">
            <b>{sexWords(answered.length > 0 ? pMale : (last?.pMale ?? known.priorMale))}</b>{' '}
            <Why
              about="Sex from traits"
              inputs={answered.map((trait) => ({
                label: `${trait.name}: ${looks[trait.key] === 'seen' ? 'seen' : 'not seen'}`,
                value:
                  looks[trait.key] === 'seen'
                    ? `× ${formatNumber(trait.pIfMale / Math.max(0.001, trait.pIfFemale))}`
                    : `× ${formatNumber((1 - trait.pIfMale) / Math.max(0.001, 1 - trait.pIfFemale))}`,
              }))}
              formula="Starts at fifty-fifty. Each trait shifts it by how much more often one sex shows it. Traits often go together, so it’s a little too sure."
              source="docs/sources.md#sexing"
            />
          </p>
          {next ? (
            <p>
              Next: <b>{next.trait.name.toLowerCase()}</b>{' '}
              <span className="text-quiet">settles {formatNumber((next.bits / openBits(pMale)) * 100)} % of what is open</span>
            </p>
          ) : (
            <p className="text-quiet">{answered.length > 0 ? 'No other mark would tell much.' : 'Too small to tell yet.'}</p>
          )}
          {answered.length > 0 && certainty >= SURE && !booked && house.may('sitter') && (
            <Button
              className="mt-2"
              onClick={() =>
                void log(
                  'sexLot',
                  { id: newId(), lotId: lot.id, heads: { males: 0, females: 0, unsexed: 0, [sex]: 1 }, at: house.now() },
                  `Saved as ${sex === 'males' ? 'a male' : 'a female'}`,
                )
              }
            >
              Save it as {sex === 'males' ? 'a male' : 'a female'}
            </Button>
          )}
        </Panel>
        <Panel title="Looked at before">
          {card.assessments.length === 0 && <p className="text-quiet">Not yet.</p>}
          {[...card.assessments]
            .reverse()
            .slice(0, 5)
            .map((one) => (
              <p key={one.id} className="border-b border-rule py-1">
                <span className="text-quiet">{formatDay(houseDay(one.at, house.timeZone), house.today)}</span>{' '}
                <b>{sexWords(one.pMale)}</b>
                {one.lengthMm !== null && <span className="text-quiet"> at {formatNumber(one.lengthMm, 3)} mm</span>}
                <span className="block text-note">
                  {one.answers
                    .filter(({ look }) => look !== 'cannotTell')
                    .map(
                      ({ trait, look }) =>
                        `${look === 'seen' ? '' : 'no '}${known.traits.find(({ key }) => key === trait)?.name.toLowerCase() ?? trait}`,
                    )
                    .join('; ') || 'could not tell'}
                </span>
              </p>
            ))}
        </Panel>
      </div>
      <div className="border border-rule bg-sheet lg:col-span-2">
        <MarksTell traits={known.traits} />
      </div>
    </div>
  );
}

/** Which sex is it, how sure, and what to look at next? */
export function SexingPage() {
  const { lotId = '' } = useParams();
  const card = useGet('lotCard', { params: { lotId } });
  const speciesKey = card.data?.lot.speciesKey;
  const known = useGet(speciesKey ? 'sexing' : null, { params: { speciesKey: speciesKey ?? '' } });
  return (
    <Loaded reply={card} what="the lot">
      {(data) => {
        const { lot } = data;
        const total = lot.males + lot.females + lot.unsexed;
        return (
          <>
            <PageHead
              title="Sexing"
              about={
                <>
                  <Link to={`/stock/${lot.id}`} className="font-semibold link">
                    {lot.name ?? lot.speciesName}
                  </Link>
                  {lot.tankCode && (
                    <>
                      {' in '}
                      <b className="font-mono text-ink">{lot.tankCode}</b>
                    </>
                  )}
                  {total === 1 && `, booked as ${lot.males ? 'a male' : lot.females ? 'a female' : 'of neither sex yet'}`}
                  {total > 1 && '. A group; give one animal a name to follow its marks.'}
                </>
              }
            >
              <ButtonLink to={`/stock/${lot.id}`}>Back to its card</ButtonLink>
            </PageHead>
            {total === 1 ? (
              <Loaded reply={known} what="the traits">
                {(traits) => <Aid key={lot.id} card={data} known={traits} />}
              </Loaded>
            ) : (
              <Suspense fallback={<Loading what="the sums" />}>
                <GroupSexing lot={lot} />
              </Suspense>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
