import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { FieldProblem, useEntryForm, useHouse, type Reply } from '../data';
import { EntryFormFrame, readWhole, SelectField, TextField } from '../ui';
import type { PickStop } from '@freshet/core/sales';
import { moneyOf, showMoney, typedMoney } from './money';
import { share } from './share';

type Order = Reply<'orders'>[number];

/** An order is handed over as it was set aside, or fewer of it; the rest stays open. */
export function HandOverForm({
  order,
  stops,
  currency,
  done,
}: {
  order: Order;
  stops: readonly PickStop[];
  currency: string;
  done: () => void;
}) {
  const house = useHouse();
  const saleId = useRef(newId());
  const picks = stops.flatMap((stop) => stop.picks);
  const soldIds = useRef(picks.map(() => newId()));
  const lineOf = (lotId: string) => order.lines.find(({ reserved }) => reserved.some((part) => part.lotId === lotId));
  const entry = useEntryForm({
    name: 'sell',
    defaults: {
      parts: picks.map(({ heads, lotId }) => ({ heads: String(heads), price: typedMoney(lineOf(lotId)?.cents ?? 0) })),
      pays: order.pays,
      reason: order.reason ?? '',
    },
    toBody: ({ parts, pays, reason }) => {
      const lots = picks.flatMap((pick, i) => {
        const part = parts[i];
        const heads = readWhole(`parts.${i}.heads`, part?.heads ?? '');
        if (heads === 0) return [];
        if (heads > pick.heads) throw new FieldProblem(`parts.${i}.heads`, `${pick.heads} are set aside.`);
        return [
          {
            soldId: soldIds.current[i] ?? newId(),
            lotId: pick.lotId,
            lineId: lineOf(pick.lotId)?.lineId ?? null,
            heads: share(pick, heads, 'any'),
            cents: moneyOf(`parts.${i}.price`, part?.price ?? ''),
            lengthMm: null,
          },
        ];
      });
      return {
        saleId: saleId.current,
        buyerId: order.buyerId,
        orderId: order.orderId,
        at: house.now(),
        pays,
        lots,
        reason: reason.trim() || null,
      };
    },
    fieldOf: (path) => {
      if (path.startsWith('parts.')) return path as 'parts.0.heads';
      const line = /^lots\.(\d+)\.(\w+)/.exec(path);
      if (!line) return undefined;
      return `parts.${line[1] ?? ''}.${line[2] === 'cents' ? 'price' : 'heads'}` as 'parts.0.heads';
    },
    label: () => `Order ${order.number} handed over`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const total = watch('parts').reduce((sum, { heads, price }) => {
    const each = Number(price.replace(',', '.'));
    return sum + (Number.isFinite(each) ? Math.round(each * 100) * (Number(heads) || 0) : 0);
  }, 0);
  return (
    <EntryFormFrame entry={entry} action="Hand them over">
      {picks.map((pick, i) => (
        <fieldset key={pick.lotId} className="grid grid-cols-2 gap-3 border-t border-rule pt-3 first:border-0 first:pt-0">
          <legend className="float-left mb-1 w-full font-semibold">{pick.speciesName}</legend>
          <TextField
            label="How many"
            inputMode="numeric"
            hint={`${pick.heads} set aside; 0 leaves them out`}
            error={errors.parts?.[i]?.heads?.message}
            {...register(`parts.${i}.heads`)}
          />
          <TextField
            label={`Price each, ${currency}`}
            inputMode="decimal"
            error={errors.parts?.[i]?.price?.message}
            {...register(`parts.${i}.price`)}
          />
        </fieldset>
      ))}
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField label="Paid in" {...register('pays')}>
          <option value="cash">cash</option>
          <option value="credit">credit or goods</option>
        </SelectField>
        {(errors.reason ?? watch('reason')) && (
          <TextField label="Why anyway?" hint="kept with the sale" error={errors.reason?.message} {...register('reason')} />
        )}
      </div>
      <p>
        In all <b>{showMoney(total, currency)}</b>
      </p>
    </EntryFormFrame>
  );
}
