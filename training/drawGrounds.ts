import {
  between,
  clamp,
  cloud,
  cover,
  isOften,
  mix,
  near,
  normal,
  oneOf,
  ramp,
  spineOf,
  times,
  whole,
  type Chance,
  type Colour,
  type Point,
  type Sheet,
} from './sheet';

export function drawTub(sheet: Sheet, chance: Chance): void {
  const base = oneOf<Colour>(chance, [
    [205, 207, 212],
    [188, 192, 196],
    [222, 222, 220],
    [170, 178, 184],
    [212, 205, 192],
    [150, 156, 160],
  ]);
  const [broad, fine] = [cloud(chance, sheet.width * 0.5), cloud(chance, sheet.width * 0.09)];
  const [b, f] = [between(chance, 0.01, 0.08), between(chance, 0.005, 0.03)];
  sheet.all((x, y) => times(base, 1 + b * broad(x, y) + f * fine(x, y)));
  if (isOften(chance, 0.3)) {
    // The wall of the tub, or a ruler, along one side.
    const deep = sheet.height * between(chance, 0.05, 0.13);
    const isRuler = isOften(chance, 0.5);
    const tone = isRuler ? ([225, 222, 208] as const) : times(base, between(chance, 0.75, 1.12));
    const above = isOften(chance, 0.5);
    for (let y = 0; y < deep; y++)
      for (let x = 0; x < sheet.width; x++)
        sheet.blend(x, above ? y : sheet.height - 1 - y, y > deep - 4 ? times(tone, 0.7) : tone, 0.92);
    if (isRuler) {
      const step = sheet.width / between(chance, 30, 60);
      for (let i = 0; i * step < sheet.width; i++) {
        const long = deep * (i % 10 === 0 ? 0.5 : i % 5 === 0 ? 0.35 : 0.22);
        const at = above ? deep - 4 : sheet.height - deep + 4;
        sheet.line([i * step, at], [i * step, at + (above ? -long : long)], 1.8, [40, 40, 42]);
      }
    }
  }
}

export function drawMoss(sheet: Sheet, chance: Chance): void {
  const deep = near(chance, [30, 32, 20], 5);
  const fine = cloud(chance, 60);
  sheet.all((x, y) => times(deep, 1 + 0.35 * fine(x, y)));
  drawFronds(sheet, chance, (sheet.width * sheet.height) / between(chance, 600, 1500));
}

/** Fronds of moss: bent stalks with leaflets. Drawn under eggs, and a few over them. */
export function drawFronds(sheet: Sheet, chance: Chance, many: number, where?: () => Point): void {
  const tones: Colour[] = [
    near(
      chance,
      oneOf<Colour>(chance, [
        [70, 125, 50],
        [120, 125, 50],
        [95, 100, 50],
        [165, 145, 65],
      ]),
      12,
    ),
    near(chance, [55, 90, 45], 12),
    near(chance, [115, 75, 45], 12),
  ];
  const size = between(chance, 20, 60);
  const bright = between(chance, 0.9, 1.6);
  for (let i = 0; i < many; i++) {
    const [x, y] = where?.() ?? [chance() * sheet.width, chance() * sheet.height];
    const long = size * between(chance, 0.5, 1.5);
    const spine = spineOf(x, y, chance() * 6.2832, long, normal(chance));
    const tone = near(chance, oneOf(chance, tones), 14);
    const depth = between(chance, 0.35, bright);
    const colour = times(tone, depth);
    for (let j = 0; j < spine.points.length; j += 2) {
      const p = spine.points[j]!;
      const leaf = size * 0.11 * (1.1 - j / spine.points.length);
      for (const side of [-1, 1])
        // A leaflet bends towards the tip of its frond.
        sheet.lines(
          [0, 0.5, 1].map((t): Point => {
            const [on, off] = [(0.2 + 0.7 * t) * t * leaf, t * (1.2 - 0.2 * t) * leaf * side];
            return [p.x + p.dx * on - p.dy * off, p.y + p.dy * on + p.dx * off];
          }),
          Math.max(1, leaf * 0.4),
          colour,
          0.75,
        );
    }
  }
}

