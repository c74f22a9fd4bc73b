import { Suspense } from 'react';
import type { Reply } from '../data';
import { Dialog } from '../ui';
import { LabelsForm } from './LabelsForm';
import type { Rack, Tank } from './layoutRoom';
import { MoveTankForm } from './MoveTankForm';
import { RackForm } from './RackForm';
import type { SendSheet } from './sendSheet';
import { ShelfForm } from './ShelfForm';
import { TankForm } from './TankForm';
import { VesselForm } from './VesselForm';

/** What is open over the room. */
export type Sheet =
  | { kind: 'rack' }
  | { kind: 'shelf'; rack: Rack }
  | { kind: 'tank'; shelfId: string }
  | { kind: 'place'; tank: Tank; place: { shelfId: string; leftCm: number } }
  | { kind: 'send'; fromTankId: string; toTankId: string }
  | { kind: 'labels' }
  | { kind: 'vessel' };

/** The dialog of what is open. */
export function RoomSheets({
  sheet,
  racks,
  vessels,
  open,
  Send,
}: {
  sheet: Sheet | null;
  racks: readonly Rack[];
  vessels: Reply<'room'>['vessels'];
  open: (sheet: Sheet | null) => void;
  Send: SendSheet;
}) {
  const close = () => open(null);
  if (sheet?.kind === 'send')
    return (
      <Suspense>
        <Send fromTankId={sheet.fromTankId} toTankId={sheet.toTankId} close={close} />
      </Suspense>
    );
  return (
    <>
      <Dialog title="Add a rack" open={sheet?.kind === 'rack'} onClose={close}>
        <RackForm done={close} />
      </Dialog>
      {sheet?.kind === 'shelf' && (
        <Dialog title="Add a shelf" about="it goes below the others on its rack" open onClose={close}>
          <label className="mb-4 flex flex-col gap-1 font-semibold">
            Rack
            <select
              className="control font-normal"
              value={sheet.rack.id}
              onChange={(event) =>
                open({ kind: 'shelf', rack: racks.find((rack) => rack.id === event.target.value) ?? sheet.rack })
              }
            >
              {racks.map((rack) => (
                <option key={rack.id} value={rack.id}>
                  {rack.code} {rack.name}
                </option>
              ))}
            </select>
          </label>
          <ShelfForm key={sheet.rack.id} rack={sheet.rack} done={close} />
        </Dialog>
      )}
      {sheet?.kind === 'tank' && (
        <Dialog title="Add a tank" open onClose={close} wide>
          <TankForm racks={racks} shelfId={sheet.shelfId} done={close} />
        </Dialog>
      )}
      {sheet?.kind === 'place' && (
        <Dialog title={`Move ${sheet.tank.code}`} open onClose={close} wide>
          <MoveTankForm tank={sheet.tank} racks={racks} place={sheet.place} done={close} />
        </Dialog>
      )}
      {sheet?.kind === 'vessel' && (
        <Dialog title="Set up a box, bag or jar" open onClose={close}>
          <VesselForm racks={racks} done={close} />
        </Dialog>
      )}
      {sheet?.kind === 'labels' && (
        <Dialog title="Tank labels" about="A PDF with a code that opens the tank page" open onClose={close}>
          <LabelsForm racks={racks} vessels={vessels} done={close} />
        </Dialog>
      )}
    </>
  );
}
