import { PDFDocument, rgb, StandardFonts, type PDFFont, type PDFPage } from 'pdf-lib';
import { printable } from '../labels/printable';
import type { Shipment, ShipmentGroup } from './shipment';

/** What stands above the list. */
export interface ShipmentHead {
  readonly from: string;
  readonly to: string;
  readonly carrier: string;
  readonly day: string;
  readonly person: string;
}

/** US Letter, points. */
const PAGE = { width: 612, height: 792, margin: 48 };
const BLACK = rgb(0, 0, 0);
const GREY = rgb(0.35, 0.35, 0.35);
/** Left edge of each column, or its right one for figures. */
const COLUMNS = { name: 48, kind: 104, remark: 214, gross: 430, tare: 497, net: 564 };
const ROW_PX = 17;

/** A shipment as PDF: one line for each cylinder, sums by refrigerant, and who gave it to whom. @param mass how a weight is told */
export async function shipmentPdf(shipment: Shipment, head: ShipmentHead, mass: (kg: number) => string): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle($localize`Shipment of ${head.day}`);
  const sheet = new Sheet(pdf, await pdf.embedFont(StandardFonts.Helvetica), await pdf.embedFont(StandardFonts.HelveticaBold));
  sheet.heading($localize`Shipment of recovered refrigerant`, 18);
  for (const [what, text] of [
    [$localize`From`, head.from],
    [$localize`To`, head.to],
    [$localize`Carrier`, head.carrier],
    [$localize`Date`, head.day],
  ] as const)
    sheet.pair(what, text);
  for (const group of shipment.groups) writeGroup(sheet, group, mass);
  sheet.space(14);
  sheet.rule();
  sheet.row({ name: $localize`All`, gross: mass(shipment.grossKg), net: mass(shipment.netKg) }, true);
  sheet.space(40);
  sheet.row({ name: $localize`Given by ${head.person}`, remark: $localize`Taken by` }, false);
  return pdf.save();
}

function writeGroup(sheet: Sheet, group: ShipmentGroup, mass: (kg: number) => string): void {
  sheet.space(16);
  sheet.heading(`${group.content}   ${group.un}`, 12);
  sheet.row(
    {
      name: $localize`Cylinder`,
      kind: $localize`Kind`,
      remark: $localize`Remark`,
      gross: $localize`Gross`,
      tare: $localize`Tare`,
      net: $localize`Net`,
    },
    false,
    GREY,
  );
  sheet.rule();
  for (const { cylinder, kind, remark, grossKg, tareKg, netKg } of group.lines)
    sheet.row({ name: cylinder.name, kind, remark, gross: mass(grossKg), tare: mass(tareKg), net: mass(netKg) }, false);
  sheet.rule();
  sheet.row(
    {
      name: `${group.lines.length} ${group.lines.length === 1 ? $localize`cylinder` : $localize`cylinders`}`,
      gross: mass(group.grossKg),
      tare: mass(group.tareKg),
      net: mass(group.netKg),
    },
    true,
  );
}

type Cells = Partial<Record<keyof typeof COLUMNS, string>>;
const FIGURES: readonly string[] = ['gross', 'tare', 'net'];

/** Writes from the top to the bottom, and on to the next page. */
class Sheet {
  private page: PDFPage;
  private y = PAGE.height - PAGE.margin;

  constructor(
    private readonly pdf: PDFDocument,
    private readonly plain: PDFFont,
    private readonly bold: PDFFont,
  ) {
    this.page = pdf.addPage([PAGE.width, PAGE.height]);
  }

  heading(text: string, size: number): void {
    this.down(size * 1.5);
    this.page.drawText(printable(text), { x: PAGE.margin, y: this.y, size, font: this.bold, color: BLACK });
    this.space(6);
  }

  pair(what: string, text: string): void {
    this.down(ROW_PX);
    this.page.drawText(what, { x: PAGE.margin, y: this.y, size: 10, font: this.plain, color: GREY });
    this.page.drawText(printable(text === '' ? '-' : text), { x: COLUMNS.kind, y: this.y, size: 10, font: this.bold, color: BLACK });
  }

  row(cells: Cells, bold: boolean, color = BLACK): void {
    this.down(ROW_PX);
    const font = bold ? this.bold : this.plain;
    for (const [column, text] of Object.entries(cells)) {
      const edge = COLUMNS[column as keyof Cells]; // Object.entries forgets its literal keys
      const fitted = this.fitted(printable(text), font, column);
      const x = FIGURES.includes(column) ? edge - font.widthOfTextAtSize(fitted, 10) : edge;
      this.page.drawText(fitted, { x, y: this.y, size: 10, font, color });
    }
  }

  rule(): void {
    const y = this.y - 5;
    this.page.drawLine({ start: { x: PAGE.margin, y }, end: { x: PAGE.width - PAGE.margin, y }, thickness: 0.6, color: BLACK });
    this.space(3);
  }

  space(points: number): void {
    this.y -= points;
  }

  private down(points: number): void {
    if (this.y - points < PAGE.margin) {
      this.page = this.pdf.addPage([PAGE.width, PAGE.height]);
      this.y = PAGE.height - PAGE.margin;
    }
    this.y -= points;
  }

  /** A remark that is longer than its column ends in dots; a name may run over the empty column beside it. */
  private fitted(text: string, font: PDFFont, column: string): string {
    if (column !== 'remark') return text;
    const width = COLUMNS.gross - COLUMNS.remark - 62;
    let short = text;
    while (short.length > 1 && font.widthOfTextAtSize(short === text ? short : `${short}...`, 10) > width) short = short.slice(0, -1);
    return short === text ? text : `${short}...`;
  }
}