export function drawLeaf(sheet: Sheet, chance: Chance): void {
  const base = near(
    chance,
    oneOf<Colour>(chance, [
      [80, 110, 55],
      [120, 85, 50],
      [95, 75, 45],
      [110, 120, 70],
    ]),
    8,
  );
  const [broad, fine] = [cloud(chance, 300), cloud(chance, 24)];
  sheet.all((x, y) => times(base, 1 + 0.18 * broad(x, y) + 0.08 * fine(x, y)));
  const middle = sheet.width * between(chance, 0.3, 0.7);
  const vein = times(base, between(chance, 1.15, 1.5));
  const tilt = normal(chance) * 60;
  sheet.line([middle, 0], [middle + tilt, sheet.height], 10, vein, 0.6);
  for (let y = -200; y < sheet.height + 400; y += between(chance, 70, 130))
    for (const side of [-1, 1])
      sheet.line(
        [middle + (tilt * y) / sheet.height, y],
        [middle + side * sheet.width, y - sheet.width * between(chance, 0.4, 0.7)],
        3,
        vein,
        0.4,
      );
  speckle(sheet, chance, 400, [190, 195, 180], 2.4);
}

export function drawPane(sheet: Sheet, chance: Chance): void {
  const tones = oneOf<readonly Colour[]>(chance, [
    [
      [45, 75, 45],
      [25, 35, 25],
      [95, 85, 60],
    ],
    [
      [150, 145, 120],
      [185, 180, 150],
      [110, 120, 115],
    ],
    [
      [60, 80, 100],
      [90, 110, 125],
      [40, 50, 60],
    ],
    [
      [30, 28, 26],
      [55, 50, 44],
      [80, 70, 55],
    ],
  ]);
  const [one, two] = [cloud(chance, sheet.width * 0.45, 2), cloud(chance, sheet.width * 0.3, 2)];
  sheet.all((x, y) => mix(mix(tones[0]!, tones[1]!, clamp(0.5 + 0.6 * one(x, y))), tones[2]!, clamp(0.35 + 0.6 * two(x, y))));
}

export function drawSlate(sheet: Sheet, chance: Chance): void {
  const base = near(
    chance,
    oneOf<Colour>(chance, [
      [85, 95, 115],
      [70, 72, 76],
      [110, 95, 85],
    ]),
    8,
  );
  const [a, b] = [cloud(chance, 90), cloud(chance, 14)];
  sheet.all((x, y) => times(base, 1 + 0.12 * a(x * 0.3, y) + 0.1 * b(x * 0.2, y)));
  for (let i = 0; i < 60; i++) {
    const [x, y] = [chance() * sheet.width, chance() * sheet.height];
    const spine = spineOf(x, y, normal(chance) * 0.15, between(chance, 40, 200), normal(chance) * 0.4);
    sheet.lines(
      spine.points.map((p) => [p.x, p.y] as const),
      1.2,
      times(base, 0.7),
      0.6,
    );
  }
  speckle(sheet, chance, 500, [170, 175, 180], 1.6);
}

export function drawSand(sheet: Sheet, chance: Chance): void {
  const base = near(
    chance,
    oneOf<Colour>(chance, [
      [165, 150, 115],
      [140, 130, 115],
      [185, 170, 140],
      [110, 105, 100],
    ]),
    6,
  );
  const grain = between(chance, 2.5, 6);
  const spread = between(chance, 0.1, 0.28);
  const across = Math.ceil(sheet.width / grain) + 2;
  const down = Math.ceil(sheet.height / grain) + 2;
  const grains = Array.from({ length: across * down }, () => ({
    x: chance(),
    y: chance(),
    tone: near(chance, times(base, 1 + normal(chance) * spread), 4),
  }));
  sheet.all((x, y) => {
    const [gx, gy] = [Math.floor(x / grain), Math.floor(y / grain)];
    let [best, second, tone] = [Infinity, Infinity, base];
    for (let j = -1; j <= 1; j++)
      for (let i = -1; i <= 1; i++) {
        const one = grains[clamp(gy + j, 0, down - 1) * across + clamp(gx + i, 0, across - 1)]!;
        const d = (gx + i + one.x - x / grain) ** 2 + (gy + j + one.y - y / grain) ** 2;
        if (d < best) [second, best, tone] = [best, d, one.tone];
        else if (d < second) second = d;
      }
    return times(tone, 0.7 + 0.3 * ramp(0, 0.35, Math.sqrt(second) - Math.sqrt(best)));
  });
}

