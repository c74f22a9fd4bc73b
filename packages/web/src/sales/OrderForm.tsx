import { useRef } from 'react';
import { useFieldArray } from 'react-hook-form';
import { v7 as newId } from 'uuid';
import { MOST_LINES, UNPAID, WANTED_SEXES, type Filled, type WantedSex } from '@freshet/core/sales';
import { formatDay } from '@freshet/core/time';
import { FieldProblem, useEntryForm, useGet, useHouse, type Reply } from '../data';
import { Button, Checkbox, DayField, EntryFormFrame, Loaded, readNumber, readWhole, SelectField, TextField } from '../ui';
import { salesWork, type AskedLine } from '../workers';
import { moneyOf, priceAt, typedMoney } from './money';

type Order = Reply<'orders'>[number];
const SEX_WORDS: Record<WantedSex, string> = { any: 'as they come', male: 'males', female: 'females' };
const EMPTY_LINE = { lineId: '', speciesKey: '', sex: 'any' as WantedSex, leastMm: '', heads: '', price: '', broodId: '' };

/** When a buyer meets, and whether the day asked for is one of those. */
function meetsWords(dates: readonly string[], dueOn: string, today: string): string {
  const ahead = dates.filter((day) => day >= today).sort();
  if (ahead.length === 0) return 'No meeting dates known.';
  const days = ahead
    .slice(0, 3)
    .map((day) => formatDay(day, today))
    .join(', ');
  return dueOn !== '' && !ahead.includes(dueOn) ? `Not one of their dates: ${days}.` : `They meet ${days}.`;
}

/** Lines as they are typed; what was set aside for a line that stays as it was stays. */
function valuesOf(order: Order | null) {
  if (!order) return [{ ...EMPTY_LINE, lineId: newId() }];
  return order.lines.map((line) => ({
    lineId: line.lineId,
    speciesKey: line.speciesKey,
    sex: line.sex,
    leastMm: line.leastMm === null ? '' : String(line.leastMm),
    heads: String(line.heads),
    price: typedMoney(line.cents),
    broodId: line.broodId ?? '',
  }));
}

