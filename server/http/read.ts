import { getQuery, getRequestHeader, getRouterParam, readBody, type H3Event } from 'h3'
import * as v from 'valibot'
import { refusal } from './refuse'

const LARGEST_JSON = 4 * 1024 * 1024

/** The JSON body as the schema says, or a refusal that names the first fault. */
export async function readJson<Schema extends v.GenericSchema>(event: H3Event, schema: Schema, largest = LARGEST_JSON): Promise<v.InferOutput<Schema>> {
  sizeWithin(event, largest)
  const body: unknown = await readBody(event).catch(() => {
    throw refusal('bad-request', 'The body is not JSON.')
  })
  const parsed = v.safeParse(schema, body, { abortEarly: true })
  if (parsed.success) return parsed.output
  const [issue] = parsed.issues
  throw refusal('bad-request', `${v.getDotPath(issue) ?? 'body'}: ${issue.message}`)
}

/** The query as the schema says, or a refusal that names the first fault. */
export function queryAs<Schema extends v.GenericSchema>(event: H3Event, schema: Schema): v.InferOutput<Schema> {
  const parsed = v.safeParse(schema, getQuery(event), { abortEarly: true })
  if (parsed.success) return parsed.output
  throw refusal('bad-request', `${v.getDotPath(parsed.issues[0]) ?? 'query'}: ${parsed.issues[0].message}`)
}

/** Refuses what says it is bigger, and what doesn't say how big it is. */
export function sizeWithin(event: H3Event, most: number): void {
  const length = Number(getRequestHeader(event, 'content-length') ?? NaN)
  if (!(length <= most)) throw refusal('too-big', `At most ${most} bytes.`)
}

/** An id from the path; what can't be one is not found, before the database is asked. */
export function idParam(event: H3Event, name = 'id'): string {
  const id = getRouterParam(event, name)
  if (!v.is(v.pipe(v.string(), v.uuid()), id)) throw refusal('not-found')
  return id
}
