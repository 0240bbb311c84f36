import { z } from 'zod';
import { SUMS } from '../../core/sums/catalogue.ts';
import type { AnySum } from '../../core/sums/run-sum.ts';

/** A schema as the documents know it. */
export type JsonSchema = Readonly<Record<string, unknown>>;

/** The JSON Schema (2020-12) of what a sum takes or gives, with the unit of every field. */
export function jsonSchema(schema: z.ZodType): JsonSchema {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { target: 'draft-2020-12' });
  return rest;
}

const json = (schema: JsonSchema, example?: unknown) => ({
  'application/json': { schema, ...(example !== undefined && { example }) },
});

const ERROR: JsonSchema = {
  type: 'object',
  required: ['code', 'field', 'message'],
  properties: {
    code: { enum: ['unknown-sum', 'invalid', 'outside', 'cannot-tell'] },
    field: { type: 'string', description: 'dotted path of the field, empty for the whole input' },
    message: { type: 'string' },
  },
};

function operation(sum: AnySum) {
  return {
    post: {
      operationId: sum.id,
      summary: sum.title,
      description: `${sum.why}\n\n${sum.formula}\n\nSource: ${sum.source}`,
      tags: ['sums'],
      requestBody: { required: true, content: json(jsonSchema(sum.input), sum.example) },
      responses: {
        '200': { description: 'the result', content: json(jsonSchema(sum.output)) },
        '400': { description: 'a field is wrong', content: json({ $ref: '#/components/schemas/SumError' }) },
      },
    },
  };
}

/** The OpenAPI 3.1 document of the sums, made from their declarations. */
export const openApi = (): JsonSchema => ({
  openapi: '3.1.0',
  info: {
    title: 'Rubrica: sums',
    version: '1',
    description:
      'Lengths are mm unless a field says otherwise, angles degrees, pitch errors cents (sharp positive), tension N, unit mass kg/m, frequency Hz.',
    license: { name: 'MIT', identifier: 'MIT' },
  },
  servers: [{ url: '/' }],
  paths: Object.fromEntries(SUMS.map((s) => [`/api/sums/${s.id}`, operation(s)])),
  components: { schemas: { SumError: ERROR } },
});
