import { useRef } from 'react';
import { toast } from 'sonner';
import { v7 as newId } from 'uuid';
import { useGet, useHouse, useLog } from '../../data';
import { Button } from '../../ui';

const LONGEST_PX = 900;
const MOST_CHARS = 230_000;

/** A picture made small enough to keep: at most 900 px, JPEG. */
async function shrink(file: File): Promise<string> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  for (const quality of [0.82, 0.6, 0.4, 0.25]) {
    const data = canvas.toDataURL('image/jpeg', quality);
    if (data.length <= MOST_CHARS) return data;
  }
  throw new Error('too large');
}

function Photo({ photoId, who }: { photoId: string; who: string }) {
  const photo = useGet('photo', { params: { photoId } });
  return photo.data ? (
    <img src={photo.data.data} alt={`Photograph of ${who}`} className="max-h-40 border border-edge object-contain" />
  ) : null;
}

/** Photographs of an animal, newest first, and a way to add one. */
export function Photos({ lotId, who, photoIds }: { lotId: string; who: string; photoIds: readonly string[] }) {
  const house = useHouse();
  const log = useLog();
  const input = useRef<HTMLInputElement>(null);
  async function add(file: File) {
    try {
      await log('addPhoto', { id: newId(), lotId, at: house.now(), data: await shrink(file) }, 'Photograph added');
    } catch {
      toast.error(`${file.name} cannot be read as a picture. Nothing was added.`);
    }
  }
  return (
    <div className="flex flex-wrap items-end gap-3">
      {photoIds.slice(0, 2).map((photoId) => (
        <Photo key={photoId} photoId={photoId} who={who} />
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
