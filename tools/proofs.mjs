// npm run proofs: what is too long for every change, for a night: calibration over thousands of simulated painters and
// studios, a long fuzz of every route, planners killed over a plan, and every journey in the browser in all its variants.
import { Cluster } from './lib/cluster.mjs'
import { ensureChromium, ensurePostgres } from './lib/debian-packages.mjs'
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { cache, inRoot } from './lib/paths.mjs'
import { freePort } from './lib/ports.mjs'
import { run } from './lib/run.mjs'
import { runTool } from './lib/stop.mjs'

const requests = process.env.SERIATIM_FUZZ ?? '20000'

await runTool(async () => {
  requireNode()
  await ensurePostgres()
  await ensureChromium()
  await ensureNodePackages()
  const core = await vitest('packages/core', [], { SERIATIM_PROOFS: '1' })
  const cluster = new Cluster(cache('proof-database'), { disposable: true })
  try {
    const database = await cluster.start()
    const server = await vitest('packages/server', ['fuzz', 'plans'], {
      SERIATIM_PROOFS: '1',
      SERIATIM_TEST_DATABASE: database,
      SERIATIM_FUZZ: requests,
    })
    process.exitCode = core || server || (await journeys())
  } finally {
    await cluster.stop()
    cluster.remove()
  }
})

async function journeys() {
  const { code } = await run('playwright', ['test', '--config', inRoot('e2e')], {
    env: { ...process.env, SERIATIM_PROOFS: '1', SERIATIM_E2E_PORT: String(await freePort()) },
  })
  return code
}

async function vitest(root, names, env) {
  const { code } = await run('vitest', ['run', '--root', root, ...names], {
    env: { ...process.env, ...env },
  })
  return code
}
