import { sayDate } from '../../core/days/say-days.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import { stringName } from '../../core/instrument/construction.ts';
import { methodsOf, sheetStations, type StationView } from '../../core/job/views/sheet-stations.ts';
import { sayEntry } from '../../core/readings/entry.ts';
import { methodWords } from '../../core/readings/methods.ts';
import { QUANTITY_FACTS, type Quantity } from '../../core/readings/quantities.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import { sayBand, unitOf } from '../../core/targets/say-values.ts';
import type { DisplayUnit, LengthUnit } from '../../core/units/length-units.ts';
import type { JobView } from '../leaves/load-job.ts';
import { stepMark, stepWords } from './bench-words.ts';
import { Paper, TONES, type PaperSize } from './paper.ts';

const BOX = { width: 42, height: 20, gap: 4 } as const;
/** Boxes side by side, and the room their names have, points. */
const A_ROW = 8;
const NAMES = 96;
const NECK_HEIGHT = 46;

/** The neck to scale along the page: nut, frets, joint, saddle, and where each group of boxes is read. */
function neck(paper: Paper, job: JobView): (mm: number) => number {
  const { scale, frets, bodyFret } = job.instrument.construction;
  const at = (mm: number) => paper.left + (mm / scale) * paper.width;
  const { pdf } = paper;
  const top = pdf.y + 6;
  paper.figure('The neck from the side, to scale along its length', () => {
    pdf.lineWidth(0.6).strokeColor(TONES.plain);
    pdf
      .moveTo(at(0), top)
      .lineTo(at(scale), top - 2)
      .stroke();
    pdf
      .moveTo(at(0), top + 8)
      .lineTo(at(fretPosition(scale, frets)), top + 8)
      .stroke();
    for (let n = 1; n <= frets; n++) {
      const x = at(fretPosition(scale, n));
      pdf
        .lineWidth(n === bodyFret ? 1.4 : 0.4)
        .moveTo(x, top + 6)
        .lineTo(x, top + (n === 12 ? 18 : 13))
        .stroke();
    }
    pdf
      .lineWidth(1)
      .moveTo(at(0), top - 4)
      .lineTo(at(0), top + 12)
      .stroke();
    pdf
      .moveTo(at(scale), top - 8)
      .lineTo(at(scale), top + 12)
      .stroke();
    pdf.font('sans').fontSize(7).fillColor(TONES.plain);
    for (const n of [1, 3, 5, 7, 9, 12, bodyFret].filter((f, i, all) => f <= frets && all.indexOf(f) === i))
      pdf.text(String(n), at(fretPosition(scale, n)) - 4, top + 20, { lineBreak: false });
    pdf.text('nut', at(0), top + 20, { lineBreak: false });
    pdf.text('saddle', at(scale) - 22, top + 20, { lineBreak: false });
  });
  pdf.y = top + NECK_HEIGHT - 12;
  return at;
}

/** The unit a bare number means in a box: the reader’s, or the shop’s own for that quantity. */
const unitIn = (job: JobView, quantity: Quantity, unit: DisplayUnit): LengthUnit =>
  unitOf(quantity, unit, job.readings.habits.units);

/** What is aimed at, in the unit of its box: who writes beside it compares it with nothing else. */
function aim({ target, quantity }: StationView, job: JobView, unit: DisplayUnit): string {
  if (!target) return '';
  if (QUANTITY_FACTS[quantity].measure === 'cents') return `within ${Math.round(target.high)}`;
  const own = job.readings.habits.units[quantity];
  if (own === undefined) return sayBand(target, quantity, unit);
  return `${sayEntry(target.low, quantity, own)} to ${sayEntry(target.high, quantity, own)}`;
}

/** Places of one quantity on a round, with what is aimed at. */
interface BoxRow {
  readonly job: JobView;
  readonly round: RoundKind;
  readonly stations: readonly StationView[];
  readonly unit: DisplayUnit;
}

/** What was read already stands in its box, struck through where it is not to be used. */
function reading(paper: Paper, { job, round, unit }: BoxRow, s: StationView, x: number, top: number): void {
  const { pdf } = paper;
  const r = job.readings.readings.find((own) => own.round === round && own.key === s.key);
  if (!r) return;
  pdf.font('sans').fontSize(8).fillColor(TONES.ink);
  const says = sayEntry(r.value, s.quantity, unitIn(job, s.quantity, unit));
  pdf.text(says, x + 3, top + 6, { lineBreak: false });
  if (r.stale === null && r.notRepresentative === null) return;
  pdf.lineWidth(0.6).strokeColor(TONES.ink);
  pdf
    .moveTo(x + 2, top + 11)
    .lineTo(x + 4 + pdf.widthOfString(says), top + 11)
    .stroke();
}

