import type { Visit } from '@hygromet/contract/visit';
import type { Run } from '@hygromet/contract/visit-record';
import { PDFDocument, rgb, StandardFonts } from 'pdf-lib';
import { printable } from '../../labels/printable';

/** Points: a label of 4 by 2.5 in. */
const [WIDTH, HEIGHT, MARGIN] = [288, 180, 16];
const [INK, SOFT] = [rgb(0.08, 0.1, 0.11), rgb(0.42, 0.45, 0.47)];

interface Label {
  readonly visit: Visit;
  readonly run: Run;
  /** The charge in the units of the trade. */
  readonly masses: readonly string[];
  readonly day: string;
}

/** The label that stays on the unit: its refrigerant, its charge with the line set, who checked it and when. */
export async function chargeLabelPdf({ visit, run, masses, day }: Label): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle($localize`Charge label, ${visit.system.site}`);
  const [plain, bold] = [await pdf.embedFont(StandardFonts.Helvetica), await pdf.embedFont(StandardFonts.HelveticaBold)];
  const page = pdf.addPage([WIDTH, HEIGHT]);
  page.drawRectangle({ x: 6, y: 6, width: WIDTH - 12, height: HEIGHT - 12, borderColor: INK, borderWidth: 1.2 });
  const lines: readonly (readonly [string, number, boolean])[] = [
    [visit.system.refrigerant, 24, true],
    [$localize`${masses.join(' / ')} with its line set`, 14, true],
    [`${visit.system.site}, ${visit.system.name}`, 10, false],
    [run.good ? $localize`Charged by weight, and checked while it ran` : $localize`Checked while it ran`, 10, false],
    [`${day}, ${run.by}`, 10, false],
  ];
  let y = HEIGHT - MARGIN;
  for (const [text, size, strong] of lines) {
    y -= size + 5;
    page.drawText(printable(text), { x: MARGIN, y, size, font: strong ? bold : plain, color: INK });
  }
  page.drawText(printable($localize`Keep it on the unit. The plate stays where it is.`), {
    x: MARGIN,
    y: MARGIN,
    size: 8,
    font: plain,
    color: SOFT,
  });
  return pdf.save();
}
