const SAYS: Readonly<Record<string, string>> = {
  ENOSPC: 'the disk is full: make room, or copy to another',
  EDQUOT: 'the room that this account may use on the disk is used up',
  EACCES: 'the folder may not be written by the account Rubrica runs as',
  EPERM: 'the folder may not be written by the account Rubrica runs as',
  EROFS: 'the disk may only be read: is it write-protected?',
  ENOENT: 'the folder is not there: is the disk plugged in?',
  ENOTDIR: 'the folder is not there: a file of that name is',
  EIO: 'the disk does not answer as it should: it may be broken',
};

/** Why something could not be written, in words for whoever stands at the machine. */
export function plainTrouble(e: unknown): string {
  const code = (e as { readonly code?: unknown } | null)?.code;
  const known = typeof code === 'string' ? SAYS[code] : undefined;
  const words = e instanceof Error ? e.message : String(e);
  return known === undefined ? words : `${known} (${words})`;
}
