'use client';

import type { LeafProps } from '../job/leaf-props.ts';

type Item = LeafProps<'inspection'>['job']['inspection']['items'][number];

/** What needs work on an item, by its name: one tap or one digit says it and what it leads to. */
export function FoundChoice({
  item,
  may,
  onFound,
}: {
  readonly item: Pick<Item, 'answer' | 'finding' | 'findings' | 'title'>;
  readonly may: boolean;
  readonly onFound: (id: string) => void;
}) {
  if (item.findings.length === 0) return null;
  const chosen = item.answer === 'work' ? (item.finding ?? item.findings[0]?.id) : null;
  return (
    <div role="group" aria-label={`What was found: ${item.title}`} className="space-y-1">
      <p className="text-sm text-quiet">Needs work, because</p>
      <ul className="flex flex-wrap gap-2">
        {item.findings.map((f, i) => (
          <li key={f.id}>
            <button
              type="button"
              className={`button ${chosen === f.id ? 'button-main' : ''}`}
              aria-pressed={chosen === f.id}
              title={f.means}
              disabled={!may}
              onClick={() => onFound(f.id)}
            >
              {f.name}
              <kbd className="text-sm opacity-80">{i + 1}</kbd>
            </button>
          </li>
        ))}
      </ul>
      {chosen !== null && (
        <p className="text-sm text-quiet">{item.findings.find((f) => f.id === chosen)?.means}</p>
      )}
    </div>
  );
}
