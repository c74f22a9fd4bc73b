import sharp from 'sharp';
import { seeded } from '../packages/core/src/pictures/seeded';
import { drawKeptBack } from './keptBack';
import { drawPicture, SCENES, type Drawn, type SceneName } from './scenes';

export { SCENES };
export const drawnPixels = drawPicture;

/** A picture kept back, made into pixels and photographed: blurred, lit, with noise that reaches its neighbours. */
export async function keptBackPixels(scene: SceneName, seed: number): Promise<Drawn> {
  const { svg, blur, noise, light, truth } = drawKeptBack(scene, seed);
  const image = sharp(Buffer.from(svg)).removeAlpha();
  const { data, info } = await (blur > 0.3 ? image.blur(blur) : image).raw().toBuffer({ resolveWithObject: true });
  const chance = seeded(seed + 99);
  let last = 0;
  for (let at = 0; at < data.length; at += 3) {
    last = 0.4 * last + (chance() + chance() + chance() - 1.5) * noise * 1.4;
    for (let c = 0; c < 3; c++) data[at + c] = Math.max(0, Math.min(255, data[at + c]! * light + last));
  }
  return { width: info.width, height: info.height, data, truth };
}
