/**
 * Lets a process go on working when nobody takes its words any more, since whoever started it is gone. Without this each word that cannot
 * be written is a fault, whose words cannot be written: it goes round for ever.
 */
export function goOnUnheard(): void {
  for (const out of [process.stdout, process.stderr]) out.on('error', () => undefined);
}
