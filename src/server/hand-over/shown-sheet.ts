import type { CustomerSheet } from '../../core/hand-over/customer-sheet.ts';
import type { Judged } from '../../core/job/judge.ts';
import { sheetView, type SheetParts } from '../../core/job/views/customer-sheet.ts';
import { canonicalJson, type Json } from '../../core/record/canonical.ts';
import type { SeenJob } from '../jobs/read-job.ts';
import { sha256 } from './sealed-record.ts';

/** The parts of a job a customer's sheet is made from. */
export const SHEET_PARTS = ['customer', 'things', 'accidents', 'photos'] as const;

/** The customer's sheet as it stands now, written canonically: what is signed for. */
export const sheetText = (
  g: SeenJob<SheetParts>,
  judged: Pick<Judged, 'items' | 'planInput' | 'bySheet'>,
  now: Date,
): string => canonicalJson(sheetView(g, judged, g.shop, now) as unknown as Json);

/** The sheet as it was signed, or as it stands now, with the digest a signer puts their name to. */
export function shownSheet(
  g: SeenJob<SheetParts>,
  judged: Pick<Judged, 'items' | 'planInput' | 'bySheet'>,
  now: Date,
): { readonly content: CustomerSheet; readonly digest: string } {
  const signed = g.handOver?.signedAt ? g.handOver.shown : null;
  const text = signed ?? sheetText(g, judged, now);
  return { content: JSON.parse(text) as CustomerSheet, digest: sha256(text) };
}
