import { z } from 'zod';
import { compensationFor12, predictedCents, type FrettedString } from '../intonation/predicted.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { pullChange } from '../strings/pull-change.ts';
import { bearingDiameter, isWound, stringTension, unitMass, type StringKind } from '../strings/unit-mass.ts';
import { choice, compensation, fret, group, length, list, number, result, scale } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

const make = {
  gauge: length('outer diameter', 0.05, 6),
  kind: choice(
    'how it is made; round-wound is the same as wound, floss is wound over threads',
    ['plain', 'wound', 'round-wound', 'floss', 'nylon', 'fluorocarbon'],
    ['round-wound'],
  ),
  core: length('core of a wound string; the shop’s table when not said', 0.05, 6).optional(),
  wrapDensity: number(
    'kg/m³',
    'of the wrap: 8800 bronze (when not said), 8900 nickel, 7900 plated or stainless steel',
    {
      min: 500,
      max: 20000,
    },
  ).optional(),
  frequency: number('Hz', 'pitch of the open string', { min: 10, max: 5000 }),
};

interface Made {
  readonly gauge: number;
  readonly kind: StringKind | 'round-wound';
  readonly core?: number | undefined;
  readonly wrapDensity?: number | undefined;
}

const kindOf = (kind: Made['kind']): StringKind => (kind === 'round-wound' ? 'wound' : kind);
const makeOf = (s: Made) => ({ ...s, kind: kindOf(s.kind) });

/** What is wrong with a string's make, at its field; null when nothing is. */
function wrongMake(s: Made, at: string): ReturnType<typeof refuse> | null {
  if (s.core !== undefined && !isWound(kindOf(s.kind))) {
    return refuse(`${at}core`, `${at}core belongs to a wound string only.`);
  }
  if (s.wrapDensity !== undefined && !isWound(kindOf(s.kind))) {
    return refuse(`${at}wrapDensity`, `${at}wrapDensity belongs to a wound string only.`);
  }
  if (s.core !== undefined && s.core >= s.gauge) {
    return refuse(`${at}core`, `${at}core must be thinner than the whole string.`);
  }
  return null;
}

export const stringTensionSum = declare({
  id: 'string-tension',
  title: 'The pull of a set of strings',
  asks: ['change gauges', 'change tuning', 'string tension', 'total tension', 'heavier strings'],
  input: group({
    scale: scale(),
    strings: list(group(make), 'strings, lowest first', 1, 24),
    before: number('N', 'total pull before a change of set, scale or tuning', {
      min: 0,
      max: 20000,
    }).optional(),
  }),
  output: group({
    strings: z
      .array(
        group({
          unitMass: result('kg/m', 'mass of a metre'),
          tension: result('N', 'pull at pitch'),
          core: result('mm', 'core used').optional(),
          coreFrom: choice('where the core comes from', ['given', 'usual']).optional(),
        }),
      )
      .meta({ description: 'each string' }),
    total: result('N', 'pull of all'),
    change: result('N', 'how much more than before, where that was given').optional(),
    relief: choice('which way the relief will go', ['more', 'less', 'the same']).optional(),
  }),
  formula: 'T = μ(2Lf)²; plain μ = ρπd²/4; wound: the core plus a wrap that fills π/4 of its ring',
  source: 'The stretched string (Mersenne); densities in kg/m³: steel 7850, nylon 1140, fluorocarbon 1780.',
  assumptions: [
    'A round wrap lies close, turn by turn.',
    'A wound nylon string is wound over floss and not over steel: its kind is floss.',
  ],
  why: 'A heavier, longer or higher string must be pulled harder; a change of the total moves the neck.',
  example: {
    scale: 648,
    strings: [
      { gauge: 1.346, kind: 'wound' as const, frequency: 82.407 },
      { gauge: 0.305, kind: 'plain' as const, frequency: 329.628 },
    ],
  },
  run: (i) => {
    for (const [n, s] of i.strings.entries()) {
      const wrong = wrongMake(s, `strings.${n}.`);
      if (wrong) return wrong;
    }
    const strings = i.strings.map((s) => {
      const mass = unitMass(makeOf(s));
      const pull = { unitMass: mass, tension: stringTension(mass, i.scale, s.frequency) };
      if (!isWound(kindOf(s.kind))) return pull;
      const coreFrom = s.core === undefined ? ('usual' as const) : ('given' as const);
      return { ...pull, core: bearingDiameter(makeOf(s)), coreFrom };
    });
    const total = strings.reduce((t, s) => t + s.tension, 0);
    if (i.before === undefined) return answer({ strings, total });
    const { change, relief } = pullChange(i.before, total);
    return answer({ strings, total, change, relief });
  },
  words: (_, o, say) => {
    const usual = o.strings.flatMap((s, n) =>
      s.coreFrom === 'usual' && s.core !== undefined ? [`string ${n + 1} ${say.length(s.core)}`] : [],
    );
    return [
      `${o.total.toFixed(1)} N in all (${(o.total / 9.80665).toFixed(1)} kg): ${o.strings.map((s) => s.tension.toFixed(1)).join(', ')} N.`,
      ...(o.change === undefined
        ? []
        : [
            `${Math.abs(o.change).toFixed(1)} N ${o.change < 0 ? 'less' : 'more'} than before: ${o.relief === 'the same' ? 'the neck will hardly answer' : `${o.relief ?? ''} relief`}.`,
          ]),
      ...(usual.length > 0 ? [`Core from the shop’s table of usual cores: ${usual.join(', ')}.`] : []),
    ];
  },
});

