import bytes from './kernels.json';

/** A place in the kernels' memory, bytes from its start. */
export type Place = number;

/** The sums of packages/core/kernels/net.ts: there each says what it does. Places in bytes, all else in whole numbers. */
export interface Kernels {
  plane: (width: number, height: number) => number;
  pitch: (width: number) => number;
  scratch: (width: number, inputs: number) => number;
  stem: (
    input: Place,
    colours: number,
    width: number,
    height: number,
    shares: Place,
    biases: Place,
    outputs: number,
    to: Place,
    rows: Place,
  ) => void;
  block: (
    input: Place,
    inputs: number,
    width: number,
    height: number,
    step: 1 | 2,
    nine: Place,
    firsts: Place,
    shares: Place,
    biases: Place,
    outputs: number,
    to: Place,
    rows: Place,
  ) => void;
  mix: (
    input: Place,
    inputs: number,
    width: number,
    height: number,
    shares: Place,
    biases: Place,
    outputs: number,
    to: Place,
  ) => void;
  join: (seen: Place, small: Place, channels: number, width: number, height: number) => void;
}

interface Memory {
  readonly buffer: ArrayBuffer;
  grow: (pages: number) => number;
}
/** As much of it as is used here: the core knows neither browser nor Node, and both have this. */
declare const WebAssembly: {
  Memory: new (size: { initial: number }) => Memory;
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { readonly exports: unknown };
};

const PAGE = 65_536;
const FLOAT = 4;
/** Floats of a plane's frame before each row; LEFT of the kernels. */
export const FRAME = 4;
/** Rows may be read a little beyond both ends of what was taken. */
const SLACK = 64;

/** Memory of the kernels, taken from its start on; what is given back is taken again by what is as large. */
export class Workbench {
  readonly kernels: Kernels;
  private readonly memory = new WebAssembly.Memory({ initial: 1 });
  private end: Place = SLACK;
  private readonly free = new Map<number, Place[]>();

  constructor() {
    const module = new WebAssembly.Module(Uint8Array.from(bytes));
    const { exports } = new WebAssembly.Instance(module, { env: { memory: this.memory, abort: () => undefined } });
    this.kernels = exports as Kernels;
  }

  /** Room for so many floats; all of them 0. */
  take(floats: number): Place {
    const again = this.free.get(floats)?.pop();
    const at = again ?? this.end;
    if (again === undefined) this.end += FLOAT * 4 * Math.ceil(floats / 4);
    const lacking = this.end + SLACK - this.memory.buffer.byteLength;
    if (lacking > 0) this.memory.grow(Math.ceil(lacking / PAGE));
    this.floats(at, floats).fill(0);
    return at;
  }

  giveBack(at: Place, floats: number): void {
    this.free.set(floats, [...(this.free.get(floats) ?? []), at]);
  }

  /** All is free again. */
  clear(): void {
    this.end = SLACK;
    this.free.clear();
  }

  /** What lies there; until more is taken. */
  floats(at: Place, many: number): Float32Array {
    return new Float32Array(this.memory.buffer, at, many);
  }
}
