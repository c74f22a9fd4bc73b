import { format, parse } from 'date-fns';
import { Popover } from 'radix-ui';
import type { RefObject } from 'react';
import { DayPicker } from 'react-day-picker';

/** A month to choose a day from, by mouse, touch and keys. Fetched when the first is opened. */
export default function Calendar({
  label,
  day,
  today,
  button,
  choose,
  close,
}: {
  label: string;
  /** `YYYY-MM-DD`; empty when none is chosen. */
  day: string;
  today: string;
  button: RefObject<HTMLButtonElement | null>;
  choose: (day: string) => void;
  close: () => void;
}) {
  const toDate = (text: string) => parse(text, 'yyyy-MM-dd', new Date(0));
  const chosen = /^\d{4}-\d{2}-\d{2}$/.test(day) ? toDate(day) : undefined;
  return (
    <Popover.Root open onOpenChange={(next) => !next && close()}>
      <Popover.Anchor virtualRef={button as RefObject<HTMLButtonElement>} />
      <Popover.Portal>
        <Popover.Content
          aria-label={`${label}: choose a day`}
          collisionPadding={12}
          sideOffset={4}
          className="z-[60] border border-ink bg-sheet p-3 text-ink"
          onInteractOutside={(event) =>
            event.target instanceof Node && button.current?.contains(event.target) && event.preventDefault()
          }
        >
          <DayPicker
            mode="single"
            autoFocus
            weekStartsOn={1}
            showOutsideDays
            today={toDate(today)}
            defaultMonth={chosen ?? toDate(today)}
            selected={chosen}
            onSelect={(date) => date && choose(format(date, 'yyyy-MM-dd'))}
            classNames={{
              month_caption: 'px-1 pb-2 font-semibold',
              nav: 'absolute right-3 top-2 flex gap-1',
              button_previous: 'size-11 link',
              button_next: 'size-11 link',
              chevron: 'mx-auto size-4 fill-current',
              weekday: 'pb-1 text-note font-normal text-quiet',
              day: 'p-0 text-center',
              day_button: 'size-11 rounded-part hover:bg-today sm:size-9',
              today: 'font-bold underline',
              selected: 'bg-ink text-sheet',
              outside: 'text-quiet',
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
