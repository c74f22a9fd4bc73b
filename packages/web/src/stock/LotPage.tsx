import { Suspense, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { formatDay, houseDay } from '@freshet/core/time';
import { showHeads, useGet, useHouse, type Reply } from '../data';
import { Button, ButtonLink, Dialog, LinkButton, Loaded, Notice, PageHead, Panel } from '../ui';
import { LengthsForm } from './LengthsForm';
import { LossForm } from './LossForm';
import { ConditionForm } from './lot/ConditionForm';
import { DetailsForm } from './lot/DetailsForm';
import { GradeForm } from './lot/GradeForm';
import { LotLife } from './lot/LotLife';
import { CompanyChecks, ConditionPart, ParentLine, ReadinessChecks } from './lot/LotParts';
import { MergeForm } from './lot/MergeForm';
import { ParentsForm } from './lot/ParentsForm';
import { Photos } from './lot/Photos';
import { ProgrammeForm } from './lot/ProgrammeForm';
import { SexForm } from './lot/SexForm';
import { TagForm } from './lot/TagForm';
import { ThrowbackForm } from './lot/ThrowbackForm';
import { Throwbacks } from './lot/Throwbacks';
import { ageWords, originWords } from './table/stockColumns';
import type { SendSheet } from '../room';

type Card = Reply<'lotCard'>;
const SHEETS = {
  condition: 'Condition',
  lengths: 'Lengths',
  sex: 'Sexes',
  details: 'What is known',
  programme: 'Conditioning',
  tag: 'Give one a name',
  merge: 'Merge',
  parents: 'Parents',
  loss: 'Loss or sale',
  grade: 'Grade',
  throwback: 'Throwback',
} as const;
type Sheet = keyof typeof SHEETS;

/** Sex told by spawning that the books say otherwise: one tap puts it right. */
function SexCorrection({ card, open }: { card: Card; open: () => void }) {
  const { lot, spawnings } = card;
  if (lot.males + lot.females + lot.unsexed !== 1) return null;
  const sired = spawnings.some(({ role, alone }) => role === 'sire' && alone);
  const laid = spawnings.some(({ role, alone }) => role === 'dam' && alone);
  const wrong = (sired && lot.males === 0) || (laid && lot.females === 0);
  if (!wrong || (sired && laid)) return null;
  return (
    <Notice className="mb-3">
      It’s the only {sired ? 'sire' : 'dam'} of a brood, so it is a {sired ? 'male' : 'female'}; the log says otherwise.{' '}
      <button type="button" className="link font-semibold" onClick={open}>
        Fix it
      </button>
    </Notice>
  );
}

function CardView({ card, Send }: { card: Card; Send: SendSheet }) {
  const house = useHouse();
  const navigate = useNavigate();
  const species = useGet('species');
  const [sheet, setSheet] = useState<Sheet | 'move' | null>(null);
  const { lot } = card;
  const kind = species.data?.find(({ key }) => key === lot.speciesKey);
  const total = lot.males + lot.females + lot.unsexed;
  const who = lot.name ?? lot.speciesName;
  const close = () => setSheet(null);
  const act = (key: Sheet | 'move', label: string) => (
    <LinkButton key={key} onClick={() => setSheet(key)}>
      {label}
    </LinkButton>
  );
  return (
    <>
      <PageHead
        title={who}
        about={
          <>
            {lot.name && (
              <>
                <Link to={`/species/${lot.speciesKey}`} className="link">
                  {lot.speciesName}
                </Link>
                {', '}
              </>
            )}
            <b className="text-ink">{total === 0 ? 'none left here' : showHeads(lot)}</b>
            {lot.tankId && (
              <>
                {' in '}
                <Link to={`/tanks/${lot.tankId}`} className="font-mono font-bold link">
                  {lot.tankCode}
                </Link>
              </>
            )}
            {lot.line && `, line ${lot.line}`}
            {lot.generation && `, ${lot.generation}`}
            {lot.ageDays !== null && `, ${ageWords(lot.ageDays)} old`}
            {lot.isProven && <b className="text-ink">, proven: do not disturb</b>}
            {lot.isRetired && <b className="text-ink">, retired</b>}
          </>
        }
      >
        {house.may('sitter') && total > 0 && (
          <Button look="main" onClick={() => setSheet('condition')}>
            Score condition
          </Button>
        )}
        {total > 0 && <ButtonLink to={`/stock/${lot.id}/sexing`}>Sexing</ButtonLink>}
        <ButtonLink to={`/stock/lines/${lot.speciesKey}/pedigree?animal=${lot.id}`}>Pedigree</ButtonLink>
        {house.may('keeper') && total > 0 && (
          <ButtonLink to={`/spawns/new?species=${lot.speciesKey}&${lot.females > 0 ? 'dam' : 'sire'}=${lot.id}`}>
            Spawn it
          </ButtonLink>
        )}
      </PageHead>
      <SexCorrection card={card} open={() => setSheet('sex')} />
      {card.caution && <Notice className="mb-3">{card.caution}</Notice>}
      <div className="grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-3 md:divide-x md:divide-y-0">
        <div className="divide-y divide-rule">
          <Panel title="To spawn">
            <ReadinessChecks card={card} />
          </Panel>
          {card.company && total > 0 && (
            <Panel title={`Company in ${card.company.tankCode}`}>
              <CompanyChecks company={card.company} />
            </Panel>
          )}
        </div>
        <div className="divide-y divide-rule">
          <Panel title="Condition">
            <ConditionPart card={card} />
          </Panel>
          <Panel title="Known by">
            <p>{lot.marks ?? <span className="text-quiet">No marks noted.</span>}</p>
            <p className="text-note text-quiet">
              {originWords(lot)}, here since {formatDay(houseDay(lot.since, house.timeZone), house.today)}
              {lot.grade && `, grade ${lot.grade}`}
              {lot.permit && `. Papers: ${lot.permit}`}
            </p>
            <Photos lotId={lot.id} who={who} photos={card.photoIds.map((id) => ({ id, at: null }))} />
          </Panel>
        </div>
        <div className="divide-y divide-rule">
          <Panel title="Family">
            <ParentLine title="Sire" side={card.sires} />
            <ParentLine title="Dam" side={card.dams} />
            {card.spawnings.length > 0 && (
              <p className="py-1">
                <span className="text-quiet">Broods </span>
                {card.spawnings.slice(-4).map(({ broodId, name }, i) => (
                  <span key={broodId}>
                    {i > 0 && ', '}
                    <Link to={`/broods/${broodId}`} className="link">
                      {name}
                    </Link>
                  </span>
                ))}
                {card.spawnings.length > 4 && ` and ${card.spawnings.length - 4} before`}
              </p>
            )}
            <Throwbacks card={card} />
          </Panel>
          {house.may('sitter') && (
            <Panel title="Do">
              <p className="flex flex-wrap gap-x-5 gap-y-1">
                {total > 0 && house.may('sitter') && act('move', 'move or split')}
                {total > 0 && act('lengths', 'measure some')}
                {total > 0 && act('sex', 'note the sexes')}
                {total > 0 && act('loss', 'loss or sale')}
                {house.may('keeper') && (
                  <>
                    {act('details', 'what is known')}
                    {act('parents', 'parents')}
                    {total > 0 && act('programme', 'conditioning')}
                    {total > 0 && act('tag', total === 1 ? 'name it' : 'give one a name')}
                    {total > 0 && act('merge', 'merge')}
                    {total > 1 && act('grade', 'grade')}
                  </>
                )}
                {total > 1 && act('throwback', 'throwback')}
              </p>
            </Panel>
          )}
        </div>
      </div>
      <section className="mt-3 border border-rule bg-sheet">
        <Panel title="Life">
          <LotLife card={card} />
        </Panel>
      </section>
      {sheet === 'move' && lot.tankId && (
        <Suspense>
          <Send fromTankId={lot.tankId} lotId={lot.id} close={close} />
        </Suspense>
      )}
      {sheet && sheet !== 'move' && (
        <Dialog title={SHEETS[sheet]} about={who} open onClose={close} wide={sheet === 'grade' || sheet === 'details'}>
          {sheet === 'condition' && kind && <ConditionForm lot={lot} method={kind.method} done={close} />}
          {sheet === 'lengths' && <LengthsForm lot={{ id: lot.id, heads: total }} done={close} />}
          {sheet === 'sex' && <SexForm lot={lot} done={close} />}
          {sheet === 'details' && <DetailsForm lot={lot} caution={card.caution} done={close} />}
          {sheet === 'programme' && <ProgrammeForm lotId={lot.id} done={close} />}
          {sheet === 'parents' && <ParentsForm card={card} done={close} />}
          {sheet === 'loss' && <LossForm lot={lot} done={close} />}
          {sheet === 'grade' && <GradeForm lotId={lot.id} done={close} />}
          {sheet === 'throwback' && <ThrowbackForm lotId={lot.id} total={total} done={close} />}
          {sheet === 'tag' && (
            <TagForm
              lot={lot}
              done={(lotId) => {
                close();
                if (lotId) void navigate(`/stock/${lotId}`);
              }}
            />
          )}
          {sheet === 'merge' && (
            <MergeForm
              lot={lot}
              done={(lotId) => {
                close();
                if (lotId) void navigate(`/stock/${lotId}`);
              }}
            />
          )}
        </Dialog>
      )}
    </>
  );
}

/** Who is it, how is it, what has it done, whose is it? */
export function LotPage({ Send }: { Send: SendSheet }) {
  const { lotId = '' } = useParams();
  const card = useGet('lotCard', { params: { lotId } });
  return (
    <Loaded reply={card} what="the lot">
      {(data) => <CardView key={data.lot.id} card={data} Send={Send} />}
    </Loaded>
  );
}
