import { useEffect, useRef, useState } from 'react';
import { PICTURE_FAULT_WORDS, type Counted, type PictureCount } from '@freshet/core/pictures';
import { formatNumber } from '@freshet/core/units';
import { awaitPicture, countInWorker, type RunningCount } from '../workers';
import { Button, Notice, Segmented, TextField } from '../ui';
import { Rings, type Ringed } from './Rings';
import { learnSensitivity, sensitivityOf } from './sensitivity';
import type { WorkedCount } from './WorkedCount';

const PICTURE = /^image\/(jpeg|png|webp|avif|gif|bmp)/;
const MOST_BYTES = 80_000_000;
type Scale = 'none' | 'grid' | 'width';

/** What the keeper corrected: rings added, those found that are none, and those that are white and were taken for clear or the other way about. */
interface Edits {
  added: Counted[];
  removed: number[];
  turned: number[];
}
const NO_EDITS: Edits = { added: [], removed: [], turned: [] };

/** Why a file cannot be counted; nothing when it can. */
function wrongFile(file: File): string {
  if (!PICTURE.test(file.type))
    return `${file.name} can’t be counted. Use a JPEG, PNG or WebP${/pdf/.test(file.type) ? ', not a PDF' : ''}.`;
  return file.size > MOST_BYTES ? `${file.name} is larger than 80 MB. Make it smaller or take another.` : '';
}

/** Width and height of a picture as it is held, read from its head; where it is none its address is given back. */
function sizeOf(url: string): Promise<{ width: number; height: number }> {
  return new Promise((resolve, reject) => {
    const image = new Image();
    image.onload = () => resolve({ width: image.naturalWidth, height: image.naturalHeight });
    image.onerror = () => {
      URL.revokeObjectURL(url);
      reject(new Error('no picture'));
    };
    image.src = url;
  });
}

