/** The authority on who may import whom; unlike the lint rules it also sees dynamic imports and cycles. */
const forbid = (name, from, to, comment) => ({
  name,
  severity: 'error',
  comment,
  from: { path: from, pathNot: '\\.test\\.ts$' },
  to: { path: to },
})

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true, viaOnly: { pathNot: '^node_modules' } } },
    forbid('core-is-alone', '^core/', '^(contract|player|app|server|demo|modules)/', 'The core knows no other room.'),
    forbid(
      'core-takes-few-packages',
      '^core/',
      'node_modules/(?!zod/|mutative/|tlds/|htmlparser2/|@csstools/css-tokenizer/)',
      'zod, mutative, the list of top-level domains, and what reads markup and style sheets.',
    ),
    forbid('contract-on-core', '^contract/', '^(player|app|server|demo)/', 'The contract builds on the core alone.'),
    forbid(
      'player-is-small',
      '^player/',
      '^(app|server|demo)/|node_modules/(?!lottie-web/)',
      'No framework, no schemas; the one package comes only when it is needed.',
    ),
    forbid('app-not-server', '^app/', '^server/|node_modules/(drizzle-orm|@electric-sql)', 'Through the contract.'),
    forbid(
      'one-solve',
      '^app/',
      '^core/score/solveComposition\\.ts$',
      'Times stand on the resolved score: solved once.',
    ),
    {
      name: 'coverage-in-a-worker',
      severity: 'error',
      comment: 'It may take a second: not where anybody waits.',
      from: { path: '^(app/(?!workers/)|server/)', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/rules/(coverage|reorder)\\.ts$', dependencyTypesNot: ['type-only'] },
    },
    forbid(
      'stand-ins-on-core',
      '^stand-ins/',
      '^(contract/(?!studioLink\\.ts)|player|app|server|demo)/',
      'Platforms know nothing of us but what events mean, and the studio what is said over its link.',
    ),
    forbid('server-not-app', '^server/', '^app/|node_modules/vue/', 'The server knows no interface.'),
    forbid('drizzle-in-db', '^server/(?!db/|routes/readyz)', 'node_modules/drizzle-orm', 'Queries live in server/db.'),
    forbid(
      'gallery-is-made',
      '^(core|contract|player|app|server|demo)/',
      '^gallery/',
      'The server reads what the build made of it.',
    ),
    {
      name: 'kinds-are-strangers',
      severity: 'error',
      from: { path: '^core/score/parts/([^/]+)/' },
      to: {
        path: '^core/score/parts/',
        pathNot: ['^core/score/parts/$1/', '^core/score/parts/(part|partDefinition)\\.ts$'],
      },
    },
    {
      name: 'kinds-not-registry',
      severity: 'error',
      from: { path: '^core/score/parts/[^/]+/' },
      to: { path: '^core/score/parts/(part|partKinds)\\.ts$' },
    },
    {
      name: 'known-places',
      severity: 'error',
      from: {},
      to: {
        path: '^(?!gallery|stand-ins|core|contract|player|app|server|demo|modules|node_modules|scripts|test)[^/]+/',
        dependencyTypesNot: ['core', 'npm', 'npm-dev', 'unknown', 'undetermined', 'aliased'],
      },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.mjs', '.js', '.json'] },
    exclude: { path: '\\.test\\.ts$|^\\.nuxt|^#' },
  },
}
