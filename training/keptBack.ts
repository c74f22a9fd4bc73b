import { between, isOften, near, normal, oneOf, times, whole, type Chance, type Colour, type Point } from './sheet';
import { seeded } from '../packages/core/src/pictures/seeded';
import { SCENES, type SceneName, type Truth } from './scenes';

// Pictures drawn in another way, by outlines and washes: nothing is chosen, fitted or trained on them; they only tell how far counts are off.

const [WIDTH, HEIGHT] = [1280, 960];
const rgb = (colour: Colour) => `rgb(${colour.map((value) => Math.max(0, Math.min(255, Math.round(value)))).join(',')})`;
const at = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;
const manyOf = (chance: Chance, most: number) => Math.round(5 * (Math.max(6, most) / 5) ** chance());

/** A wash of turbulence over the whole picture. */
const wash = (id: string, frequency: string, octaves: number, seed: number, tones: readonly [Colour, Colour]) => {
  const [a, b] = tones.map((tone) => tone.map((value) => value / 255));
  const row = (c: number) => `${(b![c]! - a![c]!) * 1.8} 0 0 0 ${a![c]! - (b![c]! - a![c]!) * 0.4}`;
  return `<filter id="${id}" x="0" y="0" width="100%" height="100%" color-interpolation-filters="sRGB"><feTurbulence type="fractalNoise" baseFrequency="${frequency}" numOctaves="${octaves}" seed="${seed}"/><feColorMatrix values="${row(0)} ${row(1)} ${row(2)} 0 0 0 0 1"/></filter>`;
};
const sheetOf = (id: string) => `<rect width="${WIDTH}" height="${HEIGHT}" filter="url(#${id})"/>`;

const blobPath = (chance: Chance, x: number, y: number, r: number, rough: number, long = 1): string => {
  const turn = chance() * 6.28;
  const points = Array.from({ length: 9 }, (_, k): Point => {
    const a = (k / 9) * 6.2832;
    const d = r * (1 + normal(chance) * rough);
    const [u, v] = [Math.cos(a) * d * long, Math.sin(a) * d];
    return [x + u * Math.cos(turn) - v * Math.sin(turn), y + u * Math.sin(turn) + v * Math.cos(turn)];
  });
  const middle = (i: number): Point => {
    const [a, b] = [points[i % 9]!, points[(i + 1) % 9]!];
    return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  };
  return `M${at(...middle(8))}${points.map((p, i) => `Q${at(...p)} ${at(...middle(i))}`).join('')}Z`;
};

function litter(chance: Chance, unit: number, much: number, room = { left: 0, top: 0, right: WIDTH, bottom: HEIGHT }): string {
  const place = (): Point => [between(chance, room.left, room.right), between(chance, room.top, room.bottom)];
  const parts: string[] = [];
  for (let i = whole(chance, 0, Math.round(24 * much)); i > 0; i--) {
    const tone = near(
      chance,
      oneOf<Colour>(chance, [
        [110, 70, 40],
        [70, 95, 50],
        [170, 150, 110],
        [60, 50, 40],
        [150, 110, 60],
      ]),
      14,
    );
    parts.push(
      `<path d="${blobPath(chance, ...place(), unit * between(chance, 0.3, 1.2), 0.18, between(chance, 1, 2.4))}" fill="${rgb(tone)}" opacity="${between(chance, 0.5, 1)}"/>`,
    );
  }
  for (let i = whole(chance, 0, Math.round(8 * much)); i > 0; i--) {
    const [x, y] = place();
    const r = unit * between(chance, 0.25, 1);
    parts.push(
      `<circle cx="${x}" cy="${y}" r="${r}" fill="#fff" fill-opacity="0.07" stroke="${isOften(chance, 0.5) ? '#fff' : '#333'}" stroke-opacity="0.55" stroke-width="${Math.max(1, r * 0.12)}"/><circle cx="${x - r * 0.35}" cy="${y - r * 0.35}" r="${r * 0.16}" fill="#fff" opacity="0.9"/>`,
    );
  }
  for (let i = whole(chance, 0, Math.round(4 * much)); i > 0; i--) {
    const [x, y] = place();
    const [a, b] = [normal(chance) * 120, normal(chance) * 120];
    parts.push(
      `<path d="M${at(x, y)}c${at(a, b)} ${at(b, -a)} ${at(a + b, a)}" fill="none" stroke="#564d42" stroke-width="${between(chance, 0.8, 2)}" opacity="0.6"/>`,
    );
  }
  for (let i = whole(chance, 0, Math.round(30 * much)); i > 0; i--) {
    const [x, y] = place();
    parts.push(
      `<circle cx="${x}" cy="${y}" r="${unit * between(chance, 0.06, 0.2)}" fill="#3c3226" opacity="${between(chance, 0.4, 0.9)}"/>`,
    );
  }
  return parts.join('');
}

