import fc from 'fast-check'
import sharp from 'sharp'
import WebSocket from 'ws'
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { connect as connectTcp } from 'node:net'
import { createInterface } from 'node:readline'
import { LARGEST_FRAME } from '../../core/sync/messages'
import { Client } from '../../demo/client'
import { makeLesson, type Lesson } from '../e2e/lesson'
import type { Workplace } from './bystander'

/** How much of each: the short form runs with the other tests. All of it goes to one address on this machine. */
export interface Scale {
  readonly messages: number
  readonly guesses: number
  readonly bodies: number
  /** Whether it is also held against the clock: on a machine that does nothing else. */
  readonly timed: boolean
}
export interface Finding {
  readonly what: string
  readonly was: string
}

const SLOW_MS = 1500

/** What somebody with bad intentions tries. Returns whatever shouldn't have been; an empty list is a good answer. */
export async function attack(address: string, scale: Scale): Promise<Finding[]> {
  if (!/^http:\/\/127\.0\.0\.1:\d+$/.test(address)) throw new Error('only on this machine')
  const lesson = await makeLesson(address)
  const findings: Finding[] = []
  const expect = (what: string, was: unknown, holds: boolean) =>
    void (holds || findings.push({ what, was: String(was) }))
  const bystander = await workBeside(address, lesson)

  await upgrades(address, expect)
  await messages(address, lesson, scale.messages, expect)
  await guesses(address, lesson, scale.guesses, expect)
  await files(lesson, scale.timed, expect)
  await bodies(address, lesson, scale.bodies, expect)

  const slowest = await bystander.stop()
  expect(
    "everybody else's moves go on meanwhile",
    `${Math.round(slowest)} ms`,
    Number.isFinite(slowest) && (!scale.timed || slowest < SLOW_MS),
  )
  const health = await fetch(`${address}/health`)
  expect('the server is well afterwards', health.status, health.ok)
  return findings
}

type Expect = (what: string, was: unknown, holds: boolean) => void

/** A student who works all the while, and how many milliseconds the slowest move took. */
async function workBeside(address: string, lesson: Lesson): Promise<{ stop: () => Promise<number> }> {
  const { id, name, pictures } = lesson.students[3]!
  const workplace: Workplace = {
    address,
    code: lesson.code,
    slate: lesson.slates.find(s => s.name === name)!.id,
    student: id,
    pictures,
  }
  const child = spawn(process.execPath, ['--import', 'tsx', 'tests/attack/bystander.ts', JSON.stringify(workplace)], {
    stdio: ['pipe', 'pipe', 'inherit'],
  })
  const lines = createInterface(child.stdout)
  await Promise.race([
    once(lines, 'line'),
    once(child, 'exit').then(() => Promise.reject(new Error('nobody works beside'))),
  ])
  return {
    async stop() {
      child.stdin.end()
      const [slowest] = (await Promise.race([once(lines, 'line'), once(child, 'exit').then(() => ['Infinity'])])) as [
        string,
      ]
      return Number(slowest)
    },
  }
}

async function upgrades(address: string, expect: Expect): Promise<void> {
  const status = (path: string, headers: Record<string, string> = {}) =>
    new Promise<number>(resolve => {
      const socket = new WebSocket(`${address.replace('http', 'ws')}${path}`, { headers })
      socket.on('unexpected-response', (_, response) => resolve(response.statusCode ?? 0))
      socket.on('open', () => resolve(101))
      socket.on('error', () => resolve(-1))
    })
  for (const path of ['/', '/api/session', '/socket/', '/socket2', '/_nuxt/x', '/desk']) {
    const was = await status(path)
    expect(`a socket at ${path} is refused`, was, was === 404)
  }
  expect('a socket without a session is refused', '', (await status('/socket')) === 401)
  expect(
    'a socket from another site is refused',
    '',
    (await status('/socket', { origin: 'https://elsewhere.example' })) === 403,
  )
  expect(
    "a forged cookie is nobody's",
    '',
    (await status('/socket', { cookie: 'dappled-slate=Fe26.2**forged' })) === 401,
  )
  // Handshakes that break off, and nonsense in their place.
  for (const text of [
    'GET /socket HTTP/1.1\r\nHost: x\r\nUpgrade: websocket\r\nConnection: Upgrade\r\n\r\n',
    'GET / HTTP/1.1\r\n',
    '\x16\x03\x01',
  ]) {
    const socket = connectTcp(Number(new URL(address).port), '127.0.0.1')
    socket.on('error', () => {})
    socket.write(text)
    await new Promise(resolve => setTimeout(resolve, 30))
    socket.destroy()
  }
}

