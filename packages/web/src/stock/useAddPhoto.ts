import { toast } from 'sonner';
import { v7 as newId } from 'uuid';
import { ApiProblem, sendPicture, useHouse, useTouch, useUndo } from '../data';

/** Keeps a photograph with a lot, with a way back; what is wrong with it is said. */
export function useAddPhoto(): (lotId: string, file: File) => Promise<void> {
  const house = useHouse();
  const touch = useTouch();
  const undo = useUndo();
  return async (lotId, file) => {
    try {
      const { entryId } = await sendPicture('addPhoto', { id: newId(), lotId, at: house.now() }, file);
      touch('addPhoto');
      toast('Photograph kept', { action: { label: 'Undo', onClick: () => void undo(entryId) } });
    } catch (error) {
      toast.error(`${file.name}: ${error instanceof ApiProblem ? error.message : 'it cannot be sent'} Nothing was added.`);
    }
  };
}