function glare(chance: Chance, much: number): string {
  if (!isOften(chance, 0.2 + 0.5 * much)) return '';
  const [x, y] = [chance() * WIDTH, chance() * HEIGHT];
  const [rx, ry] = [WIDTH * between(chance, 0.05, 0.2), WIDTH * between(chance, 0.05, 0.13)];
  return isOften(chance, 0.7)
    ? `<radialGradient id="glare"><stop offset="0" stop-color="#fff" stop-opacity="${between(chance, 0.4, 0.9)}"/><stop offset="1" stop-color="#fff" stop-opacity="0"/></radialGradient><ellipse cx="${x}" cy="${y}" rx="${rx}" ry="${ry}" fill="url(#glare)" transform="rotate(${chance() * 180} ${x} ${y})"/>`
    : `<filter id="soft"><feGaussianBlur stdDeviation="5"/></filter><path d="M${at(x, y)}l${at(rx, 12)} ${at(20, ry)} ${at(-rx, -8)}Z" fill="#fff" opacity="${between(chance, 0.15, 0.4)}" filter="url(#soft)"/>`;
}

function eggGround(
  scene: SceneName,
  chance: Chance,
  seed: number,
): { defs: string; under: string; over: (x: number, y: number, r: number) => string } {
  const none = () => '';
  if (scene === 'tub-eggs') {
    const tone = oneOf<Colour>(chance, [
      [208, 208, 206],
      [180, 186, 194],
      [226, 222, 212],
      [160, 166, 166],
    ]);
    return {
      defs: wash('ground', '0.004', 3, seed, [times(tone, 0.9), times(tone, 1.04)]),
      under: sheetOf('ground'),
      over: none,
    };
  }
  if (scene === 'glass-eggs') {
    const tones = oneOf<readonly [Colour, Colour]>(chance, [
      [
        [30, 50, 35],
        [95, 110, 70],
      ],
      [
        [60, 70, 85],
        [105, 118, 135],
      ],
      [
        [150, 145, 125],
        [200, 195, 170],
      ],
      [
        [45, 42, 40],
        [88, 84, 78],
      ],
    ]);
    return {
      defs: wash('ground', isOften(chance, 0.5) ? '0.004' : '0.005 0.06', 3, seed, tones),
      under: sheetOf('ground'),
      over: none,
    };
  }
  if (isOften(chance, 0.4)) {
    const tone = oneOf<Colour>(chance, [
      [75, 100, 50],
      [125, 90, 55],
      [90, 75, 50],
    ]);
    const veins = Array.from(
      { length: 16 },
      (_, i) =>
        `<path d="M${WIDTH / 2} ${i * 90 - 200}l${WIDTH} ${-600}M${WIDTH / 2} ${i * 90 - 200}l${-WIDTH} ${-600}" stroke="${rgb(times(tone, 1.3))}" stroke-width="3" opacity="0.5"/>`,
    ).join('');
    return {
      defs: wash('ground', '0.012', 4, seed, [times(tone, 0.75), times(tone, 1.2)]),
      under: `${sheetOf('ground')}${veins}<path d="M${WIDTH / 2} 0V${HEIGHT}" stroke="${rgb(times(tone, 1.35))}" stroke-width="11" opacity="0.7"/>`,
      over: none,
    };
  }
  const greens = [near(chance, [80, 120, 55], 12), near(chance, [60, 90, 40], 12), near(chance, [110, 100, 50], 12)];
  const strand = (x: number, y: number, long: number, tone: Colour, opacity: number) => {
    const [a, b] = [normal(chance) * long, normal(chance) * long];
    return `<path d="M${at(x, y)}q${at(a * 0.5 - b * 0.2, b * 0.5 + a * 0.2)} ${at(a, b)}" fill="none" stroke="${rgb(tone)}" stroke-width="${between(chance, 3, 8)}" stroke-dasharray="${between(chance, 1.5, 3)} ${between(chance, 1.5, 3)}" opacity="${opacity}"/>`;
  };
  const long = between(chance, 25, 60);
  const under = Array.from({ length: 1500 }, () =>
    strand(chance() * WIDTH, chance() * HEIGHT, long, times(oneOf(chance, greens), between(chance, 0.35, 1)), 0.8),
  ).join('');
  return {
    defs: wash('ground', '0.03', 3, seed, [
      [14, 18, 10],
      [48, 52, 30],
    ]),
    under: sheetOf('ground') + under,
    over: (x, y, r) =>
      isOften(chance, 0.25) ? strand(x + normal(chance) * r, y + normal(chance) * r, r * 1.4, oneOf(chance, greens), 0.9) : '',
  };
}

