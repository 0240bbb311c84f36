import { fretPosition } from '../neck/fret-position.ts';
import { neckAngle } from '../neck/neck-angle.ts';
import { neckReset } from '../neck/neck-reset.ts';
import { shim, shimFor } from '../neck/shim.ts';
import { choice, compensation, fret, group, length, result, scale } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

const VERDICTS = {
  saddle: 'The saddle alone can do it.',
  steeper: 'The neck must stand at a steeper angle: shim or reset, not the saddle.',
  shallower: 'The neck must stand at a shallower angle, or the saddle stands out too far.',
} as const;

export const neckAngleSum = declare({
  id: 'neck-angle',
  title: 'Saddle or neck angle?',
  asks: ['neck reset or saddle', 'straightedge at the bridge', 'neck angle', 'not enough saddle left'],
  input: group({
    planeAboveBridge: length('fret plane over the bridge’s top at the saddle, negative below it', -30, 60),
    scale: scale(),
    compensation: compensation(),
    nut: length('string over the fret plane at the nut', -2, 10),
    fret: fret('where the action is read'),
    targetAction: length('action wanted', -2, 30, 'action'),
    standout: group(
      { low: length('least', 0, 60), high: length('most', 0, 60) },
      'what the saddle may stand out of the bridge',
    ),
  }),
  output: group({
    saddleHeight: result('mm', 'saddle over the fret plane'),
    standout: result('mm', 'saddle over the bridge'),
    verdict: choice('what must change', ['saddle', 'steeper', 'shallower']),
    shortBy: result('mm', 'how far outside the limits'),
  }),
  formula: 'S = N + (a_n − N)·x_s/x_n; p = e + S',
  source: 'Geometry: straightedge on the frets, string straight.',
  assumptions: ['The frets are level and the neck is straight.', 'The nut’s height does not change.'],
  why: 'The wanted action fixes how high the saddle stands over the frets, the neck’s angle how much of that is bridge.',
  example: {
    planeAboveBridge: 1,
    scale: 648,
    nut: 0.5,
    fret: 12,
    targetAction: 2,
    standout: { low: 2, high: 5 },
  },
  run: (i) => {
    if (i.standout.low > i.standout.high) {
      return refuse('standout.high', 'standout.high must not be under standout.low.');
    }
    return answer(neckAngle({ ...i, compensation: i.compensation ?? 0 }));
  },
  words: (_, o, say) => [
    VERDICTS[o.verdict],
    `The saddle would stand ${say.length(o.standout)} out of the bridge${o.shortBy === 0 ? '' : `, ${say.length(o.shortBy)} ${o.verdict === 'steeper' ? 'too little' : 'too much'}`}.`,
  ],
});

export const shimSum = declare({
  id: 'shim',
  title: 'A shim under the neck',
  asks: ['shim the neck', 'taper of a shim', 'bolt-on neck angle', 'lower the action with a shim'],
  input: group({
    scale: scale(),
    compensation: compensation(),
    lip: length('nut to the pocket’s lip', 10, 2000),
    end: length('nut to the pocket’s inner end', 10, 2000),
    lipThickness: length('thickness at the lip', 0, 20, 'gap'),
    endThickness: length(
      'thickness at the inner end; leave out when the action is wanted',
      0,
      20,
      'gap',
    ).optional(),
    wanted: length('action change wanted at the fret, negative lowers', -20, 20, 'action').optional(),
    fret: fret('where the action is read'),
  }),
  output: group({
    lipThickness: result('mm', 'at the lip'),
    endThickness: result('mm', 'at the inner end'),
    angle: result('degrees', 'taper'),
    saddleDrop: result('mm', 'strings come down at the saddle'),
    actionChange: result('mm', 'how the action at the fret changes; more than 0 is up'),
  }),
  formula: 't(x) = t_a + (t_b − t_a)(x − x_a)/(x_b − x_a); action changes by −t(x_s)·x_n/x_s',
  source: 'Geometry: the neck turns as one piece.',
  assumptions: [
    'The nut moves with the neck, so the string’s height at the nut stays.',
    'The shim bears on its whole length and does not give.',
  ],
  why: 'A little at the pocket is much at the saddle, which lies several pocket lengths farther on.',
  example: { scale: 648, lip: 410, end: 480, lipThickness: 0, wanted: -0.5, fret: 12 },
  run: (i) => {
    if (i.end <= i.lip) return refuse('end', 'end must lie beyond lip.');
    const place = { ...i, compensation: i.compensation ?? 0 };
    if (i.lip >= i.scale + place.compensation) return refuse('lip', 'lip must lie before the saddle.');
    if (i.endThickness !== undefined && i.wanted !== undefined) {
      return refuse('wanted', 'Give either endThickness or wanted, not both.', 'invalid');
    }
    if (i.endThickness !== undefined) return answer(shim(place, i.lipThickness, i.endThickness));
    if (i.wanted === undefined) {
      return refuse('endThickness', 'endThickness is missing (or wanted, the action change).', 'invalid');
    }
    const made = shimFor(place, i.lipThickness, i.wanted);
    if (made.endThickness < 0) {
      return refuse(
        'wanted',
        'No shim does this: the inner end would be thinner than nothing. Make the lip thicker.',
      );
    }
    return answer(made);
  },
  words: (i, o, say) => [
    `${say.length(o.lipThickness)} at the lip, ${say.length(o.endThickness)} at the inner end (${o.angle.toFixed(2)}°).`,
    `The strings come down ${say.length(o.saddleDrop)} at the saddle; the action at ${i.fret} changes by ${say.length(o.actionChange)}.`,
  ],
});

export const neckResetSum = declare({
  id: 'neck-reset',
  title: 'What comes off the heel',
  asks: ['reset a neck', 'heel', 'steeper neck angle'],
  input: group({
    scale: scale(),
    compensation: compensation(),
    joint: fret('the fret at the body joint'),
    heelDepth: length('depth of the heel, board to foot', 5, 300),
    lift: length('wanted lift of the fret plane at the saddle', -20, 20),
  }),
  output: group({
    atHeel: result('mm', 'off the heel’s foot'),
    angle: result('degrees', 'turn of the neck'),
  }),
  formula: 'H·Δ/(x_s − x_joint)',
  source: 'Geometry: the neck turns about the joint at the board.',
  assumptions: [
    'The neck turns about the board’s edge at the joint.',
    'A small angle, the cheeks cut to a straight taper.',
  ],
  why: 'Heel and saddle are two arms of one angle.',
  example: { scale: 648, joint: 14, heelDepth: 90, lift: 3 },
  run: (i) => {
    const comp = i.compensation ?? 0;
    if (fretPosition(i.scale, i.joint) >= i.scale + comp)
      return refuse('joint', 'joint must lie before the saddle.');
    return answer(neckReset(i.scale, i.joint, i.heelDepth, i.lift, comp));
  },
  words: (_, o, say) => [
    `Take ${say.length(o.atHeel)} off the heel’s foot, tapering to nothing at the board: ${o.angle.toFixed(2)}°.`,
    'Steam, heat and blades: gloves, guard the finish, follow the safety sheet of the glue.',
  ],
});
