/** Inputs that nobody would type: made from a command's own schema, whole or broken at some place. */
import { z } from 'zod';
import { COMMANDS, type CommandName } from '../../src/contracts/commands/commands.ts';

interface Shape {
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly pattern?: string;
  readonly format?: string;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly properties?: Readonly<Record<string, Shape>>;
  readonly required?: readonly string[];
  readonly items?: Shape;
  readonly prefixItems?: readonly Shape[];
  readonly anyOf?: readonly Shape[];
  readonly oneOf?: readonly Shape[];
  readonly allOf?: readonly Shape[];
  readonly additionalProperties?: Shape | boolean;
  readonly propertyNames?: Shape;
}

/** What a command takes, as JSON Schema says it. */
export const shapeOf = (name: CommandName): Shape =>
  z.toJSONSchema(COMMANDS[name].input as z.ZodType, {
    io: 'input',
    unrepresentable: 'any',
    reused: 'inline',
  }) as Shape;

/** Numbers between 0 and 1, the same for the same seed. */
export function random(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const ODD: readonly unknown[] = [
  null, true, -1, 0, 1.5, 1e308, -1e308, 9_007_199_254_740_993, 4_294_967_296, 2_147_483_648, '', ' ', '\u0000', 'a\u001b[2J',
  '\ud83c', '’”–', "'; DROP TABLE jobs; --", '=HYPERLINK("x")', '<script>', '\u202e', '🎸'.repeat(300), 'x'.repeat(70_000),
  [], {}, [[[[]]]], { __proto__: { admin: true } }, { constructor: 1 }, '2026-02-31', '0000-00-00', '9'.repeat(40), 'NaN', '½',
]; // prettier-ignore

const WORDS = ['saddle', '5/64', '.010', 'Petra Aldous', 'e2', 'as-received', 'steel-acoustic', 'saddle-lower', '2026-12-24', 'x@y.example', '12', 'as-left', 'mm', 'EUR', 'buzz 🎸', 'ü'.repeat(39)]; // prettier-ignore

/**
 * Something of a shape.
 * @param broken how often a place is broken, 0 to 1
 */
export function anyOf(shape: Shape, next: () => number, broken: number, depth = 0): unknown {
  const pick = <T>(all: readonly T[]): T => all[Math.floor(next() * all.length)] as T;
  if (next() < broken) return pick(ODD);
  if (shape.const !== undefined) return shape.const;
  if (shape.enum) return pick(shape.enum);
  const choice = shape.anyOf ?? shape.oneOf;
  if (choice) return anyOf(pick(choice), next, broken, depth + 1);
  if (shape.allOf) {
    const parts = shape.allOf.map((s) => anyOf(s, next, broken, depth + 1));
    return parts.every((p) => typeof p === 'object' && p !== null) ? Object.assign({}, ...parts) : parts[0];
  }
  switch (shape.type) {
    case 'string':
      return pick(WORDS).slice(0, shape.maxLength ?? 200);
    case 'boolean':
      return next() < 0.5;
    case 'null':
      return null;
    case 'integer':
      return next() < 0.7
        ? 1 + Math.floor(next() * 12)
        : pick([shape.minimum ?? -5, shape.maximum ?? 1e9, 0]);
    case 'number':
      return next() < 0.7
        ? Math.round(next() * 300) / 100
        : pick([shape.minimum ?? -5, shape.maximum ?? 1e9, 0]);
    case 'array': {
      if (shape.prefixItems) return shape.prefixItems.map((s) => anyOf(s, next, broken, depth + 1));
      const many = depth > 6 ? 0 : Math.floor(next() * 3) + (shape.minItems ?? 0);
      return Array.from({ length: many }, () => anyOf(shape.items ?? {}, next, broken, depth + 1));
    }
    case 'object': {
      const made: Record<string, unknown> = {};
      const required = new Set(shape.required ?? []);
      for (const [key, inner] of Object.entries(shape.properties ?? {}))
        if (required.has(key) ? next() >= broken / 3 : next() < 0.5)
          made[key] = anyOf(inner, next, broken, depth + 1);
      if (typeof shape.additionalProperties === 'object' && next() < 0.5)
        made[String(anyOf(shape.propertyNames ?? { type: 'string' }, next, 0, depth + 1))] = anyOf(
          shape.additionalProperties,
          next,
          broken,
          depth + 1,
        );
      return made;
    }
    default:
      return pick([1, 'as-received', 'as-left', 'enough', null, {}, WORDS[3]]);
  }
}
