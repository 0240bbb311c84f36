'use client';

import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import Link from '../kit/link.tsx';
import { useState } from 'react';
import type { RoundKind } from '../../core/readings/rounds.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { FileField } from '../kit/file-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import { GaugePanel } from './gauge-panel.tsx';
import type { StationView } from '../../core/job/views/sheet-stations.ts';
import type { ReadingsState } from './use-readings.ts';

interface Props {
  readonly job: LeafJob;
  readonly round: RoundKind;
  readonly state: ReadingsState;
  readonly station: StationView | null;
  readonly may: boolean;
}

/** Readings carried forward or brought in from a file, and what came of it. */
function useBringing({ job, round, state }: Pick<Props, 'job' | 'round' | 'state'>) {
  const { give, busy, trouble } = useSend();
  const [said, setSaid] = useState('');
  const [wrong, setWrong] = useState('');
  const forward = async () => {
    setSaid('');
    const done = await give('readings.copy-forward', { jobId: job.id, round });
    if (done) setSaid(`${done.copied} readings still hold and stand in this round now.`);
  };
  const bringIn = async (file: File) => {
    setSaid('');
    const { readReadingsCsv } = await import('../../contracts/formats/readings.ts');
    const read = readReadingsCsv(await file.text());
    const missing = read.ok
      ? read.value.find((r) => r.round === round && !state.stations.some((s) => s.key === r.key))
      : undefined;
    setWrong(read.ok ? (missing ? `This instrument is not read at ${missing.key}.` : '') : read.error);
    if (!read.ok || missing) return;
    const here = read.value.filter((r) => r.round === round);
    for (const r of here) {
      const at = state.stations.find((s) => s.key === r.key);
      if (at) state.fill([at], [r.typed]);
    }
    setSaid(
      here.length === 0
        ? 'The file has no readings of this round.'
        : `${here.length} readings were taken over.`,
    );
  };
  return { forward, bringIn, said, wrong, busy, trouble };
}

/** What else one does with a round: carry forward what holds, listen to a gauge, write and read CSV. */
export function SheetTools({ job, round, state, station, may }: Props) {
  const { forward, bringIn, said, wrong, busy, trouble } = useBringing({ job, round, state });
  return (
    <>
      {may && <GaugePanel job={job} round={round} state={state} station={station} />}
      <Popover>
        <PopoverButton className="button text-sm">More</PopoverButton>
        <PopoverPanel
          anchor="bottom end"
          className="z-30 w-80 space-y-3 border border-plain bg-paper p-4 text-sm shadow-lg"
        >
          {may && round !== 'as-found' && (
            <button type="button" className="button w-full" disabled={busy} onClick={() => void forward()}>
              Carry forward what still holds
            </button>
          )}
          <Link className="button w-full" href={`/shelf/${job.instrument.id}/readings`}>
            Compare rounds and visits
          </Link>
          <a className="button w-full" href={`/api/job/${job.number}/readings.csv`} download>
            Readings as CSV
          </a>
          {may && (
            <FileField
              label="Readings of this round from a CSV"
              accept=".csv,text/csv"
              wrong={wrong}
              onFile={(file) => void bringIn(file)}
            />
          )}
          <p className="text-quiet">
            A column copied in a spreadsheet can be pasted on a field: it fills the places from there on.
          </p>
          <Trouble trouble={trouble} />
          <p aria-live="polite">{said}</p>
        </PopoverPanel>
      </Popover>
    </>
  );
}
