import { READING_LIMITS } from '@freshet/contract/room';
import { formatInstant } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { showTemperature, showVolume, type House, type Reply } from '../data';
import { createDocument, fitText } from '../print';

type Life = Reply<'tankLife'>[number];

/** What the run sheet of a transfer is made from. */
export interface RunSheetInput {
  lot: Life['lots'][number];
  source: Life;
  target: Life;
  transfer: Reply<'transfer'>;
  house: Pick<House, 'name' | 'now' | 'timeZone' | 'today' | 'units'>;
}
const HARDNESS: ReadonlySet<string> = new Set(['ghDeg', 'khDeg', 'tdsPpm']);
/** One part of the sheet: its heading and its lines, each with a box to tick. */
export interface RunPart {
  heading: string;
  lines: string[];
}

/** Things to prepare, the order of work, cautions and what to count, for draining a tank or stocking a pond. */
export function runParts({ lot, source, target, transfer, house }: RunSheetInput): RunPart[] {
  const isPond = target.litres >= 200;
  const { floatMinutes, drip } = transfer;
  const waters = transfer.rows
    .filter((row) => row.source !== null && row.target !== null)
    .map((row) => {
      const show = (value: number) =>
        row.quantity === 'tempC'
          ? showTemperature(value, house)
          : `${formatNumber(value, 3)} ${READING_LIMITS[row.quantity].unit}`;
      return `${READING_LIMITS[row.quantity].label}: ${show(row.source ?? 0)} to ${show(row.target ?? 0)}`;
    });
  return [
    {
      heading: 'Prepare',
      lines: [
        'Two fine nets, one of them rinsed for the end; a third hand is worth more than a third net',
        'Wide, shallow bowls with a lid each, filled with water of the tank they leave',
        isPond
          ? 'Shade over the bowls; cover over the pond against birds and jumping'
          : 'Lid for the new tank; shelters in place, at least one each',
        'Thermometer; buckets for the old water; towel; this sheet and a pencil',
        ...(waters.length > 0 ? [`Waters: ${waters.join('; ')}`] : ['Measure temperature and TDS of both waters first']),
      ],
    },
    {
      heading: 'In this order',
      lines: [
        `Unplug heater and filter of ${source.code}. Draw the water down to a hand's breadth into clean buckets`,
        'Take out plants and wood; look through every shelter, root and pipe before it leaves the tank',
        'Net slowly from one side; count into the bowls, by sex where it shows',
        'Drain the rest through the fine net; look once more in the corners and in the filter',
        'Rinse the last net in a bowl: the smallest sit in its folds',
        floatMinutes === null || floatMinutes > 0
          ? `Float the bowls ${floatMinutes === null ? 'until the temperatures are equal' : `about ${Math.max(5, Math.round(floatMinutes / 5) * 5)} minutes`}; match in both directions, warm to cold and cold to warm`
          : 'Temperatures are equal; no need to float',
        drip
          ? `Drip for about ${formatNumber(Math.round(drip.hours * 4) / 4)} hours, until there are ${showVolume(drip.finalLitres, house)}`
          : transfer.rows.some((row) => HARDNESS.has(row.quantity) && row.source !== null && row.target !== null)
            ? 'No dripping needed by what was measured'
            : 'Measure hardness or TDS of both waters, then decide how long to drip',
        `Let them go into ${target.code}; the old water stays out of it`,
        `${source.code}: rinse, refill, log "refilled"; it rests before it is used again`,
      ],
    },
    {
      heading: 'Mind',
      lines: [
        ...transfer.warnings.map(({ text }) => text.charAt(0).toUpperCase() + text.slice(1)),
        'A hose that lay in the sun runs hot: feel the water first',
        'Unplug before hands go in; residual-current protection. Cover cuts; mind spines; wash hands after',
        'Do not lift a filled tank or a full tub alone. Never release animals, plants or water outdoors; local law decides',
      ],
    },
    {
      heading: 'Counted',
      lines: [
        `${lot.speciesName}: booked ${lot.males} males, ${lot.females} females, ${lot.unsexed} unsexed`,
        'Males ________   Females ________   Unsexed ________   Dead ________   In the bucket ________',
        'Begun at ________   Done at ________   By ______________________',
      ],
    },
  ];
}

const PAGE = { width: 595.28, height: 841.89, margin: 44 };

/** Words broken into lines of a width. */
function wrap(words: string, widthOf: (text: string) => number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of words.split(' ')) {
    const next = line === '' ? word : `${line} ${word}`;
    if (line !== '' && widthOf(next) > width) {
      lines.push(line);
      line = word;
    } else line = next;
  }
  return [...lines, line];
}

/** The run sheet as PDF, one page where it fits. */
export async function runSheet(input: RunSheetInput): Promise<Uint8Array> {
  const { pdf, text, bold, rgb } = await createDocument(`Run sheet ${input.source.code} to ${input.target.code}`);
  const ink = rgb(0.09, 0.15, 0.12);
  const width = PAGE.width - 2 * PAGE.margin;
  let page = pdf.addPage([PAGE.width, PAGE.height]);
  let y = PAGE.height - PAGE.margin - 10;
  const draw = (words: string, size: number, font = text, x = PAGE.margin) => {
    page.drawText(fitText(words, font, size, PAGE.width - PAGE.margin - x), { x, y, size, font, color: ink });
  };
  draw(`Run sheet: ${input.lot.speciesName}, ${input.source.code} to ${input.target.code}`, 18, bold);
  y -= 16;
  draw(`${input.house.name}, made ${formatInstant(input.house.now(), input.house.today, input.house.timeZone)}`, 9.5);
  y -= 22;
  for (const part of runParts(input)) {
    draw(part.heading, 12.5, bold);
    y -= 17;
    for (const words of part.lines) {
      const lines = wrap(words, (one) => text.widthOfTextAtSize(fitText(one, text, 10.5, 10_000), 10.5), width - 20);
      if (y - lines.length * 14 < PAGE.margin) {
        page = pdf.addPage([PAGE.width, PAGE.height]);
        y = PAGE.height - PAGE.margin - 10;
      }
      page.drawRectangle({ x: PAGE.margin, y: y - 1, width: 9, height: 9, borderColor: ink, borderWidth: 0.8 });
      for (const line of lines) {
        draw(line, 10.5, text, PAGE.margin + 18);
        y -= 14;
      }
      y -= 3;
    }
    y -= 8;
  }
  return pdf.save();
}
