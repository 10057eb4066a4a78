import * as v from 'valibot'
import {
  CLASS_FIELDS,
  classesFrom,
  studentsFrom,
  USER_FIELDS,
  type ClassInRecords,
} from '../../core/roster/oneRosterRest'
import type { ListedStudent } from '../../core/roster/classList'
import { ok, refuse, type Result } from '../../core/result'
import { log } from '../log'

/**
 * *records-away*: they can't be reached, or say that they can't answer. *records-odd*: what they answer can't be read.
 * *records-half*: they stopped in the middle, so nothing is taken. *not-found*: no class of this teacher's.
 */
export type RecordsRefusal = 'records-away' | 'records-odd' | 'records-half' | 'not-found'

/**
 * The school's own records, read over OneRoster 1.2: what of them is a teacher's, by the address that the teacher has
 * proven.
 */
export interface Records {
  readonly classesOf: (
    email: string,
  ) => Promise<Result<{ classes: readonly ClassInRecords[]; passedOver: number }, RecordsRefusal>>
  readonly studentsOf: (
    email: string,
    record: string,
  ) => Promise<Result<{ title: string; students: readonly ListedStudent[]; passedOver: number }, RecordsRefusal>>
}

const PATH = '/ims/oneroster/rostering/v1p2'
const SCOPE = 'https://purl.imsglobal.org/spec/or/v1p2/scope/roster-core.readonly'
const PAGE = 100
const MOST_PAGES = 30
const LARGEST_PAGE = 4 * 1024 * 1024
const PAGE_WITHIN_MS = 8000
const TRIES = 3
const TRY_AGAIN_MS = 250

interface Where {
  readonly url: string
  readonly client: string
  readonly secret: string
  readonly pageWithin?: number
}

/** Null where no records are set up. */
export function startRecords(
  env = process.env as Partial<Record<'RECORDS_URL' | 'RECORDS_CLIENT' | 'RECORDS_SECRET', string>>,
): Records | null {
  const { RECORDS_URL, RECORDS_CLIENT = '', RECORDS_SECRET = '' } = env
  return RECORDS_URL
    ? recordsAt({ url: RECORDS_URL.replace(/\/+$/, ''), client: RECORDS_CLIENT, secret: RECORDS_SECRET })
    : null
}

class Failed extends Error {
  constructor(
    readonly reason: RecordsRefusal,
    words: string,
  ) {
    super(words)
  }
}

export function recordsAt(where: Where): Records {
  const reader = new Reader(where)
  async function told<T>(work: () => Promise<Result<T, RecordsRefusal>>): Promise<Result<T, RecordsRefusal>> {
    try {
      return await work()
    } catch (error) {
      if (!(error instanceof Failed)) throw error
      log.warn({ reason: error.reason, error: error.message }, "the school's records did not answer as they should")
      return refuse(error.reason)
    }
  }
  async function classesOf(email: string) {
    // The filter's grammar quotes with this sign and has no way to write it.
    if (email.includes("'")) return { classes: [], passedOver: 0 }
    const teachers = await reader.all(
      `/teachers?filter=${encodeURIComponent(`email='${email}'`)}&fields=sourcedId,email`,
      'users',
    )
    // Held against the address once more: a service that knows no filters answers with everybody.
    const own = teachers.flatMap(item => {
      const read = v.safeParse(TeacherSchema, item)
      return read.success && read.output.email?.toLowerCase() === email ? [read.output.sourcedId] : []
    })
    const items = []
    for (const teacher of own)
      items.push(
        ...(await reader.all(`/teachers/${encodeURIComponent(teacher)}/classes?fields=${CLASS_FIELDS}`, 'classes')),
      )
    return classesFrom(items)
  }
  return {
    classesOf: email => told(async () => ok(await classesOf(email))),
    studentsOf: (email, record) =>
      told(async () => {
        const one = (await classesOf(email)).classes.find(row => row.record === record)
        if (!one) return refuse('not-found')
        return ok({
          title: one.title,
          ...studentsFrom(
            await reader.all(`/classes/${encodeURIComponent(record)}/students?fields=${USER_FIELDS}`, 'users'),
          ),
        })
      }),
  }
}

