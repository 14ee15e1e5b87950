import { PDFDocument, rgb, StandardFonts, type PDFFont, type PDFPage } from 'pdf-lib';
import { modulesOf } from './code-modules';
import type { Label } from './label';
import { labelSizes, type LabelSize } from './label-sizes';
import { printable } from './printable';

const BLACK = rgb(0, 0, 0);

/** Labels as PDF, one on each page. */
export async function labelPdf(labels: readonly Label[], size: LabelSize): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(labels.length === 1 ? $localize`Label of ${labels[0]?.number ?? ''}` : $localize`${labels.length} labels`);
  const fonts = { plain: await pdf.embedFont(StandardFonts.Helvetica), bold: await pdf.embedFont(StandardFonts.HelveticaBold) };
  for (const label of labels) drawLabel(pdf.addPage([labelSizes[size].width, labelSizes[size].height]), label, fonts);
  return pdf.save();
}

/** Number and content large, the marks in bars, the figures, and the code that opens the cylinder. */
function drawLabel(page: PDFPage, label: Label, { plain, bold }: { readonly plain: PDFFont; readonly bold: PDFFont }): void {
  const { width, height } = page.getSize();
  const margin = width * 0.06;
  const inner = width - 2 * margin;
  let y = height - margin;
  const line = (text: string, font: PDFFont, most: number, gap = 0.35) => {
    const fitted = fit(printable(text), font, most, inner);
    y -= fitted;
    page.drawText(printable(text), { x: margin, y, size: fitted, font, color: BLACK });
    y -= fitted * gap;
  };
  line(label.number, bold, width * 0.2, 0.25);
  line(label.content, bold, width * 0.12);
  for (const mark of label.marks) y = bar(page, printable(mark), bold, { x: margin, y, width: inner, size: width * 0.052 });
  const text = width * 0.046;
  for (const [what, figure] of label.figures) {
    y -= text * 1.45;
    page.drawText(printable(what), { x: margin, y, size: text * 0.85, font: plain, color: BLACK });
    const wide = bold.widthOfTextAtSize(printable(figure), text);
    page.drawText(printable(figure), { x: width - margin - wide, y, size: text, font: bold, color: BLACK });
  }
  if (label.owner !== '') line($localize`Owner: ${label.owner}`, plain, text, 0.2);
  const side = Math.min(inner * 0.55, y - 2 * margin);
  drawCode(page, label.code, { x: (width - side) / 2, y: margin, side });
}

/** The largest size up to `most` at which the text fits. */
const fit = (text: string, font: PDFFont, most: number, width: number) =>
  Math.min(most, (most * width) / font.widthOfTextAtSize(text, most));

function bar(page: PDFPage, text: string, font: PDFFont, at: { x: number; y: number; width: number; size: number }): number {
  const height = at.size * 1.7;
  const y = at.y - height;
  const size = fit(text, font, at.size, at.width * 0.94);
  page.drawRectangle({ x: at.x, y, width: at.width, height, color: BLACK });
  page.drawText(text, { x: at.x + at.width * 0.03, y: y + (height - size * 0.72) / 2, size, font, color: rgb(1, 1, 1) });
  return y - at.size * 0.4;
}

function drawCode(page: PDFPage, code: string, at: { x: number; y: number; side: number }): void {
  const { side, dark } = modulesOf(code);
  const step = at.side / side;
  for (const [column, row] of dark)
    page.drawRectangle({ x: at.x + column * step, y: at.y + at.side - (row + 1) * step, width: step, height: step, color: BLACK });
}
