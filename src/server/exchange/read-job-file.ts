import { strFromU8, unzipSync } from 'fflate';
import { z } from 'zod';
import { toFileItems } from '../../contracts/formats/checklist-items.ts';
import { checklistItems } from '../../contracts/formats/checklists.ts';
import { constructionSchema } from '../../contracts/construction.ts';
import type { ChecklistItem } from '../../core/inspection/checklist.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Models } from '../db/models/index.ts';
import { checkPhoto } from '../photos/prepare-photo.ts';
import { jobFormat, photoName, sha256Hex, type JobFile } from './parts.ts';

export const MOST_ZIP_BYTES = 300 * 1024 * 1024;
const MOST_UNPACKED = 400 * 1024 * 1024;
const NAMES = /^(manifest\.json|job\.json|photos\/[1-9]\d{0,3}\.jpg)$/;

/** A job's file read and checked, with its photos in their order. */
export interface JobOfFile {
  readonly file: JobFile;
  readonly photos: ReadonlyArray<{ readonly whole: Buffer; readonly small: Buffer }>;
}

function unpack(zip: Uint8Array): Result<Record<string, Uint8Array>, string> {
  let [total, strange] = [0, ''];
  try {
    const files = unzipSync(zip, {
      filter: ({ name, originalSize }) => {
        if (!NAMES.test(name)) strange ||= name;
        total += originalSize;
        return strange === '' && total <= MOST_UNPACKED;
      },
    });
    if (strange !== '') return fail(`There is a file in it that does not belong: ${strange.slice(0, 80)}.`);
    if (total > MOST_UNPACKED) return fail('It unpacks to more than 400 MB.');
    return ok(files);
  } catch {
    return fail('This is no zip file, or it is damaged.');
  }
}

function parse(bytes: Uint8Array | undefined): unknown {
  try {
    return bytes ? (JSON.parse(strFromU8(bytes)) as unknown) : undefined;
  } catch {
    return undefined;
  }
}

/** Every file is there that the manifest names, none besides, and each is what it was. */
function whole(files: Readonly<Record<string, Uint8Array>>): string | null {
  const manifest = z.record(z.string(), z.string()).safeParse(parse(files['manifest.json']));
  if (!manifest.success) return 'It has no manifest that can be read.';
  const names = Object.keys(files).filter((n) => n !== 'manifest.json');
  const missing = Object.keys(manifest.data).find((n) => !names.includes(n));
  if (missing) return `${missing} is missing.`;
  const changed = names.find((n) => manifest.data[n] !== sha256Hex(files[n] ?? new Uint8Array()));
  return changed ? `${changed} is not what it was when it was written.` : null;
}

type Plain = Readonly<Record<string, unknown>>;
const isPlain = (v: unknown): v is Plain => typeof v === 'object' && v !== null && !Array.isArray(v);

/** Files of before there were payments carried one amount at the hand-over: it becomes a payment. */
function withPayments(file: unknown): unknown {
  if (!isPlain(file) || !isPlain(file['parts']) || !Array.isArray(file['parts']['handOvers'])) return file;
  const sheets = file['parts']['handOvers'] as readonly unknown[];
  const payments: Plain[] = [];
  const handOvers = sheets.map((sheet) => {
    if (!isPlain(sheet) || !('paidMinor' in sheet)) return sheet;
    const { paidMinor, paidHow, paidAt, ...rest } = sheet;
    if (typeof paidMinor === 'number' && paidMinor > 0)
      payments.push({
        kind: 'payment',
        amountMinor: paidMinor,
        how: paidHow,
        at: paidAt,
        note: '',
        byPerson: null,
      });
    return rest;
  });
  return payments.length === 0 && handOvers.every((s, i) => s === sheets[i])
    ? file
    : { ...file, parts: { ...file['parts'], handOvers, payments } };
}

/** What the shape alone does not say: references that point at nothing, facts that are no facts. */
function inside(file: JobFile): string | null {
  const construction = constructionSchema.safeParse(file.instrument['construction']);
  if (!construction.success)
    return `instrument: its construction is not possible (${construction.error.issues[0]?.path.join('.') ?? ''})`;
  if (file.checklist) {
    const items = file.checklist['items'];
    const read = Array.isArray(items)
      ? checklistItems.safeParse(toFileItems(items as ChecklistItem[]))
      : null;
    if (!read?.success) return 'checklist: its items cannot be read';
  } else if ((file.parts['inspections'] ?? []).length > 0) return 'checklist: the inspection has none';
  const people = new Set(file.people.map((p) => p.name));
  if (people.size !== file.people.length) return 'people: a name is there twice';
  return people.has(file.job.takenInBy) ? null : 'job: nobody took it in';
}

/**
 * Reads the zip of a job. Nothing is written; says the first thing that is wrong: no zip, files that do not belong, a file
 * that was changed, a shape or a reference that is not possible, a photo that is none.
 */
export async function readJobFile(models: Models, zip: Uint8Array): Promise<Result<JobOfFile, string>> {
  const files = unpack(zip);
  if (!files.ok) return files;
  const broken = whole(files.value);
  if (broken) return fail(broken);
  const read = jobFormat(models).safeParse(withPayments(parse(files.value['job.json'])));
  if (!read.success) {
    const [issue] = read.error.issues;
    return fail(
      `job.json, ${issue?.path.join('.') || 'the whole'}: ${issue?.message ?? 'it cannot be read'}.`,
    );
  }
  const file = read.data as unknown as JobFile;
  const wrong = inside(file);
  if (wrong) return fail(`job.json, ${wrong}.`);
  const photos: { whole: Buffer; small: Buffer }[] = [];
  for (const [i, row] of (file.parts['photos'] ?? []).entries()) {
    const bytes = files.value[photoName(i + 1)];
    if (!bytes || sha256Hex(bytes) !== row['digest'])
      return fail(`${photoName(i + 1)} is not the photo the job speaks of.`);
    const checked = await checkPhoto(Buffer.from(bytes));
    if (!checked.ok) return fail(`${photoName(i + 1)}: ${checked.error}.`);
    photos.push({ whole: Buffer.from(bytes), small: checked.value.small });
  }
  if (photos.length !== Object.keys(files.value).filter((n) => n.startsWith('photos/')).length) {
    return fail('There are photos in it the job does not speak of.');
  }
  return ok({ file, photos });
}
