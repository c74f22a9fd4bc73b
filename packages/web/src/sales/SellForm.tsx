import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { BUYER_KINDS, BUYER_WORDS, UNPAID, type BuyerKind } from '@freshet/core/sales';
import { sentence } from '@freshet/core/time';
import { FieldProblem, useEntryForm, useGet, useHouse, type Reply } from '../data';
import { EntryFormFrame, Loaded, readNumber, readWhole, SelectField, TextField } from '../ui';
import { moneyOf, priceAt, showMoney, typedMoney } from './money';
import { share } from './share';

const SOMEBODY_NEW = 'new';
type Lot = Reply<'tankLife'>[number]['lots'][number] & { code: string };

/** Lots that live, those of a brood first. */
function lotsOf(life: Reply<'tankLife'>, broodId: string | null): Lot[] {
  const all = life.flatMap(({ code, lots }) => lots.map((lot) => ({ ...lot, code })));
  const own = all.filter((lot) => broodId !== null && lot.broodId === broodId);
  return [...own, ...all.filter((lot) => !own.includes(lot))];
}
const headsOf = ({ males, females, unsexed }: Lot) => males + females + unsexed;
const lotWords = (lot: Lot) => `${lot.code}: ${headsOf(lot)} ${lot.speciesName.toLowerCase()}${lot.name ? `, ${lot.name}` : ''}`;

/** Who is asked for before anything is typed: a brood, some of a lot, or nobody yet. */
export type Going = { broodId: string } | { lotId: string; heads: number; sex: 'any' | 'males' | 'females' } | null;

