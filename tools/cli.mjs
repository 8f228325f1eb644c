// npm run -s cli -- COMMAND FILE: the core without interface or database.
import { spawnSync } from 'node:child_process'
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { inRoot } from './lib/paths.mjs'
import { runTool } from './lib/stop.mjs'

await runTool(async () => {
  requireNode()
  await ensureNodePackages()
  const { status } = spawnSync(
    process.execPath,
    ['--import', import.meta.resolve('tsx'), inRoot('packages/cli/src/main.ts'), ...process.argv.slice(2)],
    { stdio: 'inherit' },
  )
  process.exit(status ?? 1)
})
