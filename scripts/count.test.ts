import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { keptBackPixels } from '../training/pixels';

const ROOT = join(__dirname, '..');
const folder = mkdtempSync(join(tmpdir(), 'freshet-count-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const count = (...args: string[]) => {
  const done = spawnSync(process.execPath, ['scripts/count.mjs', ...args], { cwd: ROOT, encoding: 'utf8' });
  return { code: done.status, answer: JSON.parse(done.stdout || 'null') as Record<string, unknown> };
};

describe('npm run count', () => {
  it('counts eggs in a JPEG, white ones apart, with a band', async () => {
    // Drawn by other means than what the nets were trained on.
    const { width, height, data, truth } = await keptBackPixels('moss-eggs', 21);
    const path = join(folder, 'eggs.jpg');
    await sharp(data, { raw: { width, height, channels: 3 } })
      .jpeg({ quality: 88 })
      .toFile(path);
    const { code, answer } = count(path, '{"kind": "eggs"}');
    expect(code).toBe(0);
    expect(Math.abs((answer.count as number) - truth.count)).toBeLessThanOrEqual(Math.max(2, 0.06 * truth.count));
    expect(Math.abs((answer.white as number) - (truth.white ?? 0))).toBeLessThanOrEqual(Math.max(2, 0.1 * (truth.white ?? 0)));
    expect(answer.low95).toBeLessThanOrEqual(truth.count);
    expect(answer.high95).toBeGreaterThanOrEqual(truth.count);
    expect(answer.lengthsMm).toBeNull();
  }, 60_000);

  it.each([
    ['a file that is no picture', 'notes.jpg', '{"kind": "eggs"}', { error: 'invalidInput', field: 'picture' }],
    ['a file that is not there', 'gone.jpg', '{"kind": "eggs"}', { error: 'invalidInput', field: 'picture' }],
    ['an unknown kind', 'dot.png', '{"kind": "snails"}', { error: 'invalidInput', field: 'kind' }],
    ['a scale below nothing', 'dot.png', '{"kind": "young", "mmPerPixel": -1}', { error: 'invalidInput', field: 'mmPerPixel' }],
    ['a picture of a few pixels', 'dot.png', '{"kind": "young"}', { error: 'outOfRange', field: 'picture' }],
    ['options that are no JSON', 'dot.png', '{"kind":', { error: 'invalidInput', field: null }],
  ])('refuses %s with a word and exit code 2', async (_what, name, options, wanted) => {
    if (name === 'notes.jpg') writeFileSync(join(folder, name), '%PDF-1.4 no picture');
    if (name === 'dot.png')
      await sharp({ create: { width: 8, height: 8, channels: 3, background: '#888' } })
        .png()
        .toFile(join(folder, name));
    const { code, answer } = count(join(folder, name), options);
    expect([code, answer]).toEqual([2, expect.objectContaining({ ...wanted, message: expect.any(String) as string })]);
  });
});
