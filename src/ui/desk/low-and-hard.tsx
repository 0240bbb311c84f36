'use client';

import type { Kind } from '../../core/instrument/kinds.ts';
import { both } from '../../core/units/format-length.ts';
import { lowestFor } from '../../core/whatif/pluck-reach.ts';
import { useDisplayUnit } from '../data/display-unit.ts';

const ANSWERS = [
  'Asked: low counts more, a buzz here and there is accepted.',
  'Asked: a clear note counts more than low strings.',
] as const;

/** What a low wish and a hard hand say against each other, with the lowest that clears, and what the customer answers. */
export default function LowAndHard({
  kind,
  onAnswer,
}: {
  readonly kind: Kind;
  /** a sentence for their wish */
  readonly onAnswer: (says: string) => void;
}) {
  const [unit] = useDisplayUnit();
  const low = lowestFor(kind, 'heavy');
  if (low === null) return null;
  return (
    <div role="status" className="border-l-4 border-rubric pl-3">
      <p>
        ◆ Lower and played hard contradict each other: on an instrument like this it clears for such a hand
        from about {both(low.bass, unit)} at the bass and {both(low.treble, unit)} at the treble. Ask which
        counts more.
      </p>
      <div className="mt-1 flex flex-wrap gap-2">
        {ANSWERS.map((says) => (
          <button key={says} type="button" className="button" onClick={() => onAnswer(says)}>
            {says.slice('Asked: '.length)}
          </button>
        ))}
      </div>
    </div>
  );
}
