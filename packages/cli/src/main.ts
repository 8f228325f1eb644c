import { run } from './run.ts'

// A reader that has seen enough, as `head`, is no fault.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error
})

const { code, out, err } = run(process.argv.slice(2))
process.stdout.write(out)
process.stderr.write(err)
process.exitCode = code
