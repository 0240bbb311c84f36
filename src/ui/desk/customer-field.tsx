'use client';

import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useState } from 'react';
import type { FoundCustomer } from '../../server/desk/find.ts';
import { FormField } from '../kit/form-field.tsx';

/** A customer found by typing a name, telephone or serial, or a new one by the name typed. */
export function CustomerField({
  value,
  chosen,
  error,
  onChoose,
}: {
  readonly value: string;
  readonly chosen: FoundCustomer | null;
  readonly error: string | undefined;
  readonly onChoose: (customer: FoundCustomer | null, name: string) => void;
}) {
  const [found, setFound] = useState<readonly FoundCustomer[]>([]);
  const look = async (piece: string) => {
    onChoose(null, piece);
    const answer = await fetch(`/api/find?q=${encodeURIComponent(piece)}`).catch(() => null);
    setFound(answer?.ok ? ((await answer.json()) as FoundCustomer[]) : []);
  };
  return (
    <FormField label="Name, telephone or serial number" error={error}>
      {(w) => (
        <Combobox value={chosen} by="id" onChange={(c: FoundCustomer | null) => c && onChoose(c, c.name)}>
          <ComboboxInput
            {...w}
            className="field"
            autoComplete="off"
            displayValue={() => value}
            value={value}
            onChange={(e) => void look(e.target.value)}
          />
          <ComboboxOptions
            modal={false}
            anchor="bottom start"
            className="z-30 w-(--input-width) border border-plain bg-card shadow-lg empty:hidden"
          >
            {found.map((c) => (
              <ComboboxOption
                key={c.id}
                value={c}
                className="min-h-11 cursor-pointer px-3 py-2 data-focus:bg-plain data-focus:text-paper"
              >
                <b>{c.name}</b> {c.phone}
                <span className="block text-sm">
                  {c.instruments.map((i) => `${i.name} ${i.serial}`).join(', ')}
                </span>
              </ComboboxOption>
            ))}
          </ComboboxOptions>
          <p className="mt-0.5 text-sm text-quiet">
            {chosen
              ? 'Known to the shop'
              : value.length > 1
                ? 'New to the shop'
                : 'Type to find, or a new name'}
          </p>
        </Combobox>
      )}
    </FormField>
  );
}
