import { useNavigate, useParams } from 'react-router';
import { v7 as newId } from 'uuid';
import { decideSorting, expectedInPond, suggestClasses, type GrowthPicture } from '@freshet/core/growout';
import { LOSS_WORDS } from '@freshet/core/stock';
import { formatNumber } from '@freshet/core/units';
import { REST } from '@freshet/contract/growout';
import { FieldProblem, temperatureSign, useEntryForm, useGet, useHouse, type Reply } from '../../data';
import {
  Button,
  Checkbox,
  DayField,
  Empty,
  EntryFormFoot,
  Loaded,
  Loading,
  PageHead,
  readNumber,
  readQuantity,
  SelectField,
  TextField,
} from '../../ui';
import { growoutWork, useHouseWork } from '../../workers';
import { Schools } from './Schools';
import { boundsOf, ClassTile, type ClassDraft } from './ClassTile';

type LifeLot = Reply<'tankLife'>[number]['lots'][number];
type Life = Reply<'tankLife'>[number];
interface Values {
  classes: ClassDraft[];
  rest: string;
  isDrained: boolean;
  fromC: string;
  toC: string;
  minutes: string;
  hoseChecked: boolean;
  byCatch: string;
  refilled: boolean;
  nextOn: string;
}
const NEW = (name: string, bounds: string, lengthMm: string): ClassDraft => ({
  lotId: newId(),
  name,
  heads: '',
  toTankId: '',
  lengthMm,
  bounds,
});

/** Classes to begin with: by the lengths of the brood, the small ones staying where they are. */
function firstClasses(picture: GrowthPicture | null): ClassDraft[] {
  const found = picture ? suggestClasses(picture.now.mid, Math.max(0.1, picture.cv)) : [];
  const drafts = found.map(({ name, fromMm, toMm, aboutMm }) => NEW(name, boundsOf(fromMm, toMm), formatNumber(aboutMm)));
  const all = drafts.length > 0 ? drafts : [NEW('large', 'by eye', ''), NEW('small', 'by eye', '')];
  return all.map((draft, i) => (i === all.length - 1 ? { ...draft, toTankId: 'stay' } : draft));
}

/** How many of those booked are expected after the days they were out. */
function expectedWords({ figures, commonName }: Reply<'species'>[number], booked: number, picture: GrowthPicture | null): string {
  const days = Math.round(picture?.ageDays ?? 0);
  const { low, high } = expectedInPond(figures, booked, days);
  return `By what ${commonName.toLowerCase()} usually keep, ${formatNumber(low)} to ${formatNumber(high)} of ${booked} would be there after ${days} days out.`;
}

