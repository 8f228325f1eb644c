import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { inRoot } from './paths.mjs'
import { run } from './run.mjs'
import { Stop } from './stop.mjs'

export const webRoot = inRoot('packages', 'web', 'dist')
const marker = join(webRoot, '.built-from')

/** Builds the web application unless it was built from exactly these sources. */
export async function ensureWebBuild() {
  const sources = hashSources()
  if (existsSync(marker) && readFileSync(marker, 'utf8') === sources) return
  process.stderr.write('Building the application …\n')
  const { code, output } = await run('npx', ['vite', 'build', '--logLevel', 'warn'], {
    cwd: inRoot('packages', 'web'),
    quiet: true,
  })
  if (code !== 0) {
    if (/ENOSPC/.test(output)) throw new Stop('The disk is full; free some space and start again.')
    process.stderr.write(output)
    throw new Stop('The application could not be built; the lines above say why.')
  }
  writeFileSync(marker, sources)
}

function hashSources() {
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
  for (const name of ['core', 'contract', 'web']) add(inRoot('packages', name, 'src'))
  for (const file of ['package-lock.json', 'packages/web/index.html', 'packages/web/vite.config.ts']) {
    hash.update(readFileSync(inRoot(file)))
  }
  return hash.digest('hex')
}
