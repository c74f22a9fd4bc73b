import type { Reply } from '../data';

type Room = Reply<'room'>;
export type Rack = Room['racks'][number];
export type Shelf = Rack['shelves'][number];
export type Tank = Shelf['tanks'][number];

/** A tank as it stands in the picture, in cm from the top left of its row; y grows downwards. */
export interface DrawnTank {
  tank: Tank;
  x: number;
  y: number;
  width: number;
  height: number;
  /** Height of the water as drawn. */
  water: number;
}

/** A rack as it stands before you. */
export interface DrawnRack {
  rack: Rack;
  x: number;
  width: number;
  top: number;
  bottom: number;
  shelves: { shelf: Shelf; y: number; x: number; width: number }[];
  tanks: DrawnTank[];
}

/** One row of racks on one floor line. */
export interface DrawnRow {
  racks: DrawnRack[];
  width: number;
  height: number;
}

const GAP_CM = 34;
const SUMP_CM = 26;
/** Tubs are drawn at this scale beside the racks, or the yard would fill the picture. */
export const YARD_SCALE = 0.5;

function drawRack(rack: Rack, x: number, floor: number): DrawnRack {
  const scale = rack.kind === 'yard' ? YARD_SCALE : 1;
  const front = (tank: Tank) => (tank.facing === 'long' ? tank.lengthCm : tank.widthCm);
  const used = rack.shelves.flatMap((shelf) => shelf.tanks.map((tank) => tank.leftCm + front(tank)));
  const length = rack.kind === 'rack' ? Math.max(20, ...rack.shelves.map((shelf) => shelf.lengthCm)) : Math.max(40, ...used) + 4;
  const bottom = floor - (rack.sump ? SUMP_CM : 0);
  const drawn: DrawnRack = { rack, x, width: length * scale, top: bottom, bottom: floor, shelves: [], tanks: [] };
  let y = bottom;
  for (const shelf of [...rack.shelves].reverse()) {
    drawn.shelves.push({ shelf, y, x, width: (rack.kind === 'rack' ? shelf.lengthCm : length) * scale });
    for (const tank of shelf.tanks)
      drawn.tanks.push({
        tank,
        x: x + tank.leftCm * scale,
        y: y - tank.heightCm * scale,
        width: front(tank) * scale,
        height: tank.heightCm * scale,
        water: Math.min(tank.waterHeightCm, tank.heightCm) * scale,
      });
    y -= (rack.kind === 'rack' ? shelf.heightCm : Math.max(30, ...shelf.tanks.map((tank) => tank.heightCm))) * scale;
  }
  drawn.top = y;
  return drawn;
}

/**
 * Places racks side by side on a floor line, in a new row when the width is used up. All measures in cm.
 * @param rowWidthCm - width at which a new row begins; Infinity for one row
 */
export function layoutRoom(racks: readonly Rack[], rowWidthCm: number): DrawnRow[] {
  const rows: DrawnRow[] = [];
  let row: DrawnRow = { racks: [], width: 0, height: 0 };
  for (const rack of racks) {
    const trial = drawRack(rack, 0, 0);
    const x = row.racks.length > 0 ? row.width + GAP_CM : 0;
    if (row.racks.length > 0 && x + trial.width > rowWidthCm) {
      rows.push(row);
      row = { racks: [], width: 0, height: 0 };
    }
    const at = row.racks.length > 0 ? row.width + GAP_CM : 0;
    row.racks.push(drawRack(rack, at, 0));
    row.width = at + trial.width;
    row.height = Math.max(row.height, -trial.top);
  }
  return row.racks.length > 0 ? [...rows, row] : rows;
}

/** A tank with its box in px from the top left of the picture; `water` is the height of the water. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
  water: number;
}
export interface PlacedTank {
  drawn: DrawnTank;
  rack: Rack;
  box: Box;
}
/** A shelf in px: its left end, its board, and the px of one of its centimetres. */
export interface PlacedShelf {
  shelf: Shelf;
  rack: Rack;
  x: number;
  y: number;
  width: number;
  pxPerCm: number;
}
/** The picture in px: where every tank and shelf is. */
export interface Elevation {
  scale: number;
  width: number;
  height: number;
  rows: { row: DrawnRow; floor: number }[];
  tanks: PlacedTank[];
  shelves: PlacedShelf[];
}

const CAPTION_PX = 22;
const ROW_GAP_PX = 14;
export const MARGIN_PX = 10;

/** Lays the room out in px for a picture so wide. @param maxScale - greatest scale, px per cm */
export function computeElevation(racks: readonly Rack[], width: number, rowWidthCm: number, maxScale: number): Elevation {
  const rows = layoutRoom(racks, rowWidthCm);
  const widest = Math.max(1, ...rows.map((row) => row.width));
  const scale = Math.min(maxScale, (width - 2 * MARGIN_PX) / widest);
  const elevation: Elevation = { scale, width, height: 0, rows: [], tanks: [], shelves: [] };
  let top = MARGIN_PX;
  for (const row of rows) {
    const floor = top + row.height * scale;
    elevation.rows.push({ row, floor });
    for (const { rack, tanks, shelves } of row.racks) {
      for (const drawn of tanks)
        elevation.tanks.push({
          drawn,
          rack,
          box: {
            x: MARGIN_PX + drawn.x * scale,
            y: floor + drawn.y * scale,
            width: drawn.width * scale,
            height: drawn.height * scale,
            water: drawn.water * scale,
          },
        });
      for (const { shelf, x, y, width: length } of shelves)
        elevation.shelves.push({
          shelf,
          rack,
          x: MARGIN_PX + x * scale,
          y: floor + y * scale,
          width: length * scale,
          pxPerCm: scale * (rack.kind === 'yard' ? YARD_SCALE : 1),
        });
    }
    top = floor + CAPTION_PX + ROW_GAP_PX;
  }
  elevation.height = Math.max(20, top - 8);
  return elevation;
}
