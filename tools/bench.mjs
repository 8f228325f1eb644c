// npm run bench [-- NAME …]: speed as ratios measured side by side, and the quality of plans against proved optima.
import { spawnSync } from 'node:child_process'
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { inRoot, root } from './lib/paths.mjs'
import { runTool } from './lib/stop.mjs'

await runTool(async () => {
  requireNode()
  await ensureNodePackages()
  const { status } = spawnSync(
    process.execPath,
    ['--import', import.meta.resolve('tsx'), inRoot('packages/core/bench/main.ts'), ...process.argv.slice(2)],
    { stdio: 'inherit', cwd: root },
  )
  process.exit(status ?? 1)
})
