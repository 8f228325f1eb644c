import { spawn } from 'node:child_process'
import { delimiter } from 'node:path'
import { inRoot, root } from './paths.mjs'

/**
 * Runs a command to its end, one of the npm packages' by its bare name (npx takes a second to find it); resolves with its
 * exit code and, when `quiet`, what it printed. `files` are open files that it is handed, from number 3 on.
 */
export function run(command, args, { quiet = false, input, env = process.env, files = [], ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: root,
      env: { ...env, PATH: [inRoot('node_modules', '.bin'), env.PATH].join(delimiter) },
      stdio: [
        input === undefined ? 'ignore' : 'pipe',
        quiet ? 'pipe' : 'inherit',
        quiet ? 'pipe' : 'inherit',
        ...files,
      ],
      ...options,
    })
    child.stdin?.end(input)
    let output = ''
    child.stdout?.on('data', (data) => (output += data))
    child.stderr?.on('data', (data) => (output += data))
    child.on('error', reject)
    child.on('close', (code, signal) => resolve({ code: code ?? (signal ? 1 : 0), output }))
  })
}
