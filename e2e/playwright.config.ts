import { defineConfig } from '@playwright/test'
import { fileURLToPath } from 'node:url'
import { launchOptions } from './support/chromium.ts'
import { notNow } from './support/rounds.ts'

const root = fileURLToPath(new URL('..', import.meta.url))
const port = Number(process.env['SERIATIM_E2E_PORT'] ?? 4655)

export default defineConfig({
  testDir: './specs',
  grepInvert: notNow,
  outputDir: '../.cache/e2e-results',
  forbidOnly: true,
  // One more than the machine has cores: tests wait for servers, disks and clocks as well. More get into each other’s way.
  workers: 3,
  fullyParallel: true,
  retries: 0,
  // Guards against a hang, not measures of speed: the machine may be busy.
  timeout: 1_200_000,
  expect: { timeout: 180_000 },
  reporter: [['list'], ['json', { outputFile: `${root}.cache/e2e-report.json` }]],
  use: {
    // The same guard: what is never there fails as soon when it is clicked as when it is expected.
    actionTimeout: 180_000,
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Berlin',
    locale: 'en-GB',
    // Keeping every page for later takes each fresh browser seconds; the tests of it allow it.
    serviceWorkers: 'block',
    // What comes and goes is there or not, and no frame is drawn in between; the mat is plain, which is half of drawing.
    contextOptions: { reducedMotion: 'reduce', contrast: 'more' },
    launchOptions: {
      ...launchOptions,
      // A test's page lives for seconds: what takes V8 longest to compile is not run long enough to pay for it.
      args: [...launchOptions.args, '--js-flags=--no-turbofan,--min-semi-space-size=32'],
    },
  },
  webServer: {
    command: 'node tools/start.mjs',
    cwd: root,
    url: `http://127.0.0.1:${port}/api/health`,
    reuseExistingServer: false,
    timeout: 1_200_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 20_000 },
    env: {
      PORT: String(port),
      SERIATIM_DATA: `${root}.cache/e2e-data`,
      // Of no worth after the run: nothing waits for the disk.
      SERIATIM_DISPOSABLE: '1',
      TZ: 'Europe/Berlin',
    },
  },
})
