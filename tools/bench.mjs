// npm run bench [-- NAME …]: speed as ratios measured side by side, and the quality of plans against proved optima.
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { runTool } from './lib/stop.mjs'
import { becomeTypeScript } from './lib/typescript.mjs'

await runTool(async () => {
  requireNode()
  await ensureNodePackages()
  becomeTypeScript('packages/core/bench/main.ts', process.argv.slice(2))
})
