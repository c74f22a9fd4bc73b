import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { DOSES, SHELF_KINDS, SHELF_WORDS, USUAL_DOSE, type Dose, type ShelfKind } from '@freshet/core/larder';
import { FOOD_NAMES, FOODS, type Food } from '@freshet/core/species';
import { sentence } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useEntryForm, useHouse, type Reply } from '../../data';
import { DayField, EntryFormFrame, readNumber, SelectField, TextField } from '../../ui';

const DRY: readonly Food[] = ['finePowder', 'crushedDry', 'pellets', 'wafers', 'vegetables'];
const FROZEN: readonly Food[] = ['frozen', 'bloodworm', 'daphnia', 'brineShrimp'];

/** A tin, bag or bottle comes onto the shelf. */
export function ItemForm({ done }: { done: () => void }) {
  const house = useHouse();
  const itemId = useRef(newId());
  const entry = useEntryForm({
    name: 'addShelfItem',
    defaults: { kind: 'dry' as ShelfKind, name: '', food: '', amount: '', openedOn: '', goodUntil: '', price: '' },
    toBody: ({ kind, name, food, amount, openedOn, goodUntil, price }) => {
      const euros = readNumber('price', price, 'Give a price.');
      return {
        itemId: itemId.current,
        kind,
        name,
        food: food ? (food as Food) : null,
        amount: readNumber('amount', amount, 'How much?') ?? 0,
        openedOn: openedOn || null,
        goodUntil: goodUntil || null,
        priceCents: euros === null ? null : Math.round(euros * 100),
        at: house.now(),
      };
    },
    fieldOf: (path) => (path === 'priceCents' ? 'price' : undefined),
    label: ({ name }) => `${name} on the shelf`,
    done,
  });
  const { register, control, formState, watch } = entry.form;
  const { errors } = formState;
  const kind = watch('kind');
  const { unit, openDays } = SHELF_WORDS[kind];
  const foods = kind === 'dry' ? DRY : kind === 'frozen' ? FROZEN : [];
  return (
    <EntryFormFrame entry={entry} action="Put it there">
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField label="What" {...register('kind')}>
          {SHELF_KINDS.map((one) => (
            <option key={one} value={one}>
              {sentence(SHELF_WORDS[one].words)}
            </option>
          ))}
        </SelectField>
        <TextField label="Name" autoFocus error={errors.name?.message} {...register('name')} />
        {foods.length > 0 && (
          <SelectField label="Given as" hint="so Freshet can work out how fast it’s used" {...register('food')}>
            <option value="">not sure</option>
            {foods.map((food) => (
              <option key={food} value={food}>
                {FOOD_NAMES[food]}
              </option>
            ))}
          </SelectField>
        )}
        <TextField label={`Amount, ${unit}`} inputMode="decimal" error={errors.amount?.message} {...register('amount')} />
        <DayField
          control={control}
          name="openedOn"
          label="Opened on"
          hint="leave empty if it’s still sealed"
          error={errors.openedOn?.message}
        />
        <DayField
          control={control}
          name="goodUntil"
          towards="ahead"
          label="Good until"
          hint={openDays === null ? 'as printed' : `as printed; once open it usually keeps ${openDays} days`}
          error={errors.goodUntil?.message}
        />
        <TextField
          label="Paid, EUR"
          inputMode="decimal"
          hint="leave empty if you don’t know"
          error={errors.price?.message}
          {...register('price')}
        />
      </div>
    </EntryFormFrame>
  );
}

/** What is left of a tin, or was taken from it. */
export function AmountForm({
  item,
  kind,
  done,
}: {
  item: Reply<'shelf'>['items'][number];
  kind: 'weighed' | 'used';
  done: () => void;
}) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'shelfEvent',
    defaults: { amount: '' },
    toBody: ({ amount }) => ({ itemId: item.id, kind, amount: readNumber('amount', amount, 'How much?'), at: house.now() }),
    label: () => `${item.name} ${kind}`,
    done,
  });
  const { register, formState } = entry.form;
  return (
    <EntryFormFrame entry={entry} action={kind === 'weighed' ? 'Log what is left' : 'Log what was taken'}>
      <TextField
        label={kind === 'weighed' ? `Left, ${item.unit}` : `Taken, ${item.unit}`}
        inputMode="decimal"
        autoFocus
        hint={`By what was logged ${formatNumber(item.left)} ${item.unit} should be left.`}
        error={formState.errors.amount?.message}
        {...register('amount')}
      />
    </EntryFormFrame>
  );
}

/** A measure weighed or counted once, for this keeper. */
export function DoseForm({ done }: { done: () => void }) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'measureDose',
    defaults: { dose: 'pinch' as Dose, food: '', of: '10', total: '' },
    toBody: ({ dose, food, of, total }) => ({
      dose,
      food: food ? (food as Food) : null,
      of: readNumber('of', of, 'How many?') ?? 0,
      total: readNumber('total', total, 'How much in total?') ?? 0,
      at: house.now(),
    }),
    label: ({ dose }) => `A ${USUAL_DOSE[dose].words} measured`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const dose = watch('dose');
  const usual = USUAL_DOSE[dose];
  return (
    <EntryFormFrame entry={entry} action="Log the measure">
      <SelectField
        label="Measure"
        hint={`${sentence(usual.how)}. Until then one is taken as ${formatNumber(usual.amount)} ${usual.unit}.`}
        {...register('dose')}
      >
        {DOSES.filter((one) => one !== 'ml').map((one) => (
          <option key={one} value={one}>
            {USUAL_DOSE[one].words}
          </option>
        ))}
      </SelectField>
      <SelectField label="Of" {...register('food')}>
        <option value="">any food</option>
        {FOODS.map((food) => (
          <option key={food} value={food}>
            {FOOD_NAMES[food]}
          </option>
        ))}
      </SelectField>
      <div className="grid grid-cols-2 gap-4">
        <TextField label="How many" inputMode="numeric" error={errors.of?.message} {...register('of')} />
        <TextField
          label={`Together, ${usual.unit}`}
          inputMode="decimal"
          autoFocus
          error={errors.total?.message}
          {...register('total')}
        />
      </div>
    </EntryFormFrame>
  );
}
