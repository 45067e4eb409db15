import { existsSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { fail, log } from './packages.mjs'

/** Debian's Chromium, installed when it is missing. */
export function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return
  if (process.getuid?.() !== 0) fail('Chromium is not installed; run "apt-get install chromium" as root')
  log('Installing Chromium ...')
  spawnSync('apt-get', ['update'], { stdio: 'ignore' })
  spawnSync('apt-get', ['install', '-y', '--no-install-recommends', 'chromium'], {
    stdio: 'ignore',
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  })
  if (!existsSync('/usr/bin/chromium')) fail('Chromium could not be installed')
}
