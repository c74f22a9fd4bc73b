import {
  between,
  clamp,
  cover,
  drawAlong,
  isOften,
  mix,
  near,
  normal,
  oneOf,
  placeOn,
  ramp,
  spineOf,
  times,
  type Chance,
  type Colour,
  type Point,
  type Sheet,
  type Spine,
} from './sheet';

export type YoungKind = 'fry' | 'fishAbove' | 'fishSide' | 'shrimp' | 'crayfish' | 'flea';

/** How the young of one picture look: they are of one brood. */
export interface YoungLook {
  kind: YoungKind;
  body: Colour;
  dark: Colour;
  opaque: number;
  /** Widest, as a share of the length. */
  width: number;
  eye: number;
  shadow: { x: number; y: number; by: number };
  bend: number;
  yolkShare: number;
  speckled: boolean;
  fins: number;
  limbs: number;
}

const LOOKS: Record<
  YoungKind,
  {
    bodies: readonly Colour[];
    width: readonly [number, number];
    opaque: readonly [number, number];
    eye: readonly [number, number];
    bend: number;
  }
> = {
  fry: {
    bodies: [
      [150, 140, 115],
      [135, 128, 118],
      [165, 140, 95],
      [120, 120, 112],
      [140, 125, 95],
    ],
    width: [0.1, 0.15],
    opaque: [0.35, 0.8],
    eye: [0.028, 0.042],
    bend: 0.55,
  },
  fishAbove: {
    bodies: [
      [120, 125, 115],
      [100, 105, 95],
      [135, 125, 100],
      [90, 100, 105],
      [150, 130, 95],
    ],
    width: [0.11, 0.17],
    opaque: [0.7, 1],
    eye: [0.024, 0.036],
    bend: 0.4,
  },
  fishSide: {
    bodies: [
      [150, 155, 125],
      [165, 170, 170],
      [170, 150, 115],
      [140, 150, 150],
      [190, 150, 100],
    ],
    width: [0.19, 0.32],
    opaque: [0.92, 1],
    eye: [0.02, 0.034],
    bend: 0.3,
  },
  shrimp: {
    bodies: [
      [205, 130, 60],
      [170, 120, 85],
      [140, 130, 110],
      [190, 90, 60],
      [110, 120, 125],
    ],
    width: [0.11, 0.17],
    opaque: [0.55, 0.95],
    eye: [0.018, 0.03],
    bend: 0.6,
  },
  crayfish: {
    bodies: [
      [165, 115, 85],
      [120, 105, 85],
      [110, 120, 140],
      [150, 90, 70],
    ],
    width: [0.13, 0.19],
    opaque: [0.8, 1],
    eye: [0.02, 0.03],
    bend: 0.25,
  },
  flea: {
    bodies: [
      [160, 140, 115],
      [175, 125, 90],
      [150, 150, 125],
    ],
    width: [0.58, 0.78],
    opaque: [0.6, 0.95],
    eye: [0.07, 0.11],
    bend: 0,
  },
};

export function youngLook(chance: Chance, kind: YoungKind): YoungLook {
  const { bodies, width, opaque, eye, bend } = LOOKS[kind];
  const tint = near(chance, oneOf(chance, bodies), 6);
  const vary = () => between(chance, 0.82, 1.2);
  const light = between(chance, 0.85, 1.15);
  const body: Colour = [tint[0] * light * vary(), tint[1] * light * vary(), tint[2] * light * vary()];
  const angle = chance() * 6.2832;
  return {
    kind,
    body,
    dark: times(body, between(chance, 0.4, 0.7)),
    opaque: between(chance, ...opaque),
    width: between(chance, ...width),
    eye: between(chance, ...eye),
    shadow: { x: Math.cos(angle) * 0.04, y: Math.sin(angle) * 0.04, by: between(chance, 0, kind === 'fry' ? 0.3 : 0.4) },
    bend,
    yolkShare: kind === 'fry' && isOften(chance, 0.4) ? between(chance, 0.3, 1) : 0,
    speckled: isOften(chance, 0.5),
    fins: between(chance, 0.25, 0.6),
    limbs: between(chance, 0.4, 1),
  };
}

/** Where one lies: from the snout along its body to the level of the end of its tail fin. */
export interface DrawnYoung {
  head: Point;
  tail: Point;
  middle: Point;
  spine: Spine;
}

