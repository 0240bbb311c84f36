'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { TaxRate } from '../../core/money/tax.ts';
import type { MoneyForm } from '../../core/money/currency.ts';
import type { ShelfItem } from '../../server/stores/load-stores.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { Trouble } from '../kit/trouble.tsx';
import { ItemFields } from './item-fields.tsx';
import { itemInput, newItem, typedItem, type TypedItem } from './typed-item.ts';

interface Props {
  /** null: a new one */
  readonly item: ShelfItem | null;
  readonly money: MoneyForm;
  readonly rates: readonly TaxRate[];
  readonly onDone: () => void;
}

/** What is typed of an item, and how it is kept; a new one is opened then. */
function useItem({ item, money, onDone }: Omit<Props, 'rates'>) {
  const router = useRouter();
  const { give, busy, trouble } = useSend();
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  const now = item ? typedItem(item, money) : newItem('string-set');
  const edit = useEdit<TypedItem>(now, item?.version ?? 0, `stock:${item?.id ?? 'new'}`);
  const keep = async () => {
    let made: number | null = null;
    const done = await edit.save(async (value, version) => {
      const input = itemInput(value, money, { itemId: item?.id ?? null, version });
      setWrong(input.ok ? {} : input.error);
      const kept = input.ok ? await give('stores.save-item', input.value) : null;
      made = kept?.itemId ?? null;
      return kept;
    });
    if (!done) return;
    onDone();
    if (!item && made !== null) router.push(`/stores/${String(made)}`);
  };
  const invalid = trouble?.code === 'invalid';
  return {
    edit,
    keep,
    busy,
    wrong: { ...(invalid ? trouble.fields : {}), ...wrong },
    trouble: invalid || edit.conflicts.length > 0 ? null : trouble,
  };
}

/** A form of an item of the stores: a new one, or one that is kept. */
export function ItemForm(props: Props) {
  const { item, onDone } = props;
  const { edit, keep, busy, wrong, trouble } = useItem(props);
  return (
    <form
      aria-label={item ? `Change ${item.name}` : 'Something new on the shelves'}
      className="space-y-3 border border-line p-3"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <ItemFields
        typed={edit.value}
        wrong={wrong}
        known={item !== null}
        rates={props.rates}
        onChange={edit.set}
      />
      {item && (
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="h-6 w-6"
            checked={edit.value.retired}
            onChange={(e) => edit.set({ retired: e.target.checked })}
          />
          It is kept no longer
        </label>
      )}
      <ConflictChoice edit={edit} />
      <div className="flex gap-3">
        <button type="submit" className="button button-main" disabled={busy}>
          Keep it
        </button>
        <button
          type="button"
          className="button"
          onClick={() => {
            edit.reset();
            onDone();
          }}
        >
          Leave it
        </button>
      </div>
      <Trouble trouble={trouble} />
    </form>
  );
}
