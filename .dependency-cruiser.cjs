// core ← contract ← {server, web, cli}; web features never import each other; nothing goes in circles.
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  from: { path: `^packages/${from}/` },
  to: { path: '^packages/', pathNot: `^packages/(${[from, ...allowed].join('|')})/` },
})

module.exports = {
  forbidden: [
    only('core-imports-nothing-of-ours', 'core', []),
    only('contract-imports-core', 'contract', ['core']),
    only('server-imports-contract-and-core', 'server', ['contract', 'core']),
    only('cli-imports-contract-and-core', 'cli', ['contract', 'core']),
    only('web-imports-contract-and-core', 'web', ['contract', 'core', 'server']),
    {
      name: 'web-knows-only-the-type-of-the-server',
      severity: 'error',
      from: { path: '^packages/web/' },
      to: { path: '^packages/server/', pathNot: '^packages/server/src/rpc\\.ts$' },
    },
    {
      name: 'features-do-not-import-each-other',
      severity: 'error',
      from: { path: '^packages/web/src/features/([^/]+)/' },
      to: { path: '^packages/web/src/features/', pathNot: '^packages/web/src/features/$1/' },
    },
    {
      name: 'features-are-entered-by-their-index',
      severity: 'error',
      from: { path: '^packages/web/src/(app|shared)/' },
      to: { path: '^packages/web/src/features/', pathNot: '^packages/web/src/features/[^/]+/index\\.ts$' },
    },
    {
      name: 'shared-stands-below-features-and-app',
      severity: 'error',
      from: { path: '^packages/web/src/shared/' },
      to: { path: '^packages/web/src/(features|app)/' },
    },
    {
      name: 'packages-are-entered-by-their-index',
      severity: 'error',
      from: { path: '^packages/([^/]+)/' },
      to: { path: '^packages/[^/]+/src/', pathNot: ['^packages/$1/', '/src/index\\.ts$', '/src/rpc\\.ts$'] },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^packages/core/src/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'node', 'default'],
    },
  },
}
