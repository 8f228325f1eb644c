import { spawn } from 'node:child_process'
import { root } from './paths.mjs'

/** Runs a command to its end; resolves with its exit code and, when `quiet`, what it printed. */
export function run(command, args, { quiet = false, input, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: [
        input === undefined ? 'ignore' : 'pipe',
        quiet ? 'pipe' : 'inherit',
        quiet ? 'pipe' : 'inherit',
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
