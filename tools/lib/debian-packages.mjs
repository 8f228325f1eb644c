import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { oneAtATime } from './locks.mjs'
import { run } from './run.mjs'
import { Stop } from './stop.mjs'

const postgresRoot = '/usr/lib/postgresql'
const oldestPostgres = 15
const chromium = '/usr/bin/chromium'
const chromiumShell = '/usr/bin/chromium-headless-shell'

/** Installed PostgreSQL majors that will do, newest first. */
export function postgresMajors() {
  if (!existsSync(postgresRoot)) return []
  return readdirSync(postgresRoot)
    .map(Number)
    .filter((major) => major >= oldestPostgres && existsSync(`${postgresRoot}/${major}/bin/postgres`))
    .sort((a, b) => b - a)
}

export const postgresBin = (major) => `${postgresRoot}/${major}/bin`

/** PostgreSQL's server from Debian's packages, without the cluster the package would make on port 5432. */
export async function ensurePostgres() {
  await install(
    () => postgresMajors().length > 0,
    'PostgreSQL',
    ['postgresql'],
    () => {
      const folder = '/etc/postgresql-common/createcluster.d'
      mkdirSync(folder, { recursive: true })
      writeFileSync(`${folder}/seriatim.conf`, 'create_main_cluster = false\n')
    },
  )
  if (postgresMajors().length === 0) {
    throw new Stop(
      `Debian’s PostgreSQL here is older than ${oldestPostgres}; set DATABASE_URL to a PostgreSQL ${oldestPostgres} or newer.`,
    )
  }
}

/** Chromium without windows: a third less work than the whole browser, which does where it is there already. */
export async function ensureChromium() {
  try {
    await install(() => existsSync(chromiumShell), 'Chromium', ['chromium-headless-shell'])
  } catch (error) {
    if (!existsSync(chromium)) throw error
  }
}

/** Installs packages unless they are there; half of a package that another process is putting there is waited for. */
async function install(isThere, what, packages, before) {
  await oneAtATime('Debian packages', async () => {
    if (isThere()) return
    const command = `apt-get install ${packages.join(' ')}`
    if (!existsSync('/usr/bin/apt-get'))
      throw new Stop(`${what} is missing, and this is not a Debian machine: install it by hand.`)
    if (process.getuid() !== 0) throw new Stop(`${what} is missing: run “sudo ${command}”, then start again.`)
    process.stderr.write(`Installing ${what} from Debian’s packages …\n`)
    before?.()
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
    let result = { code: 1, output: '' }
    for (const args of [
      ['update', '-qq'],
      ['install', '-y', '-qq', '--no-install-recommends', ...packages],
    ]) {
      result = await run('apt-get', ['-o', 'DPkg::Lock::Timeout=300', ...args], { quiet: true, env })
    }
    if (result.code === 0) return
    process.stderr.write(result.output)
    throw new Stop(`${what} could not be installed with “${command}”; the lines above say why.`)
  })
}
