'use client';

import type { BenchView } from '../../core/practice/bench-view.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useKept } from './use-kept.ts';
import type { Practice } from './use-practice.ts';

const NONE: readonly string[] = [];

/** What was wrong with it, said by the learner; then it is opened. */
export function HandBack({
  sessionId,
  faults,
  practice,
}: {
  readonly sessionId: number;
  readonly faults: BenchView['faults'];
  readonly practice: Practice;
}) {
  const [named, setNamed, forget] = useKept<readonly string[]>(`practice-named:${sessionId}`, NONE);
  const groups = [...new Set(faults.map((f) => f.group))];
  const toggle = (id: string): void =>
    setNamed(named.includes(id) ? named.filter((x) => x !== id) : [...named, id]);
  const chosen = faults.filter((f) => named.includes(f.id)).map((f) => f.name.toLowerCase());
  return (
    <div className="space-y-3">
      <p>What was wrong with it? Tick all of it; tick nothing where it was sound and is left as it is.</p>
      <div className="gap-6 sm:columns-3">
        {groups.map((group) => (
          <fieldset key={group} className="mb-3 break-inside-avoid">
            <legend className="font-serif font-semibold">{group}</legend>
            {faults
              .filter((f) => f.group === group)
              .map((f) => (
                <label key={f.id} className="flex min-h-11 cursor-pointer items-center gap-2">
                  <input
                    type="checkbox"
                    className="h-5 w-5 shrink-0"
                    checked={named.includes(f.id)}
                    onChange={() => toggle(f.id)}
                  />
                  {f.name}
                </label>
              ))}
          </fieldset>
        ))}
      </div>
      <p role="status">
        You say:{' '}
        <span className="text-ink">
          {chosen.length === 0 ? 'nothing was wrong, it is left as it is' : chosen.join(', ')}
        </span>
        . After that nothing more is done to it.
      </p>
      <button
        type="button"
        className="button button-main"
        disabled={practice.busy}
        onClick={() => void practice.handBack(named).then((done) => done && forget())}
      >
        Hand it back and open it
      </button>
      <Trouble trouble={practice.trouble} />
    </div>
  );
}
