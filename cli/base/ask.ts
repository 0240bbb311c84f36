import { createInterface } from 'node:readline/promises';

/** The first line of standard input, asked for at a terminal: what should stand in no list of processes. */
export async function askLine(question: string): Promise<string> {
  const lines = createInterface({ input: process.stdin, output: process.stderr });
  if (process.stdin.isTTY) process.stderr.write(question);
  for await (const line of lines) {
    lines.close();
    return line.trim();
  }
  return '';
}
