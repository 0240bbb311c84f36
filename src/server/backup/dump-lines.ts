import { Transform, type TransformCallback } from 'node:stream';

/** As much of a line as tells what it is. */
const HEAD = 400;
const NEWLINE = 10;
const BRACKET = 40;

/**
 * Passes a dump of a database on and counts the rows of each table in it; takes out who owned the triggers, since another
 * machine has other accounts. A dump has a row a line; what is typed with line breaks in it is written without.
 */
export class DumpLines extends Transform {
  /** rows by table, of what has passed so far */
  readonly rows: Record<string, number> = {};
  private carry: Buffer = Buffer.alloc(0);
  private atLineStart = true;
  private table = '';

  private look(head: Buffer): Buffer | null {
    if (head[0] === BRACKET && this.table !== '') {
      this.rows[this.table] = (this.rows[this.table] ?? 0) + 1;
      return null;
    }
    const text = head.toString('latin1');
    const created = /^CREATE TABLE `([^`]+)`/.exec(text)?.[1];
    if (created !== undefined) this.rows[created] ??= 0;
    this.table = /^INSERT INTO `([^`]+)` VALUES\s*$/.exec(text)?.[1] ?? '';
    if (!text.includes('DEFINER=')) return null;
    return Buffer.from(text.replace(/ ?(\/\*!\d+ )?DEFINER=`[^`]*`@`[^`]*`( \*\/|\*\/)?/, ''), 'latin1');
  }

  override _transform(chunk: Buffer, _: string, done: TransformCallback): void {
    let rest = this.carry.length > 0 ? Buffer.concat([this.carry, chunk]) : chunk;
    this.carry = Buffer.alloc(0);
    while (rest.length > 0) {
      const end = rest.indexOf(NEWLINE);
      if (this.atLineStart) {
        if (end < 0 && rest.length < HEAD) {
          this.carry = rest;
          break;
        }
        const upTo = end < 0 ? HEAD : Math.min(end, HEAD);
        const other = this.look(rest.subarray(0, upTo));
        if (other) {
          this.push(other);
          rest = rest.subarray(upTo);
          this.atLineStart = false;
          continue;
        }
      }
      const line = end < 0 ? rest : rest.subarray(0, end + 1);
      this.push(line);
      this.atLineStart = end >= 0;
      rest = rest.subarray(line.length);
    }
    done();
  }

  override _flush(done: TransformCallback): void {
    if (this.carry.length > 0) this.push(this.look(this.carry) ?? this.carry);
    done();
  }
}
