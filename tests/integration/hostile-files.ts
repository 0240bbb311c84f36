import { crc32, deflateRawSync, deflateSync } from 'node:zlib';
import sharp from 'sharp';

/** A plain picture of some size, as a JPEG, PNG or WebP. */
export const picture = (
  width: number,
  height: number,
  kind: 'jpeg' | 'png' | 'webp' = 'jpeg',
): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 3, background: { r: 150, g: 90, b: 40 } } })
    .toFormat(kind)
    .toBuffer();

async function photographed(): Promise<Buffer> {
  const noise = { type: 'gaussian', mean: 128, sigma: 12 } as const;
  const grain = await sharp({ create: { width: 1000, height: 750, channels: 3, background: 'white', noise } })
    .png({ compressionLevel: 0 })
    .toBuffer();
  return sharp({ create: { width: 4000, height: 3000, channels: 3, background: 'white' } })
    .composite([{ input: grain, tile: true }])
    .withExif({
      IFD0: { Make: 'MADE-UP-CAMERA', Copyright: 'SOMEBODY' },
      IFD3: {
        GPSLatitudeRef: 'N',
        GPSLatitude: '47/1 12/1 33/1',
        GPSLongitudeRef: 'E',
        GPSLongitude: '8/1 1/1 2/1',
      },
    })
    .withMetadata({ orientation: 6 })
    .jpeg({ quality: 88 })
    .toBuffer();
}

let camera: Promise<Buffer> | undefined;
/** 12 megapixels with a camera's name, a place on earth, and the note that it lies on its side. */
export const withPlaceOnEarth = (): Promise<Buffer> => (camera ??= photographed());

function chunk(name: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(name, 'latin1'), data]);
  const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
  length.writeUInt32BE(data.length);
  sum.writeUInt32BE(crc32(body));
  return Buffer.concat([length, body, sum]);
}

/** A PNG of a few kilobytes that unfolds to 200 megapixels. */
export function bomb(): Buffer {
  const [width, height] = [20_000, 10_000];
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.writeUInt8(1, 8);
  const rows = deflateSync(Buffer.alloc((1 + width / 8) * height), { level: 9 });
  const begin = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
  return Buffer.concat([begin, chunk('IHDR', head), chunk('IDAT', rows), chunk('IEND', Buffer.alloc(0))]);
}

/** A ZIP with one small page in it. */
function archive(): Buffer {
  const data = Buffer.from('<p>hello</p>');
  const packed = deflateRawSync(data);
  const name = Buffer.from('a.txt');
  const local = Buffer.alloc(30);
  local.writeUInt32LE(0x04034b50, 0);
  local.writeUInt16LE(8, 8);
  local.writeUInt32LE(crc32(data), 14);
  local.writeUInt32LE(packed.length, 18);
  local.writeUInt32LE(data.length, 22);
  local.writeUInt16LE(name.length, 26);
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50, 0);
  return Buffer.concat([local, name, packed, end]);
}

export const SCRIPTED_SVG = Buffer.from(
  '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>alert(1)</script></svg>',
);

/** Pictures that are something else as well, each of which some reader would take for that. */
export const polyglots = async (): Promise<Readonly<Record<string, Buffer>>> => {
  const jpeg = await picture(60, 40);
  const comment = (text: string): Buffer => {
    const said = Buffer.from(text, 'latin1');
    const head = Buffer.from([0xff, 0xfe, 0, 0]);
    head.writeUInt16BE(said.length + 2, 2);
    return Buffer.concat([jpeg.subarray(0, 2), head, said, jpeg.subarray(2)]);
  };
  return {
    'a picture with an archive behind it': Buffer.concat([jpeg, archive()]),
    'a picture with a script in a comment': comment('*/=1;<script>alert(1)</script>'),
    'a picture that is also a document': comment('%PDF-1.7 1 0 obj'),
    'a picture with a server page in it': comment('<?php system($_GET[0]); ?>'),
    'a picture with a page behind it': Buffer.concat([
      jpeg,
      Buffer.from('<!DOCTYPE  html><body onload=alert(1)>'),
    ]),
  };
};
