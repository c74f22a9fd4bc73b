import { expose } from 'comlink';
import { countPicture, halvingsBefore, type CountOptions, type PictureCount } from '@freshet/core/pictures';

/** Counts a picture away from the page; it never leaves the device. */
async function count(file: Blob, options: CountOptions, onStep: (share: number) => void): Promise<PictureCount> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = 0.5 ** halvingsBefore(bitmap.width, bitmap.height, options);
  const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('This browser cannot read pictures.');
  // Halved by the browser: each pixel is the mean of those it covers.
  context.imageSmoothingQuality = 'medium';
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
