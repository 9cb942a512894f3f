/** The arrows of the house: web → words, contract → core; server → words, contract → core; words → core. */
const serverStages = 'plan|formulate|pour|release|stores|workshop|season|loaves|instruments|screens|demo'
const webStages = 'plan|formulate|pour|cut|cure|release|stores|notebook|workshop|days|screens'

/** Core's folders from the foundations up: a folder imports those of the lines above it, never its own line or below. */
const coreOrder = [
  ['findings'],
  ['calendar', 'random', 'tables', 'units'],
  ['fats', 'instruments', 'mould'],
  ['cutting', 'recipe'],
  ['batch', 'cure', 'wishes'],
  ['loaf', 'pour', 'stores'],
  ['observations', 'release', 'season'],
  ['plan'],
  ['earnings'],
]
const coreRules = coreOrder.map((folders, line) => ({
  name: `core-${folders.join('-')}-imports-only-what-is-below-it`,
  severity: 'error',
  from: { path: `^core/src/(${folders.join('|')})/` },
  to: {
    path: `^core/src/(${coreOrder.slice(line).flat().join('|')})/`,
    pathNot: '^core/src/$1/',
  },
}))

module.exports = {
  forbidden: [
    ...coreRules,
    {
      name: 'core-folder-has-its-place-in-the-order',
      severity: 'error',
      from: { path: '.' },
      to: { path: '^core/src/', pathNot: `^core/src/(${coreOrder.flat().join('|')})/` },
    },
    {
      name: 'core-imports-nothing-of-ours',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: '^(words|contract|server|web)/' },
    },
    {
      name: 'core-has-no-interface-or-machine',
      severity: 'error',
      from: { path: '^core/src' },
      to: {
        path: 'node_modules/(vue|vuetify|pinia|express|drizzle-orm|yup|@libsql)|^(fs|path|os|http|process|node:.*)$',
      },
    },
    {
      name: 'words-imports-core-only',
      severity: 'error',
      from: { path: '^words/src' },
      to: { path: '^(contract|server|web)/|node_modules/(vue|express|drizzle-orm|yup)' },
    },
    {
      name: 'contract-imports-core-only',
      severity: 'error',
      from: { path: '^contract/src' },
      to: { path: '^(words|server|web)/|node_modules/(vue|express|drizzle-orm)' },
    },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/src' }, to: { path: '^server/' } },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/src' }, to: { path: '^web/' } },
    {
      name: 'server-db-below-parts-and-stages',
      severity: 'error',
      from: { path: '^server/src/db/' },
      to: { path: `^server/src/(parts|${serverStages})/` },
    },
    {
      name: 'server-parts-below-stages',
      severity: 'error',
      from: { path: '^server/src/parts/' },
      to: { path: `^server/src/(${serverStages})/` },
    },
    {
      name: 'server-stage-not-stage',
      severity: 'error',
      from: { path: `^server/src/(${serverStages})/` },
      to: { path: `^server/src/(${serverStages})/`, pathNot: '^server/src/$1/' },
    },
    {
      name: 'server-folder-is-a-stage-or-below',
      severity: 'error',
      from: { path: '.' },
      to: { path: '^server/src/[^/]+/', pathNot: `^server/src/(db|parts|${serverStages})/` },
    },
    {
      name: 'web-stage-not-stage',
      severity: 'error',
      from: { path: `^web/src/(${webStages})/` },
      to: { path: `^web/src/(${webStages})/`, pathNot: '^web/src/$1/' },
    },
    {
      name: 'web-parts-not-stages',
      severity: 'error',
      from: { path: '^web/src/(parts|workers)/' },
      to: { path: `^web/src/(app|${webStages})/` },
    },
    {
      name: 'web-folder-is-a-stage-or-below',
      severity: 'error',
      from: { path: '.' },
      to: { path: '^web/src/[^/]+/', pathNot: `^web/src/(app|parts|workers|${webStages})/` },
    },
    {
      name: 'sources-import-no-tests-or-benches',
      severity: 'error',
      from: { path: '^(core|words|contract|server|web)/src/' },
      to: { path: '^(e2e|bench)/|^(core|words|contract|server|web)/test/' },
    },
    {
      name: 'tests-of-core-need-core-alone',
      severity: 'error',
      from: { path: '^core/test/' },
      to: { path: '^(words|contract|server|web|e2e|bench)/' },
    },
    {
      name: 'tests-of-contract-and-server-need-no-page',
      severity: 'error',
      from: { path: '^(contract|server)/test/' },
      to: { path: '^(web|e2e|bench)/' },
    },
    {
      name: 'journeys-go-through-the-interface',
      severity: 'error',
      from: { path: '^e2e/' },
      to: { path: '^(server|web)/src/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    // What ends so is a file whose address Vite gives; the types and the build tell when it is not there.
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '\\?url$' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.css$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.rules.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.vue', '.js', '.mjs'],
    },
  },
}
