// Keeps the pages on the device, so that they open without a server. What they show is kept by the pages themselves.

const worker = self as unknown as ServiceWorkerGlobalScope
const cacheName = 'seriatim-pages'
const shell = '/'
const besideTheBuild = ['/first.js', '/punch.svg', '/seriatim.webmanifest']

/** Fetches what the build of now has and is not here yet, then lets go of what it no longer has. */
async function keepPages(): Promise<void> {
  const answer = await fetch('/built.json', { cache: 'no-store' })
  if (!answer.ok) throw new Error('the list of the build is not there')
  const built = ((await answer.json()) as string[]).map((name) => `/${name}`)
  const cache = await caches.open(cacheName)
  const there = new Set((await cache.keys()).map((request) => new URL(request.url).pathname))
  await cache.addAll([...built.filter((path) => !there.has(path)), ...besideTheBuild])
  // The page that names the files comes after them: it never stands without what it needs.
  await cache.add(shell)
  const wanted = new Set([...built, ...besideTheBuild, shell])
  for (const path of there) if (!wanted.has(path)) await cache.delete(path)
}

async function kept(path: string | Request): Promise<Response> {
  const cache = await caches.open(cacheName)
  return (await cache.match(path)) ?? Response.error()
}

/** A file of the build never changes under its name; anything else is asked for, and kept for when nobody answers. */
async function answer(request: Request, path: string): Promise<Response> {
  if (path.startsWith('/assets/')) {
    const known = await kept(request)
    return known.ok ? known : fetch(request)
  }
  try {
    return await fetch(request)
  } catch {
    return kept(request.mode === 'navigate' ? shell : request)
  }
}

worker.addEventListener('install', (event) => {
  event.waitUntil(keepPages().then(() => worker.skipWaiting()))
})
worker.addEventListener('activate', (event) => {
  event.waitUntil(worker.clients.claim())
})
worker.addEventListener('message', (event) => {
  // A page that was opened may be of a newer build.
  event.waitUntil(keepPages().catch(() => undefined))
})
worker.addEventListener('fetch', (event) => {
  const { request } = event
  const { origin, pathname } = new URL(request.url)
  if (request.method !== 'GET' || origin !== worker.location.origin || pathname.startsWith('/api/')) return
  event.respondWith(answer(request, pathname))
})
