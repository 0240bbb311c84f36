'use client';

import { useState } from 'react';
import { bareUnit } from '../../core/units/bare-unit.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { amountUnit, sayValue } from '../../core/targets/say-values.ts';

/** A size that a feeler reads, mm, in a field: shown in whoever's unit reads it, typed in any. */
export function SizeField({
  label,
  value,
  readOnly,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly readOnly: boolean;
  readonly onChange: (mm: number) => void;
}) {
  const [unit] = useDisplayUnit();
  const [typed, setTyped] = useState<string | null>(null);
  const read = typed === null ? null : parseLength(typed, bareUnit(typed, amountUnit(unit)));
  const wrong = read !== null && (!read.ok || read.value.mm < 0);
  return (
    <input
      className={`field w-28 ${wrong ? 'border-rubric' : ''}`}
      aria-label={label}
      aria-invalid={wrong || undefined}
      title={wrong ? (read.ok ? 'Not less than nothing' : read.error.message) : undefined}
      readOnly={readOnly}
      value={typed ?? sayValue(value, 'relief', unit)}
      onChange={(e) => {
        const text = e.target.value;
        setTyped(text);
        const now = parseLength(text, bareUnit(text, amountUnit(unit)));
        if (now.ok && now.value.mm >= 0) onChange(now.value.mm);
      }}
      onBlur={() => {
        if (!wrong) setTyped(null);
      }}
    />
  );
}
