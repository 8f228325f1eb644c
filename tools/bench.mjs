// npm run bench [-- NAME …]: speed as ratios measured side by side, and the quality of plans against proved optima.
import { rmSync } from 'node:fs'
import { Cluster } from './lib/cluster.mjs'
import { ensurePostgres, postgresBin, postgresMajors } from './lib/debian-packages.mjs'
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { cache } from './lib/paths.mjs'
import { runTool } from './lib/stop.mjs'
import { runTypeScript } from './lib/typescript.mjs'

/** What is measured on a server of its own. */
const onServer = {
  ground: 'packages/server/bench/ground.ts',
  studio: 'packages/server/bench/studio-load.ts',
}

await runTool(async () => {
  requireNode()
  await ensureNodePackages()
  const names = process.argv.slice(2)
  const others = names.filter((name) => !(name in onServer))
  let status = 0
  if (names.length === 0 || others.length > 0) status = runTypeScript('packages/core/bench/main.ts', others)
  for (const name of Object.keys(onServer))
    if (names.length === 0 || names.includes(name)) status = (await benchServer(onServer[name])) || status
  process.exit(status)
})

/** The server on a cluster as safe as a real one, measured from outside beside PostgreSQL's own benchmark. */
async function benchServer(script) {
  await ensurePostgres()
  const folder = cache('bench-ground')
  rmSync(folder, { recursive: true, force: true })
  const cluster = new Cluster(folder)
  try {
    const database = await cluster.start()
    const pgbench = `${postgresBin(postgresMajors()[0])}/pgbench`
    return runTypeScript(script, [database, pgbench])
  } finally {
    await cluster.stop()
    cluster.remove()
  }
}
