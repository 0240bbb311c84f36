import { stripVTControlCharacters } from 'node:util';

/** How much of what a program said is kept, in characters: the end, where failures are told. */
const KEPT = 200_000;
const TAIL_LINES = 60;
const NAMED_LINES = 20;

/** A line by which a test or check that failed names itself, or the error it failed by. */
const NAMES_A_FAILURE =
  /^\s*(FAIL\b|✘|×|\d+\) (\[|tests\/)|Error: Process|⎯+ Unhandled|[A-Za-z]*Error: |[-+]? *(Expected|Received)\b.*: |[\w./-]+\.tsx?[(:]\d+)/;

/** The end of what a program says, kept while it goes by. */
export class LastWords {
  #words = '';

  add(chunk: string): void {
    this.#words = (this.#words + chunk).slice(-KEPT);
  }

  /** Its last lines, without colours. */
  tail(lines = TAIL_LINES): string {
    return stripVTControlCharacters(this.#words).trimEnd().split('\n').slice(-lines).join('\n');
  }

  /** The browser tests that failed at a first try, each once. */
  failedOnce(): readonly string[] {
    const lines = stripVTControlCharacters(this.#words).split('\n');
    return [...new Set(lines.filter((l) => /^\s*✘/.test(l)).map((l) => l.trim().slice(0, 240)))];
  }

  /** The lines that name what failed, each once, the first dozen. */
  named(): readonly string[] {
    const lines = stripVTControlCharacters(this.#words)
      .split('\n')
      .filter((l) => NAMES_A_FAILURE.test(l));
    return [...new Set(lines.map((l) => l.trim().slice(0, 240)))].slice(0, NAMED_LINES);
  }
}
