'use client';

import type { ShopInfo } from '../../core/job/shop.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { FormField } from '../kit/form-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { readPercent, sayPercent } from './percent.ts';

const HEIGHTS: Readonly<Record<ShopInfo['heights'], string>> = { '64ths': '64ths', thou: 'thou', mm: 'mm' };
const PAPERS: Readonly<Record<ShopInfo['paper'], string>> = { A4: 'A4', LETTER: 'Letter' };

/** The texts of the form, in the order they are asked: label, how wide, lines. */
const TEXTS = [
  { key: 'name', label: 'Name of the shop', max: 120, lines: 1 },
  { key: 'address', label: 'Address, a line each', max: 300, lines: 3 },
  { key: 'phone', label: 'Telephone', max: 60, lines: 1 },
  { key: 'email', label: 'E-mail', max: 254, lines: 1 },
  { key: 'web', label: 'Web', max: 120, lines: 1 },
  { key: 'foot', label: 'Words at the foot of papers', max: 400, lines: 2 },
] as const;

type Texts = Omit<ShopInfo, 'taxRate'> & { readonly tax: string } & Readonly<Record<string, unknown>>;

const textsOf = ({ taxRate, ...rest }: ShopInfo): Texts => ({ ...rest, tax: sayPercent(taxRate) });

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
  const edit = useEdit(textsOf(info), version, 'house:shop');
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const taxRate = readPercent(edit.value.tax);
  const keep = () =>
    edit.save(({ tax, ...shop }, began) =>
      give('house.save-shop', { version: began, shop: { ...shop, taxRate: readPercent(tax) ?? 0 } }),
    );
  return (
    <form
      aria-label="The shop"
      className="max-w-2xl space-y-3 px-5 py-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (taxRate !== null) void keep();
      }}
    >
      {!may && <p className="text-quiet">A lead or the owner changes these.</p>}
      {TEXTS.map(({ key, label, max, lines }) => (
        <FormField key={key} label={label} error={fields[`shop.${key}`]}>
          {(w) => (
            <textarea
              {...w}
              className="field"
              rows={lines}
              maxLength={max}
              readOnly={!may}
              value={edit.value[key]}
              onChange={(e) =>
                edit.set({ [key]: lines === 1 ? e.target.value.replace(/\n/g, ' ') : e.target.value })
              }
            />
          )}
        </FormField>
      ))}
      <MoneyFields edit={edit} may={may} fields={fields} />
      <ConflictChoice edit={edit} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
      {may && (
        <button
          type="submit"
          className="button button-main"
          disabled={busy || taxRate === null || edit.conflicts.length > 0}
        >
          Keep the shop
        </button>
      )}
    </form>
  );
}

/** The sign of its money, its tax, the unit heights are shown in, the paper it prints on. */
function MoneyFields({
  edit,
  may,
  fields,
}: {
  readonly edit: { readonly value: Texts; readonly set: (some: Partial<Texts>) => void };
  readonly may: boolean;
  readonly fields: Readonly<Record<string, string>>;
}) {
  const { currency, tax, heights, paper } = edit.value;
  return (
    <>
      <div className="flex gap-3">
        <FormField label="Sign of your money" className="w-44" error={fields['shop.currency']}>
          {(w) => (
            <input
              {...w}
              className="field"
              maxLength={4}
              readOnly={!may}
              value={currency}
              onChange={(e) => edit.set({ currency: e.target.value })}
            />
          )}
        </FormField>
        <FormField
          label="Tax added to prices, %"
          className="w-44"
          error={readPercent(tax) === null ? 'A percentage, 0 to 100' : fields['shop.taxRate']}
        >
          {(w) => (
            <input
              {...w}
              className="field"
              inputMode="decimal"
              readOnly={!may}
              value={tax}
              onChange={(e) => edit.set({ tax: e.target.value })}
            />
          )}
        </FormField>
      </div>
      <PillChoice
        legend="Heights are shown in"
        value={heights}
        options={HEIGHTS}
        onChange={(to) => edit.set({ heights: to })}
        disabled={!may}
      />
      <PillChoice
        legend="Paper"
        value={paper}
        options={PAPERS}
        onChange={(to) => edit.set({ paper: to })}
        disabled={!may}
      />
    </>
  );
}
