'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense } from 'react';
import type { ShopInfo } from '../../core/job/shop.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { FormField } from '../kit/form-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import type { ShopPart } from './shop-country.tsx';
import { readShop, shopTexts } from './shop-texts.ts';

const CountryFields = lazyPart(() => import('./shop-country.tsx').then((m) => m.CountryFields));
const TaxFields = lazyPart(() => import('./shop-country.tsx').then((m) => m.TaxFields));

/** The texts of the form, in the order they are asked: label, how wide, lines. */
const TEXTS = [
  { key: 'name', label: 'Name of the shop', max: 120, lines: 1 },
  { key: 'address', label: 'Address, a line each', max: 300, lines: 3 },
  { key: 'phone', label: 'Telephone', max: 60, lines: 1 },
  { key: 'email', label: 'E-mail', max: 254, lines: 1 },
  { key: 'web', label: 'Web', max: 120, lines: 1 },
  { key: 'foot', label: 'Words at the foot of papers', max: 400, lines: 2 },
] as const;

const SHORT: ReadonlySet<string> = new Set(['phone', 'email', 'web']);

/** What it is called, where it is, how it is reached. */
function Identity({ typed, set, may, wrong }: ShopPart) {
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      {TEXTS.map(({ key, label, max, lines }) => (
        <FormField
          key={key}
          label={label}
          error={wrong[key]}
          className={SHORT.has(key) ? '' : 'sm:col-span-3'}
        >
          {(w) =>
            lines === 1 ? (
              <input
                {...w}
                className="field"
                maxLength={max}
                readOnly={!may}
                value={typed[key]}
                onChange={(e) => set({ [key]: e.target.value })}
              />
            ) : (
              <textarea
                {...w}
                className="field"
                rows={lines}
                maxLength={max}
                readOnly={!may}
                value={typed[key]}
                onChange={(e) => set({ [key]: e.target.value })}
              />
            )
          }
        </FormField>
      ))}
    </div>
  );
}

/** What the shop is called and where it is, its money and its tax, as it is changed. */
export function ShopEditor({
  info,
  version,
  may,
}: {
  readonly info: ShopInfo;
  readonly version: number;
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit(shopTexts(info), version, 'house:shop');
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const read = readShop(edit.value);
  const fine = Object.keys(read.wrong).length === 0;
  const keep = () =>
    edit.save((typed, began) => give('house.save-shop', { version: began, shop: readShop(typed).shop }));
  // What the house says of a field stands at it, too.
  const refused = Object.entries(fields).map(([k, v]) => [
    k.replace(/^shop\./, '').replace(/^tax\.rates\.(\d+)\.name$/, 'name.$1'),
    v,
  ]);
  const part: ShopPart = {
    typed: edit.value,
    set: edit.set,
    may,
    wrong: { ...Object.fromEntries(refused), ...read.wrong },
  };
  return (
    <form
      aria-label="The shop"
      className="max-w-3xl space-y-4 px-5 py-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (fine) void keep();
      }}
    >
      {!may && <p className="text-quiet">A lead or the owner changes these.</p>}
      <Identity {...part} />
      <Suspense>
        <CountryFields {...part} />
        <TaxFields {...part} />
      </Suspense>
      <ConflictChoice edit={edit} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
      {may && (
        <button
          type="submit"
          className="button button-main"
          disabled={busy || !fine || edit.conflicts.length > 0}
        >
          Keep the shop
        </button>
      )}
    </form>
  );
}
