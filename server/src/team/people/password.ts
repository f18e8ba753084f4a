import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto'
import { promisify } from 'node:util'

const derive = promisify<string, Buffer, number, ScryptOptions, Buffer>(scrypt)

/** Cost of scrypt (RFC 7914): N, r and p; 32 MB and some 80 ms on one core. */
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 2 ** 26 }
const KEY_BYTES = 32

/** A password's hash with its own salt, as `scrypt$N$r$p$salt$key`. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16)
  const key = await derive(password.normalize('NFKC'), salt, KEY_BYTES, COST)
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64'), key.toString('base64')].join('$')
}

/** Whether a password has this hash; takes the same time either way. */
export async function passwordMatches(password: string, hash: string): Promise<boolean> {
  const [name, N, r, p, salt, key] = hash.split('$')
  if (name !== 'scrypt' || !salt || !key) return false
  const expected = Buffer.from(key, 'base64')
  const options = { N: Number(N), r: Number(r), p: Number(p), maxmem: COST.maxmem }
  const derived = await derive(
    password.normalize('NFKC'),
    Buffer.from(salt, 'base64'),
    expected.length,
    options,
  )
  return timingSafeEqual(derived, expected)
}
