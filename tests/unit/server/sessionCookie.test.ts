import type { IncomingMessage } from 'node:http'
import { describe, expect, it } from 'vitest'
import { mayBePlain } from '../../../server/http/sessionCookie'

const request = (host: string, remoteAddress: string, headers: Record<string, string> = {}) =>
  ({ headers: { host, ...headers }, socket: { remoteAddress } }) as unknown as IncomingMessage

describe('a session cookie without Secure', () => {
  it('is set for who opens the application on this very machine', () => {
    for (const host of ['localhost:3000', '127.0.0.1:3000', '127.1.2.3', '[::1]:3000', 'LOCALHOST'])
      for (const address of ['127.0.0.1', '::1', '::ffff:127.0.0.1'])
        expect(mayBePlain(request(host, address))).toBe(true)
  })

  it('is never set for what crosses a network, whatever somebody writes into the request', () => {
    expect(mayBePlain(request('slate.ternhaven.example', '127.0.0.1'))).toBe(false)
    expect(mayBePlain(request('localhost.ternhaven.example', '127.0.0.1'))).toBe(false)
    expect(mayBePlain(request('127.0.0.1.ternhaven.example', '127.0.0.1'))).toBe(false)
    expect(mayBePlain(request('localhost:3000', '192.168.1.20'))).toBe(false)
    // A proxy on this machine passes on what came from elsewhere.
    for (const header of ['x-forwarded-proto', 'x-forwarded-for', 'forwarded'])
      expect(mayBePlain(request('localhost:3000', '127.0.0.1', { [header]: 'https' }))).toBe(false)
  })
})
