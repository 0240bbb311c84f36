'use client';

import { ScanLine } from 'lucide-react';
import { useId, useState } from 'react';
import { readScan } from '../../core/job/scan.ts';
import type { RackTag as Tag } from '../../server/rack/load-rack.ts';

/** A scanner types a tag, then a place: the instrument hangs there. The same by hand: `412`, Enter, `B2`, Enter. */
export function ScanField({
  tags,
  places,
  onHang,
  onSay,
}: {
  readonly tags: readonly Tag[];
  readonly places: readonly { readonly id: number; readonly name: string }[];
  readonly onHang: (tag: Tag, placeId: number, again: boolean) => Promise<boolean>;
  readonly onSay: (words: string) => void;
}) {
  const id = useId();
  const [text, setText] = useState('');
  const [number, setNumber] = useState<number | null>(null);
  const [refused, setRefused] = useState<number | null>(null);
  const inHand = tags.find((t) => t.number === number) ?? null;
  const read = async () => {
    const scanned = readScan(text, places);
    setText('');
    if (scanned.kind === 'unknown') return onSay(`“${scanned.text}” is neither a tag nor a place.`);
    if (scanned.kind === 'job') {
      const tag = tags.find((t) => t.number === scanned.number);
      setNumber(tag ? scanned.number : null);
      return onSay(tag ? `${tag.number} is in your hand: now its place.` : `${scanned.number} is not here.`);
    }
    if (!inHand) return onSay('First the tag, then the place.');
    // The same place once more, after it was said who hangs there: both do.
    const again = refused === scanned.id;
    const hung = await onHang(inHand, scanned.id, again);
    setRefused(hung ? null : scanned.id);
    if (hung) setNumber(null);
    else onSay('Scan the place again to hang both there, or another one.');
  };
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (text.trim() !== '') void read();
      }}
    >
      <div>
        <label className="sr-only" htmlFor={id}>
          {inHand ? `Place of ${inHand.number}` : 'Scan a tag, then a place'}
        </label>
        <div className="relative">
          <ScanLine aria-hidden size={18} className="absolute top-3 left-2 text-quiet" />
          <input
            id={id}
            className="field w-64 pl-8"
            placeholder={inHand ? `place of ${inHand.number}` : 'scan a tag, then a place'}
            autoComplete="off"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </div>
      </div>
    </form>
  );
}
