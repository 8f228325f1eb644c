import { spawnSync } from 'node:child_process'
import { inRoot } from './paths.mjs'

/** Runs a TypeScript program of the workspaces in a process of its own and ends as it ended. */
export function becomeTypeScript(program, args = []) {
  const { status } = spawnSync(
    process.execPath,
    ['--import', import.meta.resolve('tsx'), inRoot(...program.split('/')), ...args],
    { stdio: 'inherit' },
  )
  process.exit(status ?? 1)
}
