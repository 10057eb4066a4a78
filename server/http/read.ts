import { createWriteStream } from 'node:fs'
import type { IncomingMessage } from 'node:http'
import { pipeline } from 'node:stream/promises'
import busboy from 'busboy'
import { getQuery, getRequestHeader, getRouterParam, isError, type H3Event } from 'h3'
import * as v from 'valibot'
import { LARGEST } from '../../core/contract/sizes'
import { OwnPictureIdSchema } from '../../core/slate/ownSchema'
import { parseJson } from './json'
import { refusal } from './refuse'
import { Room } from './room'

const MB = 1024 * 1024
const DEEPEST = { anybody: 4, usual: 24 } as const

/** Bodies that are larger than the usual share this much memory; who finds no room is asked to come again. */
const room = new Room(200 * MB)

/** The JSON body as the schema says, or a refusal that names the first fault. */
export async function readJson<Schema extends v.GenericSchema>(
  event: H3Event,
  schema: Schema,
  largest: number = LARGEST.usual,
): Promise<v.InferOutput<Schema>> {
  const bytes = await readBytes(event, largest)
  const body = parseJson(bytes.toString('utf8'), largest <= LARGEST.anybody ? DEEPEST.anybody : DEEPEST.usual)
  if (!body.ok)
    throw refusal('bad-request', body.reason === 'too-deep' ? 'The body nests too deep.' : 'The body is not JSON.')
  const parsed = v.safeParse(schema, body.value, { abortEarly: true })
  if (parsed.success) return parsed.output
  const [issue] = parsed.issues
  throw refusal('bad-request', `${v.getDotPath(issue) ?? 'body'}: ${issue.message}`)
}

/** The body as it came, of so many bytes at most. What is larger, or doesn't say how large it is, is refused unread. */
export async function readBytes(event: H3Event, largest: number): Promise<Buffer> {
  return roomFor(event, largest, async () => {
    const chunks: Buffer[] = []
    let length = 0
    try {
      for await (const chunk of arriving(event)) {
        length += chunk.length
        if (length > largest) throw tooBig(largest)
        chunks.push(chunk)
      }
    } catch (error) {
      throw brokenOff(event, error)
    }
    return Buffer.concat(chunks)
  })
}

const STALLED_MS = 60_000
/** What a body is made of, as it comes; a sender of whom nothing comes any more is hung up on. */
async function* arriving({ node: { req } }: H3Event): AsyncGenerator<Buffer> {
  req.setTimeout(STALLED_MS, () => req.destroy())
  try {
    yield* req as AsyncIterable<Buffer>
  } finally {
    req.setTimeout(0)
  }
}

/** Whoever hangs up in the middle is nobody's fault here: no database is away, and nothing is to be logged. */
const brokenOff = ({ node: { req } }: H3Event, error: unknown) =>
  req.complete || isError(error) ? error : refusal('bad-request', 'What was sent broke off.')

/** Bodies on their way to a file share this much of the disk. */
const disk = new Room(4000 * MB)

/** The body as it comes, into a file, of so many bytes at most; never more of it in memory than is on its way. */
export async function readToFile(event: H3Event, largest: number, path: string): Promise<void> {
  const length = lengthOf(event, largest)
  if (!disk.take(length)) throw refusal('busy')
  // Given back when the answer has gone, since the file lives until then.
  event.node.res.once('close', () => disk.giveBack(length))
  let come = 0
  const bounded = async function* (chunks: AsyncIterable<Buffer>) {
    for await (const chunk of chunks) {
      come += chunk.length
      if (come > length) throw tooBig(largest)
      yield chunk
    }
  }
  await pipeline(arriving(event), bounded, createWriteStream(path, { flags: 'wx' })).catch((error: unknown) => {
    throw brokenOff(event, error)
  })
}

/** The one file of a form. Taken as it streams in; null where the form has none. */
export async function readUpload(event: H3Event, largest: number): Promise<Buffer | null> {
  return roomFor(event, largest, () => fileOf(event.node.req, largest))
}

function fileOf(request: IncomingMessage, largest: number): Promise<Buffer | null> {
  return new Promise((resolve, reject) => {
    let form: ReturnType<typeof busboy>
    try {
      form = busboy({
        headers: request.headers,
        limits: { files: 1, fields: 10, parts: 12, fileSize: largest, fieldSize: 10 * 1024, headerPairs: 40 },
      })
    } catch {
      return resolve(null)
    }
    let file: Buffer | null = null
    form.on('file', (name, stream) => {
      const chunks: Buffer[] = []
      stream.on('data', (chunk: Buffer) => void chunks.push(chunk))
      stream.on('limit', () => reject(tooBig(largest)))
      stream.on('end', () => {
        if (name === 'file') file = Buffer.concat(chunks)
      })
    })
    form.on('close', () => resolve(file))
    form.on('error', () => resolve(null))
    request.on('aborted', () => reject(refusal('bad-request', 'The form broke off.')))
    request.pipe(form)
  })
}

const tooBig = (most: number) => refusal('too-big', `At most ${most} bytes.`)

/** How large the body says it is. What is larger than it may be, or doesn't say, is refused unread. */
function lengthOf(event: H3Event, largest: number): number {
  const length = Number(getRequestHeader(event, 'content-length') ?? NaN)
  if (!(length <= largest)) throw tooBig(largest)
  return length
}

async function roomFor<T>(event: H3Event, largest: number, read: () => Promise<T>): Promise<T> {
  const length = lengthOf(event, largest)
  const taken = length > LARGEST.usual ? length : 0
  if (!room.take(taken)) throw refusal('busy')
  // Given back when the answer has gone, since what was read lives until then.
  event.node.res.once('close', () => room.giveBack(taken))
  return read()
}

/** The query as the schema says, or a refusal that names the first fault. */
export function queryAs<Schema extends v.GenericSchema>(event: H3Event, schema: Schema): v.InferOutput<Schema> {
  const parsed = v.safeParse(schema, getQuery(event), { abortEarly: true })
  if (parsed.success) return parsed.output
  throw refusal('bad-request', `${v.getDotPath(parsed.issues[0]) ?? 'query'}: ${parsed.issues[0].message}`)
}

/** From the path, a name that a device made for something of a slate: a picture, a line of the talk. */
export function nameParam(event: H3Event, of: 'picture' | 'line'): string {
  const name = v.safeParse(OwnPictureIdSchema, getRouterParam(event, of))
  if (!name.success) throw refusal('not-found')
  return name.output
}

/** An id from the path, in lower case; what can't be one is not found, before the database is asked. */
export function idParam(event: H3Event, name = 'id'): string {
  const id = v.safeParse(v.pipe(v.string(), v.uuid(), v.toLowerCase()), getRouterParam(event, name))
  if (!id.success) throw refusal('not-found')
  return id.output
}
