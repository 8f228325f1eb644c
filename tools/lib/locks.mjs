import { createHash } from 'node:crypto'
import { realpathSync } from 'node:fs'
import { connect, createServer } from 'node:net'
import { Stop } from './stop.mjs'

const longestAnswer = 1000

/**
 * Takes a data folder for this process alone. What is held is a socket without a file, named after the folder: the
 * kernel gives it to one process and takes it back when that ends, however it ends, so nothing is left behind that
 * could be stale or cut short.
 */
export async function holdFolder(folder, port) {
  const address = addressOf('seriatim', realpathSync(folder))
  const lock = await tryLock(address, (caller) => caller.end(String(port)))
  if (lock) return
  const other = await ask(address)
  throw new Stop(
    `Seriatim is already running with these data${other ? ` at http://127.0.0.1:${other}` : ''}.`,
  )
}

/** Runs `work` when no other process of this machine is at the same; whoever waited then finds it done. */
export async function oneAtATime(what, work) {
  const address = addressOf('seriatim-work', what)
  for (;;) {
    const callers = new Set()
    const lock = await tryLock(address, (caller) => callers.add(caller))
    if (!lock) {
      await released(address)
      continue
    }
    try {
      return await work()
    } finally {
      lock.close()
      for (const caller of callers) caller.destroy()
    }
  }
}

function addressOf(kind, name) {
  return `\0${kind}-${createHash('sha256').update(name).digest('hex').slice(0, 32)}`
}

/** The socket once it is this process's, or null while it is another's. */
async function tryLock(address, onCall) {
  const server = createServer((caller) => {
    caller.on('error', () => undefined)
    onCall(caller)
  })
  return new Promise((taken, failed) => {
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? taken(null) : failed(error)))
    server.listen(address, () => {
      server.unref()
      taken(server)
    })
  })
}

/** Resolves when the holder lets go of the call, as it does when it is done or dies. */
function released(address) {
  return new Promise((done) => {
    const call = connect(address)
    call.on('error', () => undefined)
    call.on('close', done)
    call.resume()
  })
}

/** The port of the process that holds it; empty when it does not say. */
function ask(address) {
  return new Promise((resolve) => {
    let said = ''
    const call = connect(address)
    const done = () => {
      call.destroy()
      resolve(/^\d+$/.test(said) ? said : '')
    }
    call.setTimeout(longestAnswer, done)
    call.on('data', (data) => (said += data))
    call.on('error', done)
    call.on('end', done)
  })
}
