import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { VESSEL_KINDS, VESSEL_RULES, vesselFault, type VesselKind, type VesselPlace } from '@freshet/core/room';
import { FieldProblem, showVolume, useEntryForm, useHouse, type Reply } from '../data';
import { EntryFormFrame, QuantityField, readQuantity, SelectField, TextField } from '../ui';
import type { Rack } from './layoutRoom';

type Vessel = Reply<'room'>['vessels'][number];
const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** Says at its field what a vessel cannot be. @throws {FieldProblem} */
function mustBePossible(kind: VesselKind, litres: number, at: VesselPlace): void {
  const fault = vesselFault(kind, litres, at);
  if (fault) throw new FieldProblem(fault.field, fault.message);
}

/** Which tank a vessel hangs in, or where it is instead. */
function PlaceFields({
  kind,
  racks,
  inTank,
  errors,
  register,
}: {
  kind: VesselKind;
  racks: readonly Rack[];
  inTank: boolean;
  errors: { inTankId?: { message?: string }; place?: { message?: string } };
  register: (name: 'inTankId' | 'place') => object;
}) {
  const { stands } = VESSEL_RULES[kind];
  return (
    <>
      {stands !== 'apart' && (
        <SelectField label="It hangs in" error={errors.inTankId?.message} {...register('inTankId')}>
          <option value="">{stands === 'inTank' ? 'Choose a tank' : 'no tank; it stands elsewhere'}</option>
          {racks.flatMap((rack) =>
            rack.shelves.flatMap((shelf) =>
              shelf.tanks.map((tank) => (
                <option key={tank.id} value={tank.id}>
                  {tank.code}
                </option>
              )),
            ),
          )}
        </SelectField>
      )}
      {stands !== 'inTank' && !inTank && (
        <TextField label="Where is it?" hint="shelf, drawer, window sill" error={errors.place?.message} {...register('place')} />
      )}
    </>
  );
}

/** Sets up an egg box, tumbler, bag of peat, jar, tub or bowl. */
export function VesselForm({ racks, done }: { racks: readonly Rack[]; done: () => void }) {
  const house = useHouse();
  const ids = useRef({ id: newId(), vesselId: newId() });
  const entry = useEntryForm({
    name: 'addVessel',
    defaults: { kind: 'eggBox' as VesselKind, code: '', litres: '', inTankId: '', place: '' },
    toBody(values) {
      const { kind, code } = values;
      const { stands } = VESSEL_RULES[kind];
      const litres = readQuantity('litres', values.litres, 'volume', house.units.volume);
      const inTankId = stands === 'apart' ? null : values.inTankId || null;
      const place = stands === 'inTank' || inTankId !== null ? null : values.place.trim() || null;
      mustBePossible(kind, litres, { inTankId, place });
      return { ...ids.current, kind, code, litres, inTankId, place };
    },
    label: ({ code }) => `${code} set up`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const { kind, litres, inTankId } = watch();
  const [least, most] = VESSEL_RULES[kind].litres;
  return (
    <EntryFormFrame entry={entry} action="Set it up">
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField label="What is it?" autoFocus {...register('kind')}>
          {VESSEL_KINDS.map((one) => (
            <option key={one} value={one}>
              {capital(VESSEL_RULES[one].words)}
            </option>
          ))}
        </SelectField>
        <TextField label="Code" hint="As written on it: N3, A2.5b" error={errors.code?.message} {...register('code')} />
        <QuantityField
          kind="volume"
          text={litres}
          defaultUnit={house.units.volume}
          label={VESSEL_RULES[kind].wet ? 'Water in it' : 'Peat in it'}
          hint={`${showVolume(least, house)} to ${showVolume(most, house)}`}
          error={errors.litres?.message}
          {...register('litres')}
        />
        <PlaceFields kind={kind} racks={racks} inTank={inTankId !== ''} errors={errors} register={register} />
      </div>
    </EntryFormFrame>
  );
}

/** Hangs a vessel elsewhere, or labels it anew. */
export function VesselMoveForm({ vessel, racks, done }: { vessel: Vessel; racks: readonly Rack[]; done: () => void }) {
  const id = useRef(newId());
  const { kind } = vessel;
  const entry = useEntryForm({
    name: 'moveVessel',
    defaults: { code: vessel.code, inTankId: vessel.inTankId ?? '', place: vessel.place ?? '' },
    toBody(values) {
      const inTankId = values.inTankId || null;
      const place = inTankId === null ? values.place.trim() || null : null;
      mustBePossible(kind, vessel.litres, { inTankId, place });
      return { id: id.current, vesselId: vessel.id, code: values.code, inTankId, place };
    },
    label: ({ code }) => `${code} moved`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Save">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Code" autoFocus error={errors.code?.message} {...register('code')} />
        <PlaceFields kind={kind} racks={racks} inTank={watch('inTankId') !== ''} errors={errors} register={register} />
      </div>
    </EntryFormFrame>
  );
}
