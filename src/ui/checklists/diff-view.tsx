import { ITEM_FIELDS, type ChecklistDiff, type ItemField } from '../../core/inspection/checklist-diff.ts';
import type { ChecklistItem } from '../../core/inspection/checklist.ts';
import { conditionWords } from '../../core/instrument/condition.ts';
import { operation } from '../../core/catalogue/operations.ts';
import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import { FIELD_NAMES, PHASES, valueName } from './words.ts';

function say(item: ChecklistItem, field: ItemField): string {
  switch (field) {
    case 'when':
      return conditionWords(item.when, valueName);
    case 'phase':
      return PHASES[item.phase];
    case 'reading':
      return item.reading ? QUANTITY_FACTS[item.reading].name : 'none';
    case 'leadsTo':
      return item.leadsTo ? operation(item.leadsTo).name : 'nothing';
    default:
      return item[field] || 'nothing';
  }
}

function Items({
  title,
  mark,
  items,
}: {
  readonly title: string;
  readonly mark: string;
  readonly items: readonly ChecklistItem[];
}) {
  if (items.length === 0) return null;
  return (
    <section aria-label={title}>
      <h3 className="font-serif text-lg">{title}</h3>
      <ul>
        {items.map((i) => (
          <li key={i.key}>
            <span aria-hidden>{mark}</span> <b>{i.title}</b>{' '}
            <span className="text-sm text-quiet">{i.group}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What differs between two versions of a list. */
export function DiffView({ diff }: { readonly diff: ChecklistDiff }) {
  return (
    <div className="space-y-4">
      {diff.renamed && <p>The list has another name.</p>}
      {diff.endsChanged && <p>It ends in other words.</p>}
      <Items title="Added" mark="+" items={diff.added} />
      <Items title="Taken out" mark="−" items={diff.removed} />
      <Items title="Moved" mark="↕" items={diff.moved} />
      {diff.changed.length > 0 && (
        <section aria-label="Changed">
          <h3 className="font-serif text-lg">Changed</h3>
          <ul className="space-y-2">
            {diff.changed.map(({ before, after, fields }) => (
              <li key={after.key}>
                <b>{after.title}</b>
                {ITEM_FIELDS.filter((f) => fields.includes(f)).map((f) => (
                  <p key={f} className="text-sm">
                    {FIELD_NAMES[f]}: <del>{say(before, f)}</del> → <ins>{say(after, f)}</ins>
                  </p>
                ))}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