/** Counts eggs or young in a photograph, on the device: what was found is ringed, a tap corrects it. */
export function PhotoCount({
  kind,
  done,
  keep,
}: {
  kind: 'eggs' | 'young';
  done: (counted: WorkedCount) => void;
  keep?: ((picture: File) => void) | undefined;
}) {
  const [isKept, setIsKept] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const running = useRef<RunningCount | null>(null);
  const [file, setFile] = useState<{ url: string; blob: File; width: number; height: number } | null>(null);
  const [problem, setProblem] = useState('');
  const [share, setShare] = useState<number | null>(null);
  const [found, setFound] = useState<PictureCount | null>(null);
  const [edits, setEdits] = useState<Edits>(NO_EDITS);
  const [tapMeans, setTapMeans] = useState<'there' | 'white'>('there');
  const [scale, setScale] = useState<Scale>(kind === 'young' ? 'grid' : 'none');
  const [millimetres, setMillimetres] = useState(kind === 'young' ? '5' : '');
  useEffect(awaitPicture, []);
  useEffect(() => () => running.current?.cancel(), []);
  useEffect(() => () => (file ? URL.revokeObjectURL(file.url) : undefined), [file]);

  async function count(picture: NonNullable<typeof file>): Promise<void> {
    running.current?.cancel();
    setFound(null);
    setEdits(NO_EDITS);
    setProblem('');
    const length = Number(millimetres.replace(',', '.'));
    if (scale !== 'none' && !(length > 0)) {
      setProblem(scale === 'grid' ? 'Give the millimetres between the lines.' : 'Give the millimetres the picture is wide.');
      return;
    }
    setShare(0);
    const run = countInWorker(
      picture.blob,
      {
        kind,
        grid: scale === 'grid' ? { mm: length } : null,
        mmPerPixel: scale === 'width' ? length / picture.width : null,
        sensitivity: sensitivityOf(kind),
      },
      setShare,
    );
    running.current = run;
    try {
      const counted = await run.result;
      if (running.current === run) setFound(counted);
    } catch (error) {
      if (running.current === run) setProblem(error instanceof Error ? error.message : 'The picture could not be read.');
    } finally {
      if (running.current === run) setShare(null);
    }
  }
  async function take(chosen: File): Promise<void> {
    const wrong = wrongFile(chosen);
    setProblem(wrong);
    if (wrong) return;
    try {
      const url = URL.createObjectURL(chosen);
      const { width, height } = await sizeOf(url);
      const picture = { url, blob: chosen, width, height };
      setFile(picture);
      await count(picture);
    } catch {
      setProblem(`${chosen.name} can’t be read. It may be damaged.`);
    }
  }
  const rings: Ringed[] = [
    ...(found?.objects ?? []).flatMap((one, i) =>
      edits.removed.includes(i) ? [] : [{ ...one, isWhite: one.isWhite !== edits.turned.includes(i), isAdded: false }],
    ),
    ...edits.added.map((one) => ({ ...one, isAdded: true })),
  ];
  const total = rings.length;
  const white = rings.filter(({ isWhite }) => isWhite).length;
  const touched = edits.added.length + edits.removed.length > 0;
  // What the keeper went over by hand is surer than what was found alone.
  const reach = found ? ((found.high95 - found.low95) / 2) * (touched ? 0.6 : 1) : 0;
  const lengths = rings.flatMap(({ lengthMm }) => lengthMm ?? []);
  function tap(x: number, y: number, near: number): void {
    if (!found) return;
    const hits = (one: Counted) => Math.hypot(one.x - x, one.y - y) < Math.max(one.r * 1.2, near * 0.6);
    const added = edits.added.findIndex(hits);
    const there = found.objects.findIndex((one, i) => !edits.removed.includes(i) && hits(one));
    const turn = (some: number[], i: number) => (some.includes(i) ? some.filter((other) => other !== i) : [...some, i]);
    if (tapMeans === 'white') {
      if (added >= 0)
        setEdits({ ...edits, added: edits.added.map((one, i) => (i === added ? { ...one, isWhite: !one.isWhite } : one)) });
      else if (there >= 0) setEdits({ ...edits, turned: turn(edits.turned, there) });
      return;
    }
    if (added >= 0) return setEdits({ ...edits, added: edits.added.filter((_, i) => i !== added) });
    if (there >= 0) return setEdits({ ...edits, removed: [...edits.removed, there] });
    const usual = [...found.objects].sort((a, b) => a.r - b.r)[Math.floor(found.objects.length / 2)]?.r ?? near;
    setEdits({ ...edits, added: [...edits.added, { x, y, r: usual, isWhite: false, sure: 1, lengthMm: null }] });
  }
  return (
    <div className="flex flex-col gap-3">
      <input
        ref={input}
        type="file"
        accept="image/*"
        className="sr-only"
        aria-label="Photograph"
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          if (chosen) void take(chosen);
          event.target.value = '';
        }}
      />
      {kind === 'young' && (
        <div className="flex flex-wrap items-end gap-4">
          <Segmented
            label="Scale"
            value={scale}
            onChange={(next) => {
              setScale(next);
              setMillimetres(next === 'grid' ? '5' : '');
            }}
            options={[
              { value: 'grid', label: 'Graph paper' },
              { value: 'width', label: 'Known width' },
              { value: 'none', label: 'Only count' },
            ]}
          />
          {scale !== 'none' && (
            <TextField
              label={scale === 'grid' ? 'Between lines, mm' : 'Picture is wide, mm'}
              boxClass="w-40"
              inputMode="decimal"
              value={millimetres}
              onChange={(event) => setMillimetres(event.target.value)}
            />
          )}
        </div>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <Button look={found ? 'plain' : 'main'} onClick={() => input.current?.click()}>
          {file ? 'Another picture' : 'Take or choose a picture'}
        </Button>
        {file && share === null && <Button onClick={() => void count(file)}>Count again</Button>}
        {share !== null && (
          <>
            <progress value={share} max={1} aria-label="Counting" className="h-3 w-40" />
            <Button
              onClick={() => {
                running.current?.cancel();
                running.current = null;
                setShare(null);
              }}
            >
              Stop
            </Button>
          </>
        )}
      </div>
      {problem && (
        <p role="alert" className="font-semibold text-rust">
          {problem}
        </p>
      )}
      {!file && (
        <p className="text-note text-quiet">
          Straight from above, in even light, and close enough that each one is clear. The picture stays on this device.
        </p>
      )}
      {file && <Rings url={file.url} size={file} rings={rings} tap={tap} />}
      {found && (
        <>
          {found.faults.map((fault) => (
            <Notice key={fault}>{PICTURE_FAULT_WORDS[fault]}</Notice>
          ))}
          <p className="text-code" aria-live="polite">
            <b>{total}</b>
            {kind === 'eggs' && white > 0 && (
              <>
                , of these <b>{white}</b> white (dashed rings)
              </>
            )}
            ; likely {formatNumber(Math.max(0, total - reach))} to {formatNumber(total + reach)}
            {lengths.length > 0 &&
              `; ${lengths.length} measured, ${formatNumber(lengths.reduce((sum, mm) => sum + mm, 0) / lengths.length, 3)} mm on average`}
            .{' '}
            <span className="text-quiet">
              {tapMeans === 'there' ? 'Tap one to take it away, or where one is missing.' : 'Tap one to make it white, or clear.'}
            </span>
          </p>
          {kind === 'eggs' && (
            <Segmented
              label="A tap"
              value={tapMeans}
              onChange={setTapMeans}
              options={[
                { value: 'there', label: 'Adds or takes away' },
                { value: 'white', label: 'White or clear' },
              ]}
            />
          )}
          {keep && (
            <label className="flex min-h-11 items-center gap-2">
              <input type="checkbox" className="size-5" checked={isKept} onChange={(event) => setIsKept(event.target.checked)} />
              Keep the picture with them
            </label>
          )}
          <Button
            look="main"
            onClick={() => {
              if (isKept && file) keep?.(file.blob);
              learnSensitivity(kind, found.count, edits.added.length, edits.removed.length);
              done({
                count: total,
                low: Math.max(0, Math.floor(total - reach)),
                high: Math.ceil(total + reach),
                how: 'photograph',
                white: kind === 'eggs' ? white : null,
                lengthsMm: lengths,
              });
            }}
          >
            Take {total}
            {kind === 'eggs' && white > 0 ? `, ${white} white` : ''}
          </Button>
        </>
      )}
    </div>
  );
}
