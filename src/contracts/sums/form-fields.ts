import type { Measure } from '../../core/sums/fields.ts';
import type { AnySum } from '../../core/sums/run-sum.ts';
import { jsonSchema, type JsonSchema } from './openapi.ts';

interface Common {
  readonly key: string;
  readonly label: string;
  readonly description: string;
  readonly optional: boolean;
}

/** A field of a sum's form, made from its schema. */
export type FormField = Common &
  (
    | {
        readonly kind: 'number';
        readonly unit: string;
        readonly measure: Measure;
        /** words that may stand instead of a number */
        readonly words: readonly string[];
      }
    | { readonly kind: 'numbers'; readonly unit: string; readonly measure: Measure }
    | { readonly kind: 'text' }
    | { readonly kind: 'yes-no' }
    | { readonly kind: 'choice'; readonly options: readonly string[] }
    | { readonly kind: 'group'; readonly fields: readonly FormField[] }
    | { readonly kind: 'rows'; readonly fields: readonly FormField[]; readonly least: number }
  );

const text = (v: unknown): string => (typeof v === 'string' ? v : '');

/** Names whose own words say little at a bench. */
const OWN_LABELS: Readonly<Record<string, string>> = { sd: 'Give or take' };

/** `firstCutShare` → `First cut share`. */
export const labelOf = (key: string): string => {
  const own = OWN_LABELS[key];
  if (own !== undefined) return own;
  const words = key.replace(/([A-Z0-9]+)/g, (m) => ` ${m.toLowerCase()}`).trim();
  return words.charAt(0).toUpperCase() + words.slice(1);
};

type Kind = FormField extends infer F ? Omit<F, keyof Common> : never;

const numberKind = (s: JsonSchema, words: readonly string[] = []) => ({
  kind: 'number' as const,
  unit: text(s['unit']),
  measure: (s['measure'] ?? 'along') as Measure,
  words,
});

function kindOf(s: JsonSchema): Kind {
  if (Array.isArray(s['anyOf'])) {
    const parts = s['anyOf'] as JsonSchema[];
    const number = parts.find((p) => p['type'] === 'number') ?? {};
    return numberKind(
      { ...number, unit: s['unit'] },
      parts.map((p) => text(p['const'])).filter((w) => w !== ''),
    );
  }
  if (Array.isArray(s['enum'])) {
    const aliases = (s['aliases'] ?? []) as readonly unknown[];
    return { kind: 'choice', options: s['enum'].filter((o) => !aliases.includes(o)).map(String) } as Kind;
  }
  switch (s['type']) {
    case 'boolean':
      return { kind: 'yes-no' } as Kind;
    case 'string':
      return { kind: 'text' } as Kind;
    case 'object':
      return { kind: 'group', fields: fieldsOf(s) } as Kind;
    case 'array': {
      const items = (s['items'] ?? {}) as JsonSchema;
      if (items['type'] === 'object') {
        return { kind: 'rows', fields: fieldsOf(items), least: Number(s['minItems'] ?? 0) } as Kind;
      }
      const { unit, measure } = numberKind(items);
      return { kind: 'numbers', unit, measure } as Kind;
    }
    default:
      return numberKind(s) as Kind;
  }
}

function fieldsOf(schema: JsonSchema): FormField[] {
  const required = new Set((schema['required'] as string[] | undefined) ?? []);
  const properties = (schema['properties'] ?? {}) as Readonly<Record<string, JsonSchema>>;
  return Object.entries(properties).map(
    ([key, s]) =>
      ({
        key,
        label: labelOf(key),
        description: text(s['description']),
        optional: !required.has(key),
        ...kindOf(s),
      }) as FormField,
  );
}

/** Whether a form has a pitch somewhere, and so a reference for its notes. */
export const hasPitch = (fields: readonly FormField[]): boolean =>
  fields.some((f) =>
    f.kind === 'group' || f.kind === 'rows' ? hasPitch(f.fields) : 'unit' in f && f.unit === 'Hz',
  );

const known = new Map<string, readonly FormField[]>();

/** The fields of a sum's form, in the order they are declared. */
export function formFields(sum: AnySum): readonly FormField[] {
  const fields = known.get(sum.id) ?? fieldsOf(jsonSchema(sum.input));
  known.set(sum.id, fields);
  return fields;
}
