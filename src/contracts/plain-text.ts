// Control characters but tab and line breaks, and halves of a character that stand alone.
const NOT_TEXT =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** Whether a text is of characters one can write, print and send. `isPlainText('a\u0000')` is false. */
export const isPlainText = (text: string): boolean => !NOT_TEXT.test(text);

/** How deep anything that is sent may lie in itself. */
const DEEPEST = 40;

/**
 * The first place of what was sent that cannot be kept as it is: a text with a control character, or what lies too deep in
 * itself. All that is sent, at every door, is looked at by this.
 * @returns the path to it, with dots, or null when all can be kept
 */
export function notPlain(value: unknown, path: readonly string[] = []): string | null {
  if (typeof value === 'string') return isPlainText(value) ? null : path.join('.');
  if (typeof value !== 'object' || value === null) return null;
  if (path.length >= DEEPEST) return path.join('.');
  for (const [key, inner] of Object.entries(value)) {
    const at = isPlainText(key) ? notPlain(inner, [...path, key]) : path.join('.');
    if (at !== null) return at;
  }
  return null;
}
