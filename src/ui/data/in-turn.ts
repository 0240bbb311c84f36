import type { CommandName } from '../../contracts/commands/commands.ts';

/** Commands that change one hand-over sheet under one version, each a part of its own. */
const PARTS: ReadonlySet<CommandName> = new Set<CommandName>([
  'hand-over.ending',
  'hand-over.check',
  'hand-over.advice',
]);

type Input = Readonly<Record<string, unknown>>;
interface Done {
  readonly name: CommandName;
  readonly to: number;
}

/** What this screen itself has changed: by thing and the version it changed, by what and to which version. */
const own = new Map<string, Map<number, Done>>();
const running = new Map<string, Promise<unknown>>();

const versionIn = (v: unknown): number | null => {
  const { version } = (v ?? {}) as { readonly version?: unknown };
  return typeof version === 'number' ? version : null;
};

/** The version a command goes with after what this screen changed of other parts meanwhile; a colleague's change is not passed over. */
function versionNow(thing: string, name: CommandName, version: number): number {
  let at = version;
  for (let next = own.get(thing)?.get(at); next && next.name !== name; next = own.get(thing)?.get(at))
    at = next.to;
  return at;
}

/**
 * Gives what changes a part of a sheet after what was given before it, at the version that has led to: leaving a field and ticking
 * a box in one movement is no conflict with oneself. Everything else goes as it comes.
 * @param post gives the command with the input it goes with
 */
export async function inTurn<R extends { readonly ok: boolean; readonly value?: unknown }>(
  name: CommandName,
  input: Input,
  post: (input: Input) => Promise<R>,
): Promise<R> {
  const version = versionIn(input);
  if (!PARTS.has(name) || version === null) return post(input);
  const thing = `hand-over:${String(input['jobId'])}`;
  const before = running.get(thing) ?? Promise.resolve();
  const mine = before
    .catch(() => undefined)
    .then(async () => {
      const at = versionNow(thing, name, version);
      const done = await post({ ...input, version: at });
      const to = done.ok ? versionIn(done.value) : null;
      if (to !== null) own.set(thing, new Map(own.get(thing)).set(at, { name, to }));
      return done;
    });
  running.set(thing, mine);
  return mine;
}
