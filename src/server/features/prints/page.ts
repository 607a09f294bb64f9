import type { Site } from '#contracts/sites';
import { type Face, paperFonts } from './fonts';

/** Points to the millimetre: everything here is laid out in mm on an A5. */
const PT = 72 / 25.4;
export const A5 = { width: 148, height: 210 } as const;
/** ISO 216 papers in mm; the A5 layout is made larger or smaller to fit. */
const PAPERS = { a4: [210, 297], a5: [148, 210], a6: [105, 148] } as const;
export type CardSize = keyof typeof PAPERS;

/** What the layout draws with: millimetres from the top left, black unless said. */
export type Paper = {
  text(
    words: string,
    x: number,
    y: number,
    o: { face?: Face; size: number; width?: number; align?: 'left' | 'right'; lineGap?: number },
  ): void;
  widthOf(words: string, face: Face, size: number): number;
  heightOf(words: string, o: { face: Face; size: number; width: number }): number;
  line(x1: number, y1: number, x2: number, y2: number, weight: number): void;
  /** An SVG path in mm, placed at a point. */
  path(d: string, x: number, y: number, o: { stroke?: number; fill?: string; dash?: number }): void;
  rect(x: number, y: number, w: number, h: number): void;
  /** White on black. */
  reversed(words: string, x: number, y: number, w: number, h: number, size: number): void;
  /** Draws upside down about a point: the other side of a fold. */
  halfTurn(x: number, y: number, draw: () => void): void;
  disc(
    x: number,
    y: number,
    r: number,
    stops: readonly (readonly [at: number, colour: string])[],
  ): void;
};

/** Where a paper is read: in which zone, and how dates are written there. */
export type PaperPlace = Pick<Site, 'hours' | 'region'>;
/**
 * A day as papers have it: "27 November 2026", or "November 27, 2026" where the site writes the month first. It is the
 * site's own day; the server's until the site's hours are typed.
 */
export const dayOnPaper = (at: Date | number, { hours, region }: PaperPlace): string =>
  new Date(at).toLocaleDateString(region?.dates === 'monthDay' ? 'en-US' : 'en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: hours?.zone,
  });

type Info = { readonly title: string; readonly author: string };
type Draw = (p: Paper) => void;
/** Cards laid out on A5, one a page, made larger or smaller to fit the paper. */
export const onCards = (size: CardSize, info: Info, pages: readonly Draw[]): Promise<Buffer> => {
  const [width, height] = PAPERS[size];
  return makePdf(
    { width, height, scale: Math.min(width / A5.width, height / A5.height) },
    info,
    pages,
  );
};
/** Pages laid out in the paper's own mm. */
export const onSheets = (
  width: number,
  height: number,
  info: Info,
  pages: readonly Draw[],
): Promise<Buffer> => makePdf({ width, height, scale: 1 }, info, pages);

/** The fonts are those that ship, the text stays text. */
async function makePdf(
  { width, height, scale: k }: { width: number; height: number; scale: number },
  info: Info,
  pages: readonly Draw[],
): Promise<Buffer> {
  // Loaded when something is printed: a server starts without it.
  const { default: PDFDocument } = await import('pdfkit');
  const doc = new PDFDocument({
    size: [width * PT, height * PT],
    margin: 0,
    autoFirstPage: false,
    // None of the writer's own: the first is set by the first words.
    font: '',
    info: { Title: info.title, Author: info.author },
  });
  for (const [name, font] of paperFonts()) doc.registerFont(name, font);
  const done = new Promise<Buffer>((resolve, reject) => {
    const parts: Buffer[] = [];
    doc.on('data', (d: Buffer) => parts.push(d));
    doc.on('end', () => resolve(Buffer.concat(parts)));
    doc.on('error', reject);
  });
  const options = (o: { width?: number; align?: 'left' | 'right'; lineGap?: number }) => ({
    width: o.width,
    align: o.align ?? 'left',
    lineGap: o.lineGap ?? 0,
    lineBreak: o.width !== undefined,
  });
  const paper: Paper = {
    text: (words, x, y, o) =>
      void doc
        .font(o.face ?? 'sans')
        .fontSize(o.size)
        .fillColor('black')
        .text(
          words,
          o.align === 'right' && o.width === undefined ? x - doc.widthOfString(words) : x,
          y,
          options(o),
        ),
    widthOf: (words, face, s) => doc.font(face).fontSize(s).widthOfString(words),
    heightOf: (words, o) =>
      doc.font(o.face).fontSize(o.size).heightOfString(words, { width: o.width }),
    line: (x1, y1, x2, y2, weight) =>
      void doc.moveTo(x1, y1).lineTo(x2, y2).lineWidth(weight).strokeColor('black').stroke(),
    path: (d, x, y, o) => {
      doc.save().translate(x, y);
      if (o.dash) doc.dash(o.dash, { space: o.dash * 0.7 });
      doc.path(d).lineJoin('round');
      if (o.fill && o.stroke) doc.lineWidth(o.stroke).fillAndStroke(o.fill, 'black');
      else if (o.fill) doc.fill(o.fill);
      else
        doc
          .lineWidth(o.stroke ?? 0.3)
          .strokeColor('black')
          .stroke();
      doc.restore();
    },
    reversed: (words, x, y, w, h, s) => {
      doc.rect(x, y, w, h).fill('black');
      doc
        .font('bold')
        .fontSize(s)
        .fillColor('white')
        .text(words, x + 1.5, y + (h - s) / 2 - 0.3, { lineBreak: false });
      doc.fillColor('black');
    },
    rect: (x, y, w, h) => void doc.rect(x, y, w, h).fill('black'),
    halfTurn: (x, y, draw) => {
      doc.save().rotate(180, { origin: [x, y] });
      draw();
      doc.restore();
    },
    disc: (x, y, r, stops) => {
      const shade = doc.radialGradient(x, y, 0, x, y, r);
      for (const [at, colour] of stops) shade.stop(at, colour);
      doc.circle(x, y, r).fill(shade);
    },
  };
  for (const draw of pages) {
    doc.addPage();
    doc.scale(k * PT);
    draw(paper);
  }
  doc.end();
  return done;
}
