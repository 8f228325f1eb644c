// npm run -s cli -- COMMAND FILE: the core without interface or database.
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { runTool } from './lib/stop.mjs'
import { becomeTypeScript } from './lib/typescript.mjs'

await runTool(async () => {
  requireNode()
  await ensureNodePackages()
  becomeTypeScript('packages/cli/src/main.ts', process.argv.slice(2))
})