/** How wide a body is at a share of its length, as a share of the widest. */
const WIDTHS: Record<YoungKind, (s: number) => number> = {
  fry: (s) =>
    s < 0.14 ? Math.sqrt(clamp(s / 0.14)) : s < 0.4 ? 1 - 0.25 * ((s - 0.14) / 0.26) : 0.75 * (1 - (s - 0.4) / 0.6) ** 0.9 + 0.06,
  fishAbove: (s) => (s < 0.16 ? Math.sqrt(clamp(s / 0.16)) : s < 0.85 ? 1 - 0.85 * ((s - 0.16) / 0.69) ** 1.2 : 0.12),
  fishSide: (s) => (s < 0.8 ? Math.sin(Math.PI * clamp(s / 0.9 + 0.045)) ** 0.75 : 0.3 * (1 - (s - 0.8) / 0.2) + 0.12),
  shrimp: (s) => (s < 0.1 ? 0.55 + 4.5 * s : s < 0.4 ? 1 : 1 - 0.6 * ((s - 0.4) / 0.5)),
  crayfish: (s) => (s < 0.12 ? 0.4 + 5 * s : s < 0.45 ? 1 : s < 0.88 ? 0.82 - 0.25 * ((s - 0.45) / 0.43) : 0.6),
  flea: (s) => Math.sqrt(Math.max(0, 1 - (2 * s - 1) ** 2)) * (s < 0.5 ? 1 : 1 - 0.3 * (s - 0.5)),
};

function drawTail(sheet: Sheet, look: YoungLook, spine: Spine, from: number, spread: number, fork: number): void {
  const { length } = spine;
  const wide = spread * length;
  const outline: Point[] = [
    placeOn(spine, from - 0.02, -0.02 * length),
    placeOn(spine, 1, -wide / 2),
    placeOn(spine, 1 - fork, 0),
    placeOn(spine, 1, wide / 2),
    placeOn(spine, from - 0.02, 0.02 * length),
  ];
  sheet.fill(outline, look.dark, look.fins);
}

function drawFishSide(sheet: Sheet, chance: Chance, look: YoungLook, spine: Spine): void {
  const { length } = spine;
  const half = (look.width * length) / 2;
  const side = isOften(chance, 0.5) ? 1 : -1;
  const bodyEnd = 0.84;
  drawTail(sheet, look, spine, bodyEnd, between(chance, 0.14, 0.24), between(chance, 0.02, 0.09));
  for (const [from, to, edge] of [
    [0.4, 0.62, -side],
    [0.55, 0.72, side],
  ] as const)
    sheet.fill(
      [
        placeOn(spine, from, edge * half * 0.8),
        placeOn(spine, from + 0.06, edge * half * 1.5),
        placeOn(spine, to, edge * half * 0.75),
      ],
      look.dark,
      look.fins * 0.7,
    );
  const silver = between(chance, 0, 0.5);
  drawAlong(sheet, spine, half, (s, aside) => {
    const share = s / bodyEnd;
    if (share < -0.02 || share > 1.02) return null;
    const wide = half * WIDTHS.fishSide(clamp(share));
    const edge = cover(wide - Math.abs(aside)) * cover((bodyEnd - s) * length);
    if (edge <= 0) return null;
    const v = (aside * side) / Math.max(1, half);
    let colour = mix(look.body, look.dark, ramp(0.1, -0.95, v) * 0.7);
    colour = mix(colour, [235, 235, 230], silver * ramp(0.5, 0.1, Math.abs(v - 0.15)));
    colour = mix(colour, look.dark, 0.5 * ramp(0.7, 1, Math.abs(aside) / Math.max(1, wide)));
    if (share > 0.215 && share < 0.235) colour = times(colour, 0.85);
    return { colour, share: edge * look.opaque };
  });
  if (look.speckled)
    for (let i = 0; i < 22; i++) {
      const s = between(chance, 0.15, 0.8);
      const [x, y] = placeOn(spine, s, normal(chance) * half * 0.4);
      sheet.dot(x, y, Math.max(0.6, length * between(chance, 0.004, 0.012)), look.dark, 0.6);
    }
  const [ex, ey] = placeOn(spine, 0.085, -side * half * 0.15);
  const r = Math.max(1, look.eye * length);
  sheet.dot(ex, ey, r * 1.3, mix(look.body, [220, 220, 200], 0.5), 0.7);
  sheet.dot(ex, ey, r, [15, 14, 14]);
}

