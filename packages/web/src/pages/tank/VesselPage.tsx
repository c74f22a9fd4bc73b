import { useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 as newId } from 'uuid';
import { VESSEL_RULES } from '@freshet/core/room';
import { showTemperature, showVolume, useHouse, useLog, type Reply } from '../../data';
import { ChangeForm, ReadingForm, VesselMoveForm } from '../../room';
import { CountForm, LossForm } from '../../stock';
import { TransferSheet } from '../../transfers';
import { Button, Dialog, PageHead, Panel } from '../../ui';
import { EntryList } from '../EntryList';
import { DeathForm } from './DeathForm';
import { LivesHere, toSome, type Life, type Sheet } from './LivesHere';
import { TodayHere } from './TodayHere';

type Vessel = Reply<'room'>['vessels'][number];
const TITLES: Partial<Record<Sheet['kind'], string>> = {
  reading: 'Reading',
  change: 'Water change',
  death: 'Found dead',
  place: 'Move or rename it',
  loss: 'Loss',
  count: 'Count',
};

/** An egg box, a bag of peat, a jar: what it is, where it is, who is in it, what is to do. */
export function VesselPage({ vessel, life, room }: { vessel: Vessel; life: Life | undefined; room: Reply<'room'> }) {
  const house = useHouse();
  const log = useLog();
  const navigate = useNavigate();
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const close = () => setSheet(null);
  const { wet, words } = VESSEL_RULES[vessel.kind];
  const isEmpty = life?.heads === 0;
  async function putAway(): Promise<void> {
    const done = await log('putVesselAway', { id: newId(), vesselId: vessel.id }, `${vessel.code} put away`);
    if (done) void navigate('/room');
  }
  return (
    <>
      <PageHead
        title={<span className="font-mono">{vessel.code}</span>}
        about={
          <>
            {life?.vessel?.words ?? words}, <b className="text-ink">{showVolume(vessel.litres, house)}</b>
            {!wet && ' of peat'}
            {wet && life?.tempC && `; ${showTemperature(life.tempC.value, house)}${vessel.inTankId ? ', as its tank' : ''}`}
          </>
        }
      />
      {house.may('sitter') && (
        <div className="no-print mb-3 flex flex-wrap gap-2.5">
          {wet && (
            <>
              <Button look="main" onClick={() => setSheet({ kind: 'reading' })}>
                Reading
              </Button>
              <Button onClick={() => setSheet({ kind: 'change' })}>Change</Button>
              {!isEmpty && <Button onClick={() => setSheet({ kind: 'death' })}>Found dead</Button>}
            </>
          )}
          <Button onClick={() => setSheet({ kind: 'place' })}>Move or rename it</Button>
          {isEmpty && <Button onClick={() => void putAway()}>Put it away</Button>}
        </div>
      )}
      <div className="grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-2 md:divide-x md:divide-y-0">
        {life ? <LivesHere life={life} open={setSheet} /> : <Panel title="Lives here">…</Panel>}
        <TodayHere tankId={vessel.id} />
      </div>
      <div className="mt-3 border border-rule bg-sheet">
        <Panel title="What was logged">
          <EntryList tankId={vessel.id} limit={40} />
        </Panel>
      </div>
      {sheet?.kind === 'move' && <TransferSheet fromTankId={vessel.id} lotId={sheet.lot.id} close={close} />}
      {sheet && sheet.kind !== 'move' && (
        <Dialog title={TITLES[sheet.kind] ?? ''} about={vessel.code} open onClose={close} wide={sheet.kind === 'change'}>
          {sheet.kind === 'reading' && <ReadingForm tank={vessel} done={close} />}
          {sheet.kind === 'change' && <ChangeForm tank={vessel} done={close} />}
          {sheet.kind === 'death' && life && <DeathForm life={life} done={close} />}
          {sheet.kind === 'place' && <VesselMoveForm vessel={vessel} racks={room.racks} done={close} />}
          {sheet.kind === 'loss' && <LossForm lot={toSome(sheet.lot, vessel.id)} done={close} />}
          {sheet.kind === 'count' && <CountForm lot={toSome(sheet.lot, vessel.id)} done={close} />}
        </Dialog>
      )}
    </>
  );
}
