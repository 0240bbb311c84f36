'use client';

import type { Construction } from '../../core/instrument/construction.ts';
import type { StringFact } from '../../core/instrument/construction-facts.ts';
import { TUNINGS } from '../../core/strings/pitch.ts';
import { STRING_SETS } from '../../core/strings/string-sets.ts';
import type { Moves } from '../../core/whatif/moves.ts';
import { OneOf } from '../kit/one-of.tsx';

/** Another set and another tuning, tried like everything else. */
export function StringsChoice({
  construction: c,
  moves,
  onMove,
}: {
  readonly construction: Construction;
  readonly moves: Moves;
  readonly onMove: (to: Moves) => void;
}) {
  const on = moves.strings ?? c.strings;
  const sets = STRING_SETS.filter((s) => s.strings.length === c.strings.length && s.kinds.includes(c.kind));
  const tunings = Object.entries(TUNINGS).filter(([, notes]) => notes.length === c.strings.length);
  const gauges = (list: readonly { readonly gauge: number }[]) => list.map((s) => s.gauge.toFixed(3)).join();
  const notes = (list: readonly string[]) => list.join();
  const put = (strings: readonly StringFact[]) => {
    const same = JSON.stringify(strings) === JSON.stringify(c.strings);
    onMove({ ...moves, strings: same ? null : strings });
  };
  const set = sets.find((s) => gauges(s.strings) === gauges(on))?.id ?? '';
  const tuning = tunings.find(([, t]) => notes(t) === notes(on.map((s) => s.note)))?.[0] ?? '';
  return (
    <>
      <OneOf
        label="Set"
        className="w-48"
        value={set}
        none="the set it has"
        others={sets.map((s) => ({ value: s.id, name: s.name }))}
        onChange={(id) => {
          const chosen = sets.find((s) => s.id === id)?.strings ?? c.strings;
          put(
            on.map((s, i) => {
              const other = chosen[i];
              if (!other) return s;
              const wound = 'wound' in other ? other.wound : other.kind === 'wound';
              return { note: s.note, gauge: other.gauge, wound };
            }),
          );
        }}
      />
      <OneOf
        label="Tuning"
        className="w-52"
        value={tuning}
        none="its own tuning"
        others={tunings.map(([name]) => ({ value: name, name }))}
        onChange={(name) => {
          const chosen = TUNINGS[name] ?? c.strings.map((s) => s.note);
          put(on.map((s, i) => ({ ...s, note: chosen[i] ?? s.note })));
        }}
      />
    </>
  );
}