function drawFishAbove(sheet: Sheet, chance: Chance, look: YoungLook, spine: Spine): void {
  const { length } = spine;
  const isFry = look.kind === 'fry';
  const half = (look.width * length) / 2;
  const hasYolk = isOften(chance, look.yolkShare);
  if (!isFry)
    for (const side of [-1, 1])
      sheet.fill(
        [
          placeOn(spine, 0.24, side * half * 0.8),
          placeOn(spine, 0.38, side * half * between(chance, 1.6, 2.4)),
          placeOn(spine, 0.36, side * half * 0.7),
        ],
        look.dark,
        look.fins * 0.6,
      );
  drawAlong(sheet, spine, half * 1.4, (s, aside) => {
    if (s < -0.02 || s > 1.01) return null;
    const wide = half * WIDTHS[look.kind](clamp(s));
    const edge = cover(wide - Math.abs(aside)) * cover(s * length) * cover((1 - s) * length);
    if (edge <= 0) return null;
    const v = Math.abs(aside) / Math.max(0.5, wide);
    let colour = mix(look.body, look.dark, 0.6 * ramp(0.35, 0.1, v));
    if (s < 0.16) colour = mix(colour, look.dark, 0.3);
    // A fin at the end is hardly seen.
    const faint = s > 0.8 ? 1 - 0.6 * ramp(0.8, 1, s) : 1;
    return { colour, share: edge * look.opaque * faint * (v > 0.75 ? 0.8 : 1) };
  });
  if (hasYolk) {
    const [x, y] = placeOn(spine, 0.26, 0);
    sheet.dot(x, y, half * between(chance, 1, 1.5), [205, 165, 85], 0.6);
  }
  if (look.speckled)
    for (let i = 0; i < 9; i++) {
      const [x, y] = placeOn(spine, between(chance, 0.15, 0.85), 0);
      sheet.dot(x, y, Math.max(0.5, length * 0.008), look.dark, 0.7);
    }
  for (const side of [-1, 1]) {
    const [x, y] = placeOn(spine, 0.085, side * half * 0.72);
    sheet.dot(x, y, Math.max(0.9, look.eye * length), [16, 15, 15], 0.96);
  }
}

function drawShrimp(sheet: Sheet, chance: Chance, look: YoungLook, spine: Spine): void {
  const { length } = spine;
  const half = (look.width * length) / 2;
  for (const side of [-1, 1]) {
    const from = placeOn(spine, 0.02, side * half * 0.4);
    const bend = normal(chance) * 0.15;
    const points = [0, 0.2, 0.4, 0.6].map((t, i) =>
      placeOn(spine, 0.02 - t, side * (half * 0.4 + t * length * (0.15 + bend * t * i * 0.3))),
    );
    sheet.lines([from, ...points], Math.max(0.5, length * 0.008), look.dark, 0.45 * look.limbs);
    for (let i = 0; i < 5; i++) {
      const s = 0.2 + i * 0.06;
      sheet.line(
        placeOn(spine, s, side * half * 0.8),
        placeOn(spine, s + normal(chance) * 0.02, side * (half + length * between(chance, 0.05, 0.1))),
        Math.max(0.5, length * 0.009),
        look.dark,
        0.5 * look.limbs,
      );
    }
  }
  drawAlong(sheet, spine, half * 1.3, (s, aside) => {
    if (s < -0.02 || s > 1.01) return null;
    const fan = s > 0.9 ? 1 + 3.5 * (s - 0.9) : 1;
    const wide = half * WIDTHS.shrimp(clamp(s)) * fan;
    const edge = cover(wide - Math.abs(aside)) * cover(s * length) * cover((1 - s) * length);
    if (edge <= 0) return null;
    const v = Math.abs(aside) / Math.max(0.5, wide);
    let colour = mix(look.body, look.dark, 0.55 * ramp(0.5, 1, v));
    if (s > 0.4 && s < 0.9 && ((s - 0.4) * 12) % 1 < 0.18) colour = times(colour, 0.8);
    return { colour, share: edge * look.opaque * (s > 0.9 ? 0.75 : 1) };
  });
  for (const side of [-1, 1]) {
    const [x, y] = placeOn(spine, 0.06, side * half * 0.75);
    sheet.dot(x, y, Math.max(0.8, look.eye * length), [20, 15, 14], 0.95);
  }
}

