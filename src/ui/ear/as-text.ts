import { smallSound } from '../../core/sound/small-sound.ts';
import { writeWav, type Sound } from '../../core/sound/wav.ts';

const PIECE = 8192;

/** A pluck as it is kept with its reading: a small WAV file in base64. */
export function asText(sound: Sound): string {
  const bytes = writeWav(smallSound(sound));
  let binary = '';
  for (let i = 0; i < bytes.length; i += PIECE)
    binary += String.fromCharCode(...bytes.subarray(i, i + PIECE));
  return btoa(binary);
}
