import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { needFile, needProgram } from '../../cli/base/packages.ts';
import { buzzOf } from '../../src/core/sound/buzz.ts';
import { hear } from '../../src/core/sound/hear.ts';
import { centsFrom } from '../../src/core/sound/note-of.ts';
import { readWav } from '../../src/core/sound/wav.ts';
import { LONG } from '../../src/runs-for-tests.ts';

const run = promisify(execFile);
const SOUNDS = '/usr/share/sounds/sf2/FluidR3_GM.sf2';
/** Recorded instruments by their number in the sound font, with the notes each is played at, semitones. */
const INSTRUMENTS = [
  ['nylon guitar', 24, 40, 80],
  ['steel guitar', 25, 40, 80],
  ['mellow electric guitar', 26, 40, 80],
  ['electric guitar', 27, 40, 80],
  ['upright bass', 32, 23, 50],
  ['bass by fingers', 33, 23, 50],
  ['bass by a pick', 34, 23, 50],
  ['banjo', 105, 48, 75],
] as const;
const EVERY = 3;
/** Those with frets; a banjo's other strings ring along, so that nothing is said of it. */
const FRETTED = new Set([24, 25, 26, 27, 33, 34]);

/** A file that plays one note. */
function noteFile(program: number, note: number): Buffer {
  const track = Buffer.from([
    ...[0, 0xc0, program],
    ...[0, 0x90, note, 100],
    ...[0x8e, 0x00, 0x80, note, 0],
    ...[0x83, 0x00, 0xff, 0x2f, 0],
  ]);
  const head = Buffer.alloc(14);
  head.write('MThd');
  head.writeUInt32BE(6, 4);
  head.writeUInt16BE(1, 10);
  head.writeUInt16BE(480, 12);
  const begin = Buffer.alloc(8);
  begin.write('MTrk');
  begin.writeUInt32BE(track.length, 4);
  return Buffer.concat([head, begin, track]);
}

// The sounds are 148 MB to install: only where that was asked for.
describe.runIf(LONG)('recorded instruments', () => {
  let folder = '';
  let player = '';
  const [clear, buzzing]: [number[], number[]] = [[], []];
  beforeAll(() => {
    needFile(SOUNDS, 'fluid-soundfont-gm');
    player = needProgram('fluidsynth', 'fluidsynth');
    folder = mkdtempSync(join(tmpdir(), 'rubrica-notes-'));
  });
  afterAll(() => rmSync(folder, { recursive: true }));

  test.each(INSTRUMENTS)(
    '%s: no note is an octave off, and none is refused',
    async (_, program, low, high) => {
      const [score, sound] = [join(folder, 'note.mid'), join(folder, 'note.wav')];
      for (let note = low; note <= high; note += EVERY) {
        writeFileSync(score, noteFile(program, note));
        const quality = ['-r', '44100', '-g', '0.8', '-R', '0', '-C', '0', '-O', 's16', '-T', 'wav'];
        await run(player, ['-ni', '-q', ...quality, '-F', sound, SOUNDS, score]);
        const read = readWav(readFileSync(sound));
        const heard = read.ok ? hear(read.value) : null;
        const truth = 440 * 2 ** ((note - 69) / 12);
        const off = Math.abs(centsFrom(heard?.hz ?? 1, truth));
        // They are a few cents off themselves.
        expect([note, heard?.refused, off < 30]).toEqual([note, null, true]);
        const { hz = null, inharmonicity = null } = heard ?? {};
        if (!read.ok || hz === null || inharmonicity === null) continue;
        const buzz = buzzOf(read.value, { hz, inharmonicity });
        if (FRETTED.has(program) && buzz !== null) (buzz.amount < 0.5 ? clear : buzzing).push(note);
      }
    },
  );

  test('what rings clear is not heard as a buzz', () => {
    expect(clear.length).toBeGreaterThan(60);
    expect(buzzing.length).toBeLessThan(0.05 * clear.length);
  });
});