function drawCrayfish(sheet: Sheet, chance: Chance, look: YoungLook, spine: Spine): void {
  const { length } = spine;
  const half = (look.width * length) / 2;
  for (const side of [-1, 1]) {
    for (let i = 0; i < 4; i++) {
      const s = 0.2 + i * 0.06;
      sheet.line(
        placeOn(spine, s, side * half * 0.8),
        placeOn(spine, s + 0.03, side * (half + length * 0.1)),
        Math.max(0.6, length * 0.012),
        look.dark,
        0.7,
      );
    }
    const shoulder = placeOn(spine, 0.14, side * half * 0.8);
    const open = between(chance, 0.1, 0.2);
    const elbow = placeOn(spine, 0.02, side * (half + open * length * 0.6));
    const hand = placeOn(spine, -between(chance, 0.08, 0.16), side * (half * 0.6 + open * length * 0.6));
    sheet.lines([shoulder, elbow, hand], Math.max(1, length * 0.03), look.body, look.opaque);
    sheet.fill(
      [
        elbow,
        [elbow[0] + (hand[1] - elbow[1]) * 0.28, elbow[1] - (hand[0] - elbow[0]) * 0.28],
        hand,
        [elbow[0] - (hand[1] - elbow[1]) * 0.28, elbow[1] + (hand[0] - elbow[0]) * 0.28],
      ],
      look.body,
      look.opaque,
    );
    sheet.line(
      placeOn(spine, 0.02, side * half * 0.2),
      placeOn(spine, -between(chance, 0.15, 0.35), side * length * between(chance, 0.05, 0.25)),
      Math.max(0.5, length * 0.006),
      look.dark,
      0.4 * look.limbs,
    );
  }
  drawAlong(sheet, spine, half * 1.3, (s, aside) => {
    if (s < -0.02 || s > 1.01) return null;
    const wide = half * WIDTHS.crayfish(clamp(s)) * (s > 0.88 ? 1 + 3 * (s - 0.88) : 1);
    const edge = cover(wide - Math.abs(aside)) * cover(s * length) * cover((1 - s) * length);
    if (edge <= 0) return null;
    const v = Math.abs(aside) / Math.max(0.5, wide);
    let colour = mix(look.body, look.dark, 0.6 * ramp(0.4, 1, v));
    if (s > 0.45 && ((s - 0.45) * 14) % 1 < 0.2) colour = times(colour, 0.75);
    return { colour, share: edge * look.opaque };
  });
  for (const side of [-1, 1]) {
    const [x, y] = placeOn(spine, 0.06, side * half * 0.6);
    sheet.dot(x, y, Math.max(0.8, look.eye * length), [15, 14, 14]);
  }
}

function drawFlea(sheet: Sheet, chance: Chance, look: YoungLook, spine: Spine): void {
  const { length } = spine;
  const half = (look.width * length) / 2;
  sheet.line(placeOn(spine, 0.95), placeOn(spine, 1.25), Math.max(0.6, length * 0.04), look.dark, 0.5);
  for (const side of [-1, 1])
    sheet.line(
      placeOn(spine, 0.12, side * half * 0.5),
      placeOn(spine, -0.05, side * half * 1.5),
      Math.max(0.6, length * 0.04),
      look.dark,
      0.45,
    );
  const gut = isOften(chance, 0.6);
  drawAlong(sheet, spine, half, (s, aside) => {
    if (s < -0.02 || s > 1.02) return null;
    const wide = half * WIDTHS.flea(clamp(s));
    const edge = cover(wide - Math.abs(aside));
    if (edge <= 0) return null;
    const v = Math.abs(aside) / Math.max(0.5, wide);
    let colour = mix(look.body, look.dark, 0.7 * ramp(0.6, 1, v));
    if (gut && v < 0.25 && s > 0.2 && s < 0.8) colour = mix(colour, look.dark, 0.7);
    return { colour, share: edge * look.opaque };
  });
  const [x, y] = placeOn(spine, 0.13);
  sheet.dot(x, y, Math.max(0.9, look.eye * length), [18, 16, 15]);
}

export function drawYoung(
  sheet: Sheet,
  chance: Chance,
  look: YoungLook,
  x: number,
  y: number,
  length: number,
  angle: number,
): DrawnYoung {
  const bend = normal(chance) * look.bend * (isOften(chance, 0.15) ? 2.4 : 0.7);
  const wave = look.kind === 'fry' || look.kind === 'fishAbove' ? normal(chance) * 0.12 : 0;
  const spine = spineOf(x, y, angle, length, bend, wave);
  const { shadow } = look;
  if (shadow.by > 0.03 && look.kind !== 'flea') {
    const off = { ...spine, points: spine.points.map((p) => ({ ...p, x: p.x + shadow.x * length, y: p.y + shadow.y * length })) };
    const half = (look.width * length) / 2;
    drawAlong(sheet, off, half * 2, (s, aside) => {
      const wide = half * WIDTHS[look.kind](clamp(s)) * 1.2;
      return s < 0 || s > 0.97
        ? null
        : { colour: [0, 0, 0], share: shadow.by * 0.6 * ramp(1.25 * wide + 1, 0.6 * wide, Math.abs(aside)) };
    });
  }
  const draw = {
    fry: drawFishAbove,
    fishAbove: drawFishAbove,
    fishSide: drawFishSide,
    shrimp: drawShrimp,
    crayfish: drawCrayfish,
    flea: drawFlea,
  }[look.kind];
  draw(sheet, chance, look, spine);
  return { head: placeOn(spine, 0), tail: placeOn(spine, 1), middle: placeOn(spine, 0.5), spine };
}
