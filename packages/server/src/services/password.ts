import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto'
import { promisify } from 'node:util'

/**
 * Passwords by Node's own scrypt: nothing to compile, nothing prebuilt to crash. 32 MB and about a tenth
 * of a second a try.
 */
const LOG2_N = 15
const R = 8
const P = 1
const SALT_BYTES = 16
const HASH_BYTES = 32
const derive = promisify<string, Buffer, number, ScryptOptions, Buffer>(scrypt)
const key = (password: string, salt: Buffer, log2n: number, r: number, p: number) =>
  derive(password.normalize('NFKC'), salt, HASH_BYTES, { N: 2 ** log2n, r, p, maxmem: 256 * 2 ** log2n * r })

/** `scrypt$log2N$r$p$salt$hash`, salt and hash in base64. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(SALT_BYTES)
  const hash = await key(password, salt, LOG2_N, R, P)
  return ['scrypt', LOG2_N, R, P, salt.toString('base64'), hash.toString('base64')].join('$')
}

async function matchesScrypt(stored: string, password: string): Promise<boolean> {
  const [, log2n, r, p, salt, hash] = stored.split('$')
  const known = Buffer.from(hash!, 'base64')
  const tried = await key(password, Buffer.from(salt!, 'base64'), Number(log2n), Number(r), Number(p))
  return known.length === tried.length && timingSafeEqual(known, tried)
}

/**
 * A hash as earlier versions made them; its verifier is WebAssembly that lies in its package, loaded when
 * it is first needed.
 */
export const isOld = (stored: string) => stored.startsWith('$argon2')
async function matchesOld(stored: string, password: string): Promise<boolean> {
  const { argon2Verify } = await import('hash-wasm')
  return argon2Verify({ password, hash: stored }).catch(() => false)
}

/** Of somebody who has not set his password yet, or has left: no password goes with it. */
export const NO_PASSWORD = '!'
let nobody: Promise<string> | null = null
/**
 * A hash that no password has, with an earlier version's parameters: what is compared for a login that is
 * not known.
 */
const OLD_NOBODY =
  '$argon2id$v=19$m=19456,t=2,p=1$MDAwMDAwMDAwMDAwMDAwMA$MDAwMDAwMDAwMDAwMDAwMDAwMDAwMDAwMDAwMDAwMDA'

/**
 * Whether a password goes with a stored hash. The same work is done whether the login is known (`stored`)
 * or not (null),
 * so that the time it takes tells nothing; while anybody's hash is of an earlier version (`oldAbout`),
 * both kinds are worked out.
 */
export async function matches(kept: string | null, password: string, oldAbout: boolean): Promise<boolean> {
  const stored = kept === NO_PASSWORD ? null : kept
  nobody ??= hashPassword(randomBytes(SALT_BYTES).toString('hex'))
  const old = stored !== null && isOld(stored)
  const byNew = await matchesScrypt(stored !== null && !old ? stored : await nobody, password)
  const byOld = oldAbout || old ? await matchesOld(old ? stored : OLD_NOBODY, password) : false
  return stored !== null && (old ? byOld : byNew)
}
