import { once } from 'node:events'
import { readFile } from 'node:fs/promises'
import { createServer, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { createApp, eventHandler, toNodeListener } from 'h3'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { withFolder } from '../../../server/files/folder'
import { isAway } from '../../../server/http/errors'
import { readBytes, readToFile } from '../../../server/http/read'

const MB = 2 ** 20
const MOST = 200 * MB
/** What became of each request, in order. */
const became: { code: string | undefined; bytes: number }[] = []
let begun = 0
const app = createApp().use(
  eventHandler(event =>
    withFolder(async folder => {
      const path = join(folder, 'came')
      begun++
      const code = await readToFile(event, MOST, path).then(
        () => undefined,
        (error: { data?: { code: string } }) => error.data?.code ?? String(error),
      )
      became.push({ code, bytes: (await readFile(path).catch(() => Buffer.alloc(0))).length })
      return 'read'
    }),
  ),
)
const server = createServer(toNodeListener(app))
let port = 0
beforeAll(async () => {
  server.listen(0, '127.0.0.1')
  await once(server, 'listening')
  port = (server.address() as AddressInfo).port
})
afterAll(() => void server.close())

/** Sends so many bytes and says that there are so many; a sender who goes away leaves in the middle. */
async function send({ says, sends, leaves = false }: { says: number | null; sends: number; leaves?: boolean }) {
  const [before, begunBefore] = [became.length, begun]
  const sending = request({
    port,
    host: '127.0.0.1',
    method: 'POST',
    agent: false,
    headers: says === null ? { 'transfer-encoding': 'chunked' } : { 'content-length': says },
  })
  const ended = new Promise(resolve =>
    sending.on('response', answer => answer.resume().on('end', resolve)).on('error', resolve),
  )
  sending.write(Buffer.alloc(sends, 1))
  if (leaves) {
    await expect.poll(() => begun).toBe(begunBefore + 1)
    sending.destroy()
  } else sending.end()
  await ended
  await expect.poll(() => became.length).toBe(before + 1)
  return became.at(-1)!
}

describe('a body on its way into a file', () => {
  it('is there whole', async () => {
    expect(await send({ says: 900, sends: 900 })).toEqual({ code: undefined, bytes: 900 })
  })

  it('of a sender who goes away in the middle is no body', async () => {
    expect(await send({ says: 900, sends: 300, leaves: true })).toMatchObject({ code: 'bad-request' })
  })

  it("that is too large, or doesn't say how large it is, is refused unread", async () => {
    expect(await send({ says: MOST + 1, sends: 10 })).toEqual({ code: 'too-big', bytes: 0 })
    expect(await send({ says: null, sends: 10 })).toEqual({ code: 'too-big', bytes: 0 })
  })

  it('however often senders go away, finds room on the disk again', async () => {
    // Together they say far more than the disk's share of bodies on their way.
    for (let i = 0; i < 12; i++)
      expect(await send({ says: 150 * MB, sends: 10, leaves: true })).toMatchObject({ code: 'bad-request' })
    expect(await send({ says: 900, sends: 900 })).toEqual({ code: undefined, bytes: 900 })
  })
})

describe('a body that breaks off', () => {
  it('is refused as what it is, and not taken for a database that is away', async () => {
    const failed: unknown[] = []
    const reading = createServer(
      toNodeListener(
        createApp().use(
          eventHandler(async event => {
            await readBytes(event, MB).catch((error: unknown) => failed.push(error))
            return 'read'
          }),
        ),
      ),
    )
    reading.listen(0, '127.0.0.1')
    await once(reading, 'listening')
    const sending = request({
      port: (reading.address() as AddressInfo).port,
      host: '127.0.0.1',
      method: 'PUT',
      agent: false,
      headers: { 'content-length': 1000 },
    })
    sending.on('error', () => {})
    const arrived = once(reading, 'request')
    sending.write(Buffer.alloc(10))
    await arrived
    sending.destroy()
    await expect.poll(() => failed.length).toBe(1)
    expect(failed[0]).toMatchObject({ data: { code: 'bad-request' } })
    expect(isAway(failed[0])).toBe(false)
    reading.close()
  })
})
