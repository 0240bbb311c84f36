const upward = (from, to, comment) => ({
  name: `${from}-not-to-${to.join('-or-')}`,
  severity: 'error',
  comment,
  from: { path: `^src/${from}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: `^src/(${to.join('|')})/` },
});

/** Imports point one way: app → ui, server, workers → contracts → core → nothing. */
module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      comment: 'A cycle has no order to be read in.',
      from: {},
      to: { circular: true },
    },
    {
      name: 'no-folder-rings',
      severity: 'error',
      comment: 'Folders that import each other in a ring have no floor: move what both need below them.',
      scope: 'folder',
      from: { path: '^(src/(server|ui|contracts)|cli)/' },
      to: { circular: true },
    },
    {
      name: 'core-is-closed',
      severity: 'error',
      comment: 'The core imports only the core: no packages, no Node.',
      from: { path: '^src/core/', pathNot: ['\\.test\\.ts$', '^src/core/sums/'] },
      to: { pathNot: '^src/core/' },
    },
    {
      name: 'sums-are-declared-with-zod-alone',
      severity: 'error',
      comment: 'The declared sums may use zod, which is pure, and nothing else from outside.',
      from: { path: '^src/core/sums/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: ['^src/core/', '(^|/)node_modules/zod/'] },
    },
    upward(
      'contracts',
      ['app', 'ui', 'server', 'workers', 'devices', 'demo'],
      'Contracts know only the core.',
    ),
    upward(
      'workers',
      ['app', 'ui', 'server', 'contracts', 'demo', 'devices'],
      'A worker runs the core and nothing else.',
    ),
    upward('server', ['app', 'ui', 'demo'], 'The server does not know its pages.'),
    upward('demo', ['app', 'ui'], 'The demo shop uses the same use cases as the screens, not the screens.'),
    {
      name: 'ui-takes-only-types-of-the-server',
      severity: 'error',
      comment: 'What runs in the browser may name what the server sends, never import it.',
      from: { path: '^src/ui/' },
      to: { path: '^src/server/', dependencyTypesNot: ['type-only'] },
    },
    upward('ui', ['app', 'demo'], 'Shared parts do not know the pages.'),
    {
      name: 'nothing-from-tests',
      severity: 'error',
      from: { path: '^(src|cli)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^tests/' },
    },
    {
      name: 'no-own-index',
      severity: 'error',
      comment: 'Not through one’s own index.',
      from: { path: '^(src/core/[^/]+)/' },
      to: { path: '^$1/index\\.ts$' },
    },
    {
      name: 'no-orphan-deps',
      severity: 'error',
      from: { path: '^(src|cli)/' },
      to: { couldNotResolve: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    metrics: true,
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json', '.css'],
      conditionNames: ['import', 'node', 'types', 'default'],
      exportsFields: ['exports'],
    },
  },
};
