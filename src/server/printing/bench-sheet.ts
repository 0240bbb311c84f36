import { sayDate } from '../../core/days/say-days.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import { QUANTITY_FACTS, type Quantity } from '../../core/readings/quantities.ts';
import { readingWords } from '../../core/readings/reading-words.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { wordsIn } from '../../core/units/words-in.ts';
import type { JobView } from '../leaves/load-job.ts';
import { Paper, TONES, type PaperSize } from './paper.ts';

type Station = JobView['readings']['stations'][number];
const ROUNDS = ['as found', 'after work', 'as left'] as const;
const BOX = { width: 42, height: 20, gap: 4 } as const;
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
const unitOf = (job: JobView, quantity: Quantity, unit: DisplayUnit): string =>
  QUANTITY_FACTS[quantity].measure === 'cents'
    ? 'cents'
    : (job.readings.habits.units[quantity] ??
      (quantity === 'action' || unit === 'mm' ? unit : QUANTITY_FACTS[quantity].unit));

function aim(station: Station | undefined, unit: DisplayUnit): string {
  const target = station?.target;
  if (!target || !station) return '';
  const { quantity } = station;
  if (QUANTITY_FACTS[quantity].measure === 'cents') return `within ${Math.round(target.high)}`;
  const say = (value: number) => wordsIn(readingWords(quantity, value), unit);
  return `${say(target.low)} to ${say(target.high)}`;
}

/** One row of empty boxes: a box a place, with what it is called over it. */
function boxes(paper: Paper, name: string, stations: readonly Station[]): void {
  const { pdf } = paper;
  paper.need(BOX.height + 20);
  const top = pdf.y + 9;
  paper.text(name, { size: 8 });
  paper.drawn(() => {
    stations.forEach((s, i) => {
      const x = paper.left + 96 + i * (BOX.width + BOX.gap);
      pdf.font('sans').fontSize(6.5).fillColor(TONES.quiet);
      const said = s.string > 0 ? `string ${s.string}` : `fret ${s.fret}`;
      pdf.text(said, x, top - 9, { lineBreak: false });
      pdf.lineWidth(0.6).strokeColor(TONES.plain).rect(x, top, BOX.width, BOX.height).stroke();
    });
  });
  pdf.y = Math.max(pdf.y, top + BOX.height + 3);
  pdf.x = paper.left;
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
  const required = job.readings.stations.filter((s) => !s.optional);
  const quantities = [...new Set(required.map((s) => s.quantity))];
  neck(paper, job);
  for (const round of ROUNDS) {
    paper.heading(`Readings ${round}`);
    for (const q of quantities) {
      const own = required.filter((s) => s.quantity === q);
      for (let i = 0; i < own.length; i += 8)
        boxes(
          paper,
          `${QUANTITY_FACTS[q].name}, ${unitOf(job, q, unit)}\n${aim(own[0], unit)}`,
          own.slice(i, i + 8),
        );
    }
  }
  paper.heading('Steps');
  paper.table(
    [
      ['Done', 'Step', 'Minutes', 'By'],
      ...job.lines
        .filter((l) => l.approval !== 'no')
        .map((l) => [
          '[   ]',
          `${l.title}${l.detail ? `: ${wordsIn(l.detail, unit)}` : ''}${l.forGood === '' ? '' : ` (${l.forGood})`}${l.hazards.length > 0 ? ` Beware: ${l.hazards.join(' ')} Follow the safety sheet and local rules.` : ''}`,
          `${l.minutes.low}–${l.minutes.high}`,
          '',
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
