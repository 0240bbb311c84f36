import { fail, ok, type Result } from '../result.ts';

/** Sound as numbers between −1 and 1, one channel. */
export interface Sound {
  readonly rate: number;
  readonly samples: Float32Array;
}

/** How samples are written in a WAV file. */
const PCM = 1;
const FLOAT = 3;
const EXTENSIBLE = 0xfffe;
const LEAST_RATE = 4000;
const MOST_RATE = 400_000;

interface Format {
  readonly kind: number;
  readonly channels: number;
  readonly rate: number;
  readonly bits: number;
}

function readFormat(view: DataView, at: number, size: number): Format | null {
  if (size < 16) return null;
  const kind = view.getUint16(at, true);
  return {
    // What follows is said by the first two bytes of a longer code.
    kind: kind === EXTENSIBLE && size >= 26 ? view.getUint16(at + 24, true) : kind,
    channels: view.getUint16(at + 2, true),
    rate: view.getUint32(at + 4, true),
    bits: view.getUint16(at + 14, true),
  };
}

/** How one sample is read, and its length in bytes; null where it is written in a way that is not known here. */
function reader(
  f: Format,
): { readonly bytes: number; readonly at: (v: DataView, i: number) => number } | null {
  if (f.kind === FLOAT && f.bits === 32) return { bytes: 4, at: (v, i) => v.getFloat32(i, true) };
  if (f.kind === FLOAT && f.bits === 64) return { bytes: 8, at: (v, i) => v.getFloat64(i, true) };
  if (f.kind !== PCM) return null;
  switch (f.bits) {
    case 8:
      return { bytes: 1, at: (v, i) => (v.getUint8(i) - 128) / 128 };
    case 16:
      return { bytes: 2, at: (v, i) => v.getInt16(i, true) / 32_768 };
    case 24:
      return { bytes: 3, at: (v, i) => (v.getUint16(i, true) | (v.getInt8(i + 2) << 16)) / 8_388_608 };
    case 32:
      return { bytes: 4, at: (v, i) => v.getInt32(i, true) / 2_147_483_648 };
    default:
      return null;
  }
}

const tag = (view: DataView, at: number): string =>
  String.fromCharCode(view.getUint8(at), view.getUint8(at + 1), view.getUint8(at + 2), view.getUint8(at + 3));

/**
 * Reads a WAV file: whole numbers of 8 to 32 bits or floating point; channels are mixed to one. A file that ends early is
 * read as far as it goes.
 * @returns the sound, or why it is none in words
 */
export function readWav(bytes: Uint8Array): Result<Sound, string> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.byteLength < 12 || tag(view, 0) !== 'RIFF' || tag(view, 8) !== 'WAVE')
    return fail('This is no WAV file.');
  let format: Format | null = null;
  for (let at = 12; at + 8 <= bytes.byteLength;) {
    const [name, size] = [tag(view, at), view.getUint32(at + 4, true)];
    const begin = at + 8;
    const there = Math.min(size, bytes.byteLength - begin);
    if (name === 'fmt ') format = readFormat(view, begin, there);
    if (name === 'data') return readData(view, format, begin, there);
    at = begin + size + (size % 2);
  }
  return fail('This WAV file has no sound in it.');
}

function readData(view: DataView, format: Format | null, begin: number, size: number): Result<Sound, string> {
  if (!format || format.channels < 1) return fail('This WAV file does not say how it is written.');
  const one = reader(format);
  if (!one) return fail('This WAV file is written in a way that cannot be read here.');
  if (format.rate < LEAST_RATE || format.rate > MOST_RATE)
    return fail(`A rate of ${format.rate} samples a second is not one of sound.`);
  const frame = one.bytes * format.channels;
  const samples = new Float32Array(Math.floor(size / frame));
  for (let i = 0; i < samples.length; i++) {
    let sum = 0;
    for (let c = 0; c < format.channels; c++) sum += one.at(view, begin + i * frame + c * one.bytes);
    const value = sum / format.channels;
    if (!Number.isFinite(value)) return fail('This WAV file holds what is no number.');
    samples[i] = value;
  }
  return samples.length === 0
    ? fail('This WAV file has no sound in it.')
    : ok({ rate: format.rate, samples });
}

const HEADER = 44;
const BITS = 16;

/** A sound as a WAV file: one channel, 16 bits. */
export function writeWav({ rate, samples }: Sound): Uint8Array {
  const bytes = new Uint8Array(HEADER + 2 * samples.length);
  const view = new DataView(bytes.buffer);
  const say = (at: number, text: string): void => {
    for (let i = 0; i < text.length; i++) view.setUint8(at + i, text.charCodeAt(i));
  };
  say(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  say(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, PCM, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, 2 * rate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, BITS, true);
  say(36, 'data');
  view.setUint32(40, 2 * samples.length, true);
  samples.forEach((x, i) =>
    view.setInt16(HEADER + 2 * i, Math.round(32_767 * Math.max(-1, Math.min(1, x))), true),
  );
  return bytes;
}
