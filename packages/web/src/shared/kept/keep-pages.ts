/** Has the service worker keep these pages on the device; where there is none they come from the server alone. */
export function keepPages(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  navigator.serviceWorker
    .register('/service-worker.js')
    .then(() => navigator.serviceWorker.ready)
    .then(({ active }) => active?.postMessage('keep'))
    .catch(() => undefined)
}
