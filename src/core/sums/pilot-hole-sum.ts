import { pilotHole } from '../wood/pilot-hole.ts';
import { choice, group, length, result } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

export const pilotHoleSum = declare({
  id: 'pilot-hole',
  title: 'Pilot hole for a screw',
  asks: ['drill for a screw', 'strap button screw', 'stripped screw hole'],
  input: group({
    screw: length('outer diameter of the thread', 0.5, 12),
    root: length('root diameter; 0.7 of the outer one when not said', 0.3, 12).optional(),
    wood: choice('the wood', ['soft', 'hard']),
  }),
  output: group({
    drill: result('mm', 'drill'),
    depthFor: result('mm', 'depth at which the threads hold fully: put the flag there'),
  }),
  formula: 'hard wood: the root; soft wood: 0.9 of the root; depth 4 or 6 outer diameters',
  source: 'Bench practice.',
  assumptions: [
    'A wood screw with a common thread, into side grain.',
    'Never deeper than the wood allows: measure first.',
  ],
  why: 'The hole takes the root, the wood keeps the thread; soft wood is pressed aside and holds better a little tight.',
  example: { screw: 3, wood: 'hard' as const },
  run: (i) => {
    if (i.root !== undefined && i.root >= i.screw)
      return refuse('root', 'root must be thinner than the screw.');
    return answer(pilotHole(i.screw, i.wood, i.root));
  },
  words: (_, o, say) => [
    `Drill ${o.drill.toFixed(2)} mm (${say.length(o.drill)}), flag at ${o.depthFor.toFixed(0)} mm.`,
    'Eyes guarded, work held fast, tape on the drill; run in reverse to back out.',
  ],
});
