import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { CONTRACT } from '../../core/contract/contract'
import { STATUS_OF } from '../../core/contract/refusals'
import { commonOf, DONE, type Route } from '../../core/contract/route'
import { asPromised } from '../../server/http/promised'
import { refusal } from '../../server/http/refuse'

const folder = resolve(import.meta.dirname, '../../server/api')
const sourceOf = (file: string) => readFileSync(join(folder, file), 'utf8')
/** The file of a route: `POST /api/join` is `join.post.ts`, or `join/index.post.ts` where there are others below it. */
function fileOf(name: string): string {
  const [method, path] = name.split(' /api/') as [string, string]
  const end = `.${method.toLowerCase()}.ts`
  return existsSync(join(folder, path, `index${end}`)) ? join(path, `index${end}`) : `${path}${end}`
}
const named = (file: string) => /answering\(\s*'([^']+)'/.exec(sourceOf(file))?.[1]

describe('what server and client have agreed on', () => {
  it.each(Object.keys(CONTRACT))('%s is answered by its own file', name => {
    expect(named(fileOf(name))).toBe(name)
  })

  it('is all that is answered as agreed', () => {
    const answered = readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter(file => file.endsWith('.ts'))
      .flatMap(file => named(file) ?? [])
    expect(answered.toSorted()).toEqual(Object.keys(CONTRACT).toSorted())
  })

  it('leaves no way round: such a route asks for nobody, and reads nothing, by itself', () => {
    const wrong = Object.keys(CONTRACT)
      .map(fileOf)
      .filter(file => /\b(?:require\w+\(event|readJson\(|queryAs\(|refusal\(|defineEventHandler)/.test(sourceOf(file)))
    expect(wrong).toEqual([])
  })

  it('names refusals that there are words for, each once', () => {
    for (const [name, route] of Object.entries(CONTRACT) as [string, Route][]) {
      expect(new Set(route.refusals).size, name).toBe(route.refusals.length)
      for (const code of [...route.refusals, ...commonOf(route)])
        expect(STATUS_OF[code], `${name}: ${code}`).toBeTypeOf('number')
    }
  })
})

describe('where it is tried, a route', () => {
  const route: Route = { who: 'teacher', answer: v.strictObject({ id: v.string() }), refusals: ['full'] }
  const tried = (work: () => Promise<unknown>, of = route) => asPromised('GET /api/x', of, work, true)

  it('may answer what it promises, and nothing more or less', async () => {
    expect(await tried(async () => ({ id: 'a' }))).toEqual({ id: 'a' })
    await expect(tried(async () => ({ id: 'a', name: 'b' }))).rejects.toThrow('GET /api/x answers otherwise')
    await expect(tried(async () => ({}))).rejects.toThrow('GET /api/x answers otherwise')
    await expect(tried(async () => undefined)).rejects.toThrow('GET /api/x answers otherwise')
    expect(await tried(async () => ({}), { ...route, answer: DONE })).toEqual({})
  })

  it('is looked at as it arrives, not as it was made', async () => {
    const dated: Route = { ...route, answer: v.strictObject({ at: v.string() }) }
    await expect(tried(async () => ({ at: new Date(0) }), dated)).resolves.toBeDefined()
    await expect(tried(async () => ({ at: 0 }), dated)).rejects.toThrow('at')
  })

  it('may refuse with what it names and what every route like it has, and with nothing else', async () => {
    const refusing = (code: Parameters<typeof refusal>[0]) =>
      tried(async () => {
        throw refusal(code)
      })
    await expect(refusing('full')).rejects.toMatchObject({ data: { code: 'full' } })
    await expect(refusing('signed-out')).rejects.toMatchObject({ data: { code: 'signed-out' } })
    await expect(refusing('taken')).rejects.toThrow('GET /api/x refuses with taken')
    await expect(tried(() => Promise.reject(new Error('broken')))).rejects.toThrow('broken')
  })

  it('is not looked at where it works for people', async () => {
    expect(await asPromised('GET /api/x', route, async () => 'anything', false)).toBe('anything')
  })
})
