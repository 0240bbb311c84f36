'use client';

import { useState } from 'react';
import { FormField } from './form-field.tsx';
import { ListChoice } from './list-choice.tsx';

interface Item {
  readonly value: string;
  readonly name: string;
}

/** Adds one of those that are not picked yet. */
function AddOne({
  items,
  onAdd,
}: {
  readonly items: readonly Item[];
  readonly onAdd: (value: string) => void;
}) {
  const [next, setNext] = useState('');
  return (
    <div className="flex items-end gap-2 pt-1">
      <FormField label="Another one" className="flex-1">
        {(w) => <ListChoice {...w} value={next} items={items} onChange={setNext} />}
      </FormField>
      <button
        type="button"
        className="button"
        disabled={next === ''}
        onClick={() => {
          onAdd(next);
          setNext('');
        }}
      >
        Add
      </button>
    </div>
  );
}

/** Some of many, shown as a row that each can be taken from again, and a list to add from. */
export function PickList({
  title,
  gone,
  picked,
  items,
  may,
  onChange,
}: {
  readonly title: string;
  /** what taking one away is called: “No more before it” */
  readonly gone: string;
  readonly picked: readonly string[];
  readonly items: readonly Item[];
  readonly may: boolean;
  readonly onChange: (to: readonly string[]) => void;
}) {
  const nameOf = (value: string) => items.find((i) => i.value === value)?.name ?? value;
  return (
    <div role="group" aria-label={title}>
      <p className="label">{title}</p>
      {picked.length === 0 && <p className="text-sm">None.</p>}
      <ul className="flex flex-wrap gap-1">
        {picked.map((p) => (
          <li key={p}>
            <button
              type="button"
              className="button text-sm"
              disabled={!may}
              aria-label={`${gone}: ${nameOf(p)}`}
              onClick={() => onChange(picked.filter((x) => x !== p))}
            >
              {nameOf(p)} ✕
            </button>
          </li>
        ))}
      </ul>
      {may && (
        <AddOne
          items={items.filter((i) => !picked.includes(i.value))}
          onAdd={(value) => onChange([...picked, value])}
        />
      )}
    </div>
  );
}
