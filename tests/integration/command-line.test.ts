import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { operationsFormat } from '../../src/contracts/formats/operations.ts';
import { targetsFormat } from '../../src/contracts/formats/targets.ts';
import { checklistsFormat } from '../../src/contracts/formats/checklists.ts';
import { pluckSound, wavOf } from '../../src/core/sound/pluck-for-tests.ts';
import type { HeardNote } from '../../src/core/sound/say-heard.ts';
import { SUMS } from '../../src/core/sums/catalogue.ts';
import { runDeclared } from '../../src/core/sums/run-sum.ts';
import { runProgram, runRubrica } from './run-program.ts';
import { LONG } from '../../src/runs-for-tests.ts';

const rubrica = (args: readonly string[], input = '') => runRubrica(args, { input });

const lines = (text: string): unknown[] =>
  text
    .trim()
    .split('\n')
    .map((l) => JSON.parse(l) as unknown);

/** Each is a program of its own that begins: of those alike two, all by `--long`. */
const some = <T>(all: readonly T[]): readonly T[] => (LONG ? all : all.slice(0, 2));

describe('./rubrica sum', () => {
  test('one sum: JSON on standard output', async () => {
    const { status, stdout } = await rubrica(['sum', 'break-angle', '{"rise": 3, "run": 12}']);
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toEqual({ degrees: expect.closeTo(14.0362, 3) as unknown });
  });

  const REFUSED: readonly (readonly [what: string, args: string[], said: string])[] = [
    ['a field that is missing', ['sum', 'break-angle', '{"rise": 3}'], 'run is missing.'],
    ['no input', ['sum', 'break-angle'], 'rise is missing.'],
    ['text that is no JSON', ['sum', 'break-angle', 'rise 3'], 'The input is not JSON.'],
    ['an unknown sum', ['sum', 'waist', '{}'], 'There is no sum called waist.'],
  ];
  test.each(some(REFUSED))(
    '%s: exit 2 and a clear message, nothing on standard output',
    async (_, args, said) => {
      expect(await rubrica(args)).toEqual({
        status: 2,
        stdout: '',
        stderr: expect.stringContaining(said) as unknown,
      });
    },
  );

  test('a line in, a line out, in order, bad ones among good ones', async () => {
    const asked = SUMS.map((s) => JSON.stringify({ id: s.id, input: s.example }));
    const input = [
      ...asked,
      'x',
      '5',
      '{"id": "waist"}',
      '{"id": "length", "input": {"text": "5"}}',
      '',
    ].join('\n');
    const { status, stdout } = await rubrica(['sum', '-'], input);
    expect(status).toBe(0);
    const answers = lines(stdout);
    expect(answers).toHaveLength(SUMS.length + 4);
    for (const [i, s] of SUMS.entries()) {
      const done = runDeclared(s, s.example);
      expect(answers[i]).toEqual(
        JSON.parse(JSON.stringify({ ok: true, output: done.ok ? done.value : null })),
      );
    }
    expect(answers.slice(-4)).toMatchObject([
      { ok: false, error: { code: 'invalid', field: '' } },
      { ok: false, error: { code: 'invalid', field: '' } },
      { ok: false, error: { code: 'unknown-sum', field: 'id' } },
      { ok: false, error: { code: 'invalid', field: 'text' } },
    ]);
  });

  test('a thousand lines are all answered', async () => {
    const line = JSON.stringify({ id: 'clearance', input: SUMS.find((s) => s.id === 'clearance')?.example });
    const { stdout } = await rubrica(['sum', '-'], `${line}\n`.repeat(1000));
    expect(stdout.trim().split('\n')).toHaveLength(1000);
  });

  test('without a name it lists them', async () => {
    const { stdout } = await rubrica(['sum']);
    expect(stdout.trim().split('\n')).toHaveLength(SUMS.length);
  });
});

describe('./rubrica export', () => {
  test('the operations, at least forty-five, in their published format', async () => {
    const { status, stdout } = await rubrica(['export', 'operations']);
    expect(status).toBe(0);
    const file = operationsFormat.parse(JSON.parse(stdout));
    expect(file.length).toBeGreaterThanOrEqual(45);
    expect(file.find((o) => o.id === 'fret-dress')).toMatchObject({
      needs: expect.arrayContaining(['rod']) as unknown,
    });
  });

  test('the shipped checklists, in their format', async () => {
    const { status, stdout } = await rubrica(['export', 'checklists']);
    expect(status).toBe(0);
    expect(checklistsFormat.parse(JSON.parse(stdout)).map((l) => l.items.length >= 25)).toEqual([
      true,
      true,
      true,
    ]);
  });

  test('the shipped targets, in theirs: three touches of eight kinds', async () => {
    const { status, stdout } = await rubrica(['export', 'targets']);
    expect(status).toBe(0);
    const targets = targetsFormat.parse(JSON.parse(stdout));
    // Four kinds with pickups have a band for each side of one and for a floating vibrato beside the five.
    expect(targets).toHaveLength(8 * 3 * 5 + 4 * 3 * 3);
    const steel = targets.filter(
      (t) => t.kind === 'steel-acoustic' && t.quantity === 'action' && t.side === 'bass',
    );
    expect(steel.map((t) => [t.touch, t.low, t.aim, t.high])).toEqual([
      ['light', 1.8, 2, 2.3],
      ['medium', 2, 2.2, 2.5],
      ['heavy', 2.35, 2.55, 2.85],
    ]);
  });

  test('what it does not know is said', async () => {
    expect(await rubrica(['export', 'secrets'])).toMatchObject({
      status: 1,
      stderr: expect.stringContaining(
        'export prints checklists, targets, operations, not secrets',
      ) as unknown,
    });
  });
});

