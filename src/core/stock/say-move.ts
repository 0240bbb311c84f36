import type { MoveKind } from './ledger.ts';

type Plain = Readonly<Record<string, unknown>>;

const text = (v: unknown): string => (typeof v === 'string' ? v : '');

/** What each move says of how many of what. */
const SAID: Readonly<Record<MoveKind, (of: string) => string>> = {
  received: (of) => `took in ${of}`,
  'set-aside': (of) => `set aside ${of}`,
  released: (of) => `let go of ${of} that was set aside`,
  used: (of) => `used ${of}`,
  broken: (of) => `wrote off ${of}`,
  returned: (of) => `put back ${of}`,
  counted: (of) => `counted ${of}`,
};

/** A row of the ledger in words, after who made it: `used 1 set of Light bronze`. */
export function sayMove(data: Plain): string {
  const kind = text(data['move']) as MoveKind;
  const of = `${text(data['many'])} of ${text(data['item'])}`;
  const said = Object.hasOwn(SAID, kind) ? SAID[kind](of) : `moved ${of}`;
  const where = kind === 'counted' ? ` where ${String(data['before'])} stood in the book` : '';
  const reason = text(data['reason']);
  return `${said}${where}${reason === '' ? '' : `: ${reason}`}`;
}
