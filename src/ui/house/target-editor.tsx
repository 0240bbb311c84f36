'use client';

import { useState } from 'react';
import type { KindTargets } from '../../core/instrument/kind-record.ts';
import { KIND_TARGETS } from '../../core/targets/defaults.ts';
import { SHIPPED_TARGETS, type ShopTargets } from '../../core/targets/shop-targets.ts';
import { TOUCHES, type Touch } from '../../core/targets/target.ts';
import type { LoadedTargets } from '../../server/house/load-targets.ts';
import { FileField } from '../kit/file-field.tsx';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { VersionList } from './version-list.tsx';

interface Kind {
  readonly id: string;
  readonly name: string;
  /** the shipped kind whose bands it has until it has its own; itself for that */
  readonly base: string;
}

const FIELDS: Readonly<Record<keyof KindTargets, string>> = {
  relief: 'Relief, mm',
  actionBass: 'Action 12, bass, mm',
  actionTreble: 'Action 12, treble, mm',
  nutGap: 'Gap over fret 1, mm',
  intonation: 'Cents at 12',
  pickupBass: 'Pickup, bass, mm',
  pickupTreble: 'Pickup, treble, mm',
  vibratoFloat: 'Vibrato floats, mm',
};
const ENDS = ['low', 'aim', 'high'] as const;
type Texts = Readonly<Record<string, string>>;

const NUMBER = /^[−-]?\d+(?:[.,]\d+)?$/;
const toNumber = (text: string): number | null =>
  NUMBER.test(text.trim()) ? Number(text.trim().replace(',', '.').replace('−', '-')) : null;

const bandsOf = (targets: ShopTargets, { id, base }: Pick<Kind, 'id' | 'base'>): KindTargets => ({
  ...KIND_TARGETS[base as keyof typeof KIND_TARGETS],
  ...targets.kinds[base],
  ...targets.kinds[id],
});

/** What is aimed at on a kind: a nylon has no pickup to set. */
const fieldsOf = (bands: KindTargets): (keyof KindTargets)[] =>
  (Object.keys(FIELDS) as (keyof KindTargets)[]).filter((f) => bands[f] !== undefined);

function textsOf(targets: ShopTargets, kinds: readonly Kind[]): Texts {
  const bands = kinds.flatMap((k) =>
    Object.entries(bandsOf(targets, k)).flatMap(([field, band]) =>
      ENDS.map((end) => [`${k.id}.${field}.${end}`, String((band as Record<string, number>)[end])]),
    ),
  );
  const shares = Object.entries(targets.touch).map(([touch, share]) => [`touch.${touch}`, String(share)]);
  return Object.fromEntries([...bands, ...shares, ['slack', String(targets.slackPerSemitone)]]) as Texts;
}

/** The targets typed, or what is wrong by field. */
function readTexts(texts: Texts, now: ShopTargets, kinds: readonly Kind[]) {
  const wrong: Record<string, string> = {};
  const at = (name: string): number => {
    const n = toNumber(texts[name] ?? '');
    if (n === null) wrong[name] = 'A number';
    return n ?? 0;
  };
  const own = kinds.map((k) => {
    const fields = fieldsOf(bandsOf(now, k)).map((field) => {
      const [low, aim, high] = ENDS.map((end) => at(`${k.id}.${field}.${end}`)) as [number, number, number];
      if (!(low <= aim && aim <= high)) wrong[`${k.id}.${field}.aim`] ??= 'low ≤ aim ≤ high';
      return [field, { low, aim, high }] as const;
    });
    return [k.id, Object.fromEntries(fields) as unknown as KindTargets] as const;
  });
  const touch = Object.fromEntries(
    (Object.keys(TOUCHES) as Touch[]).map((t) => [t, at(`touch.${t}`)]),
  ) as ShopTargets['touch'];
  const bands = new Map(own);
  const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
  // A kind of the shop's own keeps a row of its own only where it differs: otherwise it goes by its base's, also later.
  const differing = kinds.filter((k) => k.id === k.base || !same(bands.get(k.id), bands.get(k.base)));
  const inherited = new Set(kinds.filter((k) => !differing.includes(k)).map((k) => k.id));
  const rest = Object.entries(now.kinds).filter(([id]) => !inherited.has(id));
  const targets = {
    kinds: {
      ...Object.fromEntries(rest),
      ...Object.fromEntries(differing.flatMap((k) => (bands.has(k.id) ? [[k.id, bands.get(k.id)]] : []))),
    } as Readonly<Record<string, KindTargets>>,
    touch,
    slackPerSemitone: at('slack'),
  };
  return { targets, wrong };
}

