/** Patches of a mask, each joined over edges and corners. */
export function patchesOf(mask: Uint8Array, width: number, height: number, least: number): Int32Array[] {
  const seen = new Uint8Array(mask.length);
  const stack = new Int32Array(mask.length);
  const patches: Int32Array[] = [];
  for (let start = 0; start < mask.length; start++) {
    if (!mask[start] || seen[start]) continue;
    let [top, head] = [0, 0];
    stack[top++] = start;
    seen[start] = 1;
    while (head < top) {
      const at = stack[head++]!;
      const x = at % width;
      const y = (at - x) / width;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const [nx, ny] = [x + dx, y + dy];
          if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
          const next = ny * width + nx;
          if (mask[next] && !seen[next]) {
            seen[next] = 1;
            stack[top++] = next;
          }
        }
    }
    if (top >= least) patches.push(stack.slice(0, top));
  }
  return patches;
}

/**
 * The longest of the shortest ways through a patch: from anywhere to the farthest, and from there to the farthest again, a step over a
 * corner as 1.4.
 * @param place - scratch of the size of the picture, all zeros; left so
 */
export function longestWay(pixels: Int32Array, width: number, place: Int32Array): number {
  for (let i = 0; i < pixels.length; i++) place[pixels[i]!] = i + 1;
  const best = new Float32Array(pixels.length);
  const far = (from: number): { at: number; length: number } => {
    best.fill(Infinity);
    // Fifths of a step are whole for 1 and for 1.4: one bucket for each, in order.
    const buckets: number[][] = [[from]];
    best[place[from]! - 1] = 0;
    let last = { at: from, length: 0 };
    for (let b = 0; b < buckets.length; b++) {
      const bucket = buckets[b];
      if (!bucket) continue;
      for (const at of bucket) {
        const length = best[place[at]! - 1]!;
        if (Math.round(length * 5) !== b) continue;
        if (length > last.length) last = { at, length };
        const x = at % width;
        for (let dy = -1; dy <= 1; dy++)
          for (let dx = -1; dx <= 1; dx++) {
            if ((dx === 0 && dy === 0) || x + dx < 0 || x + dx >= width) continue;
            const next = at + dy * width + dx;
            const i = place[next];
            if (!i) continue;
            const to = length + (dx !== 0 && dy !== 0 ? 1.4 : 1);
            if (to < best[i - 1]! - 1e-3) {
              best[i - 1] = to;
              (buckets[Math.round(to * 5)] ??= []).push(next);
            }
          }
      }
    }
    return last;
  };
  const { length } = far(far(pixels[0]!).at);
  for (let i = 0; i < pixels.length; i++) place[pixels[i]!] = 0;
  return length;
}

/** How thick a patch is at its thickest, and in how many places it is thick, at least as a share of the usual. */
export function thickness(
  pixels: Int32Array,
  width: number,
  depth: Float32Array,
): { deepest: number; cores: (least: number) => number } {
  const inOrder = Int32Array.from(pixels).sort();
  // Steps to the outside, straight 1 and over a corner 1.4, there and back (Borgefors 1986); outside the scratch is zero.
  for (const at of inOrder) depth[at] = 1e6;
  const relax = (at: number, other: number, step: number) => {
    const to = (depth[other] ?? 0) + step;
    if (to < depth[at]!) depth[at] = to;
  };
  for (const at of inOrder) {
    relax(at, at - 1, 1);
    relax(at, at - width, 1);
    relax(at, at - width - 1, 1.4);
    relax(at, at - width + 1, 1.4);
  }
  let deepest = 0;
  for (let i = inOrder.length - 1; i >= 0; i--) {
    const at = inOrder[i]!;
    relax(at, at + 1, 1);
    relax(at, at + width, 1);
    relax(at, at + width + 1, 1.4);
    relax(at, at + width - 1, 1.4);
    deepest = Math.max(deepest, depth[at]!);
  }
  const kept = Float32Array.from(inOrder, (at) => depth[at]!);
  for (const at of inOrder) depth[at] = 0;
  const cores = (least: number) => {
    const left = new Set<number>();
    for (const [i, at] of inOrder.entries()) if (kept[i]! >= least) left.add(at);
    let count = 0;
    while (left.size > 0) {
      const [start] = left;
      const stack = [start!];
      left.delete(start!);
      let size = 0;
      while (stack.length > 0) {
        const at = stack.pop()!;
        size++;
        for (const step of [1, -1, width, -width, width + 1, width - 1, -width + 1, -width - 1])
          if (left.delete(at + step)) stack.push(at + step);
      }
      if (size >= Math.max(3, least * least * 0.3)) count++;
    }
    return count;
  };
  return { deepest, cores };
}

/** How long a patch is along its main axis, pixels. */
export function extentOf(pixels: Int32Array, width: number): number {
  let [sx, sy] = [0, 0];
  for (const at of pixels) {
    sx += at % width;
    sy += Math.floor(at / width);
  }
  const [mx, my] = [sx / pixels.length, sy / pixels.length];
  let [xx, xy, yy] = [0, 0, 0];
  for (const at of pixels) {
    const [dx, dy] = [(at % width) - mx, Math.floor(at / width) - my];
    xx += dx * dx;
    xy += dx * dy;
    yy += dy * dy;
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  let [low, high] = [Infinity, -Infinity];
  for (const at of pixels) {
    const along = ((at % width) - mx) * c + (Math.floor(at / width) - my) * s;
    low = Math.min(low, along);
    high = Math.max(high, along);
  }
  return high - low + 1;
}