function Form({
  life,
  buyers,
  money,
  going,
  done,
}: {
  life: Reply<'tankLife'>;
  buyers: Reply<'buyers'>;
  money: Reply<'money'> | undefined;
  going: Going;
  done: () => void;
}) {
  const house = useHouse();
  const ids = useRef({ saleId: newId(), buyerId: newId(), soldId: newId() });
  const lots = lotsOf(life, going && 'broodId' in going ? going.broodId : null);
  const known = buyers.filter(({ erased }) => !erased);
  const chosen =
    going === null ? null : 'lotId' in going ? (lots.find(({ id }) => id === going.lotId) ?? null) : (lots[0] ?? null);
  const firstPrice = chosen ? priceAt(known[0], chosen.speciesKey) : undefined;
  const entry = useEntryForm({
    name: 'sell',
    defaults: {
      lotId: chosen?.id ?? '',
      heads: going && 'heads' in going ? String(going.heads) : '',
      sex: going && 'sex' in going ? going.sex : 'any',
      buyerId: known[0]?.buyerId ?? SOMEBODY_NEW,
      newKind: 'shop' as BuyerKind,
      newName: '',
      cents: firstPrice === undefined ? '' : typedMoney(firstPrice),
      lengthMm: '',
      pays: known[0]?.pays ?? ('cash' as const),
      reason: '',
    },
    toBody: ({ lotId, heads, sex, buyerId, newKind, newName, cents, lengthMm, pays, reason }) => {
      const lot = lots.find(({ id }) => id === lotId);
      if (!lot) throw new FieldProblem('lotId', 'Which fish?');
      const count = readWhole('heads', heads);
      const isNew = buyerId === SOMEBODY_NEW;
      return {
        saleId: ids.current.saleId,
        buyerId: isNew ? ids.current.buyerId : buyerId,
        newBuyer: isNew ? { kind: newKind, name: newName } : null,
        orderId: null,
        at: house.now(),
        pays,
        lots: [
          {
            soldId: ids.current.soldId,
            lotId,
            lineId: null,
            heads: share(lot, count, sex),
            cents: moneyOf('cents', cents),
            lengthMm: readNumber('lengthMm', lengthMm, 'Give a length in mm.'),
          },
        ],
        reason: reason.trim() || null,
      };
    },
    fieldOf: (path) =>
      path.startsWith('newBuyer')
        ? 'newName'
        : path.includes('.heads')
          ? 'heads'
          : path.endsWith('.cents')
            ? 'cents'
            : path.endsWith('lengthMm')
              ? 'lengthMm'
              : path.startsWith('lots')
                ? 'lotId'
                : undefined,
    label: ({ heads }) => `${heads} handed over`,
    done,
  });
  const { register, watch, formState, setValue, getValues } = entry.form;
  const { errors } = formState;
  const [lotId, buyerId, newKind, reason] = watch(['lotId', 'buyerId', 'newKind', 'reason']);
  const lot = lots.find(({ id }) => id === lotId);
  const buyer = known.find((one) => one.buyerId === buyerId);
  const isGift = UNPAID.includes(buyer?.kind ?? newKind);
  const currency = money?.rates.currency ?? 'EUR';
  const price = priceAt(buyer, lot?.speciesKey) ?? null;
  const cost =
    money?.broods.find(({ key }) => key === lot?.broodId)?.perFishCents ??
    money?.species.find(({ key }) => key === lot?.speciesKey)?.perFishCents ??
    null;
  /** What a buyer is known to pay stands in the field, unless something was typed. */
  const suggest = (speciesKey: string | undefined, to: string) => {
    const known_ = known.find((one) => one.buyerId === to);
    const cents = priceAt(known_, speciesKey);
    if (cents !== undefined && !formState.dirtyFields.cents) setValue('cents', typedMoney(cents));
    setValue('pays', known_?.pays ?? 'cash');
  };
  return (
    <EntryFormFrame entry={entry} action={isGift ? 'Give them away' : 'Hand them over'}>
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField
          label="Which fish?"
          boxClass="sm:col-span-2"
          error={errors.lotId?.message}
          {...register('lotId', {
            onChange: () => suggest(lots.find(({ id }) => id === getValues('lotId'))?.speciesKey, getValues('buyerId')),
          })}
        >
          <option value="">choose</option>
          {lots.map((one) => (
            <option key={one.id} value={one.id}>
              {lotWords(one)}
            </option>
          ))}
        </SelectField>
        <TextField
          label="How many"
          inputMode="numeric"
          autoFocus
          hint={lot ? `${headsOf(lot)} live in ${lot.code}` : undefined}
          error={errors.heads?.message}
          {...register('heads')}
        />
        {lot && lot.males + lot.females > 0 ? (
          <SelectField label="Which sex?" {...register('sex')}>
            <option value="any">as they come</option>
            <option value="males">males ({lot.males})</option>
            <option value="females">females ({lot.females})</option>
          </SelectField>
        ) : (
          <TextField
            label="Usual length, mm"
            inputMode="decimal"
            hint="leave empty if you don’t know"
            error={errors.lengthMm?.message}
            {...register('lengthMm')}
          />
        )}
        <SelectField
          label="Who to?"
          error={errors.buyerId?.message}
          {...register('buyerId', { onChange: () => suggest(lot?.speciesKey, getValues('buyerId')) })}
        >
          {known.map((one) => (
            <option key={one.buyerId} value={one.buyerId}>
              {one.name}
            </option>
          ))}
          <option value={SOMEBODY_NEW}>someone new …</option>
        </SelectField>
        {buyerId === SOMEBODY_NEW && (
          <>
            <TextField label="Their name" error={errors.newName?.message} {...register('newName')} />
            <SelectField label="What they are" {...register('newKind')}>
              {BUYER_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {sentence(BUYER_WORDS[kind])}
                </option>
              ))}
            </SelectField>
          </>
        )}
        {!isGift && (
          <>
            <TextField
              label={`Price each, ${currency}`}
              inputMode="decimal"
              hint={
                <>
                  {price !== null && `${showMoney(price, currency)} here; `}
                  {cost === null ? 'the cost of one isn’t known yet' : `each cost about ${showMoney(cost, currency)} so far`}
                </>
              }
              error={errors.cents?.message}
              {...register('cents')}
            />
            <SelectField label="Paid in" {...register('pays')}>
              <option value="cash">cash</option>
              <option value="credit">credit or goods</option>
            </SelectField>
          </>
        )}
        {(errors.reason ?? reason) && (
          <TextField
            label="Why anyway?"
            boxClass="sm:col-span-2"
            hint="kept with the sale"
            error={errors.reason?.message}
            {...register('reason')}
          />
        )}
      </div>
    </EntryFormFrame>
  );
}

/** Animals are handed over: how many, to whom, for how much, and what each cost. */
export function SellForm({ going, done }: { going: Going; done: () => void }) {
  const life = useGet('tankLife');
  const buyers = useGet('buyers');
  const money = useGet('money');
  return (
    <Loaded reply={life} what="who lives where">
      {(living) => (
        <Loaded reply={buyers} what="the buyers">
          {(known) => <Form life={living} buyers={known} money={money.data} going={going} done={done} />}
        </Loaded>
      )}
    </Loaded>
  );
}