function eggs(scene: SceneName, chance: Chance, seed: number, much: number): { svg: string; truth: Truth } {
  const r = 9 * (34 / 9) ** chance();
  const { defs, under, over } = eggGround(scene, chance, seed);
  const most = Math.min(650, (0.22 * WIDTH * HEIGHT) / (3.14 * r * r));
  const many = manyOf(chance, most);
  const [rows, share] = [scene === 'glass-eggs' && isOften(chance, 0.7), isOften(chance, 0.15) ? 0 : between(chance, 0.03, 0.45)];
  const objects: Truth['objects'] = [];
  const spread = between(chance, 0.02, 0.08);
  const turn = chance() * 3.14;
  const across = Math.ceil(Math.sqrt(many) * between(chance, 0.8, 1.5));
  for (let tries = 0; objects.length < many && tries < many * 40; tries++) {
    const own = r * (1 + normal(chance) * spread);
    let [x, y] = [between(chance, 4, WIDTH - 4), between(chance, 4, HEIGHT - 4)];
    if (rows) {
      const [u, v] = [
        ((tries % across) - across / 2 + (Math.floor(tries / across) % 2) / 2) * r * 2.15,
        (Math.floor(tries / across) - many / across / 2) * r * 1.95,
      ];
      [x, y] = [WIDTH / 2 + u * Math.cos(turn) - v * Math.sin(turn), HEIGHT / 2 + u * Math.sin(turn) + v * Math.cos(turn)];
    } else if (objects.length > 0 && isOften(chance, 0.4)) {
      const by = oneOf(chance, objects);
      const a = chance() * 6.2832;
      [x, y] = [by.x + Math.cos(a) * r * between(chance, 1.7, 2.2), by.y + Math.sin(a) * r * between(chance, 1.7, 2.2)];
    }
    if (
      x < 4 ||
      y < 4 ||
      x > WIDTH - 4 ||
      y > HEIGHT - 4 ||
      objects.some((o) => Math.hypot(o.x - x, o.y - y) < 0.82 * (o.r + own))
    )
      continue;
    objects.push({ x, y, r: own, isWhite: isOften(chance, share) });
  }
  const body = near(
    chance,
    oneOf<Colour>(chance, [
      [215, 190, 130],
      [200, 150, 90],
      [190, 180, 150],
      [220, 160, 90],
    ]),
    8,
  );
  const [rim, through, dark] = [times(body, between(chance, 0.4, 0.7)), between(chance, 0.5, 0.9), isOften(chance, 0.6)];
  const [lx, ly] = [normal(chance) * 0.3, normal(chance) * 0.3];
  const gradients = `<radialGradient id="clear" cx="${0.5 - lx * 0.3}" cy="${0.5 - ly * 0.3}"><stop offset="0" stop-color="${rgb(times(body, 1.08))}" stop-opacity="${through}"/><stop offset="0.78" stop-color="${rgb(body)}" stop-opacity="${through}"/><stop offset="1" stop-color="${rgb(rim)}" stop-opacity="0.95"/></radialGradient><radialGradient id="white" cx="${0.5 + lx * 0.4}" cy="${0.5 + ly * 0.4}"><stop offset="0" stop-color="#fffefa"/><stop offset="1" stop-color="rgb(205,202,194)"/></radialGradient>`;
  const drawn = objects
    .map(({ x, y, r: own, isWhite }) => {
      const shade = `<circle cx="${x - lx * own * 0.6}" cy="${y - ly * own * 0.6}" r="${own * 1.15}" fill="#000" opacity="0.16"/>`;
      const ball = `<circle cx="${x}" cy="${y}" r="${own}" fill="url(#${isWhite ? 'white' : 'clear'})"/>`;
      const inside = isWhite
        ? ''
        : dark && isOften(chance, 0.8)
          ? `<circle cx="${x + normal(chance) * own * 0.25}" cy="${y + normal(chance) * own * 0.25}" r="${own * between(chance, 0.12, 0.3)}" fill="${rgb(times(body, 0.5))}" opacity="0.7"/>`
          : '';
      const shine = isWhite
        ? ''
        : `<circle cx="${x + lx * own}" cy="${y + ly * own}" r="${own * 0.13}" fill="#fff" opacity="0.85"/>`;
      return shade + ball + inside + shine + over(x, y, own);
    })
    .join('');
  const mm = between(chance, 0.8, 3);
  return {
    svg: `<defs>${defs}${gradients}</defs>${under}${litter(chance, r, much)}${drawn}${glare(chance, much)}`,
    truth: {
      scene,
      options: { kind: 'eggs', ...(isOften(chance, 0.5) ? { mmPerPixel: mm / 2 / r } : {}) },
      count: objects.length,
      white: objects.filter(({ isWhite }) => isWhite).length,
      lengthsMm: null,
      mmPerPixel: mm / 2 / r,
      objects,
    },
  };
}

