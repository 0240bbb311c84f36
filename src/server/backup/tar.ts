import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { open, stat, type FileHandle } from 'node:fs/promises';

const BLOCK = 512;
/** The two empty blocks that end a tar file. */
const END = 2 * BLOCK;
/** More than eleven octal digits say: written in base 256. */
const OCTAL_LIMIT = 8 ** 11;
const LAST_NAME = 'whole.sha256';

const padded = (bytes: number): number => Math.ceil(bytes / BLOCK) * BLOCK;

function putSize(header: Buffer, bytes: number): void {
  if (bytes < OCTAL_LIMIT) {
    header.write(`${bytes.toString(8).padStart(11, '0')}\0`, 124, 'latin1');
    return;
  }
  header.writeBigUInt64BE(BigInt(bytes), 128);
  header[124] = 0x80;
}

function sizeIn(header: Buffer): number {
  if (header[124] === 0x80) return Number(header.readBigUInt64BE(128));
  return Number.parseInt(header.toString('latin1', 124, 135), 8);
}

/** The block before a member of a tar file (ustar): everything but its name and size is fixed. */
function tarHeader(name: string, bytes: number): Buffer {
  const header = Buffer.alloc(BLOCK);
  const put = (at: number, words: string): number => header.write(words, at, 'latin1');
  put(0, name);
  put(100, '0000600\0');
  put(108, '0000000\0');
  put(116, '0000000\0');
  putSize(header, bytes);
  put(136, `${'0'.repeat(11)}\0`);
  put(148, ' '.repeat(8));
  put(156, '0');
  put(257, 'ustar\0' + '00');
  const sum = header.reduce((all, b) => all + b, 0);
  put(148, `${sum.toString(8).padStart(6, '0')}\0 `);
  return header;
}

/** Writes the members of a tar file one after another; closed with a digest of all of it. */
export class TarWriter {
  private readonly hash = createHash('sha256');
  private readonly handle: FileHandle;

  private constructor(handle: FileHandle) {
    this.handle = handle;
  }

  /** Begins a file that only its owner may read; there may be none yet. */
  static async begin(path: string): Promise<TarWriter> {
    return new TarWriter(await open(path, 'wx', 0o600));
  }

  private async write(bytes: Buffer): Promise<void> {
    this.hash.update(bytes);
    await this.handle.writeFile(bytes);
  }

  private async pad(bytes: number): Promise<void> {
    await this.write(Buffer.alloc(padded(bytes) - bytes));
  }

  async addText(name: string, text: string): Promise<void> {
    const bytes = Buffer.from(text);
    await this.write(tarHeader(name, bytes.length));
    await this.write(bytes);
    await this.pad(bytes.length);
  }

  /** @throws when the file is not as long as was said */
  async addFile(name: string, path: string, bytes: number): Promise<void> {
    await this.write(tarHeader(name, bytes));
    let written = 0;
    for await (const chunk of createReadStream(path, { highWaterMark: 1 << 20 })) {
      written += (chunk as Buffer).length;
      await this.write(chunk as Buffer);
    }
    if (written !== bytes) throw new Error(`${name} has ${written} bytes instead of ${bytes}`);
    await this.pad(bytes);
  }

  /** The last member says the digest of everything before it; the file is on the disk when this answers. */
  async end(): Promise<void> {
    await this.handle.writeFile(lastMember(this.hash.digest('hex')));
    await this.handle.sync();
    await this.handle.close();
  }

  /** Gives the file up. */
  async abandon(): Promise<void> {
    await this.handle.close().catch(() => undefined);
  }
}

const LAST_BYTES = BLOCK + BLOCK + END;

/** The last member and the end, to the last bit. */
function lastMember(digest: string): Buffer {
  const text = `${digest}\n`;
  const bytes = Buffer.alloc(LAST_BYTES);
  tarHeader(LAST_NAME, text.length).copy(bytes);
  bytes.write(text, BLOCK, 'latin1');
  return bytes;
}

/** Whether a copy is as it was written, to the last bit. */
export async function isWhole(path: string): Promise<boolean> {
  const { size } = await stat(path);
  if (size <= LAST_BYTES) return false;
  const hash = createHash('sha256');
  const end = size - LAST_BYTES - 1;
  for await (const chunk of createReadStream(path, { end, highWaterMark: 1 << 20 }))
    hash.update(chunk as Buffer);
  const handle = await open(path, 'r');
  try {
    const { buffer } = await handle.read(Buffer.alloc(LAST_BYTES), 0, LAST_BYTES, size - LAST_BYTES);
    return buffer.equals(lastMember(hash.digest('hex')));
  } finally {
    await handle.close();
  }
}

/** Where a member stands in a tar file. */
export interface TarMember {
  readonly name: string;
  /** its first byte */
  readonly at: number;
  readonly bytes: number;
}

/** The members of a whole file, in their order. */
export async function tarMembers(path: string): Promise<readonly TarMember[]> {
  const found: TarMember[] = [];
  const { size } = await stat(path);
  const handle = await open(path, 'r');
  try {
    for (let at = 0; at + END < size;) {
      const { buffer } = await handle.read(Buffer.alloc(BLOCK), 0, BLOCK, at);
      const name = buffer.toString('latin1', 0, buffer.indexOf(0));
      const bytes = sizeIn(buffer);
      if (name === '' || !Number.isSafeInteger(bytes)) break;
      found.push({ name, at: at + BLOCK, bytes });
      at += BLOCK + padded(bytes);
    }
    return found;
  } finally {
    await handle.close();
  }
}

/** The bytes of a member, as a stream. */
export const readMember = (path: string, { at, bytes }: TarMember) =>
  createReadStream(path, { start: at, end: at + bytes - 1 });
