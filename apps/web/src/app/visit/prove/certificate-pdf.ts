import type { Visit } from '@hygromet/contract/visit';
import type { TestReading, VisitTest } from '@hygromet/contract/visit-test';
import { PDFDocument, rgb, StandardFonts, type PDFFont, type PDFPage } from 'pdf-lib';
import { printable } from '../../labels/printable';
import type { Units } from '../../preferences/units.service';
import { momentText } from '../../ui/day';

const [WIDTH, HEIGHT, MARGIN] = [612, 792, 56];
const [INK, SOFT, ACT] = [rgb(0.08, 0.1, 0.11), rgb(0.42, 0.45, 0.47), rgb(0.04, 0.35, 0.3)];

const titles = {
  hold: $localize`Pressure test with dry nitrogen`,
  rise: $localize`Vacuum and rise test`,
  'pull-down': $localize`Pull-down of the vacuum`,
  'shut-in': $localize`Recovered system, shut in`,
  'pump-down': $localize`Pump-down`,
} as const;

interface Fonts {
  readonly plain: PDFFont;
  readonly bold: PDFFont;
}

/** A photograph of the visit, and what stands below it. */
export interface ShownPhotograph {
  readonly jpeg: Uint8Array;
  readonly words: string;
}

type QuantityFormatter = Pick<
  Units,
  'pressure' | 'pressureStep' | 'pressureNumber' | 'pressureUnit' | 'temperature' | 'volumeText' | 'atmosphere' | 'decimal' | 'length'
>;

/** What a test has shown, with its limit, its set-up and its trace, on one page. */
export async function certificatePdf(
  visit: Visit,
  test: VisitTest,
  firm: string,
  tell: QuantityFormatter,
  photographs: readonly ShownPhotograph[] = [],
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(`${titles[test.setUp.test]}, ${visit.system.site}`);
  const fonts = { plain: await pdf.embedFont(StandardFonts.Helvetica), bold: await pdf.embedFont(StandardFonts.HelveticaBold) };
  const page = pdf.addPage([WIDTH, HEIGHT]);
  const sheet = new Sheet(page, fonts);
  sheet.line(firm, 11, SOFT);
  sheet.line(titles[test.setUp.test], 22, INK, true);
  sheet.line(`${visit.system.site}, ${visit.system.name}, ${visit.system.refrigerant}`, 13, INK);
  sheet.space(10);
  sheet.words(test.ended?.finding.said ?? $localize`Not ended`, 15, ACT, true);
  sheet.space(8);
  for (const [what, figure] of figuresOf(test, tell)) sheet.pair(what, figure);
  sheet.space(12);
  sheet.trace(
    pointsOf(test, tell),
    test.setUp.test === 'rise' || test.setUp.test === 'pull-down'
      ? $localize`microns over minutes`
      : $localize`${tell.pressureUnit()} over minutes`,
  );
  sheet.space(14);
  sheet.words(
    $localize`A hold proves that no leak is above its limit; it never proves a system tight, and it never replaces soap or a detector at the joints. Local codes and the maker’s instructions come first.`,
    9.5,
    SOFT,
  );
  await addPhotographs(pdf, fonts, photographs);
  return pdf.save();
}

/** Two beside each other, three rows on a page, each with its words below. */
const [COLUMNS_DRAWN, ROWS_DRAWN, GAP] = [2, 3, 16];

async function addPhotographs(pdf: PDFDocument, fonts: Fonts, photographs: readonly ShownPhotograph[]): Promise<void> {
  const perPage = COLUMNS_DRAWN * ROWS_DRAWN;
  const [width, height] = [(WIDTH - 2 * MARGIN - GAP) / COLUMNS_DRAWN, (HEIGHT - 2 * MARGIN - 40) / ROWS_DRAWN - 30];
  let page: PDFPage | undefined;
  for (const [k, { jpeg, words }] of photographs.entries()) {
    const place = k % perPage;
    if (place === 0 || page === undefined) {
      page = pdf.addPage([WIDTH, HEIGHT]);
      new Sheet(page, fonts).line($localize`Photographs`, 16, INK, true);
    }
    const picture = await pdf.embedJpg(jpeg);
    const fitted = picture.scaleToFit(width, height);
    const x = MARGIN + (place % COLUMNS_DRAWN) * (width + GAP);
    const top = HEIGHT - MARGIN - 40 - Math.floor(place / COLUMNS_DRAWN) * (height + 30);
    page.drawImage(picture, { x, y: top - fitted.height, ...fitted });
    page.drawText(printable(words).slice(0, 58), { x, y: top - fitted.height - 13, size: 9, font: fonts.plain, color: SOFT });
  }
}

type Pairs = readonly (readonly [string, string])[];

function figuresOf({ setUp, begunAt, begunBy, readings, ended }: VisitTest, tell: QuantityFormatter): Pairs {
  return [
    ...setUpOf(setUp, tell),
    [$localize`Begun`, `${momentText(begunAt)}, ${begunBy}`],
    [$localize`Readings`, $localize`${readings.length}, by ${[...new Set(readings.map(({ by }) => by))].join(', ')}`],
    ...(ended === null
      ? []
      : [[$localize`Ended`, $localize`${momentText(ended.at)}, ${ended.by}, core ${ended.finding.coreVersion}`] as const]),
  ];
}

