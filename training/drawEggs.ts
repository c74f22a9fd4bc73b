import {
  between,
  clamp,
  cover,
  isOften,
  mix,
  near,
  normal,
  oneOf,
  ramp,
  times,
  type Chance,
  type Colour,
  type Sheet,
} from './sheet';

/** How the eggs of one picture look: they are of one clutch. */
export interface EggLook {
  body: Colour;
  rim: Colour;
  /** 0 glass .. 1 opaque. */
  body_share: number;
  hasYolk: boolean;
  hasEyes: boolean;
  shine: { dx: number; dy: number; r: number; isSquare: boolean; by: number };
  light: { x: number; y: number };
  shadow: number;
  /** How far the rim reaches in, and how much brighter light gathers on the side away from the lamp. */
  rimFrom: number;
  gather: number;
  /** How much brighter its middle is than its edge. */
  glow: number;
  /** Its yolk fills it up to here; outside is clear shell, hardly seen. */
  core: number;
  whiteTone: Colour;
  whiteShade: number;
  threads: number;
}

/** A clear shell over any ground. */
const SHELL: Colour = [205, 205, 200];

export function eggLook(chance: Chance): EggLook {
  const body = oneOf<Colour>(chance, [
    [200, 190, 150],
    [205, 165, 105],
    [190, 135, 80],
    [180, 175, 130],
    [215, 150, 95],
    [170, 160, 125],
    [225, 205, 160],
    [190, 180, 165],
  ]);
  const angle = chance() * 6.2832;
  const tone = times(near(chance, body, 6), between(chance, 0.8, 1.22));
  return {
    body: tone,
    // Dark where it is seen against the light, bright where the lamp stands above.
    rim: isOften(chance, 0.65) ? times(tone, between(chance, 0.35, 0.85)) : mix(tone, [235, 230, 225], between(chance, 0.1, 0.7)),
    body_share: between(chance, 0.3, 0.95),
    hasYolk: isOften(chance, 0.5),
    hasEyes: isOften(chance, 0.3),
    shine: {
      dx: Math.cos(angle) * between(chance, 0.25, 0.5),
      dy: Math.sin(angle) * between(chance, 0.25, 0.5),
      r: between(chance, 0.07, 0.28),
      isSquare: isOften(chance, 0.35),
      by: between(chance, 0.2, 1),
    },
    light: { x: Math.cos(angle), y: Math.sin(angle) },
    shadow: isOften(chance, 0.2) ? 0 : between(chance, 0.05, 0.45),
    rimFrom: between(chance, 0.6, 0.92),
    gather: between(chance, 0, 0.35),
    core: isOften(chance, 0.55) ? 1 : between(chance, 0.68, 0.95),
    glow: isOften(chance, 0.5) ? 0 : between(chance, 0, 0.5),
    whiteTone: times(
      near(
        chance,
        oneOf<Colour>(chance, [
          [238, 232, 214],
          [236, 235, 230],
          [226, 220, 205],
          [232, 226, 220],
        ]),
        5,
      ),
      between(chance, 0.88, 1.05),
    ),
    whiteShade: between(chance, 0.05, 0.32),
    threads: isOften(chance, 0.5) ? between(chance, 0.1, 0.5) : 0,
  };
}

export function drawEgg(sheet: Sheet, chance: Chance, look: EggLook, x: number, y: number, r: number, isWhite: boolean): void {
  const { light, shine } = look;
  sheet.around(x - light.x * r * 0.25, y - light.y * r * 0.25, r * 1.6, (px, py, dx, dy) =>
    sheet.scale(px, py, 1 - look.shadow * ramp(1.5, 0.8, Math.hypot(dx, dy) / r)),
  );
  const tone = near(chance, isWhite ? look.whiteTone : look.body, isWhite ? 6 : 7);
  const [ex, ey] = [normal(chance) * 0.25, normal(chance) * 0.25];
  const yolk = { x: normal(chance) * 0.12, y: normal(chance) * 0.12, r: between(chance, 0.5, 0.75) };
  const eye = { angle: chance() * 6.28, r: between(chance, 0.1, 0.22) };
  const stage = chance();
  if (isWhite && isOften(chance, look.threads)) {
    for (let i = 0; i < 40; i++) {
      const a = chance() * 6.2832;
      const far = r * between(chance, 1.1, 1.45);
      sheet.line(
        [x + Math.cos(a) * r * 0.8, y + Math.sin(a) * r * 0.8],
        [x + Math.cos(a + 0.1) * far, y + Math.sin(a + 0.1) * far],
        Math.max(0.6, r * 0.05),
        [235, 235, 232],
        0.5,
      );
    }
  }
  sheet.around(x, y, r + 1, (px, py, dx, dy) => {
    const d = Math.hypot(dx, dy) / r;
    const edge = cover((1 - d) * r);
    if (edge <= 0) return;
    const lit = (dx * light.x + dy * light.y) / r;
    if (isWhite) {
      const shade = 1 + 0.08 * lit - look.whiteShade * d * d;
      sheet.blend(
        px,
        py,
        mix(
          times(tone, shade),
          [255, 255, 255],
          0.3 * ramp(0.5, 0.1, Math.hypot(dx / r - light.x * 0.4, dy / r - light.y * 0.4)),
        ),
        edge * 0.98,
      );
      return;
    }
    // Light goes through and gathers on the side away from the lamp.
    let colour = times(tone, 0.95 - 0.12 * lit - 0.08 * d * d + look.gather * ramp(0.1, 0.8, -lit) + look.glow * (0.5 - d * d));
    if (look.hasYolk && Math.hypot(dx / r - yolk.x, dy / r - yolk.y) < yolk.r) colour = times(colour, 0.93);
    colour = mix(colour, look.rim, ramp(look.rimFrom, 0.98, d) * 0.75);
    const shell = look.core < 1 ? ramp(look.core - 0.06, look.core + 0.06, d) : 0;
    sheet.blend(
      px,
      py,
      mix(colour, SHELL, 0.7 * shell),
      edge * clamp(look.body_share + 0.35 * ramp(0.75, 1, d)) * (1 - 0.65 * shell),
    );
  });
  if (!isWhite) {
    if (look.hasEyes && stage < 0.8)
      for (const side of [-1, 1])
        sheet.dot(
          x + (ex + Math.cos(eye.angle) * side * 0.18) * r,
          y + (ey + Math.sin(eye.angle) * side * 0.18) * r,
          r * eye.r * 0.8,
          [40, 32, 26],
          0.75,
        );
    else if (stage < 0.75) sheet.dot(x + ex * r, y + ey * r, r * between(chance, 0.12, 0.3), times(tone, 0.55), 0.7);
  }
  const [sx, sy, sr] = [x + shine.dx * r, y + shine.dy * r, shine.r * r];
  const strength = shine.by * (isWhite ? 0.4 : 1);
  sheet.around(sx, sy, sr + 1.5, (px, py, dx, dy) => {
    const inside = shine.isSquare ? Math.min(sr - Math.abs(dx), sr * 0.75 - Math.abs(dy)) : sr - Math.hypot(dx, dy);
    sheet.blend(px, py, [255, 255, 252], strength * cover(inside));
  });
}
