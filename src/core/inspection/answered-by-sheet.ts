import type { Reading } from '../readings/reading.ts';
import type { Station } from '../readings/stations.ts';
import { verdict, type Target } from '../targets/target.ts';
import type { ChecklistItem } from './checklist.ts';
import { stationsOfItem } from './item-stations.ts';

/** What a sheet says of an item: all its places stand in their bands, or one does not. */
export type SheetAnswer = 'fine' | 'work';

/**
 * Items that the readings of the sheet answer: every place an item asks for was read and has a band. One without a band is for
 * the eye.
 * @param items the items asked
 * @param stations every place of this instrument
 * @param readings those that may be used, by place
 * @param targetOf the band of a place; null where nothing is aimed at
 */
export function answeredBySheet(
  items: readonly ChecklistItem[],
  stations: readonly Station[],
  readings: ReadonlyMap<string, Pick<Reading, 'value' | 'uncertainty'>>,
  targetOf: (s: Station) => Target | null,
): ReadonlyMap<string, SheetAnswer> {
  const answers = new Map<string, SheetAnswer>();
  for (const item of items.filter((i) => i.reading !== undefined)) {
    const verdicts = stationsOfItem(stations, item).map((s) => {
      const [reading, band] = [readings.get(s.key), targetOf(s)];
      return reading && band ? verdict(reading.value, band, reading.uncertainty ?? 0) : null;
    });
    if (verdicts.length === 0 || verdicts.includes(null)) continue;
    const out = verdicts.some((v) => v === 'low' || v === 'high');
    answers.set(item.key, out ? 'work' : 'fine');
  }
  return answers;
}

const OUT = 'out';

/** Whether a finding only says what numbers say that were read: then they are dealt with, and nothing is asked. */
export const saidByNumbers = (
  finding: { readonly id: string; readonly asks?: string } | null,
  item: string,
  bySheet: ReadonlyMap<string, SheetAnswer>,
): boolean => finding?.id === OUT && finding.asks !== undefined && bySheet.get(item) === 'work';
