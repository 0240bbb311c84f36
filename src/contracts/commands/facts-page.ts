import { ROLES, may } from '../../core/people/roles.ts';
import { COMMANDS } from './commands.ts';

const all = Object.values(COMMANDS);
const list = (name: string, words: string, entries: readonly string[]): string =>
  `/** ${words} */\nexport const ${name} = [\n${entries.map((e) => `  '${e}',\n`).join('')}] as const;\n`;

/** The light facts of the commands, as a file: a screen that needs them need not load what every command takes. */
export function commandFacts(): string {
  const wide = new Set(
    all.filter((c) => c.concerns !== 'own leaves').flatMap((c): readonly string[] => c.events),
  );
  const own = all
    .filter((c) => c.concerns === 'own leaves')
    .flatMap((c): readonly string[] => c.events)
    .filter((e) => !wide.has(e));
  return [
    '// Made by `npm run docs` from the declarations in contracts/commands; not written by hand.\n',
    list(
      'QUEUED_COMMANDS',
      'Commands that may be done without a connection.',
      all.filter((c) => c.offline).map((c) => c.name),
    ),
    list(
      'OWN_LEAVES_ONLY',
      'Kinds of events that change a job’s own leaves and tag, and nothing elsewhere.',
      [...new Set(own)].sort(),
    ),
  ].join('\n');
}

const INTRO = `# Who may do what

This page is the policy. It is made from the commands' declarations, and the browser tests hold the running house against it,
every row and column. Whoever may do a thing may do it on any job: benches help each other out, and the log keeps who did it.
Without a session nothing is done. A customer's link opens what it was made for on its own job, until it ends or is taken back,
and does nothing below: _options_ are chosen from once; an _estimate_ is answered line by line, once each, and asks questions;
a _sheet_ is read, asks questions and may say that something is not right. Three things hang on more than the role: a clock is
put right by who worked or by a lead, the second name under a bench check is never that of who made it, and the link by which a customer
answers an estimate is told to whoever may approve.
`;

/** Who may do what, by command, as a page. */
export function policyPage(): string {
  const names = all.map((c) => `\`${c.name}\``);
  const widest = Math.max(...names.map((n) => n.length));
  const row = (cells: readonly string[]): string =>
    `| ${cells.map((c, i) => c.padEnd([widest, ...ROLES.map((r) => r.length)][i] ?? 0)).join(' | ')} |`;
  return [
    INTRO,
    row(['command', ...ROLES]),
    row([widest, ...ROLES.map((r) => r.length)].map((n) => '-'.repeat(n))),
    ...all.map((c, i) => row([names[i] ?? '', ...ROLES.map((r) => (may(r, c.may) ? 'yes' : 'no'))])),
  ].join('\n');
}