/** No string's modulus lies between: below it GPa is meant. */
const GPA_BELOW = 10_000;

const withModulus = {
  ...make,
  modulus: number(
    'Pa',
    'Young’s modulus; under 10 000 it is read as GPa; the usual one of its kind when not said',
    {
      min: 0,
      max: 2e12,
    },
  ).optional(),
};

export const predictedIntonationSum = declare({
  id: 'predicted-intonation',
  title: 'Intonation before anything is cut',
  asks: [
    'compensation of a string',
    'how much compensation',
    'intonation of a new set',
    'why is it sharp at fret 1',
  ],
  input: group({
    scale: scale(),
    compensation: compensation(),
    string: group(withModulus, 'the string'),
    nut: length('string over the fret plane at the nut', -1, 10),
    saddle: length('string over the fret plane at the saddle', 0, 50, 'action'),
    relief: length('the neck’s bow, deepest between fret 1 and 14; 0 when not said', -2, 5).optional(),
    frets: list(fret('fret'), 'the frets to report', 1, 40),
    pressDepth: length('how far the finger pushes below the fret’s top; 0 when not said', 0, 5).optional(),
    behind: length('string behind nut and saddle together; 130 when not said', 0, 1000).optional(),
  }),
  output: group({
    cents: z
      .array(
        group({
          fret: result('fret', 'fret'),
          stretch: result('cents', 'from the longer path'),
          stiffness: result('cents', 'from the stiff core'),
          length: result('cents', 'from the compensation there is'),
          total: result('cents', 'all together, sharp positive'),
        }),
      )
      .meta({ description: 'error at each fret' }),
    compensationFor12: result('mm', 'the compensation that puts the 12th in tune'),
  }),
  formula:
    'stretch 600·log2(1 + EA·ε/T); stiffness 1200·log2(k(ℓ_n)/k(ℓ_0)), k = 1 + b + (1 + π²/2)b², b = √(EI/T)/ℓ, ε = (path − open)/(open + behind); length 1200·log2(x_s/(x_s − x_n)) − 100n',
  source:
    'H. Fletcher, J. Acoust. Soc. Am. 36 (1964) 203–209 (stiff string; an end held fast counts once); G. U. Varieschi, C. M. Gower, Am. J. Phys. 78 (2010) 47–55 (fretted path).',
  assumptions: [
    'The string is held fast at the fret and hinged at the saddle; what lies behind nut and saddle takes its share of the stretch.',
    'It is a forecast: only readings move a contact.',
    'Only the core of a wound string carries pull and stiffness.',
    'The open string is in tune; the fret is pressed, the string not bent sideways.',
    'Moduli of nylon and fluorocarbon vary much: take the answer as a start.',
  ],
  why: 'Pressing lengthens the path and so tightens the string; its stiff core counts more the shorter it sounds. The saddle stands back to make up for both.',
  example: {
    scale: 648,
    string: { gauge: 0.305, kind: 'plain' as const, frequency: 329.628 },
    nut: 0.5,
    saddle: 3.5,
    frets: [1, 5, 12],
    compensation: 2,
  },
  run: (i) => {
    const wrong = wrongMake(i.string, 'string.');
    if (wrong) return wrong;
    const xs = i.scale + (i.compensation ?? 0);
    const beyond = i.frets.findIndex((n) => fretPosition(i.scale, n) >= xs);
    if (beyond >= 0) return refuse(`frets.${beyond}`, `frets.${beyond} must lie before the saddle.`);
    const { modulus: given, ...string } = makeOf(i.string) as typeof i.string & { kind: StringKind };
    const modulus = given === undefined ? undefined : given < GPA_BELOW ? given * 1e9 : given;
    const fretted: FrettedString = {
      scale: i.scale,
      compensation: i.compensation ?? 0,
      string: { ...string, modulus },
      nut: i.nut,
      saddle: i.saddle,
      relief: i.relief ?? 0,
      pressDepth: i.pressDepth ?? 0,
      behind: i.behind,
    };
    const found = compensationFor12(fretted);
    if (found === null) {
      return refuse(
        'string',
        'No compensation up to 40 mm would bring this string into tune: look at its gauge and pitch.',
      );
    }
    return answer({
      cents: predictedCents(fretted, i.frets).map((c) => ({ ...c })),
      compensationFor12: found,
    });
  },
  words: (_, o, say) => [
    `Start with a compensation of ${say.length(o.compensationFor12)} for this string.`,
    o.cents.map((c) => `Fret ${c.fret}: ${say.cents(c.total)} cents`).join(', ') + '.',
  ],
});
