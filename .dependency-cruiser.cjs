// core ← contract ← {server, web, cli}; the core in layers; web features never import each other; nothing goes in circles.
/** The areas of the core, each with those it may stand on, types included. */
const areas = {
  units: [],
  colour: ['units'],
  trade: ['units', 'colour'],
  presets: ['units', 'colour', 'trade'],
  schedule: ['units', 'trade'],
  cases: ['units', 'trade', 'schedule'],
  calendar: ['units', 'trade'],
  progress: ['units', 'trade'],
  changes: ['units', 'trade'],
  recipe: ['units', 'colour', 'trade', 'presets'],
  air: ['units', 'trade', 'recipe', 'progress'],
  estimating: ['units', 'colour', 'trade', 'presets', 'recipe', 'progress', 'air'],
  ordering: ['units', 'colour', 'trade', 'presets', 'recipe', 'progress', 'estimating'],
  mixing: ['units', 'colour', 'trade', 'presets', 'recipe', 'ordering'],
  looks: ['units', 'colour', 'trade', 'recipe', 'estimating', 'ordering'],
  notes: ['units', 'trade', 'presets', 'recipe', 'mixing'],
  money: ['units', 'trade', 'presets', 'progress', 'estimating', 'ordering', 'mixing'],
  plan: [
    ...['units', 'trade', 'presets', 'recipe', 'calendar', 'progress'],
    ...['estimating', 'ordering', 'schedule'],
  ],
  forecasting: [
    ...['units', 'trade', 'presets', 'recipe', 'calendar', 'progress'],
    ...['air', 'estimating', 'schedule', 'plan'],
  ],
  sheet: ['units', 'trade', 'calendar', 'progress', 'estimating', 'plan'],
  bench: ['units', 'trade', 'presets', 'recipe', 'calendar', 'progress', 'estimating', 'mixing', 'plan'],
}
const layer = ([area, allowed]) => ({
  name: `core-${area}-stands-on-what-is-below`,
  severity: 'error',
  from: { path: `^packages/core/src/${area}/`, pathNot: '\\.(test|proof)\\.ts$' },
  to: {
    path: '^packages/core/src/',
    pathNot: `^packages/core/src/(${[area, ...allowed].join('|')})/`,
  },
})

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
    only('web-imports-contract-and-core', 'web', ['contract', 'core']),
    ...Object.entries(areas).map(layer),
    {
      name: 'core-areas-are-entered-by-their-index',
      severity: 'error',
      from: {
        path: '^packages/core/src/([^/]+)/',
        pathNot: ['\\.(test|proof)\\.ts$', '^packages/core/src/testing/'],
      },
      to: { path: '^packages/core/src/[^/]+/', pathNot: ['^packages/core/src/$1/', '/index\\.ts$'] },
    },
    {
      name: 'core-has-no-area-without-a-layer',
      severity: 'error',
      from: { path: `^packages/core/src/(?!${Object.keys(areas).join('/|')}/|testing/|index)` },
      to: {},
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
      to: {
        path: '^packages/[^/]+/src/',
        pathNot: ['^packages/$1/', '/src/index\\.ts$', '/src/[a-z]+/index\\.ts$'],
      },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^packages/core/src/', pathNot: '\\.(test|proof)\\.ts$' },
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
