/** The rules of WCAG 2.2 AA, by the names axe has for them. */
export const WCAG = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

interface Violation {
  readonly id: string;
  readonly impact?: string | null | undefined;
  readonly nodes: readonly { readonly html: string }[];
}

/** What of it is serious or critical, each with where it stands. */
export const serious = (violations: readonly Violation[]): string[] =>
  violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