type Young = 'fry' | 'fishAbove' | 'fishSide' | 'shrimp' | 'crayfish' | 'flea';

const BODIES: Record<Young, readonly Colour[]> = {
  fry: [
    [145, 132, 110],
    [125, 122, 115],
  ],
  fishAbove: [
    [115, 118, 105],
    [100, 105, 110],
  ],
  fishSide: [
    [160, 160, 140],
    [175, 150, 110],
    [150, 160, 165],
  ],
  shrimp: [
    [200, 125, 65],
    [160, 120, 90],
    [130, 125, 115],
  ],
  crayfish: [
    [160, 115, 85],
    [115, 105, 95],
  ],
  flea: [
    [160, 138, 110],
    [170, 130, 95],
  ],
};

/** An outline along a bent line: half widths at shares of the length. */
function outline(spine: (share: number, aside: number) => Point, widths: readonly (readonly [number, number])[]): string {
  const left = widths.map(([s, w]) => spine(s, -w));
  const right = [...widths].reverse().map(([s, w]) => spine(s, w));
  return `M${[...left, ...right].map((p) => at(...p)).join('L')}Z`;
}

function youngOne(
  kind: Young,
  chance: Chance,
  look: { body: Colour; dark: Colour; wide: number; opaque: number; fin: number },
  x: number,
  y: number,
  length: number,
  angle: number,
): { svg: string; head: Point; tail: Point } {
  const bend = normal(chance) * (kind === 'crayfish' || kind === 'flea' ? 0.1 : 0.45);
  // An arc about a point aside.
  const spine = (share: number, aside: number): Point => {
    const a = (share - 0.5) * bend;
    const [u, v] =
      Math.abs(bend) < 1e-3
        ? [(share - 0.5) * length, aside]
        : [(Math.sin(a) * length) / bend - Math.sin(a) * aside, ((1 - Math.cos(a)) * length) / bend + Math.cos(a) * aside];
    return [x + u * Math.cos(angle) - v * Math.sin(angle), y + u * Math.sin(angle) + v * Math.cos(angle)];
  };
  const half = (look.wide * length) / 2;
  const { body, dark, opaque } = look;
  const eye = (share: number, aside: number, r: number) => {
    const [ex, ey] = spine(share, aside);
    return `<circle cx="${ex}" cy="${ey}" r="${Math.max(1, r * length)}" fill="#121010"/>`;
  };
  const path = (d: string, fill: Colour, opacity: number) => `<path d="${d}" fill="${rgb(fill)}" opacity="${opacity}"/>`;
  const line = (from: Point, to: Point, wide: number, opacity: number) =>
    `<path d="M${at(...from)}L${at(...to)}" stroke="${rgb(dark)}" stroke-width="${Math.max(0.7, wide * length)}" opacity="${opacity}"/>`;
  let svg = '';
  if (kind === 'fry' || kind === 'fishAbove') {
    svg += path(
      outline(spine, [
        [0, half * 0.4],
        [0.05, half * 0.85],
        [0.12, half],
        [0.3, half * 0.85],
        [0.5, half * 0.55],
        [0.75, half * 0.28],
        [1, half * 0.08],
      ]),
      body,
      opaque,
    );
    svg += path(
      outline(spine, [
        [0.1, half * 0.15],
        [0.5, half * 0.16],
        [0.92, half * 0.06],
      ]),
      dark,
      0.6,
    );
    if (kind === 'fry' && isOften(chance, 0.3))
      svg += `<ellipse cx="${spine(0.26, 0)[0]}" cy="${spine(0.26, 0)[1]}" rx="${half * 1.2}" ry="${half}" fill="#d9a850" opacity="0.6"/>`;
    svg += eye(0.09, half * 0.68, 0.032) + eye(0.09, -half * 0.68, 0.032);
  } else if (kind === 'fishSide') {
    svg +=
      path(
        outline(spine, [
          [0.8, half * 0.2],
          [1, half * 0.85],
          [0.96, 0.01],
        ]),
        dark,
        look.fin,
      ) +
      path(
        outline(
          (s, a) => spine(s, a - half * 0.9),
          [
            [0.42, half * 0.2],
            [0.5, half * 0.6],
            [0.64, half * 0.1],
          ],
        ),
        dark,
        look.fin,
      );
    svg += path(
      outline(spine, [
        [0, 0.5],
        [0.06, half * 0.55],
        [0.2, half * 0.95],
        [0.35, half],
        [0.55, half * 0.8],
        [0.72, half * 0.42],
        [0.84, half * 0.26],
      ]),
      body,
      opaque,
    );
    svg += path(
      outline(
        (s, a) => spine(s, a - half * 0.45),
        [
          [0.12, half * 0.1],
          [0.35, half * 0.4],
          [0.7, half * 0.1],
        ],
      ),
      dark,
      0.45,
    );
    svg += eye(0.085, -half * 0.12, 0.027);
  } else if (kind === 'flea') {
    svg += line(spine(0.95, 0), spine(1.25, 0), 0.04, 0.6) + line(spine(0.15, half * 0.6), spine(-0.05, half * 1.5), 0.04, 0.5);
    svg += path(
      outline(spine, [
        [0, half * 0.3],
        [0.12, half * 0.75],
        [0.4, half],
        [0.7, half * 0.8],
        [1, half * 0.15],
      ]),
      body,
      opaque,
    );
    svg +=
      path(
        outline(spine, [
          [0.25, half * 0.15],
          [0.55, half * 0.3],
          [0.8, half * 0.1],
        ]),
        dark,
        0.7,
      ) + eye(0.14, 0, 0.09);
  } else {
    for (const side of [-1, 1]) {
      for (let i = 0; i < 5; i++)
        svg += line(
          spine(0.18 + i * 0.06, side * half * 0.7),
          spine(0.2 + i * 0.06, side * (half + length * between(chance, 0.05, 0.1))),
          0.01,
          0.6,
        );
      svg += line(
        spine(0.02, side * half * 0.3),
        spine(-between(chance, 0.2, 0.5), side * length * between(chance, 0.05, 0.25)),
        0.007,
        0.5,
      );
      if (kind === 'crayfish') {
        svg += line(spine(0.15, side * half * 0.8), spine(0.03, side * half * 1.7), 0.03, 1);
        svg += path(
          outline(
            (s, a) => spine(s, a + side * half * 1.5),
            [
              [-0.14, 0.5],
              [-0.08, half * 0.35],
              [0, half * 0.45],
              [0.05, half * 0.15],
            ],
          ),
          body,
          opaque,
        );
      }
    }
    const segments = kind === 'crayfish' ? 9 : 8;
    for (let i = segments; i >= 0; i--) {
      const s = i / segments;
      const w = half * (kind === 'crayfish' ? (s < 0.5 ? 1 : 0.78) : s < 0.4 ? 1 : 1.25 - 0.7 * s);
      svg += path(
        outline(spine, [
          [Math.max(0, s - 0.06), w * 0.8],
          [s, w],
          [Math.min(1, s + 0.06), w * 0.85],
        ]),
        i % 2 ? body : times(body, 0.92),
        opaque,
      );
    }
    svg +=
      path(
        outline(spine, [
          [0.88, half * 0.4],
          [1, half * (kind === 'crayfish' ? 0.95 : 0.7)],
          [1, 0],
        ]),
        dark,
        0.7,
      ) +
      eye(0.05, half * 0.6, 0.024) +
      eye(0.05, -half * 0.6, 0.024);
  }
  return { svg, head: spine(0, 0), tail: spine(1, 0) };
}