/** Paper with a printed grid, turned and slightly tilted: pixels between its lines in the middle, and places on the paper by place in the picture. */
export function drawPaper(
  sheet: Sheet,
  chance: Chance,
  gridPx: number,
): { turn: number; tilt: Point; toPaper: (x: number, y: number) => Point; scaleAt: (x: number, y: number) => number } {
  const base = near(
    chance,
    oneOf<Colour>(chance, [
      [226, 226, 228],
      [206, 200, 190],
      [205, 215, 220],
      [188, 188, 190],
    ]),
    4,
  );
  const line = oneOf<Colour>(chance, [
    [110, 135, 195],
    [150, 155, 165],
    [120, 165, 185],
    [165, 140, 120],
    [130, 180, 150],
  ]);
  const strength = between(chance, 0.35, 0.85);
  const thick = between(chance, 0.6, 1.6);
  const turn = normal(chance) * 0.35;
  const tilt: Point = [normal(chance) * 0.025, normal(chance) * 0.025];
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const [mx, my] = [sheet.width / 2, sheet.height / 2];
  const long = Math.max(mx, my);
  // Farther off it is drawn smaller.
  const scaleAt = (x: number, y: number) => 1 + (tilt[0] * (x - mx)) / long + (tilt[1] * (y - my)) / long;
  const toPaper = (x: number, y: number): Point => {
    const k = 1 / scaleAt(x, y);
    const [u, v] = [(x - mx) * k, (y - my) * k];
    return [u * c + v * s, v * c - u * s];
  };
  const [broad, fold] = [cloud(chance, sheet.width * 0.6), cloud(chance, sheet.width * 0.12)];
  sheet.all((x, y) => {
    let colour = times(base, 1 + 0.04 * broad(x, y) + 0.012 * fold(x, y));
    const [u, v] = toPaper(x, y);
    for (const along of [u, v]) {
      const off = Math.abs(along - Math.round(along / gridPx) * gridPx);
      colour = mix(colour, line, strength * cover(thick - off));
    }
    return colour;
  });
  return { turn, tilt, toPaper, scaleAt };
}

/** A square tray on a table: what is counted lies inside it. */
export function drawTray(sheet: Sheet, chance: Chance): { left: number; top: number; right: number; bottom: number } {
  const wood = near(
    chance,
    oneOf<Colour>(chance, [
      [150, 130, 105],
      [110, 85, 60],
      [90, 90, 92],
      [175, 160, 140],
    ]),
    6,
  );
  const [a, b] = [cloud(chance, 160), cloud(chance, 22)];
  sheet.all((x, y) => times(wood, 1 + 0.16 * a(x * 0.12, y) + 0.09 * b(x * 0.08, y)));
  const side = Math.min(sheet.width, sheet.height) * between(chance, 0.72, 0.92);
  const wide = side * between(chance, 1, 1.25);
  const [left, top] = [(sheet.width - wide) * between(chance, 0.3, 0.7), (sheet.height - side) * between(chance, 0.3, 0.7)];
  const [right, bottom] = [left + wide, top + side];
  const floor = near(chance, [215, 216, 212], 8);
  const rim = side * between(chance, 0.015, 0.035);
  const soft = cloud(chance, 200);
  const round = rim * 2;
  sheet.all((x, y) => {
    const at = (y * sheet.width + x) * 3;
    const under: Colour = [sheet.values[at]!, sheet.values[at + 1]!, sheet.values[at + 2]!];
    const dx = Math.max(left + round - x, x - right + round, 0);
    const dy = Math.max(top + round - y, y - bottom + round, 0);
    const outside = Math.hypot(dx, dy) - round;
    const shade = mix(under, [0, 0, 0], 0.35 * ramp(rim * 1.2, 0, outside));
    const inside = times(floor, 1 + 0.03 * soft(x, y));
    const wall = times(floor, outside > -rim * 0.5 ? 1.08 : 0.8);
    return mix(shade, outside > -rim ? wall : inside, cover(-outside));
  });
  return { left: left + rim * 1.6, top: top + rim * 1.6, right: right - rim * 1.6, bottom: bottom - rim * 1.6 };
}

