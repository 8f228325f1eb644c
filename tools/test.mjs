// npm test: sets up everything, then checks and tests it all; independent of a running npm start.
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { ensureBuilds } from './lib/builds.mjs'
import { Cluster } from './lib/cluster.mjs'
import { ensureChromium, ensurePostgres } from './lib/debian-packages.mjs'
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { cache, inRoot } from './lib/paths.mjs'
import { freePort } from './lib/ports.mjs'
import { run } from './lib/run.mjs'
import { runTool } from './lib/stop.mjs'

const { scripts } = JSON.parse(readFileSync(inRoot('package.json'), 'utf8'))
const failures = []
let passed = 0
let failed = 0

await runTool(async () => {
  const began = Date.now()
  requireNode()
  await ensurePostgres()
  await ensureChromium()
  mkdirSync(cache(), { recursive: true })
  for (const name of ['e2e-data', 'e2e-crash-data', 'test-database'])
    rmSync(cache(name), { recursive: true, force: true })
  const cluster = new Cluster(cache('test-database'), { disposable: true })
  const packages = ensureNodePackages()
  // Told of below, when the database is up and can be stopped.
  packages.catch(() => undefined)
  try {
    const database = await cluster.start()
    await packages
    // Three lanes of about the same length: on two cores none idles where one of them waits for a disk or a database.
    await Promise.all([
      inTurn([() => unitTests('server', database), () => unitTests('cli', database)]),
      unitTests('core', database),
      inTurn([
        () => script('types'),
        () => script('format'),
        () => script('lint'),
        () => script('boundaries'),
        () => script('unused'),
        () => unitTests('web', database),
        () => unitTests('contract', database),
        () => ensureBuilds(),
        () => browserTests(),
      ]),
    ])
  } finally {
    await cluster.stop()
    cluster.remove()
  }
  const seconds = Math.round((Date.now() - began) / 1000)
  process.stdout.write(
    `\n${failures.length === 0 ? 'All checks and tests passed' : `Failed: ${failures.join(', ')}`} in ${seconds} s\n`,
  )
  process.stdout.write(`${passed} passed, ${failed} failed\n`)
  process.exit(failures.length === 0 ? 0 : 1)
})

async function inTurn(tasks) {
  for (const task of tasks) await task()
}

function script(name) {
  return check(name, 'sh', ['-c', scripts[`check:${name}`]])
}

async function unitTests(name, database) {
  const report = cache(`tests-${name}.json`)
  rmSync(report, { force: true })
  await check(
    `tests of ${name}`,
    'vitest',
    ['run', '--root', `packages/${name}`, '--reporter=dot', '--reporter=json', `--outputFile.json=${report}`],
    { SERIATIM_TEST_DATABASE: database },
    () => countIn(report, (json) => [json.numPassedTests, json.numFailedTests]),
  )
}

async function browserTests() {
  const report = cache('e2e-report.json')
  rmSync(report, { force: true })
  const env = { SERIATIM_E2E_PORT: String(await freePort()) }
  await check('browser tests', 'playwright', ['test', '--config', inRoot('e2e')], env, () =>
    countIn(report, ({ stats }) => [stats.expected, stats.unexpected + stats.flaky]),
  )
}

/**
 * Runs one check; its output is shown only when it fails. A check that fails and names no test that did (a file that
 * could not be loaded, a report that was never written, a finding of the linter) counts as one that failed.
 */
async function check(name, command, args, env = {}, countTests = () => [0, 0]) {
  const began = Date.now()
  const { code, output } = await run(command, args, {
    quiet: true,
    env: { ...process.env, ...env, FORCE_COLOR: '0' },
  })
  const seconds = ((Date.now() - began) / 1000).toFixed(1).padStart(6)
  const [good, bad] = countTests()
  const isGood = code === 0 && bad === 0
  passed += good
  failed += isGood ? 0 : Math.max(bad, 1)
  process.stdout.write(`${isGood ? 'ok    ' : 'FAILED'} ${seconds} s  ${name}\n`)
  if (isGood) return
  process.stdout.write(`${output}\n`)
  failures.push(name)
}

/** Tests that passed and failed, as a report says; none and one where there is no report. */
function countIn(report, read) {
  try {
    return read(JSON.parse(readFileSync(report, 'utf8')))
  } catch {
    return [0, 1]
  }
}
