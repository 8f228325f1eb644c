import { spawnSync } from 'node:child_process'
import { inRoot } from './paths.mjs'

/** Runs a TypeScript program of the workspaces in a process of its own; gives its exit code. */
export function runTypeScript(program, args = []) {
  const { status } = spawnSync(
    process.execPath,
    ['--import', import.meta.resolve('tsx'), inRoot(...program.split('/')), ...args],
    { stdio: 'inherit' },
  )
  return status ?? 1
}

/** Runs a TypeScript program and ends as it ended. */
export function becomeTypeScript(program, args = []) {
  process.exit(runTypeScript(program, args))
}
