import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { FUNGUS_CARE } from '@freshet/core/broods';
import { EGG_PLAN_WORDS, EGG_PLANS, type EggPlan } from '@freshet/core/species';
import { EGG_WAYS, FUNGUS_SCHOOLS, FUNGUS_WORDS, type FungusSchool } from '@freshet/core/spawning';
import { formatNumber } from '@freshet/core/units';
import { FieldProblem, useEntryForm, useGet, useHouse, type Reply } from '../../data';
import { TankOptions } from '../../room';
import { EntryFormFrame, Notice, readNumber, SelectField, TextField } from '../../ui';

type Page = Reply<'brood'>;
/** A usual dye and its stock, where nothing else is known: the label goes before. */
const USUAL = { dyeMgPerL: 1, dyeStockPercent: 0.5, changePercent: 50 };

/** The eggs of a clutch are kept another way; where they are pulled, they are moved with it. */
export function KeepingForm({
  page,
  to,
  why,
  done,
}: {
  page: Page;
  to: { plan: EggPlan; fungus: FungusSchool } | null;
  why: string;
  done: () => void;
}) {
  const house = useHouse();
  const id = useRef(newId());
  const life = useGet('tankLife');
  const { keeping } = page;
  const text = (value: number | null | undefined) => (value == null ? '' : formatNumber(value, 4));
  const entry = useEntryForm({
    name: 'keepEggs',
    defaults: {
      plan: to?.plan ?? keeping?.plan ?? ('pullEggs' as EggPlan),
      fungus: to?.fungus ?? keeping?.fungus ?? ('flow' as FungusSchool),
      dyeMgPerL: text(keeping?.dyeMgPerL ?? USUAL.dyeMgPerL),
      dyeStockPercent: text(keeping?.dyeStockPercent ?? USUAL.dyeStockPercent),
      change: text((keeping?.dailyChangeFraction ?? 0) > 0 ? 100 * (keeping?.dailyChangeFraction ?? 0) : USUAL.changePercent),
      container: keeping?.container ?? '',
      toTankId: '',
      why,
    },
    toBody(values) {
      const { areApart } = EGG_WAYS[values.plan];
      const dyed = values.fungus === 'dye';
      const share = readNumber('change', values.change);
      if (areApart && (share === null || share > 90)) throw new FieldProblem('change', 'A share of 0 to 90 %.');
      return {
        id: id.current,
        broodId: page.id,
        at: house.now(),
        plan: values.plan,
        fungus: values.fungus,
        dyeMgPerL: dyed ? readNumber('dyeMgPerL', values.dyeMgPerL) : null,
        dyeStockPercent: dyed ? readNumber('dyeStockPercent', values.dyeStockPercent) : null,
        dailyChangeFraction: areApart ? (share ?? 0) / 100 : 0,
        container: values.container.trim() || null,
        why: values.why.trim() || null,
        toTankId: areApart && values.toTankId ? values.toTankId : null,
      };
    },
    fieldOf: (path) => (path === 'dailyChangeFraction' ? 'change' : undefined),
    label: ({ plan }) => `${page.name}: ${EGG_PLAN_WORDS[plan].toLowerCase()}`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const { plan, fungus } = watch();
  const way = EGG_WAYS[plan];
  return (
    <EntryFormFrame entry={entry} action="Keep them this way from now on">
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField label="The eggs" error={errors.plan?.message} {...register('plan')}>
          {EGG_PLANS.map((one) => (
            <option key={one} value={one}>
              {EGG_PLAN_WORDS[one]}
            </option>
          ))}
        </SelectField>
        <SelectField label="Against fungus" error={errors.fungus?.message} {...register('fungus')}>
          {FUNGUS_SCHOOLS.map((one) => (
            <option key={one} value={one}>
              {FUNGUS_WORDS[one]}
            </option>
          ))}
        </SelectField>
        {way.areApart && (
          <SelectField
            label="Move them into"
            hint="they stay where they are if you leave it empty"
            error={errors.toTankId?.message}
            {...register('toTankId')}
          >
            <TankOptions life={life.data} but={page.lots.find(({ count }) => count > 0)?.tankId ?? null} />
          </SelectField>
        )}
        {way.areApart && (
          <TextField
            label="In what"
            hint="like net box, tub, tumbler"
            error={errors.container?.message}
            {...register('container')}
          />
        )}
        {fungus === 'dye' && (
          <>
            <TextField label="Dye, mg/L" inputMode="decimal" error={errors.dyeMgPerL?.message} {...register('dyeMgPerL')} />
            <TextField
              label="Stock on the shelf, %"
              inputMode="decimal"
              hint="from the label"
              error={errors.dyeStockPercent?.message}
              {...register('dyeStockPercent')}
            />
          </>
        )}
        {way.areApart && (
          <TextField label="Changed daily, %" inputMode="decimal" error={errors.change?.message} {...register('change')} />
        )}
        <TextField label="Why" error={errors.why?.message} {...register('why')} />
      </div>
      {fungus === 'dye' && (
        <Notice>
          Dye kills shrimp, crayfish and snails and stops a filter. Gloves; read the label and the data sheet; keep it from
          children; dispose of it as local rules say.
        </Notice>
      )}
      <ul className="list-disc border-l-4 border-deep bg-shade py-2 pr-3 pl-7 text-note">
        {[...way.setUp, FUNGUS_CARE[fungus], ...way.atHatch, ...way.hazards].map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </EntryFormFrame>
  );
}
