import { createHash } from 'node:crypto';
import pLimit from 'p-limit';
import sharp from 'sharp';
import { fail, ok, type Result } from '../../core/result.ts';

/** Only these are ever decoded: the decoder of anything else is never reached. */
const KINDS = {
  jpeg: { name: 'JPEG', endings: ['jpg', 'jpeg'], begins: [[0xff, 0xd8, 0xff]] },
  png: { name: 'PNG', endings: ['png'], begins: [[0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]] },
  webp: { name: 'WebP', endings: ['webp'], begins: [[0x52, 0x49, 0x46, 0x46]] },
} as const;
type PhotoKind = keyof typeof KINDS;

sharp.block({ operation: ['VipsForeignLoad'] });
sharp.unblock({
  operation: ['VipsForeignLoadJpegBuffer', 'VipsForeignLoadPngBuffer', 'VipsForeignLoadWebpBuffer'],
});

// Decoding a large photo takes a second of a processor and a quarter of a gigabyte.
const oneByOne = pLimit(1);
sharp.concurrency(1);

export const MOST_BYTES = 30 * 1024 * 1024;
const MOST_PIXELS = 60_000_000;
const LONGEST = 4096;
const SMALL = 320;

/** A photo as it is kept: no metadata, upright, in two sizes. */
export interface PreparedPhoto {
  readonly digest: string;
  readonly width: number;
  readonly height: number;
  readonly whole: Buffer;
  readonly small: Buffer;
}

function kindOf(bytes: Buffer): PhotoKind | null {
  const found = (Object.keys(KINDS) as PhotoKind[]).find((k) =>
    KINDS[k].begins.some((begin) => begin.every((b, i) => bytes[i] === b)),
  );
  return found === 'webp' && bytes.toString('latin1', 8, 12) !== 'WEBP' ? null : (found ?? null);
}

const ACTIVE = /<script|<\?php|<!doctype\s+html|<html|<svg[\s>]/i;

/** Whether the bytes also read as something else: an archive at the end, a document, a page with a script. */
function alsoSomethingElse(bytes: Buffer): boolean {
  const text = bytes.toString('latin1');
  if (text.slice(0, 1024).includes('%PDF-') || ACTIVE.test(text)) return true;
  for (let at = text.lastIndexOf('PK\x05\x06'); at >= 0 && at + 22 <= bytes.length;) {
    if (at + 22 + bytes.readUInt16LE(at + 20) === bytes.length) return true;
    at = at === 0 ? -1 : text.lastIndexOf('PK\x05\x06', at - 1);
  }
  return false;
}

/**
 * Whether bytes are a photo just as `preparePhoto` makes them: a whole JPEG, upright, small enough, without metadata and
 * nothing else beside. Gives the small one made of it.
 */
export async function checkPhoto(bytes: Buffer): Promise<Result<{ readonly small: Buffer }, string>> {
  if (kindOf(bytes) !== 'jpeg' || alsoSomethingElse(bytes)) return fail('it is no photo');
  try {
    const { width, height, exif, xmp, iptc } = await sharp(bytes, {
      limitInputPixels: MOST_PIXELS,
    }).metadata();
    if (exif || xmp || iptc || Math.max(width, height) > LONGEST)
      return fail('it is no photo that was kept here');
    await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).stats();
    return ok({ small: await smaller(bytes) });
  } catch {
    return fail('it is damaged');
  }
}

const smaller = (bytes: Buffer): Promise<Buffer> =>
  sharp(bytes).resize({ width: SMALL, height: SMALL, fit: 'inside' }).jpeg({ quality: 78 }).toBuffer();

const LOGO = { width: 900, height: 300 } as const;

/** A logo as it is kept: PNG with what shows through, small enough for the head of a paper. Refuses what a photo would be refused for. */
export async function prepareLogo(
  bytes: Buffer,
): Promise<Result<{ readonly png: Buffer; readonly width: number; readonly height: number }, string>> {
  if (!kindOf(bytes)) return fail('This is no picture that can be kept: JPEG, PNG and WebP can.');
  if (alsoSomethingElse(bytes))
    return fail('This file is a picture and something else at once; it is not taken.');
  try {
    const made = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .autoOrient()
      .resize({ ...LOGO, fit: 'inside', withoutEnlargement: true })
      .png({ compressionLevel: 9 })
      .toBuffer({ resolveWithObject: true });
    return ok({ png: made.data, width: made.info.width, height: made.info.height });
  } catch {
    return fail('The picture is damaged, or larger than 60 megapixels.');
  }
}

/**
 * Takes a file for what its bytes are and makes a photo of it: turned upright, re-encoded, without metadata, at most
 * 4096 pixels long, and a small one beside it. Refuses, with the reason in words, what is no JPEG, PNG or WebP, calls
 * itself another thing than it is, is several things at once, is damaged, or has more than 60 megapixels. One after another: a dozen
 * large ones slow nobody who works.
 */
export const preparePhoto = (bytes: Buffer, fileName: string): Promise<Result<PreparedPhoto, string>> =>
  oneByOne(() => prepare(bytes, fileName));

async function prepare(bytes: Buffer, fileName: string): Promise<Result<PreparedPhoto, string>> {
  const kind = kindOf(bytes);
  if (!kind) return fail('This is no photo that can be kept: JPEG, PNG and WebP can.');
  const ending = /\.([a-z0-9]{1,5})$/i.exec(fileName)?.[1]?.toLowerCase();
  if (ending !== undefined && !(KINDS[kind].endings as readonly string[]).includes(ending)) {
    return fail(
      `The file calls itself .${ending} but is a ${KINDS[kind].name}. Save it again as what it is.`,
    );
  }
  if (alsoSomethingElse(bytes))
    return fail('This file is a picture and something else at once; it is not taken.');
  try {
    const { width, height } = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (width * height > MOST_PIXELS) {
      const mega = Math.round((width * height) / 1e6);
      return fail(`The picture has ${mega} megapixels; 60 are the most. Save it smaller.`);
    }
    const upright = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).autoOrient();
    const whole = await upright
      .clone()
      .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: 'white' })
      .jpeg({ quality: 84 })
      .toBuffer({ resolveWithObject: true });
    const small = await smaller(whole.data);
    const digest = createHash('sha256').update(whole.data).digest('hex');
    return ok({ digest, width: whole.info.width, height: whole.info.height, whole: whole.data, small });
  } catch {
    return fail('The picture is damaged and cannot be read. Take it again.');
  }
}
