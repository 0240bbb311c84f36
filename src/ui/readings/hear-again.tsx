'use client';

import { useEffect, useRef, useState } from 'react';
import { Volume2 } from 'lucide-react';

/** Plays the pluck a reading was heard in. */
export function HearAgain({
  sound,
  name = 'Hear the pluck',
}: {
  readonly sound: number;
  readonly name?: string;
}) {
  const audio = useRef<HTMLAudioElement | null>(null);
  const [wrong, setWrong] = useState(false);
  useEffect(() => () => audio.current?.pause(), [sound]);
  const play = async () => {
    audio.current?.pause();
    const own = new Audio(`/api/sound/${sound}`);
    audio.current = own;
    setWrong(
      await own.play().then(
        () => false,
        () => true,
      ),
    );
  };
  return (
    <>
      <button type="button" className="button ml-2 px-2 text-sm" onClick={() => void play()}>
        <Volume2 aria-hidden size={16} /> {name}
      </button>
      {wrong && <span className="ml-2 text-rubric">◆ It could not be played here.</span>}
    </>
  );
}
