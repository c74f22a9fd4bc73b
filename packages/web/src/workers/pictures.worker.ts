import { expose } from 'comlink';
import { countPicture, type CountOptions, type PictureCount } from '@freshet/core/pictures';

/** Largest picture that is looked at as it is: 12 megapixels; what is larger is made smaller first. */
const MOST_PIXELS = 12_500_000;

/** Counts a picture away from the page; it never leaves the device. */
async function count(file: Blob, options: CountOptions, onStep: (share: number) => void): Promise<PictureCount> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, Math.sqrt(MOST_PIXELS / (bitmap.width * bitmap.height)));
  const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('This browser cannot read pictures.');
  context.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  const { data } = context.getImageData(0, 0, width, height);
  onStep(0.1);
  const found = countPicture(
    { width, height, data, channels: 4 },
    { ...options, mmPerPixel: options.mmPerPixel ? options.mmPerPixel / scale : null },
    (share) => onStep(0.1 + 0.9 * share),
  );
  return {
    ...found,
    mmPerPixel: found.mmPerPixel === null ? null : found.mmPerPixel * scale,
    objects: found.objects.map((one) => ({ ...one, x: one.x / scale, y: one.y / scale, r: one.r / scale })),
  };
}

const PICTURES = { count };
export type PicturesWork = typeof PICTURES;

expose(PICTURES);
