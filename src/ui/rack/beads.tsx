import { LEAF_NAMES, LEAVES, type Leaf, type LeafState } from '../../core/job/leaves.ts';

const WORDS = { done: 'done', begun: 'begun', open: 'not begun' } as const;

const say = (leaf: Leaf, s: LeafState): string =>
  `${LEAF_NAMES[leaf]} ${s.kind === 'trouble' ? s.why : WORDS[s.kind]}`;

function Bead({ state, x }: { readonly state: LeafState; readonly x: number }) {
  const line = { stroke: 'var(--plain)', strokeWidth: 1.4 };
  switch (state.kind) {
    case 'trouble':
      return <path d={`M${x} 2 l6 11 h-12 z`} fill="var(--rubric)" />;
    case 'done':
      return <circle cx={x} cy={8} r={5} fill="var(--plain)" />;
    case 'begun':
      return (
        <>
          <circle cx={x} cy={8} r={4.6} fill="var(--card)" {...line} />
          <path d={`M${x - 4.6} 8 a4.6 4.6 0 0 1 9.2 0 z`} fill="var(--plain)" />
        </>
      );
    case 'open':
      return <circle cx={x} cy={8} r={4.6} fill="var(--card)" {...line} />;
  }
}

/** Six beads on a string, one for each leaf: filled, half, open, or a red wedge. */
export function Beads({ leaves }: { readonly leaves: Readonly<Record<Leaf, LeafState>> }) {
  const text = LEAVES.map((l) => say(l, leaves[l])).join(', ');
  return (
    <svg viewBox="0 0 114 16" className="h-4 w-[114px]" role="img" aria-label={text}>
      <line x1={6} x2={108} y1={8} y2={8} stroke="var(--quiet)" />
      {LEAVES.map((l, i) => (
        <Bead key={l} state={leaves[l]} x={7 + i * 20} />
      ))}
    </svg>
  );
}
