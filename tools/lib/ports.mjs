import { createServer } from 'node:net'

/** Whether a loopback port can be had now. */
export function isPortFree(port) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen({ port, host: '127.0.0.1' }, () => probe.close(() => resolve(true)))
  })
}

/** A loopback port nobody uses now. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen({ port: 0, host: '127.0.0.1' }, () => {
      const { port } = probe.address()
      probe.close(() => resolve(port))
    })
  })
}
