'use client';

import type { ItemView } from '../../core/practice/bench-view.ts';
import type { Practice } from './use-practice.ts';

function Item({ item, practice }: { readonly item: ItemView; readonly practice: Practice }) {
  return (
    <li className="break-inside-avoid border-b border-line py-1">
      <button
        type="button"
        title={item.help}
        aria-label={`${item.title}: look`}
        className="min-h-11 cursor-pointer text-left underline decoration-line underline-offset-4 hover:bg-shade"
        onClick={() => void practice.act({ kind: 'look', item: item.key })}
      >
        {item.title}
      </button>
      {item.seen !== null && (
        <p className="text-sm">
          <span className={item.before ? 'text-quiet' : item.wrong ? 'text-rubric' : ''}>
            {item.wrong ? '▲ ' : '● '}
            {item.seen}
          </span>
          {item.before && <span className="text-quiet"> Work was done since.</span>}
        </p>
      )}
    </li>
  );
}

/** What can be looked at, in the order of the hands: a tap looks. */
export function LookPanel({
  items,
  practice,
}: {
  readonly items: readonly ItemView[];
  readonly practice: Practice;
}) {
  const groups = [...new Set(items.map((i) => i.group))];
  return (
    <div className="gap-6 sm:columns-2">
      {groups.map((group) => (
        <section key={group} aria-label={group} className="mb-2">
          <h3 className="break-after-avoid pt-1 text-base">{group}</h3>
          <ul>
            {items
              .filter((i) => i.group === group)
              .map((i) => (
                <Item key={i.key} item={i} practice={practice} />
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
