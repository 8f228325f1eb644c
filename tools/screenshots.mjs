// npm run screenshots: one current picture of each main view, from the demo data, at a fixed moment.
import { ensureChromium, ensurePostgres } from './lib/debian-packages.mjs'
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { runTool } from './lib/stop.mjs'
import { becomeTypeScript } from './lib/typescript.mjs'

await runTool(async () => {
  requireNode()
  await ensurePostgres()
  await ensureChromium()
  await ensureNodePackages()
  becomeTypeScript('e2e/pictures.ts')
})
