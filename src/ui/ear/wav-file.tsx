'use client';

import { useState } from 'react';
import { readWav, type Sound } from '../../core/sound/wav.ts';
import { FileField } from '../kit/file-field.tsx';

const LARGEST_FILE = 60_000_000;

/** A WAV file instead of a microphone; what is none is said at its field. */
export function WavFile({ onSound }: { readonly onSound: (sound: Sound) => void }) {
  const [wrong, setWrong] = useState('');
  const read = async (file: File) => {
    setWrong('');
    if (file.size > LARGEST_FILE)
      return setWrong('This file is larger than a round by ear is: 60 MB at most.');
    const sound = readWav(new Uint8Array(await file.arrayBuffer()));
    if (!sound.ok) return setWrong(sound.error);
    onSound(sound.value);
  };
  return (
    <div className="w-64">
      <FileField
        label="Or a WAV file of the same"
        accept=".wav,audio/wav"
        wrong={wrong}
        onFile={(file) => void read(file)}
      />
    </div>
  );
}
