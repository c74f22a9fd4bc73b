// "npm run -s count -- PICTURE '{"kind": "eggs"}'": eggs or young in a picture, with how sure it is. Nothing leaves the machine.
import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { needModules } from './lib/machine.mjs';

needModules();
const { buildPictures } = await import('./build.mjs');
await buildPictures();
const { countForCommand } = await import('../dist/pictures.mjs');

const print = (value) => {
  process.stdout.write(`${JSON.stringify(value)}\n`);
  if ('error' in value) process.exitCode = 2;
};
/** Largest file that is read. */
const MOST_BYTES = 80_000_000;

const [path, text] = process.argv.slice(2);
async function answer() {
  if (!path) return { error: 'invalidInput', field: 'picture', message: `Usage: npm run -s count -- PICTURE '{"kind": "eggs"}'` };
  let options;
  try {
    options = JSON.parse(text ?? '');
  } catch {
    return { error: 'invalidInput', field: null, message: 'The options are not JSON.' };
  }
  let bytes;
  try {
    bytes = readFileSync(path);
  } catch {
    return { error: 'invalidInput', field: 'picture', message: `${path} cannot be read.` };
  }
  if (bytes.length > MOST_BYTES) return { error: 'outOfRange', field: 'picture', message: 'A picture file has at most 80 MB.' };
  let decoded;
  try {
    // Turned as the camera held it; transparent parts lie on white.
    decoded = await sharp(bytes, { limitInputPixels: 48_000_000 })
      .rotate()
      .flatten({ background: '#fff' })
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true });
  } catch (error) {
    const isLarge = /pixel limit/i.test(String(error));
    return {
      error: isLarge ? 'outOfRange' : 'invalidInput',
      field: 'picture',
      message: isLarge ? 'A picture has at most 48 megapixels.' : `${path} is no picture that can be read: JPEG, PNG or WebP.`,
    };
  }
  const { data, info } = decoded;
  return countForCommand({ width: info.width, height: info.height, channels: info.channels, data }, options);
}
print(await answer());
