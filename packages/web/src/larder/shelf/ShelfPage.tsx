import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { DOSES, SHELF_KINDS, SHELF_WORDS, USUAL_DOSE } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { formatDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useGet, useHouse, useLog, type Reply } from '../../data';
import { Button, Dialog, Empty, Loaded } from '../../ui';
import { LarderHead } from '../LarderHead';
import { AmountForm, DoseForm, ItemForm } from './ShelfForms';

type Item = Reply<'shelf'>['items'][number];

/** What is left of a tin, as a bar of what it came with. */
function LeftBar({ item }: { item: Item }) {
  const share = Math.min(1, item.left / item.amount);
  return (
    <svg width="92" height="14" aria-hidden className="shrink-0">
      <rect x="0.5" y="0.5" width="91" height="13" fill="var(--sheet)" stroke="var(--edge)" />
      <rect x="1" y="1" width={90 * share} height="12" fill={item.isExpired || item.left <= 0 ? 'var(--rust)' : 'var(--tank)'} />
    </svg>
  );
}

function ItemRow({ item }: { item: Item }) {
  const house = useHouse();
  const log = useLog();
  const [form, setForm] = useState<'weighed' | 'used' | null>(null);
  const bought = item.buy !== null;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2">
      <LeftBar item={item} />
      <div className="min-w-56 flex-1">
        <p>
          <b>{item.name}</b> {formatNumber(item.left)} of {formatNumber(item.amount)} {item.unit} left
          {item.isInUse && <span className="text-quiet">; hatches are set from it</span>}
        </p>
        <p className="text-note text-quiet">
          {item.food ? FOOD_NAMES[item.food] : SHELF_WORDS[item.kind].words}
          {item.openedOn ? `, opened ${formatDay(item.openedOn, house.today)}` : ', not opened'}
          {item.goodUntil && (
            <b className={item.isExpired ? 'text-rust' : 'font-normal'}>
              {item.isExpired
                ? `, past its date since ${formatDay(item.goodUntil, house.today)}`
                : `, good until ${formatDay(item.goodUntil, house.today)}`}
              {item.isUsual && ' as usual once opened'}
            </b>
          )}
          {item.runsOutOn &&
            `; runs out ${formatDay(item.runsOutOn, house.today)} at ${formatNumber(item.perDay)} ${item.unit} a day`}
        </p>
        {item.hatchShare && (
          <p className="text-note">
            {formatNumber(item.hatchShare.share * 100)} % hatch ({Math.round(item.hatchShare.low90 * 100)} to{' '}
            {Math.round(item.hatchShare.high90 * 100)}), by{' '}
            {item.hatchShare.hatches === 1 ? 'one hatch' : `${item.hatchShare.hatches} hatches`} counted.
          </p>
        )}
      </div>
      {bought && <b className="text-rust">buy: {item.buy}</b>}
      {house.may('sitter') && (
        <div className="flex flex-wrap gap-2">
          {!item.openedOn && (
            <button
              type="button"
              className="min-h-11 rounded-part border border-edge px-3 hover:bg-today"
              onClick={() =>
                void log(
                  'shelfEvent',
                  { id: newId(), itemId: item.id, kind: 'opened', amount: null, at: house.now() },
                  `${item.name} opened`,
                )
              }
            >
              Opened
            </button>
          )}
          <button
            type="button"
            className="min-h-11 rounded-part border border-edge px-3 hover:bg-today"
            onClick={() => setForm('weighed')}
          >
            Weigh
          </button>
          <button
            type="button"
            className="min-h-11 rounded-part border border-edge px-3 hover:bg-today"
            onClick={() => setForm('used')}
          >
            Used
          </button>
          <button
            type="button"
            className="min-h-11 rounded-part border border-edge px-3 hover:bg-today"
            onClick={() =>
              void log(
                'shelfEvent',
                { id: newId(), itemId: item.id, kind: 'finished', amount: null, at: house.now() },
                `${item.name} finished`,
              )
            }
          >
            Finished
          </button>
        </div>
      )}
      {form && (
        <Dialog
          title={form === 'weighed' ? `What is left of ${item.name}` : `Taken from ${item.name}`}
          open
          onClose={() => setForm(null)}
        >
          <AmountForm item={item} kind={form} done={() => setForm(null)} />
        </Dialog>
      )}
    </li>
  );
}

