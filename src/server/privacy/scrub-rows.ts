import type { Transaction } from 'sequelize';
import { WITHDRAWN, withoutMentions, withoutNames } from '../../core/privacy/mentions.ts';
import type { Models } from '../db/models/index.ts';

/** Every table that holds rows of a job, and the column that ties them to it. */
const OF_JOB = [
  'JobItem',
  'Mark',
  'Receipt',
  'StringChange',
  'Round',
  'JobTarget',
  'Decision',
  'WorkLine',
  'HandOver',
  'PaymentRow',
  'EarlierSeal',
  'Remark',
  'Notice',
  'HandOn',
  'Accident',
  'WhatIf',
  'PlanChoice',
  'Offer',
  'MessageRow',
  'StockMoveRow',
] as const satisfies readonly (keyof Models)[];

/** Every table that holds words about an instrument. */
const OF_INSTRUMENT = [
  'Watch',
  'Afterward',
  'Originality',
  'KeptPart',
  'InsidePart',
] as const satisfies readonly (keyof Models)[];

/** What holds the name or the hand of whoever spoke for the customer, or how they are reached: it goes whole. */
const WHOLLY: Readonly<Partial<Record<keyof Models, readonly string[]>>> = {
  Receipt: ['name', 'initials'],
  WorkLine: ['approvedBy'],
  HandOver: ['signer', 'signature'],
  EarlierSeal: ['signer', 'signature'],
  Remark: ['byCustomer'],
  Offer: ['choiceBy'],
  MessageRow: ['address', 'subject', 'body', 'calendar'],
};

/** Drawings are no text: nothing stands in their place. */
const DRAWN = new Set(['signature', 'initials', 'calendar']);
/** Sealed texts are made anew from what is left. */
const SEALED = new Set(['record', 'shown', 'digest', 'keptDigest', 'withdrawn']);

interface Row {
  get: (column: string) => unknown;
  set: (column: string, value: unknown) => void;
  changed: () => false | string[];
  save: (options: { readonly transaction: Transaction }) => Promise<unknown>;
}
interface Plain {
  findAll: (options: object) => Promise<Row[]>;
  getAttributes: () => Readonly<
    Record<string, { readonly type: { readonly key: string; readonly _length?: unknown } }>
  >;
}

/** How long a text of a column may be: a longer word in a name’s place must still fit. */
const lengthOf = ({
  key,
  _length,
}: {
  readonly key: string;
  readonly _length?: unknown;
}): number | undefined => (key === 'STRING' && typeof _length === 'number' ? _length : undefined);

/** Takes names out of one row. */
function scrub(row: Row, model: Plain, wholly: readonly string[], names: RegExp | null): void {
  for (const [column, { type }] of Object.entries(model.getAttributes())) {
    const value = row.get(column);
    if (value === null || value === undefined || value === '' || SEALED.has(column)) continue;
    if (wholly.includes(column)) row.set(column, DRAWN.has(column) ? null : WITHDRAWN);
    else if ((type.key === 'STRING' || type.key === 'TEXT') && typeof value === 'string')
      row.set(column, withoutMentions(value, names).slice(0, lengthOf(type)));
    else if (type.key === 'JSON') {
      const without = withoutNames(value, names);
      if (JSON.stringify(without) !== JSON.stringify(value)) row.set(column, without);
    }
  }
}

/** Takes names out of every row of some jobs. */
export async function scrubJobs(
  models: Models,
  t: Transaction,
  jobIds: readonly number[],
  names: RegExp | null,
  invoices: boolean,
): Promise<void> {
  const go = async (name: keyof Models, where: object) => {
    const model = models[name] as unknown as Plain;
    for (const row of await model.findAll({ where, transaction: t })) {
      scrub(row, model, WHOLLY[name] ?? [], names);
      if (row.changed()) await row.save({ transaction: t });
    }
  };
  const ofJob = { jobId: [...jobIds] };
  await go('Job', { id: [...jobIds] });
  for (const name of OF_JOB) await go(name, ofJob);
  const ids = async (name: 'Inspection' | 'WorkLine') => {
    const model = models[name] as unknown as { findAll: (o: object) => Promise<{ id: number }[]> };
    return (await model.findAll({ where: ofJob, attributes: ['id'], transaction: t })).map((r) => r.id);
  };
  const instruments = await models.Job.findAll({
    attributes: ['instrumentId'],
    where: { id: [...jobIds] },
    transaction: t,
  });
  const ofInstrument = { instrumentId: instruments.map((j) => j.instrumentId) };
  for (const name of OF_INSTRUMENT) await go(name, ofInstrument);
  await go('InspectionAnswer', { inspectionId: await ids('Inspection') });
  await go('TimeEntry', { lineId: await ids('WorkLine') });
  if (invoices) await go('InvoiceRow', ofJob);
}
