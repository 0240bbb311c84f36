import { sizeWords } from '../units/words-in.ts';
import { AFTER_OUTCOMES, type AfterOutcome } from '../desk/afterwards.ts';

type Plain = Readonly<Record<string, unknown>>;

const text = (v: unknown): string => (typeof v === 'string' ? v : '');
const colon = (v: unknown): string => (text(v) === '' ? '' : `: ${text(v)}`);
const mm = (v: unknown): string => (typeof v === 'number' ? sizeWords(v) : '');

/** Where a cut was made: `the saddle, bass side`. */
const cutWhere = (data: Plain): string =>
  `the ${data['operation'] === 'nut-slots' ? 'nut slot' : 'saddle'}, ${text(data['place'])}${/^(?:bass|treble)$/.test(text(data['place'])) ? ' side' : ''}`;

/** What the log says of cuts, and of what came of a call afterwards. */
export const BENCH_SENTENCES: Readonly<Record<string, (data: Plain) => string>> = {
  'cut logged': (data) => `took ${mm(data['took'])} off ${cutWhere(data)}; ${mm(data['meant'])} was meant`,
  'cut taken back': (data) => `took back a cut of ${mm(data['took'])} at ${cutWhere(data)}`,
  'asked afterwards': (data) =>
    `asked the customer afterwards: ${AFTER_OUTCOMES[text(data['outcome']) as AfterOutcome] ?? ''}${colon(data['note'])}`,
};
