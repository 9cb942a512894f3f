/** The arrows of the house: web → contract → core, server → contract → core. */
const stages = 'plan|formulate|pour|cut|cure|release|stores|notebook|workshop|season|loaves|bench|days'

module.exports = {
  forbidden: [
    {
      name: 'core-imports-nothing-of-ours',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: '^(contract|server|web)/' },
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
      name: 'contract-imports-core-only',
      severity: 'error',
      from: { path: '^contract/src' },
      to: { path: '^(server|web)/|node_modules/(vue|express|drizzle-orm)' },
    },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/src' }, to: { path: '^server/' } },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/src' }, to: { path: '^web/' } },
    {
      name: 'server-stage-not-stage',
      severity: 'error',
      from: { path: `^server/src/(${stages})/` },
      to: { path: `^server/src/(${stages})/`, pathNot: '^server/src/$1/' },
    },
    {
      name: 'web-stage-not-stage',
      severity: 'error',
      from: { path: `^web/src/(${stages})/` },
      to: { path: `^web/src/(${stages})/`, pathNot: '^web/src/$1/' },
    },
    {
      name: 'web-parts-not-stages',
      severity: 'error',
      from: { path: '^web/src/parts/' },
      to: { path: `^web/src/(app|${stages})/` },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
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