const TeacherSchema = v.object({
  sourcedId: v.pipe(v.string(), v.minLength(1), v.maxLength(80)),
  email: v.optional(v.nullable(v.string())),
})
const TokenSchema = v.object({
  access_token: v.pipe(v.string(), v.maxLength(8000)),
  expires_in: v.optional(v.number(), 60),
})

/** Reads collections page by page: all of one or nothing of it. */
class Reader {
  private token: { readonly value: string; readonly until: number } | null = null
  constructor(private readonly where: Where) {}

  async all(path: string, collection: string): Promise<unknown[]> {
    const items: unknown[] = []
    for (let page = 0; page < MOST_PAGES; page++) {
      const { body, total } = await this.page(`${path}&limit=${PAGE}&offset=${items.length}`, page > 0)
      const read = v.safeParse(v.object({ [collection]: v.array(v.unknown()) }), body)
      const fresh = read.success ? (read.output[collection] as unknown[]) : null
      if (!fresh) throw new Failed('records-odd', `no list of ${collection}`)
      items.push(...fresh)
      // With a total, until it is reached; without one, until a page isn't full.
      if (total !== null ? items.length >= total : fresh.length < PAGE) return items
      if (fresh.length === 0) throw new Failed('records-half', `${items.length} of ${total} came`)
    }
    throw new Failed('records-odd', 'there is no end to them')
  }

  /** One page, tried again while the service can't be reached or says to come again. */
  private async page(path: string, further: boolean): Promise<{ body: unknown; total: number | null }> {
    let last = ''
    for (let attempt = 0; attempt < TRIES; attempt++) {
      if (attempt > 0) await new Promise(resolve => setTimeout(resolve, TRY_AGAIN_MS * 3 ** (attempt - 1)))
      try {
        const response = await this.fetch(`${PATH}${path}`, {
          headers: { authorization: `Bearer ${await this.bearer()}`, accept: 'application/json' },
        })
        if (response.status === 401) this.token = null
        if (response.ok) {
          const total = Number(response.headers.get('x-total-count') ?? NaN)
          return { body: parse(await text(response)), total: Number.isInteger(total) && total >= 0 ? total : null }
        }
        last = `status ${response.status}`
        if (response.status < 500 && response.status !== 429 && response.status !== 401) break
      } catch (error) {
        if (error instanceof Failed) throw error
        last = error instanceof Error ? error.message : String(error)
      }
    }
    throw new Failed(further ? 'records-half' : 'records-away', last)
  }

  private async bearer(): Promise<string> {
    if (this.token && this.token.until > Date.now()) return this.token.value
    const { client, secret } = this.where
    const response = await this.fetch('/token', {
      method: 'POST',
      body: new URLSearchParams({ grant_type: 'client_credentials', scope: SCOPE }),
      headers: {
        authorization: `Basic ${Buffer.from(`${encodeURIComponent(client)}:${encodeURIComponent(secret)}`).toString('base64')}`,
      },
    })
    if (!response.ok) throw new Error(`no token: status ${response.status}`)
    const read = v.safeParse(TokenSchema, parse(await text(response)))
    if (!read.success) throw new Failed('records-odd', "the token can't be read")
    this.token = { value: read.output.access_token, until: Date.now() + (read.output.expires_in - 5) * 1000 }
    return this.token.value
  }

  private fetch(path: string, init: RequestInit): Promise<Response> {
    // What is asked for is at this address alone: a redirect could lead anywhere.
    return fetch(`${this.where.url}${path}`, {
      ...init,
      redirect: 'error',
      signal: AbortSignal.timeout(this.where.pageWithin ?? PAGE_WITHIN_MS),
    })
  }
}

async function text(response: Response): Promise<string> {
  const chunks: Uint8Array[] = []
  let length = 0
  for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
    length += chunk.length
    if (length > LARGEST_PAGE) throw new Failed('records-odd', 'a page without end')
    chunks.push(chunk)
  }
  return Buffer.concat(chunks).toString('utf8')
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    throw new Failed('records-odd', 'this is no JSON')
  }
}
