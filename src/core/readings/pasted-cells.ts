/** The cells of what was pasted: a column or a row of a spreadsheet; null when it is one value. */
export function pastedCells(text: string): readonly string[] | null {
  const cells = text
    .replace(/\r\n?/g, '\n')
    .replace(/\n+$/, '')
    .split(/[\n\t]/)
    .map((c) => c.trim());
  return cells.length > 1 ? cells : null;
}
