'use client';

import { useState } from 'react';
import { POLICIES, type Policy } from '../../core/care/care.ts';
import { MEANS, MEANS_IDS, type MeansId } from '../../core/care/means.ts';
import { SURFACE_IDS, SURFACES, type SurfaceId } from '../../core/care/surfaces.ts';
import { VERDICTS, verdictOn } from '../../core/care/verdicts.ts';
import type { LoadedCare } from '../../server/house/save-care.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { careTexts, homeField, readCareTexts, verdictField, whyField, type CareTexts } from './care-texts.ts';
import { VersionList } from './version-list.tsx';

interface Typing {
  readonly texts: CareTexts;
  readonly wrong: Readonly<Record<string, string>>;
  readonly may: boolean;
  readonly type: (part: CareTexts) => void;
}

/** Whether one thing may touch a surface: as it is usual in the trade, or as the shop says, with why. */
function MeansRow({
  surface,
  means,
  texts,
  wrong,
  may,
  type,
}: Typing & { readonly surface: SurfaceId; readonly means: MeansId }) {
  const trade = verdictOn(surface, means);
  const [verdict, why] = [verdictField(surface, means), whyField(surface, means)];
  const chosen = texts[verdict] ?? '';
  return (
    <li className="grid items-end gap-2 border-b border-line py-2 sm:grid-cols-[22rem_1fr]">
      <FormField label={`May ${MEANS[means].name} touch it?`}>
        {(w) =>
          may ? (
            <ListChoice
              {...w}
              value={chosen}
              items={[
                { value: '', name: `as usual: ${VERDICTS[trade.verdict]}` },
                ...Object.entries(VERDICTS).map(([value, name]) => ({ value, name })),
              ]}
              onChange={(to) => type({ [verdict]: to })}
            />
          ) : (
            <output {...w}>{VERDICTS[(chosen || trade.verdict) as keyof typeof VERDICTS]}</output>
          )
        }
      </FormField>
      {chosen === '' ? (
        <span className="pb-3 text-sm text-quiet">{trade.why}</span>
      ) : (
        <TextField
          label={`Why, for ${MEANS[means].name}`}
          maxLength={200}
          readOnly={!may}
          error={wrong[why]}
          value={texts[why] ?? ''}
          onChange={(to) => type({ [why]: to })}
        />
      )}
    </li>
  );
}

/** How much cleaning the price of a setup has in it. */
function PolicyChoice({ texts, may, type }: Pick<Typing, 'texts' | 'may' | 'type'>) {
  return (
    <fieldset>
      <legend className="font-serif text-xl">How much cleaning is in the price</legend>
      {(Object.keys(POLICIES) as Policy[]).map((p) => (
        <label key={p} className="flex min-h-11 items-center gap-2">
          <input
            type="radio"
            name="policy"
            className="h-5 w-5"
            disabled={!may}
            checked={texts['policy'] === p}
            onChange={() => type({ policy: p })}
          />
          {POLICIES[p]}
        </label>
      ))}
      <p className="text-sm text-quiet">The customer reads it on the estimate.</p>
    </fieldset>
  );
}

/** Everything the shop says of one surface. */
function SurfaceFields(props: Typing & { readonly surface: SurfaceId }) {
  const { surface, texts, may, type } = props;
  const home = homeField(surface);
  return (
    <>
      <TextField
        label="What its player is told at hand-over (may be empty)"
        rows={2}
        maxLength={300}
        readOnly={!may}
        value={texts[home] ?? SURFACES[surface].home}
        onChange={(to) => type({ [home]: to })}
      />
      <ul>
        {MEANS_IDS.map((m) => (
          <MeansRow key={m} {...props} means={m} />
        ))}
      </ul>
    </>
  );
}

/** What may touch what, as the shop says it: by surface, with why; what is told at hand-over; versions with a way back. */
export function CareEditor({ loaded, may }: { readonly loaded: LoadedCare; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const [surface, setSurface] = useState<SurfaceId>('board-raw');
  const [note, setNote] = useState('');
  const edit = useEdit<CareTexts>(careTexts(loaded.care), loaded.version, 'house:care');
  const { care, wrong } = readCareTexts(edit.value);
  const typing: Typing = { texts: edit.value, wrong, may, type: edit.set };
  const keep = async () => {
    if (Object.keys(wrong).length > 0) return;
    const sent = { ...care, verdicts: [...care.verdicts] };
    const done = await edit.save((_, version) => give('house.save-care', { version, care: sent, note }));
    if (done) setNote('');
  };
  return (
    <form
      aria-label="Care"
      className="max-w-4xl space-y-5 px-5 py-4"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <PolicyChoice {...typing} />
      <FormField label="On what" className="max-w-md">
        {(w) => (
          <ListChoice
            {...w}
            value={surface}
            items={SURFACE_IDS.map((s) => ({ value: s, name: SURFACES[s].name }))}
            onChange={(s) => setSurface(s as SurfaceId)}
          />
        )}
      </FormField>
      <SurfaceFields key={surface} {...typing} surface={surface} />
      <ConflictChoice edit={edit} />
      {may && (
        <div className="space-y-3">
          <TextField label="Why it changes (may be empty)" maxLength={200} value={note} onChange={setNote} />
          <button type="submit" className="button button-main" disabled={busy || !edit.changed}>
            Keep as version {loaded.version + 1}
          </button>
          {Object.keys(wrong).length > 0 && (
            <p role="alert" className="text-rubric">
              ◆ A reason is missing.
            </p>
          )}
        </div>
      )}
      <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
      <VersionList versions={loaded.versions} may={may} onTake={(v) => edit.set(careTexts(v.care))} />
    </form>
  );
}
