import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'

const LENGTH = 32
/** N, r, p as the OWASP Password Storage Cheat Sheet advises for scrypt (from memory). */
const COST = { N: 2 ** 16, r: 8, p: 2, maxmem: 256 * 1024 * 1024 }

const derive = (password: string, salt: Buffer) => new Promise<Buffer>((resolve, reject) => {
  scrypt(password.normalize('NFKC'), salt, LENGTH, COST, (error, key) => error ? reject(error) : resolve(key))
})

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
