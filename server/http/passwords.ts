import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { WaitingLine } from './room'

const LENGTH = 32
/** N, r, p as the OWASP Password Storage Cheat Sheet advises for scrypt (from memory). */
const COST = { N: 2 ** 16, r: 8, p: 2, maxmem: 256 * 1024 * 1024 }

/**
 * Each takes 64 MB and a good part of a second: so many at once, the rest waits, and a crowd is asked to come again.
 */
const line = new WaitingLine(2, 24)

/** Too many passwords are being looked at. */
export class TooManyPasswords extends Error {}

async function derive(password: string, salt: Buffer): Promise<Buffer> {
  const key = await line.through(
    () =>
      new Promise<Buffer>((resolve, reject) => {
        scrypt(password.normalize('NFKC'), salt, LENGTH, COST, (error, derived) =>
          error ? reject(error) : resolve(derived),
        )
      }),
  )
  if (!key) throw new TooManyPasswords()
  return key
}

export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16)
  return `scrypt:${salt.toString('base64url')}:${(await derive(password, salt)).toString('base64url')}`
}

/** False for a wrong password and for a hash that can't be read. */
export async function passwordMatches(password: string, hash: string): Promise<boolean> {
  const [kind, salt, key] = hash.split(':')
  if (kind !== 'scrypt' || !salt || !key) return false
  const expected = Buffer.from(key, 'base64url')
  const given = await derive(password, Buffer.from(salt, 'base64url'))
  return expected.length === given.length && timingSafeEqual(expected, given)
}
