import sharp from 'sharp';
import { DomainError } from '../platform';

/** A photograph is kept no larger than this. */
const LONGEST_PX = 1600;
const QUALITY = 82;
/** More is no photograph of an animal, and takes the memory of the server. */
const MOST_PIXELS = 60_000_000;

/**
 * Re-encodes a picture as a JPEG that stands upright, without what a camera wrote into it (such as where it was taken).
 * @throws {DomainError} when it is no picture
 */
export async function readPhoto(bytes: Uint8Array): Promise<Buffer> {
  try {
    return await sharp(bytes, { limitInputPixels: MOST_PIXELS })
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: QUALITY })
      .toBuffer();
  } catch (error) {
    throw new DomainError('request/invalid', {
      detail: 'This is no picture that can be read: choose a JPEG, PNG or WebP.',
      pointer: '#/image',
      cause: error,
    });
  }
}
