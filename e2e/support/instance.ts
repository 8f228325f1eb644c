import { spawn, type ChildProcess } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { createServer, type AddressInfo } from 'node:net'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('../..', import.meta.url))

/** A Seriatim of its own, started as `npm start` does, that a test may kill; `env` is added to the environment. */
export class Instance {
  readonly origin: string
  private child: ChildProcess | null = null
  private readonly data: string
  private readonly port: number
  private readonly env: Record<string, string>

  constructor(data: string, port: number, env: Record<string, string> = { TZ: 'Europe/Berlin' }) {
    this.data = data
    this.port = port
    this.env = env
    this.origin = `http://127.0.0.1:${port}`
  }

  /** Resolves with what it printed when it is ready, rejects when it gave up; `env` holds for this start. */
  async start(env: Record<string, string> = {}): Promise<string> {
    const child = spawn(process.execPath, ['tools/start.mjs'], {
      cwd: root,
      env: { ...process.env, ...this.env, ...env, PORT: String(this.port), SERIATIM_DATA: this.data },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    this.child = child
    return new Promise((ready, gaveUp) => {
      let output = ''
      const read = (data: Buffer) => {
        output += data.toString()
        if (output.includes('Seriatim is ready')) ready(output)
      }
      child.stdout.on('data', read)
      child.stderr.on('data', read)
      child.once('exit', (code) => gaveUp(new Error(`ended with ${code}: ${output}`)))
    })
  }

  /** kill −9 to the server and to the database at once; resolves when the supervisor has ended. */
  async killAll(): Promise<void> {
    const { child } = this
    if (!child) return
    const ended = exitOf(child)
    process.kill(this.serverPid(), 'SIGKILL')
    process.kill(this.postmasterPid(), 'SIGKILL')
    await ended
  }

  /** kill −9 to one process; resolves when the supervisor has seen it and ended everything. */
  async killOne(pid: number): Promise<void> {
    const { child } = this
    if (!child) return
    const ended = exitOf(child)
    process.kill(pid, 'SIGKILL')
    await ended
  }

  /** Resolves when the supervisor has ended everything, whatever made it. */
  async ended(): Promise<void> {
    if (this.child && this.isRunning()) await exitOf(this.child)
  }

  serverPid(): number {
    const [pid] = childrenOf(this.child?.pid ?? 0, /dist\/server\/(main|processes)/)
    if (pid === undefined) throw new Error('No server runs.')
    return pid
  }

  /** Of several processes behind one port those that serve, and the one that plans. */
  workerPids(): readonly number[] {
    return childrenOf(this.serverPid())
  }

  isRunning(): boolean {
    return this.child !== null && this.child.exitCode === null && this.child.signalCode === null
  }

  postmasterPid(): number {
    return Number(readFileSync(`${this.data}/postgres/postmaster.pid`, 'utf8').split('\n')[0])
  }

  /** All of the database, the postmaster first: what it leaves behind would answer for a moment more. */
  databasePids(): readonly number[] {
    const postmaster = this.postmasterPid()
    return [postmaster, ...childrenOf(postmaster)]
  }

  /** As Ctrl-C does; resolves with the exit code. */
  async stop(): Promise<number | null> {
    const { child } = this
    if (!child || child.exitCode !== null) return child?.exitCode ?? null
    const ended = exitOf(child)
    child.kill('SIGINT')
    return ended
  }
}

function exitOf(child: ChildProcess): Promise<number | null> {
  return new Promise((resolve) => child.once('exit', (code) => resolve(code)))
}

/** The processes that a process started and that match by their command line, the oldest first; as the kernel lists them. */
export function childrenOf(parent: number, command = /(?:)/): readonly number[] {
  return readdirSync('/proc')
    .map(Number)
    .filter((pid) => pid > 0 && parentOf(pid) === parent && command.test(commandOf(pid)))
    .sort((a, b) => a - b)
}

function parentOf(pid: number): number {
  const stat = contentOf(`/proc/${pid}/stat`)
  return Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1])
}

const commandOf = (pid: number): string => contentOf(`/proc/${pid}/cmdline`).replaceAll('\0', ' ')

/** Empty for a process that ended meanwhile. */
function contentOf(path: string): string {
  try {
    return readFileSync(path, 'utf8')
  } catch {
    return ''
  }
}

/** Whether a process runs; one that has ended and waits to be reaped does not. */
export function isAlive(pid: number): boolean {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    return stat[stat.lastIndexOf(')') + 2] !== 'Z'
  } catch {
    return false
  }
}

export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo
      probe.close(() => resolve(port))
    })
  })
}
