'use client';

import { useState } from 'react';
import { bandsOf, type TargetKind } from '../../core/targets/bands-of.ts';
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
import { useDisplayUnit } from '../data/display-unit.ts';
import { ENDS, fieldsOf, readTargets, TARGET_FIELDS, targetTexts, type TargetTexts } from './target-texts.ts';
import { VersionList } from './version-list.tsx';
import { Sideways } from '../kit/sideways.tsx';

interface Kind extends TargetKind {
  readonly name: string;
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
  const [unit] = useDisplayUnit();
  const [brought, setBrought] = useState<readonly ShopTargets[]>([]);
  const textsOf = (t: ShopTargets): TargetTexts => targetTexts(t, kinds, unit);
  const edit = useEdit<TargetTexts>(textsOf(loaded.targets), loaded.version, `house:targets:${unit}`);
  const texts = edit.value;
  const setTexts = (to: TargetTexts) =>
    edit.set(Object.fromEntries(Object.entries(to).filter(([k, v]) => texts[k] !== v)));
  const [note, setNote] = useState('');
  const [fileWrong, setFileWrong] = useState('');
  const versions = loaded.versions.map((v) => v.targets);
  const from = [loaded.targets, ...brought, ...versions, SHIPPED_TARGETS] as const;
  const { targets, wrong } = readTargets(texts, from, kinds, unit);
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
    if (!read.ok) return;
    setBrought([read.value]);
    setTexts(textsOf(read.value));
  };
  const cell = (name: string, label: string) => (
    <input
      className={`field w-24 ${wrong[name] ? 'border-rubric' : ''}`}
      aria-label={label}
      aria-invalid={wrong[name] ? true : undefined}
      title={wrong[name]}
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
        <p className="text-sm text-quiet">
          Any unit may be typed, with its name: 5/64, .008, 1.8 mm. What is not typed over keeps its number to
          the last digit.
        </p>
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
        <Sideways label="Low, aim and high of each quantity">
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
                    {TARGET_FIELDS[field].name}
                    {ENDS.some((end) => wrong[`${kind}.${field}.${end}`]) && (
                      <span className="block text-sm text-rubric">
                        ◆ {ENDS.map((end) => wrong[`${kind}.${field}.${end}`]).find(Boolean)}
                      </span>
                    )}
                  </th>
                  {ENDS.map((end) => (
                    <td key={end} className="py-1">
                      {cell(`${kind}.${field}.${end}`, `${TARGET_FIELDS[field].name}: ${end}`)}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </Sideways>
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
          onTake={(v) => setTexts(textsOf(v.targets))}
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
