import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { oneAtATime } from './locks.mjs'
import { inRoot, root } from './paths.mjs'
import { run } from './run.mjs'
import { Stop } from './stop.mjs'

const builds = {
  web: {
    folder: inRoot('packages', 'web', 'dist'),
    sources: ['packages/core/src', 'packages/contract/src', 'packages/web/src'],
    settings: ['packages/web/index.html', 'packages/web/vite.config.ts'],
  },
  server: {
    folder: inRoot('packages', 'server', 'dist', 'server'),
    sources: ['packages/core/src', 'packages/contract/src', 'packages/server/src'],
    settings: ['packages/server/vite.config.ts'],
  },
}

export const webRoot = builds.web.folder
export const serverProgram = (name) => join(builds.server.folder, `${name}.js`)

/** Builds the web application and the server, each unless it was built from exactly these sources. */
export function ensureBuilds() {
  return ensure(Object.keys(builds))
}

/** As `ensureBuilds`, of the server alone. */
export function ensureServerBuild() {
  return ensure(['server'])
}

async function ensure(names) {
  if (names.every(isBuilt)) return
  await oneAtATime(`builds of ${root}`, async () => {
    const stale = names.filter((name) => !isBuilt(name))
    if (stale.length === 0) return
    process.stderr.write('Building the application …\n')
    await Promise.all(stale.map(build))
  })
}

const markerOf = (name) => join(builds[name].folder, '.built-from')

function isBuilt(name) {
  const marker = markerOf(name)
  return existsSync(marker) && readFileSync(marker, 'utf8') === hashSources(builds[name])
}

async function build(name) {
  const sources = hashSources(builds[name])
  const { code, output } = await run('vite', ['build', '--logLevel', 'warn'], {
    cwd: inRoot('packages', name),
    quiet: true,
  })
  if (code !== 0) {
    if (/ENOSPC/.test(output)) throw new Stop('The disk is full; free some space and start again.')
    process.stderr.write(output)
    throw new Stop('The application could not be built; the lines above say why.')
  }
  writeFileSync(markerOf(name), sources)
}

function hashSources({ sources, settings }) {
  const hash = createHash('sha256')
  for (const folder of sources) hash.update(hashFolder(folder))
  for (const file of ['package-lock.json', ...settings]) hash.update(readFileSync(inRoot(file)))
  return hash.digest('hex')
}

/** Read once in a start: both builds are made of core and contract. */
const hashes = new Map()

function hashFolder(folder) {
  const known = hashes.get(folder)
  if (known !== undefined) return known
  const hash = createHash('sha256')
  const add = (path) => {
    for (const entry of readdirSync(path, { withFileTypes: true }).sort((a, b) =>
      a.name < b.name ? -1 : 1,
    )) {
      const full = join(path, entry.name)
      if (entry.isDirectory()) add(full)
      else if (!/\.test\.tsx?$/.test(entry.name))
        hash.update(full.slice(inRoot().length)).update(readFileSync(full))
    }
  }
  add(inRoot(folder))
  const own = hash.digest('hex')
  hashes.set(folder, own)
  return own
}
