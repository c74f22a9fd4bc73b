import { useRef } from 'react';
import { formatDay, houseDay } from '@freshet/core/time';
import { urlOf, useHouse } from '../../data';
import { Button } from '../../ui';
import { useAddPhoto } from '../useAddPhoto';

/** Photographs of an animal, newest first, and a way to add one. */
export function Photos({
  lotId,
  who,
  photos,
  most = 2,
}: {
  lotId: string;
  who: string;
  photos: readonly { id: string; at: string | null }[];
  most?: number;
}) {
  const house = useHouse();
  const keep = useAddPhoto();
  const input = useRef<HTMLInputElement>(null);
  return (
    <div className="flex flex-wrap items-end gap-3">
      {photos.slice(0, most).map(({ id, at }) => (
        <figure key={id}>
          <img
            src={urlOf('photo', { photoId: id })}
            alt={`Photograph of ${who}`}
            loading="lazy"
            className="max-h-40 border border-edge object-contain"
          />
          {at && <figcaption className="text-note text-quiet">{formatDay(houseDay(at, house.timeZone), house.today)}</figcaption>}
        </figure>
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
              if (file) void keep(lotId, file);
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