/** One row of boxes: a box a place, with what it is called over it, and its band under it where they differ. */
function boxes(paper: Paper, name: string, row: BoxRow): void {
  const { pdf } = paper;
  const { job, stations, unit } = row;
  const bands = stations.map((s) => aim(s, job, unit));
  const alike = bands.every((b) => b === bands[0]);
  const under = alike ? 0 : 9;
  paper.need(BOX.height + 20 + under);
  const top = pdf.y + 9;
  paper.text(alike && bands[0] !== '' ? `${name}\n${bands[0] ?? ''}` : name, { size: 8 });
  paper.drawn(() => {
    stations.forEach((s, i) => {
      const x = paper.left + NAMES + i * (BOX.width + BOX.gap);
      const quiet = (text: string, y: number) =>
        pdf.font('sans').fontSize(6.5).fillColor(TONES.quiet).text(text, x, y, { lineBreak: false });
      const construction = job.instrument.construction;
      quiet(s.string > 0 ? `string ${stringName(construction, s.string)}` : `fret ${s.fret}`, top - 9);
      pdf.lineWidth(0.6).strokeColor(TONES.plain).rect(x, top, BOX.width, BOX.height).stroke();
      if (!alike) quiet(bands[i] ?? '', top + BOX.height + 2);
      reading(paper, row, s, x, top);
    });
  });
  pdf.y = Math.max(pdf.y, top + BOX.height + 3 + under);
  pdf.x = paper.left;
}

/** The boxes of a round, as its methods read it; they are printed over them, so that nobody guesses. */
function roundBoxes(paper: Paper, job: JobView, round: RoundKind, unit: DisplayUnit): void {
  const required = sheetStations(job, round).filter((s) => !s.optional);
  const quantities = [...new Set(required.map((s) => s.quantity))];
  const methods = methodsOf(job, round);
  paper.text(quantities.map((q) => `${QUANTITY_FACTS[q].name}: ${methodWords(q, methods)}.`).join(' '), {
    size: 8,
    tone: 'quiet',
  });
  paper.pdf.y += 3;
  for (const q of quantities) {
    const own = required.filter((s) => s.quantity === q);
    const name = `${QUANTITY_FACTS[q].name}, ${QUANTITY_FACTS[q].measure === 'cents' ? 'cents' : unitIn(job, q, unit)}`;
    for (let i = 0; i < own.length; i += A_ROW)
      boxes(paper, name, { job, round, stations: own.slice(i, i + A_ROW), unit });
  }
}

/** The rounds that are printed: after work the one that is written in now. */
function roundsOf(job: JobView): readonly { readonly kind: RoundKind; readonly name: string }[] {
  const after = job.readings.rounds.findLast((r) => r.kind.startsWith('after-work'));
  return [
    { kind: 'as-found', name: 'as found' },
    { kind: after?.kind ?? 'after-work', name: after?.name.toLowerCase() ?? 'after work' },
    { kind: 'as-left', name: 'as left' },
  ];
}

/**
 * A bench sheet for hands that write on paper: the neck, boxes for every reading of a round, steps, checks, notes.
 * @param unit what its reader reads heights in
 */
export function benchSheet(
  job: JobView,
  size: PaperSize,
  unit: DisplayUnit = job.shop.heights,
): Promise<Buffer> {
  const paper = new Paper(`Bench sheet ${job.number}`, size);
  paper.title(
    `${job.number} ${job.instrument.name}`,
    `${job.customer.name} · ${job.instrument.kindName.toLowerCase()} · ${job.place ?? 'no place'}${job.neededBy ? ` · by ${sayDate(job.neededBy, job.shop.dates)}` : ''}`,
  );
  paper.text(job.complaint, { tone: 'ink' });
  if (job.wish !== '') paper.text(job.wish, { tone: 'ink' });
  neck(paper, job);
  for (const { kind, name } of roundsOf(job)) {
    paper.heading(`Readings ${name}`);
    roundBoxes(paper, job, kind, unit);
  }
  paper.heading('Steps');
  paper.table(
    [
      ['Done', 'Step', 'Minutes', 'By'],
      ...job.lines
        .filter((l) => l.approval !== 'no')
        .map((l) => [
          stepMark(l),
          stepWords(l, unit),
          `${l.minutes.low}–${l.minutes.high}`,
          l.finishedBy ?? '',
        ]),
    ],
    [0.08, 0.68, 0.12, 0.12],
  );
  paper.heading('Bench check');
  for (const c of job.handOver.askedWhenDone) paper.text(`[   ]  ${c.title}`);
  paper.heading('Notes');
  for (let i = 0; i < 6; i++) {
    paper.need(24);
    paper.pdf.y += 18;
    paper.rule(0.3);
  }
  return paper.end();
}