function setUpOf(setUp: VisitTest['setUp'], tell: QuantityFormatter): Pairs {
  switch (setUp.test) {
    case 'hold':
      return [
        [$localize`Tested`, setUp.tested === undefined ? $localize`the whole circuit` : $localize`a piece of the circuit, its valves shut`],
        [$localize`Test pressure`, tell.pressureStep(setUp.setGaugePa)],
        [
          $localize`At most, by the weakest part`,
          setUp.mostGaugePa === null ? $localize`read on the plates` : `${tell.pressureStep(setUp.mostGaugePa)}, ${setUp.ruling ?? ''}`,
        ],
        [$localize`Volume`, tell.volumeText(setUp.volumeM3)],
        [
          $localize`Gauge reads to, thermometer`,
          `${tell.pressureStep(setUp.stepPa)}, ${setUp.clamp ? $localize`pipe clamp and air` : $localize`air alone`}`,
        ],
        [$localize`Filled`, momentText(setUp.filledAt)],
        [$localize`Asked to exclude leaks above`, $localize`${tell.decimal(100 * setUp.tightTo, 2)} % per hour`],
      ];
    case 'rise':
      return [
        [$localize`Volume of system and rig`, `${tell.volumeText(setUp.volumeM3)}, ${tell.volumeText(setUp.rigM3)}`],
        [$localize`Coldest wall`, tell.temperature(setUp.coldestWallK)],
        [$localize`Asked to exclude leaks above`, $localize`${tell.decimal(setUp.leakAbove, 1)} microns per minute`],
      ];
    case 'pull-down':
      return [
        [$localize`Volume`, tell.volumeText(setUp.volumeM3)],
        [$localize`Hose, cores`, $localize`${setUp.hose} in, ${tell.length(setUp.lengthM)}, cores ${setUp.core}`],
        [$localize`Pump`, `${tell.decimal(1000 * setUp.pumpSpeed, 1)} L/s`],
        [$localize`To`, $localize`${tell.decimal(setUp.targetMicron, 0)} microns`],
      ];
    case 'shut-in':
      return [[$localize`Level to be kept`, tell.pressure(setUp.levelPa)]];
    case 'pump-down':
      return [
        [$localize`Suction shut off at`, tell.pressure(setUp.endPa)],
        [$localize`High-pressure switch opens at`, tell.pressure(setUp.highSwitchPa)],
      ];
    default:
      return setUp satisfies never;
  }
}

/** Minutes and what was read, as it was read. */
function pointsOf({ readings }: VisitTest, tell: QuantityFormatter): readonly (readonly [number, number])[] {
  const start = Date.parse(readings[0]?.at ?? '');
  return readings.map(({ at, reading }) => [
    (Date.parse(at) - start) / 60_000,
    'micron' in reading ? reading.micron : tell.pressureNumber(absoluteOf(reading, tell)),
  ]);
}

function absoluteOf(reading: Exclude<TestReading, { micron: number }>, tell: QuantityFormatter): number {
  if ('shutInPa' in reading) return reading.shutInPa;
  return 'suctionPa' in reading ? reading.suctionPa : tell.atmosphere() + reading.gaugePa;
}

class Sheet {
  private y = HEIGHT - MARGIN;

  constructor(
    private readonly page: PDFPage,
    private readonly fonts: Fonts,
  ) {}

  space(points: number): void {
    this.y -= points;
  }

  line(text: string, size: number, color = INK, bold = false): void {
    this.y -= size * 1.35;
    this.page.drawText(printable(text), { x: MARGIN, y: this.y, size, font: bold ? this.fonts.bold : this.fonts.plain, color });
  }

  /** Broken where the line is full. */
  words(text: string, size: number, color = INK, bold = false): void {
    const font = bold ? this.fonts.bold : this.fonts.plain;
    let line = '';
    for (const word of printable(text).split(' ')) {
      const next = line === '' ? word : `${line} ${word}`;
      if (font.widthOfTextAtSize(next, size) > WIDTH - 2 * MARGIN && line !== '') {
        this.line(line, size, color, bold);
        line = word;
      } else line = next;
    }
    if (line !== '') this.line(line, size, color, bold);
  }

  pair(what: string, figure: string): void {
    this.y -= 17;
    this.page.drawText(printable(what), { x: MARGIN, y: this.y, size: 10.5, font: this.fonts.plain, color: SOFT });
    this.page.drawText(printable(figure), { x: MARGIN + 210, y: this.y, size: 10.5, font: this.fonts.bold, color: INK });
  }

  trace(points: readonly (readonly [number, number])[], title: string): void {
    this.line(title, 10, SOFT);
    const [width, height] = [WIDTH - 2 * MARGIN, 170];
    const bottom = this.y - height - 8;
    this.page.drawRectangle({ x: MARGIN, y: bottom, width, height, borderColor: SOFT, borderWidth: 0.7 });
    if (points.length > 1) {
      const values = points.map(([, value]) => value);
      const [least, most] = [Math.min(...values), Math.max(...values)];
      const pad = Math.max(0.1 * (most - least), 0.001 * Math.abs(most), 0.1);
      const last = Math.max(...points.map(([minute]) => minute), 1e-6);
      const x = (minute: number) => MARGIN + (minute / last) * width;
      const y = (value: number) => bottom + ((value - least + pad) / (most - least + 2 * pad)) * height;
      for (const [minute, value] of points) this.page.drawCircle({ x: x(minute), y: y(value), size: 1.8, color: INK });
      const tick = (text: string, tx: number, ty: number) =>
        this.page.drawText(text, { x: tx, y: ty, size: 8.5, font: this.fonts.plain, color: SOFT });
      tick(most.toFixed(1), MARGIN + 4, y(most) + 3);
      tick(least.toFixed(1), MARGIN + 4, y(least) - 10);
      tick($localize`${last.toFixed(0)} min`, MARGIN + width - 32, bottom - 11);
    }
    this.y = bottom - 12;
  }
}
