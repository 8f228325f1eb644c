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
  const name = createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 32)
  const address = `\0seriatim-${name}`
  const server = createServer((caller) => caller.on('error', () => undefined).end(String(port)))
  await new Promise((taken, failed) => {
    server.once('error', async (error) => {
      if (error.code !== 'EADDRINUSE') return failed(error)
      const other = await ask(address)
      failed(
        new Stop(
          `Seriatim is already running with these data${other ? ` at http://127.0.0.1:${other}` : ''}.`,
        ),
      )
    })
    server.listen(address, taken)
  })
  server.unref()
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