describe('./rubrica plan of a small case', () => {
  const small = {
    format: 'rubrica case',
    version: 1,
    kind: 'steel-acoustic',
    worth: 400,
    readings: [
      { quantity: 'action', string: 6, fret: 12, typed: '7.5/64' },
      { quantity: 'action', string: 1, typed: '5.5/64' },
      { quantity: 'relief', fret: 7, typed: '0.36 mm' },
    ],
    findings: [{ item: 'tarnish', finding: 'dull' }],
    turns: [{ eighths: 1, before: '0.5 mm', after: '0.44 mm' }],
  };

  test('reads it from standard input and answers with plans, what is proposed and what is asked', async () => {
    const { status, stdout } = await rubrica(['plan', '-'], JSON.stringify(small));
    expect(status).toBe(0);
    const said = JSON.parse(stdout) as {
      because: string | null;
      proposed: { operation: string; direction?: string; amounts?: Record<string, number> }[];
      plans: { id: string; price: number; steps: { operation: string }[] }[];
    };
    expect(said.because).toBeNull();
    expect(said.plans.map((p) => p.id)).toEqual(['leave', 'enough', 'best']);
    expect(said.proposed).toEqual([{ operation: 'rod', direction: 'tighten', amounts: { eighths: 2 } }]);
    const enough = said.plans[1]?.steps.map((s) => s.operation) ?? [];
    expect(enough.slice(0, 1)).toEqual(['rod']);
    expect(enough).toContain('fret-polish');
    expect(enough).not.toContain('fret-dress');
    expect(said.plans[1]?.price).toBeLessThan(400);
  });

  const WRONG: readonly (readonly [object, string])[] = [
    [{ kind: 'lute' }, 'kind'],
    [{ readings: [{ quantity: 'relief', typed: 'much' }] }, 'readings.0.typed'],
    [{ readings: [{ quantity: 'action', string: 9, typed: '2 mm' }] }, 'readings.0.string'],
    [{ turns: [{ eighths: 1, before: 'x', after: '1' }] }, 'turns.0.before'],
  ];
  test.each(some(WRONG))('%j is refused with its place', async (wrong, place) => {
    const { status, stderr } = await rubrica(['plan', '-'], JSON.stringify({ ...small, ...wrong }));
    expect(status).toBe(2);
    expect(stderr).toContain(place);
  });
});

describe('./rubrica hear', () => {
  const folder = mkdtempSync(join(tmpdir(), 'rubrica-hear-'));
  const file = (name: string, bytes: Uint8Array): string => {
    writeFileSync(join(folder, name), bytes);
    return join(folder, name);
  };
  const wav = (f0: number): Uint8Array =>
    wavOf(pluckSound({ f0, b: 6e-5 }, 0.5), { kind: 'pcm', bits: 16, channels: 2 });
  afterAll(() => rmSync(folder, { recursive: true }));

  test('a note: its pitch against the nearest one, against what is expected, over another reference', async () => {
    const path = file('e.wav', wav(82.6));
    const plain = JSON.parse((await runRubrica(['hear', path])).stdout) as HeardNote;
    expect(plain).toMatchObject({ heard: 'E2', refused: null });
    expect(plain.hz).toBeCloseTo(82.6 * Math.sqrt(1 + 6e-5), 2);
    expect(plain.cents).toBeCloseTo(4.1, 1);
    expect(plain.inharmonicity).toBeCloseTo(6e-5, 6);
    const low = JSON.parse(
      (await runRubrica(['hear', path, '--expect', 'E2', '--reference', '430'])).stdout,
    ) as HeardNote;
    expect(low.cents).toBeCloseTo(4.1 + 39.8, 0);
  });

  test('what is not the string that is expected is refused, as an answer', async () => {
    const done = await runRubrica(['hear', file('a.wav', wav(110)), '--expect', 'E2']);
    expect(done.status).toBe(0);
    expect(JSON.parse(done.stdout)).toMatchObject({ heard: 'A2', refused: 'not-this-string' });
  });

  const REFUSED: readonly (readonly [what: string, args: string[], said: string])[] = [
    ['no file', [], 'wants a WAV file'],
    ['a file that is not there', ['/nowhere.wav'], 'cannot be read'],
    ['no note', ['-', '--expect', 'H9'], 'is not a note'],
    ['no reference', ['-', '--reference', '12'], '380 to 500'],
    ['no sound', ['-'], 'This is no WAV file'],
  ];
  test.each(some(REFUSED))('%s: exit 2 and a clear message', async (_, args, said) => {
    const done = await runRubrica(['hear', ...args], { input: 'words' });
    expect(done).toMatchObject({ status: 2, stdout: '', stderr: expect.stringContaining(said) as unknown });
  });
});

test('an unknown command says what there is', async () => {
  const { status, stderr } = await rubrica(['sing']);
  expect([status, stderr]).toEqual([2, expect.stringContaining('there is no command sing')]);
});

test('every command is translated so that Node.js finds all it wants', async () => {
  expect((await runRubrica(['--version'])).status).toBe(0);
  const folder = join(process.cwd(), '.rubrica/cli');
  const load = `import { readdirSync } from 'node:fs';
    for (const f of readdirSync(${JSON.stringify(folder)}).filter((f) => f.endsWith('.mjs') && f !== 'main.mjs'))
      await import(${JSON.stringify(`${folder}/`)} + f);`;
  const done = await runProgram(process.execPath, ['--input-type=module', '-e', load]);
  expect([done.status, done.stderr]).toEqual([0, '']);
});
