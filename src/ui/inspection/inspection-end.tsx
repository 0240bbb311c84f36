'use client';

import { useState } from 'react';
import type { LeafJob } from '../job/leaf-props.ts';
import { sayMoment } from '../kit/dates.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

/** The end of an inspection: finished by one button, with one of the list's words where it ends in one. */
export function InspectionEnd({ job, may }: { readonly job: LeafJob<'inspection'>; readonly may: boolean }) {
  const { items, ends, ending, finishedAt, finishedBy, version } = job.inspection;
  const { give, busy, trouble } = useSend();
  const [word, setWord] = useState('');
  const open = items.filter((i) => i.answer === null).length;
  if (finishedAt !== null) {
    return (
      <p className="text-ink">
        Finished by {finishedBy}, {sayMoment(finishedAt)}
        {ending && `: ${ending}`}
      </p>
    );
  }
  return (
    <div className="space-y-2">
      {ends.length > 0 && open === 0 && (
        <PillChoice
          legend="It ends in"
          value={word}
          options={Object.fromEntries(ends.map((e) => [e, e]))}
          onChange={setWord}
          disabled={!may}
        />
      )}
      <Trouble trouble={trouble} />
      <button
        type="button"
        className="button w-full"
        disabled={open > 0 || !may || busy || (ends.length > 0 && word === '')}
        onClick={() => void give('inspection.finish', { jobId: job.id, version, ending: word })}
      >
        {open > 0 ? `${open} still open` : 'Finish the inspection'}
      </button>
    </div>
  );
}

/** Which list the job is inspected by, changed as long as nothing is answered. */
export function InspectionList({ job, may }: { readonly job: LeafJob<'inspection'>; readonly may: boolean }) {
  const { give, trouble } = useSend();
  const { list, lists, items, finishedAt, suits } = job.inspection;
  const begun = finishedAt !== null || items.some((i) => i.answer !== null && !i.bySheet);
  const suited = lists.find((l) => l.id === suits.list);
  if (begun || lists.length < 2) return null;
  return (
    <div>
      <PillChoice
        legend="Inspected by"
        value={list}
        options={Object.fromEntries(lists.map((l) => [l.id, l.name]))}
        disabled={!may}
        onChange={(chosen) => void give('inspection.choose-list', { jobId: job.id, list: chosen })}
      />
      {suited && suited.id !== list && (
        <p className="mt-1 text-sm">
          {suits.why} “{suited.name}” would do.
        </p>
      )}
      {suited && suited.id === list && <p className="mt-1 text-sm text-quiet">{suits.why}</p>}
      <Trouble trouble={trouble} />
    </div>
  );
}
