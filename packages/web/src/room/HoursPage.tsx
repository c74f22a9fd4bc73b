import { MOST_WALKS, walkWords } from '@freshet/core/room';
import { useEntryForm, useGet, type Reply } from '../data';
import { EntryFormFoot, Loaded, PageHead, readNumber, SelectField, TextField } from '../ui';

const DAYS = ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays'];
const WALKS = Array.from({ length: MOST_WALKS }, (_, i) => i);
/** "7:30", "7.30" and "730" as 07:30. */
function asTime(text: string): string {
  const read = /^(\d{1,2})[:.h]?(\d{2})$/.exec(text.trim());
  return read ? `${(read[1] ?? '').padStart(2, '0')}:${read[2] ?? ''}` : text.trim();
}

/** Never, or a day of the week. */
const Weekdays = () => (
  <>
    <option value="">never</option>
    {DAYS.map((words, i) => (
      <option key={words} value={i + 1}>
        {words}
      </option>
    ))}
  </>
);

function HoursForm({ hours }: { hours: Reply<'hours'> }) {
  const entry = useEntryForm<
    'setHours',
    {
      walks: string[];
      lampOn: string;
      lampOff: string;
      fastOn: string;
      newFoodOn: string;
      longWalk: string;
      latitude: string;
      longitude: string;
    }
  >({
    name: 'setHours',
    defaults: {
      walks: WALKS.map((i) => hours.walks[i] ?? ''),
      lampOn: hours.lampOn ?? '',
      lampOff: hours.lampOff ?? '',
      fastOn: hours.fastOn === null ? '' : String(hours.fastOn),
      newFoodOn: hours.newFoodOn === null ? '' : String(hours.newFoodOn),
      longWalk: hours.longWalk === null ? '' : String(hours.longWalk),
      latitude: hours.latitude === null ? '' : String(hours.latitude),
      longitude: hours.longitude === null ? '' : String(hours.longitude),
    },
    toBody: ({ walks, lampOn, lampOff, fastOn, newFoodOn, longWalk, latitude, longitude }) => ({
      walks: walks.map(asTime).filter(Boolean),
      lampOn: asTime(lampOn) || null,
      lampOff: asTime(lampOff) || null,
      fastOn: fastOn ? Number(fastOn) : null,
      newFoodOn: newFoodOn ? Number(newFoodOn) : null,
      longWalk: longWalk ? Number(longWalk) : null,
      latitude: readNumber('latitude', latitude),
      longitude: readNumber('longitude', longitude),
      version: hours.version,
    }),
    label: () => 'Hours of the house set',
    done: () => undefined,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const typed = watch('walks').map(asTime);
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)} className="grid max-w-4xl gap-5 md:grid-cols-2">
      <fieldset className="flex flex-col gap-3 border border-rule bg-sheet p-4">
        <legend className="px-1 font-semibold">Walks each day</legend>
        <p className="text-quiet">The day’s meals are shared between them.</p>
        <div className="grid grid-cols-2 gap-3">
          {WALKS.map((i) => (
            <TextField
              key={i}
              label={`Walk ${i + 1}${i === 0 ? ', needed' : ''}`}
              hint={
                /^\d\d:\d\d$/.test(typed[i] ?? '')
                  ? walkWords(typed, i)
                  : i === 0
                    ? undefined
                    : 'leave empty if you don’t do this walk'
              }
              error={i === 0 ? errors.walks?.message : undefined}
              inputMode="numeric"
              {...register(`walks.${i}`)}
            />
          ))}
        </div>
        <SelectField
          label="Water changes and other long jobs"
          hint="They wait for the walk you have time on. Eggs, food and whatever can’t wait stay on the walk they belong to."
          {...register('longWalk')}
        >
          <option value="">as I come by</option>
          {typed.map((time, i) => (time ? <option key={i} value={i}>{`on the ${walkWords(typed, i)} walk`}</option> : null))}
        </SelectField>
        <SelectField
          label="Grown animals fast"
          hint="A day without food clears the gut and spares the water. Fry and conditioned breeders are still fed."
          {...register('fastOn')}
        >
          <Weekdays />
        </SelectField>
        <SelectField
          label="Fry try a new food"
          hint="A little of another food their size each week, so they aren’t picky later."
          {...register('newFoodOn')}
        >
          <Weekdays />
        </SelectField>
      </fieldset>
      <fieldset className="flex flex-col gap-3 border border-rule bg-sheet p-4">
        <legend className="px-1 font-semibold">Light</legend>
        <p className="text-quiet">
          With a lamp timer, first light is when it goes on. Leave both empty if the tanks get daylight.
        </p>
        <div className="grid grid-cols-2 gap-3">
          <TextField label="Lamps on" hint="such as 08:00" error={errors.lampOn?.message} {...register('lampOn')} />
          <TextField label="Lamps off" error={errors.lampOff?.message} {...register('lampOff')} />
        </div>
        <p className="text-quiet">Where you are, for sunrise, dusk and the moon. A degree is close enough.</p>
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label="Latitude, °"
            hint="north is positive"
            inputMode="text"
            error={errors.latitude?.message}
            {...register('latitude')}
          />
          <TextField
            label="Longitude, °"
            hint="west is negative"
            inputMode="text"
            error={errors.longitude?.message}
            {...register('longitude')}
          />
        </div>
      </fieldset>
      <div className="md:col-span-2">
        <EntryFormFoot entry={entry} action="Save the hours" />
      </div>
    </form>
  );
}

/** When the house is walked, when its lamps burn, where it stands. */
export function HoursPage() {
  const hours = useGet('hours');
  return (
    <>
      <PageHead title="Hours of the house" about="These set meal times, when to look for eggs, and sunrise." />
      <Loaded reply={hours} what="the hours">
        {(data) => <HoursForm key={data.version ?? 'first'} hours={data} />}
      </Loaded>
    </>
  );
}