export function speckle(sheet: Sheet, chance: Chance, many: number, colour: Colour, most: number): void {
  for (let i = 0; i < many; i++)
    sheet.dot(
      chance() * sheet.width,
      chance() * sheet.height,
      between(chance, 0.5, most),
      near(chance, colour, 12),
      between(chance, 0.2, 0.7),
    );
}

const CRUMBS: readonly Colour[] = [
  [120, 75, 45],
  [60, 85, 40],
  [165, 140, 95],
  [70, 60, 45],
  [140, 125, 105],
  [30, 50, 30],
  [190, 165, 120],
];

/** Crumbs of leaf, hairs, bubbles, droppings, algae: none of them counts. `unit` is about as large as half an egg or the width of a body. */
export function drawNuisance(
  sheet: Sheet,
  chance: Chance,
  unit: number,
  much: number,
  within?: { left: number; top: number; right: number; bottom: number },
): void {
  const { left, top, right, bottom } = within ?? { left: 0, top: 0, right: sheet.width, bottom: sheet.height };
  const place = (): Point => [between(chance, left, right), between(chance, top, bottom)];
  const crumbs = whole(chance, 0, Math.round(26 * much));
  for (let i = 0; i < crumbs; i++) {
    const [x, y] = place();
    const r = unit * between(chance, 0.25, 1.3);
    const long = between(chance, 1, 2.2);
    const angle = chance() * 6.2832;
    const rough = between(chance, 0.05, 0.35);
    const points = Array.from({ length: 14 }, (_, k): Point => {
      const a = (k / 14) * 6.2832;
      const d = r * (1 + normal(chance) * rough);
      const [u, v] = [Math.cos(a) * d * long, Math.sin(a) * d];
      return [x + u * Math.cos(angle) - v * Math.sin(angle), y + u * Math.sin(angle) + v * Math.cos(angle)];
    });
    const tone = near(chance, oneOf(chance, CRUMBS), 12);
    sheet.haze(x + r * 0.2, y + r * 0.2, r * 1.8, 0.88);
    const patch = cloud(chance, r * 1.5);
    sheet.fill(points, (px, py) => times(tone, 1 + 0.18 * patch(px, py)), between(chance, 0.5, 0.97));
  }
  const hairs = whole(chance, 0, Math.round(4 * much));
  for (let i = 0; i < hairs; i++) {
    const [x, y] = place();
    const spine = spineOf(x, y, chance() * 6.2832, between(chance, 60, 400), normal(chance) * 1.2, normal(chance) * 0.4);
    sheet.lines(
      spine.points.map((p) => [p.x, p.y] as const),
      between(chance, 0.8, 2),
      near(chance, [90, 80, 70], 20),
      between(chance, 0.3, 0.8),
    );
  }
  const bubbles = whole(chance, 0, Math.round(9 * much));
  for (let i = 0; i < bubbles; i++) {
    const [x, y] = place();
    const r = unit * between(chance, 0.25, 1.1);
    const isDark = isOften(chance, 0.4);
    sheet.around(x, y, r + 2, (px, py, dx, dy) => {
      const d = Math.hypot(dx, dy);
      const ring = cover(Math.max(0.8, r * 0.1) - Math.abs(d - r * 0.92));
      if (d < r) sheet.scale(px, py, isDark ? 0.82 : 1.05);
      sheet.blend(px, py, isDark ? [50, 52, 55] : [245, 247, 250], ring * 0.6);
      sheet.blend(px, py, [255, 255, 255], 0.9 * cover(r * 0.17 - Math.hypot(dx + r * 0.4, dy + r * 0.35)));
    });
  }
  const droppings = whole(chance, 0, Math.round(10 * much));
  for (let i = 0; i < droppings; i++) {
    const [x, y] = place();
    const spine = spineOf(x, y, chance() * 6.2832, unit * between(chance, 0.6, 2.2), normal(chance));
    sheet.lines(
      spine.points.map((p) => [p.x, p.y] as const),
      unit * between(chance, 0.12, 0.3),
      near(chance, [75, 60, 45], 15),
      between(chance, 0.4, 0.9),
    );
  }
  if (isOften(chance, 0.5)) {
    const dots = whole(chance, 0, Math.round(60 * much));
    const tone = oneOf(chance, CRUMBS);
    for (let i = 0; i < dots; i++)
      sheet.dot(...place(), unit * between(chance, 0.06, 0.22), near(chance, tone, 10), between(chance, 0.4, 0.95));
  }
}
