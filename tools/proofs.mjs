// npm run proofs: what is too long for every change, for a night: calibration over thousands of simulated painters and
// studios, and a long fuzz of every route.
import { Cluster } from './lib/cluster.mjs'
import { ensurePostgres } from './lib/debian-packages.mjs'
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { cache } from './lib/paths.mjs'
import { run } from './lib/run.mjs'
import { runTool } from './lib/stop.mjs'

const requests = process.env.SERIATIM_FUZZ ?? '20000'

await runTool(async () => {
  requireNode()
  await ensurePostgres()
  await ensureNodePackages()
  const core = await vitest('packages/core', [], { SERIATIM_PROOFS: '1' })
  const cluster = new Cluster(cache('proof-database'), { disposable: true })
  try {
    const database = await cluster.start()
    const fuzz = await vitest('packages/server', ['fuzz'], {
      SERIATIM_TEST_DATABASE: database,
      SERIATIM_FUZZ: requests,
    })
    process.exitCode = core || fuzz
  } finally {
    await cluster.stop()
    cluster.remove()
  }
})

async function vitest(root, names, env) {
  const { code } = await run('npx', ['vitest', 'run', '--root', root, ...names], {
    env: { ...process.env, ...env },
  })
  return code
}
