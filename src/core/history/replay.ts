import type { LogEntry } from './say-change.ts';

/** An entry of the log with the job it belongs to. */
export interface ReplayedEntry extends LogEntry {
  readonly jobId: number | null;
}

/** What the log alone says of the jobs: by `job:item`, `job:round:place`, line and so on. */
export interface Replayed {
  /** `jobId:item` → answer and note */
  readonly answers: ReadonlyMap<string, { readonly answer: string | null; readonly note: string }>;
  /** `jobId:round:quantity:string:fret` → what was typed */
  readonly readings: ReadonlyMap<string, string>;
  /** line → step */
  readonly steps: ReadonlyMap<string, string>;
  /** line → the customer's word */
  readonly words: ReadonlyMap<string, string>;
  /** remark → its words and the answer it got */
  readonly remarks: ReadonlyMap<string, { readonly words: string; readonly answer: string | null }>;
  /** job → where it hangs and what it waits for, as last said by hand */
  readonly moved: ReadonlyMap<number, Readonly<Record<string, unknown>>>;
}

type Plain = Readonly<Record<string, unknown>>;
const plain = (v: unknown): Plain => (typeof v === 'object' && v !== null ? (v as Plain) : {});
const text = (v: unknown): string => (typeof v === 'string' ? v : '');
const textOrNull = (v: unknown): string | null => (typeof v === 'string' ? v : null);

const STEPS: Readonly<Record<string, string>> = {
  'step start': 'running',
  'step pause': 'paused',
  'step finish': 'finished',
  'step reopen': 'paused',
  'step interrupted': 'paused',
};

/** What was left at the first signature becomes a round among the others when the job is reopened. */
function renameRound(readings: Map<string, string>, jobId: number | null, to: string): void {
  const from = `${jobId ?? ''}:as-left:`;
  for (const [key, typed] of [...readings]) {
    if (to === '' || !key.startsWith(from)) continue;
    readings.delete(key);
    readings.set(`${jobId ?? ''}:${to}:${key.slice(from.length)}`, typed);
  }
}

/**
 * Carries a log out again, oldest first, and answers what stands at its end. What is kept in the house must be the same:
 * nothing is there that the log does not say, and nothing the log says is lost.
 */
export function replay(log: readonly ReplayedEntry[]): Replayed {
  const answers = new Map<string, { answer: string | null; note: string }>();
  const readings = new Map<string, string>();
  const steps = new Map<string, string>();
  const words = new Map<string, string>();
  const remarks = new Map<string, { words: string; answer: string | null }>();
  const moved = new Map<number, Plain>();
  for (const e of log) {
    const data = plain(e.data);
    const after = plain(data['after']);
    const of = `${e.jobId ?? ''}:${e.entityId}`;
    if (e.kind === 'item answered')
      answers.set(of, { answer: textOrNull(after['answer']), note: text(after['note']) });
    else if (e.kind === 'reading taken back') readings.delete(of);
    else if (e.entity === 'reading') readings.set(of, text(after['typed']));
    else if (e.kind === 'step undone') steps.set(e.entityId, text(data['after']));
    else if (e.kind === 'clock corrected') {
      if (data['stopped'] === true) steps.set(e.entityId, 'paused');
    } else if (e.kind in STEPS) steps.set(e.entityId, STEPS[e.kind] ?? '');
    else if (e.kind.startsWith('customer said ')) words.set(e.entityId, e.kind.slice(14));
    else if (e.kind === 'remark made') remarks.set(e.entityId, { words: text(after['words']), answer: null });
    else if (e.kind === 'remark answered')
      remarks.set(e.entityId, {
        words: remarks.get(e.entityId)?.words ?? '',
        answer: text(after['answer']),
      });
    else if (e.kind === 'job reopened') renameRound(readings, e.jobId, text(data['round']));
    else if (e.kind === 'job moved' && e.jobId !== null) moved.set(e.jobId, after);
  }
  return { answers, readings, steps, words, remarks, moved };
}
