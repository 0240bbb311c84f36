/** What the proxy between the tablets and the application is told. */
export interface ProxyWish {
  /** names and addresses it answers to over https */
  readonly names: readonly string[];
  readonly port: number;
  /** where a tablet takes the certificate, over plain http, and nothing else is served */
  readonly trustPort: number;
  /** ports of the application's processes on this machine */
  readonly applications: readonly number[];
  /** what makes the application believe it */
  readonly token: string;
  /** further shops: the name each is reached by, where its application listens, what makes that believe the proxy */
  readonly others?: readonly {
    readonly host: string;
    readonly application: number;
    readonly token: string;
  }[];
  /** its own folder: authority, site, log */
  readonly folder: string;
}

const block = (head: string, lines: readonly string[]): string =>
  `${head} {\n${lines.map((l) => `\t${l.replaceAll('\n', '\n\t')}`).join('\n')}\n}`;

/** What is made smaller on its way to a tablet; an event stream is not: each line of it goes out at once. */
const SMALLER = [
  'text/html*',
  'text/css*',
  'text/plain*',
  'text/calendar*',
  'text/x-component*',
  'text/javascript*',
  'application/javascript*',
  'application/json*',
  'application/manifest+json*',
  'image/svg+xml*',
];

/** One shop, as it is served over https. */
const site = ({
  names,
  port,
  applications,
  token,
}: Pick<ProxyWish, 'names' | 'port' | 'applications' | 'token'>): string =>
  block(names.map((n) => `https://${n}:${port}`).join(', '), [
    'tls internal',
    block('encode zstd gzip', [
      block(
        'match',
        SMALLER.map((type) => `header Content-Type ${type}`),
      ),
    ]),
    block(`reverse_proxy ${applications.map((p) => `127.0.0.1:${p}`).join(' ')}`, [
      // A tablet stays with one application while that is there.
      applications.length > 1 ? 'lb_policy header Cookie' : 'lb_policy first',
      'lb_try_duration 5s',
      'lb_try_interval 100ms',
      ...(applications.length > 1
        ? ['health_uri /api/health', 'health_interval 1s', 'fail_duration 5s']
        : []),
      'flush_interval -1',
      `header_up X-Rubrica-Proxy ${token}`,
    ]),
  ]);

/** The proxy's settings as it reads them. Nothing in them comes from outside but the names, which were checked. */
export function caddyfile({
  names,
  port,
  trustPort,
  applications,
  token,
  others = [],
  folder,
}: ProxyWish): string {
  const [first = ''] = names;
  const settings = block('', [
    'admin off',
    'auto_https disable_redirects',
    'skip_install_trust',
    `default_sni ${first}`,
    `storage file_system "${folder}/authority"`,
    block('log', [
      block(`output file "${folder}/log/proxy.log"`, ['roll_size 10MiB', 'roll_keep 10']),
      'level WARN',
    ]),
  ]);
  const secure = site({ names, port, applications, token });
  const further = others.map(({ host, application, token: theirs }) =>
    site({ names: [host], port, applications: [application], token: theirs }),
  );
  const trust = block(`http://:${trustPort}`, [
    `root * "${folder}/site"`,
    block('handle /rubrica.crt', [
      'header Content-Type application/x-x509-ca-cert',
      'header Cache-Control no-store',
      'file_server',
    ]),
    block('handle', [
      'rewrite * /trust.html',
      'header Cache-Control no-store',
      "header Content-Security-Policy \"default-src 'none'; style-src 'unsafe-inline'\"",
      block('file_server', ['status 403']),
    ]),
  ]);
  return `${[settings, secure, ...further, trust].join('\n\n')}\n`;
}

/** A name or an address that may stand in the proxy's settings. */
export const isHostName = (text: string): boolean =>
  /^(?=.{1,253}$)([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?)(\.[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?)*$/i.test(text);
