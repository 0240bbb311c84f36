'use client';

import type { ReactNode } from 'react';
import type { EarWork } from '../../workers/ear-worker.ts';
import { TROUBLE } from './ear-trouble.ts';
import type { Ear } from './use-ear.ts';
import { WavFile } from './wav-file.tsx';

/** The ways to begin: by the microphone or from a file, with what else is chosen before. */
export function EarStart({
  ear,
  work,
  onClose,
  children,
}: {
  readonly ear: Ear;
  /** what is heard, as it is chosen then */
  readonly work: () => EarWork;
  readonly onClose: () => void;
  readonly children?: ReactNode;
}) {
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <button
        type="button"
        className="button button-main"
        disabled={ear.stands.kind === 'opening'}
        onClick={() => void ear.byMicrophone(work())}
      >
        Listen by the microphone
      </button>
      {children}
      <WavFile onSound={(sound) => ear.byFile(work(), sound)} />
      <button type="button" className="button ml-auto" onClick={onClose}>
        Leave it
      </button>
    </div>
  );
}

/** Why nothing is heard, or what stands there otherwise. */
export function EarStands({ ear: { stands }, says }: { readonly ear: Ear; readonly says: string }) {
  return stands.kind === 'trouble' ? (
    <p role="alert" className="text-rubric">
      ◆ {TROUBLE[stands.why]}
    </p>
  ) : (
    <p role="status">{says}</p>
  );
}
