import sharp from 'sharp';

const WIDE = 960;
const HIGH = 720;

/** A picture of nothing real: grain like wood's, with a pale chip and a scratch where somebody might photograph damage. */
export function madeUpPhoto(): Promise<Buffer> {
  const pixels = Buffer.alloc(WIDE * HIGH * 3);
  for (let y = 0; y < HIGH; y++) {
    for (let x = 0; x < WIDE; x++) {
      const grain = Math.sin((x + 26 * Math.sin(y / 90)) / 5.5) * 9 + Math.sin(x / 1.7 + y / 60) * 4;
      const chip = ((x - 520) / 90) ** 2 + ((y - 330) / 46) ** 2 < 1;
      const scratch = Math.abs(y - 420 - (x - 600) * 0.35) < 2.5 && x > 600 && x < 840;
      const [r, g, b] = chip ? [226, 204, 160] : scratch ? [214, 190, 150] : [164, 104, 52];
      const at = (y * WIDE + x) * 3;
      [r, g, b].forEach(
        (v, i) => (pixels[at + i] = Math.max(0, Math.min(255, v + (chip ? grain / 2 : grain)))),
      );
    }
  }
  return sharp(pixels, { raw: { width: WIDE, height: HIGH, channels: 3 } })
    .jpeg()
    .toBuffer();
}