/**
 * Messages of every shape: the answer is a reason, or the connection is closed; the slate stays whole and the process
 * lives.
 */
async function messages(address: string, lesson: Lesson, count: number, expect: Expect): Promise<void> {
  const student = lesson.students[0]!
  const client = new Client(address)
  await client.enter(lesson.code, student.id, student.pictures)
  const slate = lesson.slates.find(s => s.name === student.name)!.id
  const names = fc.constantFrom(
    'c0',
    'c1',
    'constructor',
    '__proto__',
    'z0',
    'toString',
    'c0~aaaa',
    '\u0000',
    '\uD800',
    '',
  )
  const odd = fc.oneof(fc.jsonValue(), names, fc.double(), fc.constantFrom(NaN, 1e308, -0, 2 ** 53))
  const move = fc.oneof(
    fc.record({
      kind: fc.constantFrom(
        'put',
        'shelve',
        'arrange',
        'turn',
        'write',
        'draw',
        'undraw',
        'rub',
        'connect',
        'disconnect',
        'start-again',
        'restore',
        'revert',
        'delete-backdrop',
      ),
      piece: names,
      in: names,
      x: odd,
      y: odd,
      text: fc.oneof(names, fc.string({ unit: 'binary' })),
      pieces: odd,
      strokes: odd,
      points: odd,
      from: names,
      to: names,
      stroke: names,
      turn: odd,
    }),
    odd,
  )
  const message = fc.oneof(
    fc.record({
      say: fc.constant('moves'),
      slate: fc.constant(slate),
      moves: fc.array(
        fc.oneof(
          fc.record({ id: fc.constantFrom('a-good-id-1', '', 'x'), move, undoes: names }, { requiredKeys: [] }),
          odd,
        ),
        { maxLength: 4 },
      ),
    }),
    fc.record(
      {
        say: fc.oneof(fc.constantFrom('open', 'close', 'walk', 'moves'), names),
        slate: fc.oneof(fc.constant(slate), names),
        since: odd,
        handout: names,
        as: names,
      },
      { requiredKeys: [] },
    ),
    odd,
  )
  const socket = await client.socket()
  for (const [i, made] of fc.sample(message, { numRuns: count, seed: 7 }).entries()) {
    if (!socket.open) {
      expect("malformed messages one at a time don't close the socket", `after ${i}`, false)
      break
    }
    socket.say(JSON.stringify(made) ?? 'undefined')
    // Not quicker than a socket may: what is looked at is what is in them.
    await new Promise(resolve => setTimeout(resolve, 26))
  }
  const codes = new Set(socket.heard.flatMap(m => (m.say === 'refused' ? [m.code] : [])))
  expect('nothing that is sent is trouble for the server', [...codes].join(), !codes.has('trouble'))
  socket.close()
  const view = await client.ask('GET', `/api/slates/${slate}`)
  expect('the slate can be read after malformed messages', view.status, view.status === 200)

  const large = client.bareSocket()
  await once(large, 'open')
  large.send('x'.repeat(LARGEST_FRAME + 1))
  const [code] = (await once(large, 'close')) as [number]
  expect('a frame that is too large closes its socket', code, code === 1009)
  const flood = client.bareSocket()
  await once(flood, 'open')
  let ended: number | undefined
  flood.once('close', code => (ended = code))
  // Ten times what a socket may, however slowly this machine hears it.
  for (let i = 0; i < 600 && ended === undefined; i++) {
    for (let n = 0; n < 20; n++) flood.send('{"say":"close"}')
    await new Promise(resolve => setTimeout(resolve, 50))
  }
  flood.terminate()
  expect('a flood is closed after a while', ended, ended === 1008)
}

async function guesses(address: string, lesson: Lesson, count: number, expect: Expect): Promise<void> {
  const client = new Client(address)
  const student = lesson.students[1]!
  const burst = await Promise.all(
    Array.from({ length: count }, () =>
      client.ask('POST', '/api/join/student', {
        code: lesson.code,
        student: student.id,
        pictures: ['bell', 'bell', 'bell'],
      }),
    ),
  )
  const looked = burst.filter(reply => reply.code === 'wrong-pictures').length
  expect('a burst of picture passwords passes no limit', looked, looked <= 10)
  const passwords = await Promise.all(
    Array.from({ length: Math.min(count, 20) }, () =>
      client.ask('POST', '/api/session', { email: lesson.email, password: 'wrong' }),
    ),
  )
  const hashed = passwords.filter(reply => reply.code === 'wrong-sign-in').length
  expect("a burst of teachers' passwords passes no limit", hashed, hashed <= 8)
  for (let i = 0; i < count; i += 40)
    await Promise.all(
      Array.from({ length: 40 }, (_, n) =>
        client.ask('POST', '/api/join', { code: `AAAA${String(i + n).padStart(3, 'B')}` }),
      ),
    )
  const right = await client.ask('POST', '/api/join', { code: lesson.code })
  expect(
    'a right class code passes however many wrong ones came from the address',
    right.code ?? right.status,
    right.status === 200,
  )
}