function young(scene: SceneName, chance: Chance, seed: number, much: number): { svg: string; truth: Truth } {
  const kind: Young =
    scene === 'fry-tub'
      ? 'fry'
      : scene === 'grid-young'
        ? oneOf<Young>(chance, ['fishAbove', 'fishSide'])
        : oneOf<Young>(chance, ['shrimp', 'shrimp', 'crayfish', 'flea']);
  const [small, large] = {
    fry: [45, 130],
    fishAbove: [110, 280],
    fishSide: [110, 280],
    shrimp: [45, 130],
    crayfish: [80, 180],
    flea: [12, 28],
  }[kind] as [number, number];
  const size = small * (large / small) ** chance();
  const mm =
    kind === 'fry'
      ? between(chance, 4, 9)
      : kind === 'flea'
        ? between(chance, 1, 3)
        : scene === 'grid-young'
          ? between(chance, 8, 20)
          : between(chance, 3, 8);
  const mmPerPixel = mm / size;
  let room = { left: 0, top: 0, right: WIDTH, bottom: HEIGHT };
  const tone = oneOf<Colour>(chance, [
    [210, 210, 208],
    [185, 190, 195],
    [222, 216, 204],
    [165, 170, 172],
  ]);
  let defs = wash('ground', '0.004', 3, seed, [times(tone, 0.92), times(tone, 1.03)]);
  let under = sheetOf('ground');
  if (kind === 'flea') {
    defs += wash('table', '0.003 0.05', 3, seed, [
      [95, 70, 50],
      [165, 135, 100],
    ]);
    room = { left: 170, top: 60, right: WIDTH - 190, bottom: HEIGHT - 70 };
    const [w, h] = [room.right - room.left, room.bottom - room.top];
    under = `${sheetOf('table')}<rect x="${room.left}" y="${room.top}" width="${w}" height="${h}" rx="22" fill="#dedfdb"/><rect x="${room.left + 10}" y="${room.top + 10}" width="${w - 20}" height="${h - 20}" rx="14" fill="#e9e9e5" stroke="#b4b4b0" stroke-width="5"/>`;
    room = { left: room.left + 24, top: room.top + 24, right: room.right - 24, bottom: room.bottom - 24 };
  } else if (scene === 'grid-young') {
    const step = 5 / mmPerPixel;
    const turn = normal(chance) * 12;
    const lines = Array.from({ length: Math.ceil(2600 / step) }, (_, i) => {
      const place = (i - Math.ceil(1300 / step)) * step;
      return `M${place} -1300V1300M-1300 ${place}H1300`;
    }).join('');
    under += `<path d="${lines}" transform="translate(${WIDTH / 2} ${HEIGHT / 2}) rotate(${turn})" stroke="${rgb(
      oneOf<Colour>(chance, [
        [120, 145, 195],
        [150, 155, 160],
        [130, 175, 160],
      ]),
    )}" stroke-width="${between(chance, 1.2, 2.8)}" opacity="0.7" fill="none"/>`;
  } else if (scene === 'shrimplets' && isOften(chance, 0.5)) {
    defs = wash(
      'ground',
      `${between(chance, 0.12, 0.3)}`,
      2,
      seed,
      oneOf<readonly [Colour, Colour]>(chance, [
        [
          [110, 98, 75],
          [200, 185, 150],
        ],
        [
          [90, 88, 84],
          [165, 160, 150],
        ],
      ]),
    );
  }
  const body = near(chance, oneOf(chance, BODIES[kind]), 8);
  const look = {
    body,
    dark: times(body, between(chance, 0.4, 0.65)),
    wide:
      { fry: 0.12, fishAbove: 0.14, fishSide: 0.25, shrimp: 0.14, crayfish: 0.17, flea: 0.68 }[kind] * between(chance, 0.85, 1.2),
    opaque: kind === 'fry' ? between(chance, 0.4, 0.8) : between(chance, 0.7, 1),
    fin: between(chance, 0.3, 0.6),
  };
  const area = (room.right - room.left) * (room.bottom - room.top);
  const many = manyOf(chance, Math.min(300, (0.16 * area) / (size * size * look.wide * 0.8)));
  const spread = scene === 'grid-young' ? between(chance, 0.08, 0.25) : between(chance, 0.05, 0.2);
  const crossing = isOften(chance, 0.6) ? between(chance, 0, 0.3) : 0;
  const placed: { x: number; y: number; length: number; angle: number }[] = [];
  for (let tries = 0; placed.length < many && tries < many * 30; tries++) {
    const by = placed.length > 0 && isOften(chance, crossing) ? oneOf(chance, placed) : null;
    const next = {
      x: by ? by.x + normal(chance) * size * 0.45 : between(chance, room.left + 4, room.right - 4),
      y: by ? by.y + normal(chance) * size * 0.45 : between(chance, room.top + 4, room.bottom - 4),
      length: Math.max(size * 0.45, size * (1 + normal(chance) * spread)),
      angle: chance() * 6.2832,
    };
    if (next.x < room.left + 4 || next.y < room.top + 4 || next.x > room.right - 4 || next.y > room.bottom - 4) continue;
    const places = (p: typeof next) =>
      [-0.4, -0.2, 0, 0.2, 0.4].map((t): Point => [
        p.x + Math.cos(p.angle) * t * p.length,
        p.y + Math.sin(p.angle) * t * p.length,
      ]);
    const own = places(next);
    const isOver = placed.some(
      (other) =>
        Math.hypot(other.x - next.x, other.y - next.y) < 2 * size &&
        own.filter(([x, y]) => places(other).some(([u, v]) => Math.hypot(u - x, v - y) < look.wide * size * (by ? 0.75 : 1.5)))
          .length > (by ? 2 : 0),
    );
    if (!isOver) placed.push(next);
  }
  const drawn = placed.map((one) => ({ one, ...youngOne(kind, chance, look, one.x, one.y, one.length, one.angle) }));
  const shadow = `<g transform="translate(${normal(chance) * size * 0.03} ${normal(chance) * size * 0.03})" opacity="0.18">${drawn.map(({ one }) => `<ellipse cx="${one.x}" cy="${one.y}" rx="${one.length * 0.42}" ry="${one.length * look.wide * 0.5}" transform="rotate(${(one.angle * 180) / Math.PI} ${one.x} ${one.y})"/>`).join('')}</g>`;
  const unit = kind === 'flea' ? size * 0.4 : size * Math.max(0.08, look.wide * 0.5);
  return {
    svg: `<defs>${defs}</defs>${under}${litter(chance, unit, much, kind === 'flea' ? room : undefined)}${shadow}${drawn.map(({ svg }) => svg).join('')}${glare(chance, much)}`,
    truth: {
      scene,
      options: { kind: 'young', ...(scene === 'grid-young' ? { grid: { mm: 5 } } : isOften(chance, 0.6) ? { mmPerPixel } : {}) },
      count: placed.length,
      white: null,
      lengthsMm: placed.map(({ length }) => length * mmPerPixel).sort((a, b) => a - b),
      mmPerPixel,
      objects: drawn.map(({ one, head, tail }) => ({
        x: one.x,
        y: one.y,
        r: one.length / 2,
        isWhite: false,
        head,
        tail,
        lengthPx: one.length,
      })),
    },
  };
}

/** A picture kept back, as a drawing to be made into pixels, and what it truly holds; `blur` and `noise` are to be put over it. */
export function drawKeptBack(
  scene: SceneName,
  seed: number,
): { svg: string; blur: number; noise: number; light: number; truth: Truth } {
  const chance = seeded(seed * 6007 + SCENES.indexOf(scene) * 50_021 + 5);
  for (let i = 0; i < 20; i++) chance();
  const much = between(chance, 0.1, 1);
  const { svg, truth } = (scene.endsWith('eggs') ? eggs : young)(scene, chance, seed, much);
  const shade = `<radialGradient id="shade" cx="${chance()}" cy="${chance()}" r="1"><stop offset="0.2" stop-color="#000" stop-opacity="0"/><stop offset="1" stop-color="#000" stop-opacity="${between(chance, 0.1, 0.4)}"/></radialGradient><rect width="${WIDTH}" height="${HEIGHT}" fill="url(#shade)"/>`;
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">${svg}${shade}</svg>`,
    blur: isOften(chance, 0.6) ? between(chance, 0.4, 0.7 + 1.1 * much) : 0,
    noise: between(chance, 2, 4 + 9 * much),
    light: between(chance, 0.8, 1.1),
    truth,
  };
}
