import type { LengthUnit } from '../core/units/length-units.ts';

/**
 * What a gauge says, a line each (docs/formats/gauge-lines.md): `L 1.984 mm`, `L .078 in`, `C 21.4 C 44 %` (air), `B 12 %`
 * (battery), `! words` (its own trouble). A gauge that only types sends the number alone, and Enter.
 */
export type GaugeLine =
  | { readonly kind: 'length'; readonly value: string; readonly unit: LengthUnit | null }
  | { readonly kind: 'air'; readonly temperature: number; readonly humidity: number }
  | { readonly kind: 'battery'; readonly percent: number }
  | { readonly kind: 'trouble'; readonly words: string }
  | { readonly kind: 'noise'; readonly text: string };

const LENGTH = /^(?:L\s+)?([+-]?\d*[.,]?\d+)\s*(mm|in|thou)?$/i;
const AIR = /^C\s+(-?\d+(?:\.\d+)?)\s*C\s+(\d+(?:\.\d+)?)\s*%$/i;
const BATTERY = /^B\s+(\d{1,3})\s*%$/i;
const MOST = 120;

/** Reads one line of a gauge. What it does not know is noise, never a reading. */
export function readGaugeLine(line: string): GaugeLine {
  const text = line.trim().slice(0, MOST);
  const length = LENGTH.exec(text);
  if (length?.[1])
    return {
      kind: 'length',
      value: length[1],
      unit: (length[2]?.toLowerCase() as LengthUnit | undefined) ?? null,
    };
  const air = AIR.exec(text);
  if (air) return { kind: 'air', temperature: Number(air[1]), humidity: Number(air[2]) };
  const battery = BATTERY.exec(text);
  if (battery) return { kind: 'battery', percent: Math.min(100, Number(battery[1])) };
  if (text.startsWith('!')) return { kind: 'trouble', words: text.slice(1).trim() };
  return { kind: 'noise', text };
}

/** Cuts what arrives in pieces into whole lines; what is not ended yet waits. */
export function lineCutter(): (piece: string) => readonly string[] {
  let rest = '';
  return (piece) => {
    const lines = (rest + piece).split(/\r\n|\n|\r/);
    rest = (lines.pop() ?? '').slice(-4 * MOST);
    return lines.filter((l) => l.trim() !== '');
  };
}
