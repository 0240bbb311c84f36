import { zipSync, type Zippable } from 'fflate';
import type { Database } from '../db/connection.ts';
import type { Models } from '../db/models/index.ts';
import type { Job } from '../db/models/jobs.ts';
import type { EventRow } from '../db/models/events.ts';
import { wholeEntries } from '../use-case/whole-entries.ts';
import { kindNames } from '../house/kinds.ts';
import {
  leftOut,
  PARTS,
  PHOTOGRAPHED,
  photoName,
  plainColumns,
  sha256Hex,
  INSTRUMENT_LEAVES,
  JOB_LEAVES,
  type JobFile,
  type Part,
} from './parts.ts';

interface Row {
  readonly id: number;
  get: (column: string) => unknown;
}

const plain = (value: unknown): unknown => (value instanceof Date ? value.toISOString() : (value ?? null));
const columnsOf = (row: Row, columns: readonly string[]): Record<string, unknown> =>
  Object.fromEntries(columns.map((c) => [c, plain(row.get(c))]));

type Rows = ReadonlyMap<string, readonly Row[]>;

/** The log goes with what names its customer: a file of theirs is whole. */
async function putTogether(models: Models, rows: readonly EventRow[]): Promise<void> {
  const whole = await wholeEntries(models, rows);
  for (const row of rows) row.set('data', whole.get(Number(row.id)));
}

async function loadParts(models: Models, jobId: number): Promise<Rows> {
  const rows = new Map<string, readonly Row[]>();
  for (const part of PARTS) {
    const owners = part.owner.part === null ? [jobId] : (rows.get(part.owner.part) ?? []).map((r) => r.id);
    const model = models[part.model] as unknown as { findAll: (options: object) => Promise<Row[]> };
    const found =
      owners.length === 0
        ? []
        : await model.findAll({ where: { [part.owner.column]: owners }, order: [['id', 'ASC']] });
    if (part.name === 'events') await putTogether(models, found as unknown as EventRow[]);
    rows.set(part.name, found);
  }
  return rows;
}

function write(models: Models, part: Part, rows: Rows, names: ReadonlyMap<number, string>) {
  const place = (of: string, id: unknown): number | null => {
    const at = (rows.get(of) ?? []).findIndex((r) => r.id === id);
    return at < 0 ? null : at + 1;
  };
  return (rows.get(part.name) ?? []).map((row) => ({
    ...columnsOf(row, plainColumns(models, part.model, leftOut(part))),
    ...(part.owner.part !== null && { of: place(part.owner.part, row.get(part.owner.column)) }),
    ...Object.fromEntries(Object.entries(part.refs ?? {}).map(([c, of]) => [c, place(of, row.get(c))])),
    ...Object.fromEntries(part.people.map((c) => [c, names.get(row.get(c) as number) ?? null])),
    ...(part.name === 'photos' && { item: itemOf(row.get('item') as string | null, place) }),
  }));
}

/** What a photo shows, by its place in the file where it is a step or an accident. */
function itemOf(item: string | null, place: (of: string, id: unknown) => number | null): string | null {
  const [kind = '', id] = item?.split(':') ?? [];
  const part = PHOTOGRAPHED[kind];
  return part === undefined ? item : `${kind}:${place(part, Number(id)) ?? 0}`;
}

/** A seal speaks of the job's and its lines' own numbers: they go with it, so that it can be checked elsewhere. */
function sealedAs(parts: Record<string, Record<string, unknown>[]>, job: Job, lines: readonly Row[]) {
  for (const sheet of parts['handOvers'] ?? []) {
    const subject = sheet['subject'] as object | null;
    if (sheet['digest'] && subject) {
      sheet['subject'] = { number: job.number, lines: lines.map((l) => l.id), ...subject };
    }
  }
}

async function jobFile(db: Database, job: Job, rows: Rows): Promise<JobFile | null> {
  const { models } = db;
  const [customer, instrument, people, place, checklist, kinds] = await Promise.all([
    models.Customer.findByPk(job.customerId),
    models.Instrument.findByPk(job.instrumentId),
    models.Person.findAll({ order: [['name', 'ASC']] }),
    job.placeId === null ? null : models.Place.findByPk(job.placeId),
    models.Inspection.findOne({ where: { jobId: job.id } }).then(
      (i) => i && models.ChecklistRow.findByPk(i.checklistId),
    ),
    kindNames(db),
  ]);
  if (!customer || !instrument) return null;
  const names = new Map(people.map((p) => [p.id, p.name]));
  const used = new Set<unknown>([job.takenInBy, job.holderId]);
  for (const part of PARTS)
    for (const row of rows.get(part.name) ?? []) part.people.forEach((c) => used.add(row.get(c)));
  const parts = Object.fromEntries(PARTS.map((p) => [p.name, write(models, p, rows, names)]));
  sealedAs(parts, job, rows.get('lines') ?? []);
  return {
    format: 'rubrica job',
    version: 1,
    people: people
      .filter((p) => used.has(p.id))
      .map(({ name, initials, role }) => ({ name, initials, role })),
    customer: columnsOf(customer, plainColumns(models, 'Customer', ['id', 'mergedInto'])),
    instrument: {
      ...columnsOf(instrument, plainColumns(models, 'Instrument', INSTRUMENT_LEAVES)),
      kindName: kinds[instrument.kind] ?? instrument.kind,
    },
    job: {
      ...columnsOf(job, plainColumns(models, 'Job', JOB_LEAVES)),
      takenInBy: names.get(job.takenInBy) ?? '',
      holder: job.holderId === null ? null : (names.get(job.holderId) ?? null),
      place: place?.name ?? null,
    },
    checklist: checklist && columnsOf(checklist, plainColumns(models, 'ChecklistRow', ['id'])),
    parts,
  };
}

/** A job as its file has it, without the pictures; null when there is no such job. */
export async function jobAsFile(db: Database, job: Job): Promise<JobFile | null> {
  return jobFile(db, job, await loadParts(db.models, job.id));
}

const utf8 = (text: string): Uint8Array => new Uint8Array(Buffer.from(text, 'utf8'));
const NOTHING_NEW = new Date('2026-01-01T00:00:00Z');

/**
 * A whole job with its photos as a zip: `job.json`, the photos, and a `manifest.json` with each file's SHA-256. The same
 * job gives the same bytes. Null when there is no such job.
 */
export async function exportJob(db: Database, number: number): Promise<Buffer | null> {
  const job = await db.models.Job.findOne({ where: { number } });
  if (!job) return null;
  const rows = await loadParts(db.models, job.id);
  const file = await jobFile(db, job, rows);
  if (!file) return null;
  const files: Record<string, Uint8Array> = { 'job.json': utf8(JSON.stringify(file, null, 1)) };
  for (const [i, photo] of (rows.get('photos') ?? []).entries()) {
    const whole = await db.models.PhotoFile.findOne({ where: { photoId: photo.id, size: 'whole' } });
    if (whole) files[photoName(i + 1)] = new Uint8Array(whole.bytes);
  }
  const manifest = Object.fromEntries(Object.entries(files).map(([name, bytes]) => [name, sha256Hex(bytes)]));
  const zip: Zippable = { 'manifest.json': utf8(JSON.stringify(manifest, null, 1)) };
  for (const [name, bytes] of Object.entries(files))
    zip[name] = [bytes, { level: name.endsWith('.jpg') ? 0 : 6 }];
  return Buffer.from(zipSync(zip, { mtime: NOTHING_NEW }));
}