function Form({
  order,
  buyers,
  species,
  facts,
  broods,
  done,
}: {
  order: Order | null;
  buyers: Reply<'buyers'>;
  species: Reply<'species'>;
  facts: Reply<'house'>;
  broods: Reply<'broods'>;
  done: () => void;
}) {
  const house = useHouse();
  const orderId = useRef(order?.orderId ?? newId());
  const known = buyers.filter(({ erased, buyerId }) => !erased || buyerId === order?.buyerId);
  const filled = useRef<readonly Filled[]>([]);
  const entry = useEntryForm({
    name: 'order',
    defaults: {
      buyerId: order?.buyerId ?? known[0]?.buyerId ?? '',
      dueOn: order?.dueOn ?? '',
      lines: valuesOf(order),
      aside: true,
      note: order?.note ?? '',
      reason: order?.reason ?? '',
    },
    toBody: ({ buyerId, dueOn, lines, aside, note, reason }) => {
      if (!buyerId) throw new FieldProblem('buyerId', 'Who is it for?');
      if (!dueOn) throw new FieldProblem('dueOn', 'By when?');
      return {
        orderId: orderId.current,
        buyerId,
        dueOn,
        lines: lines.map((line, i) => {
          if (!line.speciesKey) throw new FieldProblem(`lines.${i}.speciesKey`, 'Which species?');
          return {
            lineId: line.lineId,
            speciesKey: line.speciesKey,
            sex: line.sex,
            leastMm: readNumber(`lines.${i}.leastMm`, line.leastMm, 'Give a length in mm.'),
            heads: readWhole(`lines.${i}.heads`, line.heads),
            cents: moneyOf(`lines.${i}.price`, line.price),
            broodId: line.broodId || null,
            reserved: aside ? (filled.current.find(({ lineId }) => lineId === line.lineId)?.picks ?? []) : [],
          };
        }),
        note: note.trim() || null,
        reason: reason.trim() || null,
        ...(order ? { version: order.entryId } : {}),
      };
    },
    fieldOf: (path) => {
      const line = /^lines\.(\d+)\.(\w+)/.exec(path);
      if (!line) return undefined;
      const field = { cents: 'price', reserved: 'heads' }[line[2] ?? ''] ?? line[2];
      return `lines.${line[1] ?? ''}.${field ?? ''}` as 'lines.0.heads';
    },
    label: () => (order ? `Order ${order.number} changed` : 'Order taken'),
    done,
  });
  const { register, control, formState, watch, setValue, getValues } = entry.form;
  const { errors } = formState;
  const { fields, append, remove } = useFieldArray({ control, name: 'lines' });
  const [lines, buyerId, dueOn] = watch(['lines', 'buyerId', 'dueOn']);
  const buyer = known.find((one) => one.buyerId === buyerId);
  /** Fish are chosen as the order is sent: out of the house as it is now. */
  const submit = async (event: { preventDefault(): void }) => {
    event.preventDefault();
    const asked = getValues('lines').flatMap((line): AskedLine[] => {
      const [heads, mm] = [Number(line.heads), Number(line.leastMm.replace(',', '.'))];
      const collected = order?.lines.find(({ lineId }) => lineId === line.lineId)?.collected ?? 0;
      return Number.isInteger(heads) && heads > collected && line.speciesKey
        ? [
            {
              lineId: line.lineId,
              speciesKey: line.speciesKey,
              sex: line.sex,
              leastMm: mm > 0 ? mm : null,
              heads: heads - collected,
              broodId: line.broodId || null,
            },
          ]
        : [];
    });
    filled.current = getValues('aside') ? await salesWork().fill(facts, house.now(), asked, orderId.current) : [];
    await entry.submit();
  };
  const priceOf = (speciesKey: string) => priceAt(buyer, speciesKey);
  const needsReason = lines.some(({ speciesKey }) => species.find(({ key }) => key === speciesKey)?.law);
  return (
    <EntryFormFrame
      entry={{ ...entry, submit: async (event) => submit({ preventDefault: () => event?.preventDefault?.() }) }}
      action={order ? 'Keep the change' : 'Take it'}
    >
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField label="Who is it for?" autoFocus error={errors.buyerId?.message} {...register('buyerId')}>
          {known.length === 0 && <option value="">add a buyer first</option>}
          {known.map((one) => (
            <option key={one.buyerId} value={one.buyerId}>
              {one.name}
            </option>
          ))}
        </SelectField>
        <DayField
          control={control}
          name="dueOn"
          towards="ahead"
          label="By when"
          hint={buyer && buyer.dates.length > 0 ? meetsWords(buyer.dates, dueOn, house.today) : undefined}
          error={errors.dueOn?.message}
        />
      </div>
      {fields.map((field, i) => {
        const wrong = errors.lines?.[i];
        const line = lines[i];
        const own = broods.filter(({ speciesKey }) => speciesKey === line?.speciesKey);
        return (
          <fieldset key={field.id} className="grid grid-cols-2 gap-3 border-t border-rule pt-3 sm:grid-cols-6">
            <legend className="sr-only">Line {i + 1}</legend>
            <TextField label="How many" inputMode="numeric" error={wrong?.heads?.message} {...register(`lines.${i}.heads`)} />
            <SelectField
              label="Species"
              boxClass="sm:col-span-2"
              error={wrong?.speciesKey?.message}
              {...register(`lines.${i}.speciesKey`, {
                onChange: () => {
                  const cents = priceOf(getValues(`lines.${i}.speciesKey`));
                  if (cents !== undefined && !getValues(`lines.${i}.price`)) setValue(`lines.${i}.price`, typedMoney(cents));
                },
              })}
            >
              <option value="">choose</option>
              {species.map(({ key, commonName }) => (
                <option key={key} value={key}>
                  {commonName}
                </option>
              ))}
            </SelectField>
            <SelectField label="Sex" {...register(`lines.${i}.sex`)}>
              {WANTED_SEXES.map((sex) => (
                <option key={sex} value={sex}>
                  {SEX_WORDS[sex]}
                </option>
              ))}
            </SelectField>
            <TextField
              label="At least, mm"
              inputMode="decimal"
              error={wrong?.leastMm?.message}
              {...register(`lines.${i}.leastMm`)}
            />
            <TextField
              label="Price each"
              inputMode="decimal"
              disabled={buyer !== undefined && UNPAID.includes(buyer.kind)}
              error={wrong?.price?.message}
              {...register(`lines.${i}.price`)}
            />
            {own.length > 0 && (
              <SelectField label="Of which brood" boxClass="col-span-2 sm:col-span-3" {...register(`lines.${i}.broodId`)}>
                <option value="">any</option>
                {own.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </SelectField>
            )}
            {fields.length > 1 && (
              <Button look="quiet" className="self-end" onClick={() => remove(i)}>
                Take the line out
              </Button>
            )}
          </fieldset>
        );
      })}
      {fields.length < MOST_LINES && (
        <div>
          <Button onClick={() => append({ ...EMPTY_LINE, lineId: newId() })}>Another line</Button>
        </div>
      )}
      <Checkbox hint="oldest first, from as few tanks as possible" {...register('aside')}>
        Set aside what’s big enough now
      </Checkbox>
      <TextField label="To remember" error={errors.note?.message} {...register('note')} />
      {needsReason && (
        <TextField
          label="Why they can go"
          hint="for crayfish and similar: which licence did you see?"
          error={errors.reason?.message}
          {...register('reason')}
        />
      )}
    </EntryFormFrame>
  );
}

/** An order is taken, or changed. */
export function OrderForm({ order, done }: { order: Order | null; done: () => void }) {
  const buyers = useGet('buyers');
  const species = useGet('species');
  const facts = useGet('house');
  const broods = useGet('broods');
  return (
    <Loaded reply={buyers} what="the buyers">
      {(known) =>
        species.data && facts.data && broods.data ? (
          <Form order={order} buyers={known} species={species.data} facts={facts.data} broods={broods.data} done={done} />
        ) : null
      }
    </Loaded>
  );
}
