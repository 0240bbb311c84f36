import type { StringFact } from '../../core/instrument/construction-facts.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { thinFirst } from '../../core/strings/gauge-order.ts';
import { parseLength } from '../../core/units/parse-length.ts';

/** Gauges lowest first as a bench writes them: `.053 .042 .032 .024 .016 .012` or `53 42 32`. Empty keeps the usual set. */
export function readGauges(
  text: string,
  strings: readonly StringFact[],
): Result<readonly StringFact[], string> {
  if (text.trim() === '') return ok(strings);
  const parts = text.trim().split(/[\s;]+/);
  if (parts.length !== strings.length)
    return fail(`${strings.length} gauges are needed, lowest first; ${parts.length} are written.`);
  const read: StringFact[] = [];
  for (const [i, part] of parts.entries()) {
    const length = parseLength(part, /^0?[.,]/.test(part) ? 'in' : 'thou');
    const string = strings[i];
    if (!length.ok || !string) return fail(`“${part}” is not a gauge.`);
    read.push({ ...string, gauge: length.value.mm });
  }
  const turned = thinFirst(
    parts,
    read.map((r) => r.gauge),
  );
  return turned === null ? ok(read) : fail(turned);
}
