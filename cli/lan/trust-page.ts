import { X509Certificate } from 'node:crypto';

/** The digest of a certificate as a tablet shows it: pairs of hexadecimal digits. */
export const fingerprint = (pem: string): string => new X509Certificate(pem).fingerprint256;

/** When a certificate ends, ms since 1970. */
export const endsAt = (pem: string): number => Date.parse(new X509Certificate(pem).validTo);

const escape = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/**
 * What a tablet sees over plain http: why nothing else is served there, and how it learns to trust this machine, once.
 * @param pem the certificate of the machine's own authority
 * @param address the https address to go on to
 */
export function trustPage(pem: string, address: string): string {
  return `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Rubrica: trust this machine</title>
<style>
body { font: 18px/1.5 sans-serif; max-width: 38rem; margin: 2rem auto; padding: 0 1rem; background: #f9f4e8; color: #22201c }
h1 { font-family: serif } code { font-size: 0.8em; overflow-wrap: anywhere }
a.button { display: inline-block; padding: 0.7rem 1rem; border-radius: 4px; background: #22201c; color: #f9f4e8; text-decoration: none }
li { margin: 0.8rem 0 }
</style></head>
<body>
<h1>Trust this machine, once</h1>
<p>Over plain http nothing is served but this page: a microphone, a gauge on a cable and work without a connection need a secure one.</p>
<ol>
<li><a class="button" href="/rubrica.crt">Take the certificate of this machine</a></li>
<li>Allow it in the tablet's settings as a certificate authority: look there for <em>certificate</em>, <em>profile</em> or <em>trust</em>. Compare its SHA-256 fingerprint with the one on the machine's own screen:<br><code>${escape(fingerprint(pem))}</code></li>
<li><a class="button" href="${escape(address)}/pair">Open Rubrica over https and pair this tablet</a></li>
</ol>
<p>The certificate was made by this machine for its own addresses alone. It leaves a tablet with its settings, or when it is removed there.</p>
</body>
</html>
`;
}
