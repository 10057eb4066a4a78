import { randomBytes } from 'node:crypto'
import type { IncomingMessage, ServerResponse } from 'node:http'

export interface RecordedStudent {
  readonly id: string
  readonly given: string
  readonly family: string
  readonly preferred?: string
  readonly status?: string
  readonly role?: string
  readonly enabled?: boolean
}
export interface RecordedClass {
  readonly id: string
  readonly title: string
  readonly students: readonly RecordedStudent[]
}
export interface RecordedSchool {
  readonly teachers: readonly { readonly id: string; readonly email: string; readonly classes: readonly string[] }[]
  readonly classes: readonly RecordedClass[]
}

/** How the service behaves: each can be set while it runs. */
export interface Behaviour {
  /** Milliseconds before each answer. */
  slow: number
  /** So many answers fail with 503 before one is given. */
  fail: number
  /** Answers break off in the middle. */
  half: boolean
  /** Pages after the first are never given. */
  stops: boolean
  /** Rows that no program should trip over are among the others. */
  odd: boolean
  /** At most so many rows a page, whatever is asked for. */
  page: number
}
export const WELL: Behaviour = { slow: 0, fail: 0, half: false, stops: false, odd: false, page: 1000 }

const PATH = '/ims/oneroster/rostering/v1p2'
const ODD: readonly unknown[] = [
  null,
  7,
  { sourcedId: 'odd-1' },
  { sourcedId: 'odd-2', givenName: '', familyName: '', roles: [{ role: 'student' }] },
  { sourcedId: 9, givenName: 'Nine' },
  { sourcedId: 'odd-3', givenName: 'x'.repeat(500), familyName: 'Long', roles: [{ role: 'student' }] },
]

/** OneRoster 1.2's read side for rosters, as far as a class list needs it; answers null for what isn't its own. */
export class RecordsService {
  behaviour: Behaviour = { ...WELL }
  readonly client = 'dappled-slate'
  readonly secret = randomBytes(12).toString('hex')
  private readonly tokens = new Set<string>()
  constructor(private readonly school: RecordedSchool) {}

  async answer(request: IncomingMessage, response: ServerResponse): Promise<boolean> {
    const url = new URL(request.url ?? '/', 'http://records')
    if (url.pathname !== '/token' && !url.pathname.startsWith(PATH)) return false
    if (this.behaviour.slow) await new Promise(resolve => setTimeout(resolve, this.behaviour.slow))
    if (url.pathname === '/token') return this.giveToken(request, response)
    if (this.behaviour.fail > 0) {
      this.behaviour.fail--
      return fail(response, 503, 'server_busy', 'Come again.')
    }
    if (!this.tokens.has((request.headers.authorization ?? '').replace('Bearer ', '')))
      return fail(response, 401, 'unauthorisedrequest', 'Who are you?')
    const collection = this.collection(url)
    if (!collection) return fail(response, 404, 'unknownobject', 'There is no such thing.')
    const offset = Number(url.searchParams.get('offset') ?? 0)
    if (this.behaviour.stops && offset > 0) return fail(response, 503, 'server_busy', 'Come again.')
    const rows = [
      ...collection.rows,
      ...(this.behaviour.odd && collection.name === 'users' && url.pathname.endsWith('/students') ? ODD : []),
    ]
    const page = rows.slice(
      offset,
      offset + Math.min(Number(url.searchParams.get('limit') ?? 100), this.behaviour.page),
    )
    const body = JSON.stringify({ [collection.name]: page })
    response.writeHead(200, { 'content-type': 'application/json', 'x-total-count': rows.length })
    response.end(this.behaviour.half ? body.slice(0, body.length / 2) : body)
    return true
  }

  private giveToken(request: IncomingMessage, response: ServerResponse): true {
    const wanted = `Basic ${Buffer.from(`${this.client}:${this.secret}`).toString('base64')}`
    if (request.method !== 'POST' || request.headers.authorization !== wanted)
      return fail(response, 401, 'unauthorisedrequest', 'Who are you?')
    const token = randomBytes(18).toString('hex')
    this.tokens.add(token)
    response.writeHead(200, { 'content-type': 'application/json' })
    response.end(JSON.stringify({ access_token: token, token_type: 'Bearer', expires_in: 3600 }))
    return true
  }

  private collection(url: URL): { name: 'users' | 'classes'; rows: readonly unknown[] } | null {
    const parts = url.pathname
      .slice(PATH.length + 1)
      .split('/')
      .map(decodeURIComponent)
    if (parts.length === 1 && parts[0] === 'teachers') {
      const email = /^email='([^']*)'$/.exec(url.searchParams.get('filter') ?? '')?.[1]
      const found = this.school.teachers.filter(teacher => email === undefined || teacher.email === email)
      return {
        name: 'users',
        rows: found.map(({ id, email }) => ({
          sourcedId: id,
          status: 'active',
          enabledUser: 'true',
          email,
          roles: [{ roleType: 'primary', role: 'teacher' }],
        })),
      }
    }
    if (parts.length === 3 && parts[0] === 'teachers' && parts[2] === 'classes') {
      const teacher = this.school.teachers.find(one => one.id === parts[1])
      return teacher
        ? {
            name: 'classes',
            rows: this.school.classes
              .filter(one => teacher.classes.includes(one.id))
              .map(({ id, title }) => ({ sourcedId: id, status: 'active', title, classType: 'homeroom' })),
          }
        : null
    }
    if (parts.length !== 3 || parts[0] !== 'classes' || parts[2] !== 'students') return null
    const one = this.school.classes.find(row => row.id === parts[1])
    return one ? { name: 'users', rows: one.students.map(userOf) } : null
  }
}

function userOf({
  id,
  given,
  family,
  preferred,
  status = 'active',
  role = 'student',
  enabled = true,
}: RecordedStudent) {
  return {
    sourcedId: id,
    status,
    enabledUser: String(enabled),
    givenName: given,
    familyName: family,
    ...(preferred && { preferredFirstName: preferred }),
    roles: [{ roleType: 'primary', role }],
  }
}

/** As the standard has it: a code for machines, words for people. */
function fail(response: ServerResponse, status: number, minor: string, description: string): true {
  response.writeHead(status, { 'content-type': 'application/json' })
  response.end(
    JSON.stringify({
      imsx_codeMajor: 'failure',
      imsx_severity: 'error',
      imsx_description: description,
      imsx_CodeMinor: {
        imsx_codeMinorField: [{ imsx_codeMinorFieldName: 'TargetEndSystem', imsx_codeMinorFieldValue: minor }],
      },
    }),
  )
  return true
}