/** What stands on the shelf, what to buy, and this keeper's own measures. */
export function ShelfPage() {
  const house = useHouse();
  const shelf = useGet('shelf');
  const [form, setForm] = useState<'item' | 'dose' | null>(null);
  const close = () => setForm(null);
  return (
    <Loaded reply={shelf} what="the shelf">
      {({ items, doses }) => {
        const buy = items.filter((item) => item.buy !== null);
        return (
          <>
            <LarderHead
              title="Shelf"
              about={
                buy.length > 0 ? (
                  <b className="text-rust">buy {buy.map(({ name, buy: why }) => `${name} (${why ?? ''})`).join(', ')}</b>
                ) : items.length > 0 ? (
                  'nothing to buy'
                ) : null
              }
            >
              {house.may('keeper') && <Button onClick={() => setForm('dose')}>Measure a dose</Button>}
              {house.may('keeper') && (
                <Button look="main" onClick={() => setForm('item')}>
                  Put on the shelf
                </Button>
              )}
            </LarderHead>
            <div className="grid gap-4 lg:grid-cols-[1.7fr_1fr]">
              <section>
                {items.length === 0 ? (
                  <Empty
                    title="Nothing on the shelf"
                    action={house.may('keeper') ? <Button onClick={() => setForm('item')}>Put the first</Button> : undefined}
                  >
                    Food, brine shrimp eggs, salt and dye: how much is left, how long it keeps and when it runs out.
                  </Empty>
                ) : (
                  SHELF_KINDS.map((kind) => {
                    const own = items.filter((item) => item.kind === kind);
                    return own.length === 0 ? null : (
                      <section key={kind} className="mb-3">
                        <h2 className="mb-1 text-code first-letter:uppercase">{SHELF_WORDS[kind].words}</h2>
                        <ul className="border-t border-ink bg-sheet px-3">
                          {own.map((item) => (
                            <ItemRow key={item.id} item={item} />
                          ))}
                        </ul>
                      </section>
                    );
                  })
                )}
              </section>
              <section>
                <h2 className="mb-1 text-code">Your measures</h2>
                <ul className="border-t border-ink bg-sheet px-3">
                  {DOSES.filter((dose) => dose !== 'ml').map((dose) => {
                    const usual = USUAL_DOSE[dose];
                    const own = doses.filter((one) => one.dose === dose);
                    const newest = own.findLast(({ food }) => food === null);
                    const byFood = own.filter(({ food }) => food !== null);
                    return (
                      <li key={dose} className="border-b border-rule py-1.5">
                        <div className="flex justify-between gap-3">
                          <span>a {usual.words}</span>
                          <span className={newest ? 'font-bold' : 'text-quiet'}>
                            {formatNumber(newest?.amount ?? usual.amount)} {usual.unit}
                            {newest ? `, ${newest.of} measured` : ', usual'}
                          </span>
                        </div>
                        {byFood.map(({ food, amount, of }) => (
                          <div key={`${dose}${food ?? ''}${amount}`} className="flex justify-between gap-3 text-note">
                            <span>of {food && FOOD_NAMES[food]}</span>
                            <b>
                              {formatNumber(amount)} {usual.unit}, {of} measured
                            </b>
                          </div>
                        ))}
                        {!newest && byFood.length === 0 && <p className="text-note text-quiet">{usual.how}</p>}
                      </li>
                    );
                  })}
                </ul>
              </section>
            </div>
            {form === 'item' && (
              <Dialog title="Put on the shelf" open onClose={close}>
                <ItemForm done={close} />
              </Dialog>
            )}
            {form === 'dose' && (
              <Dialog title="Measure a dose" open onClose={close}>
                <DoseForm done={close} />
              </Dialog>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
