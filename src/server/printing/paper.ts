import PDFDocument from 'pdfkit';
import { fontFile } from './fonts.ts';

export const PAPER_SIZES = ['A4', 'LETTER'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

/** The size a request asks for: `?size=letter` or `?size=a4`, else the shop’s. */
export function sizeAsked(request: Request, usual: PaperSize): PaperSize {
  const asked = new URL(request.url).searchParams.get('size')?.toUpperCase();
  return PAPER_SIZES.find((s) => s === asked) ?? usual;
}

type Pdf = InstanceType<typeof PDFDocument>;
type Element = ReturnType<Pdf['struct']>;

/** Dark enough for a printer without colours; what is typed by people stays told apart on screens and coloured paper. */
export const TONES = {
  plain: '#000000',
  ink: '#1b3a73',
  quiet: '#4d463c',
  red: '#8f1212',
  seal: '#1d5c34',
} as const;
const MARGIN = 54;
/** Points. */
const LOGO = { width: 150, height: 46, lift: 14 } as const;

interface TextStyle {
  readonly size?: number;
  readonly tone?: keyof typeof TONES;
  readonly font?: 'serif' | 'sans';
}

/** A sheet of paper that is written from top to bottom: embedded fonts, tagged for screen readers, black enough. */
export class Paper {
  readonly pdf: Pdf;
  private readonly root: Element;
  private readonly pieces: Buffer[] = [];
  private readonly whole: Promise<Buffer>;

  constructor(title: string, size: PaperSize) {
    this.pdf = new PDFDocument({
      size,
      margin: MARGIN,
      pdfVersion: '1.5',
      tagged: true,
      lang: 'en',
      displayTitle: true,
      info: { Title: title, Creator: 'Rubrica' },
    });
    this.pdf.registerFont('serif', fontFile('serif'));
    this.pdf.registerFont('sans', fontFile('sans'));
    this.whole = new Promise<Buffer>((resolve, reject) => {
      this.pdf.on('data', (piece: Buffer) => this.pieces.push(piece));
      this.pdf.on('end', () => resolve(Buffer.concat(this.pieces)));
      this.pdf.on('error', reject);
    });
    this.root = this.pdf.struct('Document');
    this.pdf.addStructure(this.root);
  }

  /** A picture at the right of the head, tagged with what it shows; what is written beside it keeps clear. */
  logo(png: Buffer, shows: string): void {
    const [x, y] = [this.left + this.width - LOGO.width, MARGIN - LOGO.lift];
    this.root.add(
      this.pdf.struct('Figure', { alt: shows }, () => {
        this.pdf.image(png, x, y, { fit: [LOGO.width, LOGO.height], align: 'right' });
      }),
    );
    // A picture moves the pen; the words begin where they would without it.
    this.pdf.x = this.left;
    this.pdf.y = MARGIN;
  }

  get left(): number {
    return MARGIN;
  }

  get width(): number {
    return this.pdf.page.width - 2 * MARGIN;
  }

  /** Begins a new page where less than this is left, in points. */
  need(points: number): void {
    if (this.pdf.y + points > this.pdf.page.height - MARGIN) this.pdf.addPage();
  }

  private style({ size = 10, tone = 'plain', font = 'sans' }: TextStyle): Pdf {
    return this.pdf.font(font).fontSize(size).fillColor(TONES[tone]);
  }

  title(text: string, under = ''): void {
    this.write('H1', text, { size: 20, font: 'serif' });
    if (under !== '') this.write('P', under, { tone: 'quiet' });
  }

  heading(text: string): void {
    this.need(40);
    this.pdf.moveDown(0.6);
    this.write('H2', text, { size: 13, font: 'serif' });
    this.pdf.moveDown(0.15);
  }

  text(text: string, style: TextStyle = {}): void {
    if (text !== '') this.write('P', text, style);
  }

  private write(tag: 'H1' | 'H2' | 'P' | 'LI', text: string, style: TextStyle): void {
    this.need(16);
    this.root.add(
      this.pdf.struct(tag, {}, () => {
        this.style(style).text(text, MARGIN, this.pdf.y, { width: this.width });
      }),
    );
  }

  list(lines: readonly string[], style: TextStyle = {}): void {
    for (const l of lines) this.write('P', `• ${l}`, style);
  }

  private heightOf(cells: readonly string[], shares: readonly number[]): number {
    const pdf = this.style({});
    return Math.max(
      ...cells.map((c, i) =>
        pdf.heightOfString(c === '' ? ' ' : c, { width: (shares[i] ?? 0) * this.width - 6 }),
      ),
    );
  }

  /** Rows of cells; widths are shares of the page. The first row is the head. */
  table(
    rows: readonly (readonly string[])[],
    shares: readonly number[],
    last: 'left' | 'right' = 'left',
  ): void {
    const table = this.pdf.struct('Table');
    this.root.add(table);
    rows.forEach((cells, n) => {
      // A head that says nothing is only there for the widths.
      if (n === 0 && cells.every((c) => c === '')) return;
      this.need(this.heightOf(cells, shares) + 4);
      const row = this.pdf.struct('TR');
      table.add(row);
      const top = this.pdf.y;
      let bottom = top;
      cells.forEach((cell, i) => {
        const before = shares.slice(0, i).reduce((s, v) => s + v, 0) * this.width;
        const width = (shares[i] ?? 0) * this.width - 6;
        const align = i === cells.length - 1 ? last : 'left';
        row.add(
          this.pdf.struct(n === 0 ? 'TH' : 'TD', {}, () => {
            this.style({ tone: n === 0 ? 'quiet' : 'plain' }).text(
              cell === '' ? ' ' : cell,
              MARGIN + before,
              top,
              {
                width,
                align,
              },
            );
          }),
        );
        bottom = Math.max(bottom, this.pdf.y);
      });
      row.end();
      this.pdf.y = bottom + 2;
      this.rule(0.3);
    });
    table.end();
    this.pdf.x = MARGIN;
  }

  /** A line across the page: decoration, which a screen reader passes over. */
  rule(weight = 0.5): void {
    const { y } = this.pdf;
    this.drawn(() => {
      this.pdf
        .lineWidth(weight)
        .strokeColor(TONES.quiet)
        .moveTo(MARGIN, y)
        .lineTo(MARGIN + this.width, y)
        .stroke();
    });
    this.pdf.y = y + 2;
  }

  /** Something drawn that words beside it say as well. */
  drawn(draw: () => void): void {
    this.pdf.markContent('Artifact', { type: 'Layout' });
    draw();
    this.pdf.endMarkedContent();
  }

  /** A picture with what it shows in words. */
  figure(alt: string, draw: () => void): void {
    this.root.add(this.pdf.struct('Figure', { alt }, draw));
  }

  /** A large word and lines under it, at a place of their own. */
  beside(x: number, y: number, width: number, large: string, lines: readonly string[]): void {
    this.root.add(
      this.pdf.struct('H1', {}, () => {
        this.style({ size: 30, font: 'serif' }).text(large, x, y, { width });
      }),
    );
    for (const l of lines)
      this.root.add(
        this.pdf.struct('P', {}, () => {
          this.style({ size: 9 }).text(l, x, this.pdf.y, { width });
        }),
      );
  }

  end(): Promise<Buffer> {
    this.root.end();
    this.pdf.end();
    return this.whole;
  }
}