function Sheet({
  lot,
  tank,
  life,
  picture,
}: {
  lot: LifeLot;
  tank: Life;
  life: Reply<'tankLife'>;
  picture: GrowthPicture | null;
}) {
  const house = useHouse();
  const navigate = useNavigate();
  const booked = lot.males + lot.females + lot.unsexed;
  const kind = useGet('species').data?.find(({ key }) => key === lot.speciesKey);
  const readC = (field: string, text: string) =>
    text.trim() ? readQuantity(field, text, 'temperature', house.units.temperature) : null;
  const entry = useEntryForm<'sortYoung', Values>({
    name: 'sortYoung',
    defaults: {
      classes: firstClasses(picture),
      rest: '',
      isDrained: false,
      fromC: '',
      toC: '',
      minutes: '',
      hoseChecked: false,
      byCatch: '',
      refilled: false,
      nextOn: '',
    },
    toBody(values) {
      const classes = values.classes.map(({ lotId, name, heads, toTankId, lengthMm }, i) => {
        const at = (field: string) => `classes.${i}.${field}`;
        const count = heads.trim() === '' ? 0 : Number(heads);
        if (!Number.isInteger(count) || count < 0) throw new FieldProblem(at('heads'), `${name}: a whole number.`);
        if (count > 0 && toTankId === '') throw new FieldProblem(at('heads'), `${name}: into which tank?`);
        const mm = lengthMm.trim() === '' ? null : Number(lengthMm.replace(',', '.'));
        if (mm !== null && !(mm > 0))
          throw new FieldProblem(at('heads'), `${name}: "${lengthMm}" isn’t a length in mm. Enter one between 1 and 400.`);
        return {
          lotId,
          name,
          heads: count,
          toTankId: toTankId === 'stay' || count === 0 ? null : toTankId,
          lengthMm: count > 0 ? mm : null,
        };
      });
      const decision = decideSorting(booked, classes, values.rest || null);
      if (!decision.ok) throw new FieldProblem('rest', decision.message);
      return {
        lotId: lot.id,
        at: house.now(),
        classes,
        rest: (values.rest || null) as (typeof REST)[number] | null,
        drained: values.isDrained
          ? {
              fromC: readC('fromC', values.fromC),
              toC: readC('toC', values.toC),
              minutes: readNumber('minutes', values.minutes),
              hoseChecked: values.hoseChecked,
              byCatch: values.byCatch.trim() || null,
              refilled: values.refilled,
              nextOn: values.nextOn || null,
            }
          : null,
      };
    },
    fieldOf: (path) => {
      const [first, index, field] = path.split('.');
      if (first === 'classes') return index ? (`classes.${index}.heads` as 'classes.0.heads') : ('rest' as const);
      if (first === 'drained')
        return (index === 'nextOn' ? 'nextOn' : index === 'toC' ? 'toC' : index === 'minutes' ? 'minutes' : 'fromC') as 'fromC';
      return field === undefined && first === 'rest' ? ('rest' as const) : undefined;
    },
    label: () => `${lot.speciesName} of ${tank.code} sorted`,
    done: () => void navigate(lot.broodId ? `/growout/broods/${lot.broodId}` : `/tanks/${tank.tankId}`),
  });
  const { watch, setValue, register, formState } = entry.form;
  const values = watch();
  const { errors } = formState;
  const counted = values.classes.reduce((sum, { heads }) => sum + (Number(heads) || 0), 0);
  const off = counted - booked;
  const setClass = (i: number, next: Partial<ClassDraft>) =>
    setValue(
      'classes',
      values.classes.map((draft, at) => (at === i ? { ...draft, ...next } : draft)),
    );
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)} className="grid items-start gap-4 lg:grid-cols-[1.4fr_1fr]">
      <div
        className={`sticky top-0 z-10 flex flex-wrap items-baseline gap-x-3 border-l-4 px-3 py-1.5 lg:col-span-2 ${off === 0 ? 'border-deep bg-today' : 'border-amber-line bg-amber-wash'}`}
        aria-live="polite"
      >
        <b className="text-title">
          {counted} of {booked}
        </b>
        <p>
          {off === 0
            ? 'All are accounted for.'
            : off < 0
              ? `${-off} not counted yet or missing.`
              : `${off} more than the log says.`}
        </p>
      </div>
      <div className="flex min-w-0 flex-col gap-3">
        <ul className="flex flex-col gap-3">
          {values.classes.map((draft, i) => (
            <ClassTile
              key={draft.lotId}
              draft={draft}
              change={(next) => setClass(i, next)}
              remove={
                values.classes.length > 1
                  ? () =>
                      setValue(
                        'classes',
                        values.classes.filter((_, at) => at !== i),
                      )
                  : null
              }
              life={life}
              fromTankId={tank.tankId}
              fromCode={tank.code}
              error={errors.classes?.[i]?.heads?.message}
            />
          ))}
        </ul>
        {values.classes.length < 6 && (
          <Button
            onClick={() => setValue('classes', [...values.classes, NEW(`class ${values.classes.length + 1}`, 'by eye', '')])}
          >
            Another class
          </Button>
        )}
      </div>
      <div className="flex min-w-0 flex-col gap-3">
        {errors.rest?.message && (off === 0 || counted === 0) && (
          <p role="alert" className="font-semibold text-rust">
            {errors.rest.message}
          </p>
        )}
        {off !== 0 && counted > 0 && (
          <SelectField label={off < 0 ? 'The missing' : 'The others'} error={errors.rest?.message} {...register('rest')}>
            <option value="">not said: count again</option>
            <option value="wrongCount">the count was wrong before</option>
            {off < 0 &&
              REST.filter((cause) => cause !== 'wrongCount').map((cause) => (
                <option key={cause} value={cause}>
                  {LOSS_WORDS[cause]}
                </option>
              ))}
          </SelectField>
        )}
        <Checkbox {...register('isDrained')} hint="Asks for temperatures, what else you caught and when it is stocked again.">
          {tank.code} was drained for it
        </Checkbox>
        {values.isDrained && kind && <p className="text-note">{expectedWords(kind, booked, picture)}</p>}
        {values.isDrained && (
          <fieldset className="grid grid-cols-3 gap-3 border border-rule bg-sheet p-3">
            <legend className="px-1 font-semibold">The draining</legend>
            <TextField
              label={`Water there, ${temperatureSign(house.units)}`}
              inputMode="decimal"
              error={errors.fromC?.message}
              {...register('fromC')}
            />
            <TextField
              label={`Where they go, ${temperatureSign(house.units)}`}
              inputMode="decimal"
              error={errors.toC?.message}
              {...register('toC')}
            />
            <TextField label="Minutes to equal" inputMode="numeric" error={errors.minutes?.message} {...register('minutes')} />
            <div className="col-span-3">
              <TextField
                label="By-catch"
                hint="Tadpoles, snails, insect larvae, and where they went. Only put back what came from there."
                error={errors.byCatch?.message}
                {...register('byCatch')}
              />
              <Checkbox {...register('hoseChecked')}>I felt the hose water first; it runs hot after lying in the sun</Checkbox>
              <Checkbox {...register('refilled')}>Emptied, rinsed and filled again; it rests now</Checkbox>
            </div>
            <div className="col-span-3">
              <DayField control={entry.form.control} name="nextOn" label="Stocked again on" error={errors.nextOn?.message} />
            </div>
          </fieldset>
        )}
        <EntryFormFoot entry={entry} action="Log the sorting" />
        {picture && <Schools picture={picture} />}
        <p className="text-note text-quiet">
          Wet your hands and nets. Never lift the larger ones by the tail. They stay in the same brood.
        </p>
      </div>
    </form>
  );
}

/** Young sorted by size with wet hands: bowls to tap, where each goes, and what became of the missing. */
export function SortPage() {
  const { lotId = '' } = useParams();
  const life = useGet('tankLife');
  const tank = life.data?.find(({ lots }) => lots.some(({ id }) => id === lotId));
  const lot = tank?.lots.find(({ id }) => id === lotId);
  const broodId = lot?.broodId ?? '';
  const { answer } = useHouseWork(broodId, (facts, now) => growoutWork().growth(facts, now, broodId, 'gompertz'));
  return (
    <>
      <PageHead
        title={lot && tank ? `Sort the ${lot.speciesName.toLowerCase()} of ${tank.code}` : 'Sort by size'}
        about="Two nets and three bowls: tap a bowl for each that goes in."
      />
      <Loaded reply={life} what="the tanks">
        {(data) =>
          !lot || !tank ? (
            <Empty title="Nothing to sort">These fish have moved on. See the log.</Empty>
          ) : !answer ? (
            <Loading what="their lengths" />
          ) : (
            <Sheet key={lot.id} lot={lot} tank={tank} life={data} picture={answer.made} />
          )
        }
      </Loaded>
    </>
  );
}
