import { useRef } from 'react';
import { toast } from 'sonner';
import { v7 as newId } from 'uuid';
import { ApiProblem, sendPicture, urlOf, useHouse, useTouch, useUndo } from '../../data';
import { Button } from '../../ui';

/** Photographs of an animal, newest first, and a way to add one. */
export function Photos({ lotId, who, photoIds }: { lotId: string; who: string; photoIds: readonly string[] }) {
  const house = useHouse();
  const touch = useTouch();
  const undo = useUndo();
  const input = useRef<HTMLInputElement>(null);
  async function add(file: File) {
    try {
      const { entryId } = await sendPicture('addPhoto', { id: newId(), lotId, at: house.now() }, file);
      touch('addPhoto');
      toast('Photograph added', { action: { label: 'Undo', onClick: () => void undo(entryId) } });
    } catch (error) {
      toast.error(`${file.name}: ${error instanceof ApiProblem ? error.message : 'it cannot be sent'} Nothing was added.`);
    }
  }
  return (
    <div className="flex flex-wrap items-end gap-3">
      {photoIds.slice(0, 2).map((photoId) => (
        <img
          key={photoId}
          src={urlOf('photo', { photoId })}
          alt={`Photograph of ${who}`}
          loading="lazy"
          className="max-h-40 border border-edge object-contain"
        />
      ))}
      {house.may('sitter') && (
        <>
          <input
            ref={input}
            type="file"
            accept="image/*"
            className="sr-only"
            tabIndex={-1}
            aria-label="Photograph"
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              if (file) void add(file);
              event.target.value = '';
            }}
          />
          <Button look="quiet" onClick={() => input.current?.click()}>
            Add a photograph
          </Button>
        </>
      )}
    </div>
  );
}