async function files(lesson: Lesson, timed: boolean, expect: Expect): Promise<void> {
  const { teacher } = lesson
  const upload = async (bytes: Uint8Array | string) => {
    const form = new FormData()
    form.append('file', new Blob([bytes as BlobPart]), 'a.svg')
    const start = performance.now()
    const reply = await teacher.ask('POST', '/api/files', form)
    return { ...reply, took: performance.now() - start }
  }
  const svg = (body: string, head = '') =>
    `<?xml version="1.0"?>${head}<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="2000" height="2000">${body}</svg>`
  const uses = Array.from(
    { length: 12 },
    (_, i) => `<g id="g${i + 1}">${`<use xlink:href="#g${i}"/>`.repeat(10)}</g>`,
  ).join('')
  const hostile: [string, Uint8Array | string][] = [
    [
      'a filter',
      svg(
        '<filter id="f"><feTurbulence baseFrequency="0.001" numOctaves="100"/><feGaussianBlur stdDeviation="500"/></filter><rect width="2000" height="2000" filter="url(#f)"/>',
      ),
    ],
    ['a filter by style', svg('<rect style="filter:blur(900px)" width="2000" height="2000"/>')],
    [
      'entities that unfold',
      svg('<text>&b;</text>', '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;">]>'),
    ],
    ['things that repeat things', svg(`<g id="g0"><rect width="9" height="9"/></g>${uses}<use xlink:href="#g12"/>`)],
    ['endless text', svg(`<text>${'word '.repeat(80_000)}</text>`)],
    ['a text that says it is a picture', 'GIF89a and nothing'],
    [
      'half a picture',
      (
        await sharp({ create: { width: 400, height: 400, channels: 3, background: '#123' } })
          .png()
          .toBuffer()
      ).subarray(0, 300),
    ],
    ['nothing', ''],
  ]
  for (const [what, bytes] of hostile) {
    const reply = await upload(bytes)
    expect(
      `${what} as a picture is refused`,
      `${reply.status} ${reply.code}`,
      reply.status >= 400 && reply.status < 500,
    )
    expect(`${what} as a picture is refused soon`, `${Math.round(reply.took)} ms`, !timed || reply.took < 9000)
  }
  const script = await upload(
    svg('<script>alert(1)</script><rect width="9" height="9" fill="#123456" onload="alert(2)"/>'),
  )
  expect('a drawing with a script becomes pixels', script.status, script.status === 200)
  for (const [what, body] of [
    ['a board file that nests deep', `{"board":${'['.repeat(200_000)}`],
    ['a board file that is none', '{"format":"dappled-slate/board-file"}'],
    ['no JSON', '{{{'],
  ] as const) {
    const reply = await teacher.ask('POST', '/api/boards/import', body)
    expect(`${what} is refused`, `${reply.status} ${reply.code}`, reply.status === 400)
  }
}

async function bodies(address: string, lesson: Lesson, count: number, expect: Expect): Promise<void> {
  const nobody = new Client(address)
  for (const path of ['/api/session', '/api/teachers', '/api/join', '/api/join/student']) {
    const large = await nobody.ask('POST', path, JSON.stringify({ code: 'x'.repeat(5000) }))
    expect(`${path} takes no large body`, large.code, large.code === 'too-big')
    const deep = await nobody.ask('POST', path, `{"code":${'['.repeat(1000)}${']'.repeat(1000)}}`)
    expect(`${path} takes nothing that nests`, deep.code, deep.code === 'bad-request')
  }
  const body = `{"format":"dappled-slate/board-file","version":1,"board":{},"pictures":{},"filler":"${'x'.repeat(8 * 1024 * 1024)}"}`
  const replies = await Promise.all(
    Array.from({ length: count }, () => lesson.teacher.ask('POST', '/api/boards/import', body).catch(() => null)),
  )
  expect(
    'many large bodies at once are answered or refused',
    replies.map(r => r?.status).join(),
    replies.every(r => r === null || [400, 503].includes(r.status)),
  )
}
