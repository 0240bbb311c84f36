/** A page that is kept on a tablet. */
interface Kept {
  readonly path: string;
  readonly title: string;
}

const escape = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** What a tablet shows without a connection where the page was never shown on it. */
export function notKeptPage(kept: readonly Kept[]): string {
  const links = [...kept]
    .sort((a, b) => a.path.localeCompare(b.path, 'en', { numeric: true }))
    .map((k) => `<li><a href="${escape(k.path)}">${escape(k.title === '' ? k.path : k.title)}</a></li>`)
    .join('');
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>No connection · Rubrica</title>
<style>body { font: 18px/1.5 sans-serif; max-width: 40rem; margin: 2rem auto; padding: 0 1rem; background: #f9f4e8; color: #22201c }
h1 { font-family: serif } a { color: inherit; display: inline-block; min-height: 44px; line-height: 44px }</style></head>
<body><main><h1>No connection to the shop</h1>
<p>This page was not shown on this tablet yet. What you typed is kept and goes when the connection is back.</p>
${links === '' ? '<p>Nothing was shown here before.</p>' : `<h2>Kept on this tablet</h2><ul>${links}</ul>`}
</main></body></html>
`;
}
