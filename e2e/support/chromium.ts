import { existsSync } from 'node:fs'

const withoutWindows = '/usr/bin/chromium-headless-shell'

/** Debian's Chromium, alone: it asks nothing of any other host. */
export const launchOptions = {
  executablePath: existsSync(withoutWindows) ? withoutWindows : '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
