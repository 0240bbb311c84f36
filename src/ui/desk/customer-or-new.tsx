'use client';

import type { FoundCustomer } from '../../server/desk/find.ts';
import { TextField } from '../kit/text-field.tsx';
import { CustomerField } from './customer-field.tsx';

/** Somebody as they are named: known to the shop, or new with how they are reached. */
export interface Named {
  readonly known: FoundCustomer | null;
  readonly name: string;
  readonly phone: string;
  readonly email: string;
}

export const NOBODY: Named = { known: null, name: '', phone: '', email: '' };

/** What a command takes of it. */
export const asCustomer = ({ known, name, phone, email }: Named) =>
  known ? { id: known.id } : { name, phone, email };

const CONTACTS = { phone: 'Telephone', email: 'E-mail' } as const;

/** A customer found by typing, or a new one with how they are reached. */
export function CustomerOrNew({
  value,
  errors,
  onChange,
}: {
  readonly value: Named;
  readonly errors: Readonly<Record<string, string>>;
  readonly onChange: (to: Named) => void;
}) {
  return (
    <>
      <CustomerField
        value={value.name}
        chosen={value.known}
        error={errors['customer.name'] ?? errors['customer']}
        onChoose={(known, name) => onChange({ ...value, known, name })}
      />
      {!value.known && (
        <div className="flex flex-wrap gap-3">
          {(['phone', 'email'] as const).map((key) => (
            <TextField
              key={key}
              label={CONTACTS[key]}
              error={errors[`customer.${key}`]}
              className="w-64"
              value={value[key]}
              onChange={(text) => onChange({ ...value, [key]: text })}
            />
          ))}
        </div>
      )}
    </>
  );
}
