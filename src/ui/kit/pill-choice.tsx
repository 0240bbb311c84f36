'use client';

import { Label, Radio, RadioGroup } from '@headlessui/react';

/** One of a few: arrow keys or a tap. */
export function PillChoice<T extends string>({
  legend,
  value,
  options,
  onChange,
  disabled = false,
  quiet = false,
}: {
  readonly legend: string;
  /** null: nothing chosen yet */
  readonly value: T | null;
  readonly options: Readonly<Record<T, string>>;
  readonly onChange: (value: T) => void;
  readonly disabled?: boolean;
  /** the legend is only spoken, where the choice explains itself */
  readonly quiet?: boolean;
}) {
  return (
    <RadioGroup<'div', T | null>
      value={value}
      onChange={(v) => v !== null && onChange(v)}
      disabled={disabled}
      aria-label={legend}
    >
      <Label className={quiet ? 'sr-only' : 'label'}>{legend}</Label>
      <div className="inline-flex flex-wrap border border-plain">
        {(Object.entries(options) as [T, string][]).map(([key, text]) => (
          <Radio
            key={key}
            value={key}
            className="flex min-h-11 cursor-pointer items-center border-r border-line px-2.5 last:border-r-0 data-checked:bg-plain data-checked:text-paper data-disabled:cursor-not-allowed"
          >
            {text}
          </Radio>
        ))}
      </div>
    </RadioGroup>
  );
}