/** What the shop aims at: bands by kind, how far a touch moves them, versions with a way back, a file in. */
export function TargetEditor({
  loaded,
  kinds,
  may,
}: {
  readonly loaded: LoadedTargets;
  readonly kinds: readonly Kind[];
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const [kind, setKind] = useState(kinds[0]?.id ?? '');
  const chosen = kinds.find((k) => k.id === kind) ?? { id: kind, base: kind };
  const kept = textsOf(loaded.targets, kinds);
  const edit = useEdit<Readonly<Record<string, string>>>(kept, loaded.version, 'house:targets');
  const texts = edit.value;
  const setTexts = (to: Readonly<Record<string, string>>) =>
    edit.set(Object.fromEntries(Object.entries(to).filter(([k, v]) => texts[k] !== v)));
  const [note, setNote] = useState('');
  const [fileWrong, setFileWrong] = useState('');
  const { targets, wrong } = readTexts(texts, loaded.targets, kinds);
  const type = (name: string, text: string) => edit.set({ [name]: text });
  const changed = edit.changed;
  const keep = async () => {
    if (Object.keys(wrong).length > 0) return;
    const done = await edit.save((_, version) => give('house.save-targets', { version, targets, note }));
    if (done) setNote('');
  };
  const bringIn = async (file: File) => {
    const { readTargetsFile } = await import('../../contracts/formats/targets.ts');
    const read = readTargetsFile(await file.text(), loaded.targets);
    setFileWrong(read.ok ? '' : `${read.error} Nothing was changed.`);
    if (read.ok) setTexts(textsOf(read.value, kinds));
  };
  const cell = (name: string, label: string) => (
    <input
      className={`field w-24 ${wrong[name] ? 'border-rubric' : ''}`}
      aria-label={label}
      aria-invalid={wrong[name] ? true : undefined}
      title={wrong[name]}
      inputMode="decimal"
      readOnly={!may}
      value={texts[name] ?? ''}
      onChange={(e) => type(name, e.target.value)}
    />
  );
  const elsewhere = kinds.filter((k) => Object.keys(wrong).some((w) => w.startsWith(`${k.id}.`)));
  return (
    <div className="grid gap-8 px-5 py-3 lg:grid-cols-[3fr_2fr]">
      <section aria-labelledby="bands" className="space-y-3">
        <h2 id="bands" className="text-xl">
          Bands by kind
        </h2>
        <FormField label="Kind of instrument">
          {(w) => (
            <select {...w} className="field" value={kind} onChange={(e) => setKind(e.target.value)}>
              {kinds.map((k) => (
                <option key={k.id} value={k.id}>
                  {k.name}
                </option>
              ))}
            </select>
          )}
        </FormField>
        <table className="w-full text-left">
          <caption className="sr-only">Low, aim and high of each quantity</caption>
          <thead>
            <tr className="border-b-2 border-plain">
              <th scope="col">What is read</th>
              {ENDS.map((end) => (
                <th key={end} scope="col">
                  {end}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {fieldsOf(bandsOf(loaded.targets, chosen)).map((field) => (
              <tr key={field} className="border-b border-line">
                <th scope="row" className="py-1 font-normal">
                  {FIELDS[field]}
                  {ENDS.some((end) => wrong[`${kind}.${field}.${end}`]) && (
                    <span className="block text-sm text-rubric">
                      ◆ {ENDS.map((end) => wrong[`${kind}.${field}.${end}`]).find(Boolean)}
                    </span>
                  )}
                </th>
                {ENDS.map((end) => (
                  <td key={end} className="py-1">
                    {cell(`${kind}.${field}.${end}`, `${FIELDS[field]}: ${end}`)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <h2 className="pt-2 text-xl">What moves them</h2>
        <p className="text-sm text-quiet">
          Relief and action move by a share of their band’s width: −0.4 takes the aim to the low end.
        </p>
        <div className="grid grid-cols-4 gap-3">
          {(Object.entries(TOUCHES) as [Touch, string][]).map(([touch, says]) => (
            <TextField
              key={touch}
              label={says}
              error={wrong[`touch.${touch}`]}
              readOnly={!may}
              value={texts[`touch.${touch}`] ?? ''}
              onChange={(text) => type(`touch.${touch}`, text)}
            />
          ))}
          <TextField
            label="a semitone slacker"
            error={wrong['slack']}
            readOnly={!may}
            value={texts['slack'] ?? ''}
            onChange={(text) => type('slack', text)}
          />
        </div>
        {may && (
          <>
            <TextField label="What changed, in words" maxLength={200} value={note} onChange={setNote} />
            {elsewhere.length > 0 && (
              <p className="text-sm text-rubric">◆ Look at {elsewhere.map((k) => k.name).join(', ')}.</p>
            )}
            <ConflictChoice edit={edit} />
            <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
            <div className="flex gap-3">
              <button
                type="button"
                className="button button-main"
                disabled={busy || !changed || Object.keys(wrong).length > 0 || edit.conflicts.length > 0}
                onClick={() => void keep()}
              >
                Keep as version {loaded.version + 1}
              </button>
              <button type="button" className="button" disabled={!changed} onClick={edit.reset}>
                Undo my changes
              </button>
            </div>
          </>
        )}
      </section>
      <section aria-labelledby="versions" className="space-y-3">
        <h2 id="versions" className="text-xl">
          Versions
        </h2>
        <VersionList
          versions={[
            ...loaded.versions,
            { version: 0, targets: SHIPPED_TARGETS, note: 'as it ships', by: '', at: '' },
          ]}
          may={may}
          onTake={(v) => setTexts(textsOf(v.targets, kinds))}
        />
        {may && (
          <FileField
            label="Targets from a file"
            accept=".json,application/json"
            wrong={fileWrong}
            onFile={(file) => void bringIn(file)}
          />
        )}
      </section>
    </div>
  );
}
