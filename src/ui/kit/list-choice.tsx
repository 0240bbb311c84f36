'use client';

import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';

/** One choice of a list. */
interface ListItem {
  readonly value: string;
  readonly name: string;
  readonly disabled?: boolean;
}

interface Props {
  readonly id: string;
  readonly value: string;
  readonly items: readonly ListItem[];
  readonly onChange: (value: string) => void;
  readonly disabled?: boolean;
  /** what stands there was said by nobody: it is not in ink */
  readonly quiet?: boolean;
  readonly 'aria-invalid'?: boolean | undefined;
  readonly 'aria-describedby'?: string | undefined;
}

/** One of many, in the house's own look: a tap, or arrows and first letters. */
export function ListChoice({ value, items, onChange, disabled = false, quiet = false, ...wiring }: Props) {
  const chosen = items.find((i) => i.value === value);
  return (
    <Listbox value={value} onChange={onChange} disabled={disabled}>
      <ListboxButton
        {...wiring}
        aria-labelledby={`${wiring.id}-label ${wiring.id}`}
        className="field flex cursor-pointer items-center justify-between gap-2 text-left"
      >
        <span className={quiet ? 'truncate text-quiet' : 'truncate'}>{chosen?.name ?? 'choose'}</span>
        <ChevronDown aria-hidden size={18} className="shrink-0" />
      </ListboxButton>
      <ListboxOptions
        modal={false}
        anchor="bottom start"
        className="z-30 max-h-80! w-(--button-width) min-w-52 border border-plain bg-card py-1 shadow-lg outline-none"
      >
        {items.map((i) => (
          <ListboxOption
            key={i.value}
            value={i.value}
            disabled={i.disabled ?? false}
            className="flex min-h-11 cursor-pointer items-center px-3 data-disabled:opacity-60 data-focus:bg-plain data-focus:text-paper data-selected:font-bold"
          >
            {i.name}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}
