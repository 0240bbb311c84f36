/** A spectrum: real and imaginary parts by frequency. */
export interface Spectrum {
  readonly re: Float64Array;
  readonly im: Float64Array;
}

interface Tables {
  readonly cos: Float64Array;
  readonly sin: Float64Array;
  readonly order: Uint32Array;
}

const known = new Map<number, Tables>();

function tablesOf(size: number): Tables {
  const before = known.get(size);
  if (before) return before;
  const cos = new Float64Array(size / 2);
  const sin = new Float64Array(size / 2);
  for (let i = 0; i < size / 2; i++) {
    cos[i] = Math.cos((2 * Math.PI * i) / size);
    sin[i] = Math.sin((2 * Math.PI * i) / size);
  }
  const order = new Uint32Array(size);
  const bits = Math.log2(size);
  for (let i = 0; i < size; i++) order[i] = ((order[i >> 1] as number) >> 1) | (i & 1 ? 1 << (bits - 1) : 0);
  const made = { cos, sin, order };
  known.set(size, made);
  return made;
}

/** The next power of two. */
export const powerOfTwo = (n: number): number => 2 ** Math.ceil(Math.log2(Math.max(2, n)));

/** The discrete Fourier transform of real samples, padded with zeros to `size`, a power of two: all its `size` bins. */
export function fft(samples: Float32Array | Float64Array, size: number): Spectrum {
  const { cos, sin, order } = tablesOf(size);
  const re = new Float64Array(size);
  const im = new Float64Array(size);
  const n = Math.min(samples.length, size);
  for (let i = 0; i < n; i++) re[order[i] as number] = samples[i] as number;
  for (let half = 1; half < size; half *= 2) {
    const step = size / (2 * half);
    for (let start = 0; start < size; start += 2 * half)
      for (let k = 0; k < half; k++) {
        const a = start + k;
        const b = a + half;
        const c = cos[k * step] as number;
        const s = sin[k * step] as number;
        const bRe = re[b] as number;
        const bIm = im[b] as number;
        const x = bRe * c + bIm * s;
        const y = bIm * c - bRe * s;
        const aRe = re[a] as number;
        const aIm = im[a] as number;
        re[b] = aRe - x;
        im[b] = aIm - y;
        re[a] = aRe + x;
        im[a] = aIm + y;
      }
  }
  return { re, im };
}
