import { LARGEST_MESSAGE } from '../../core/sync/messages'
import { Client } from '../../demo/client'
import type { Socket } from '../../demo/client'
import { expect, giveOutTo, makeLesson, test } from './class'
import { cast, slateOf } from './cast'

test.describe('over the socket', () => {
  const move = (id: string, piece = 'c0', x = 100) => ({ id, move: { kind: 'put', piece, x, y: 100 } })
  const refused = (socket: Socket, code: string) => socket.hear(m => m.say === 'refused' && m.code === code)

  test('nobody gets in, and only the holder moves', async ({ application }) => {
    const lesson = await makeLesson(application.address)
    const stranger = await makeLesson(application.address)
    const clients = await cast(application.address, lesson, stranger)
    await expect(clients.nobody.socket()).rejects.toThrow(/401/)
    const slate = slateOf(lesson)
    for (const actor of ['otherStudent', 'strangerStudent', 'otherTeacher', 'owner', 'student'] as const) {
      const socket = await clients[actor].socket()
      socket.say({ say: 'open', slate, since: 0 })
      const mayRead = actor === 'owner' || actor === 'student'
      if (mayRead) await socket.hear(m => m.say === 'slate')
      else await refused(socket, 'not-yours')
      socket.say({ say: 'moves', slate, moves: [move(`move-of-${actor}`)] })
      if (actor === 'student') await socket.hear(m => m.say === 'moves' && m.moves[0]!.id === 'move-of-student')
      else await refused(socket, 'not-yours')
      socket.say({ say: 'walk', handout: lesson.handout })
      if (actor === 'owner') await socket.hear(m => m.say === 'walking')
      else await refused(socket, 'not-yours')
      socket.say({ say: 'attend', handout: lesson.handout })
      if (actor === 'owner') await socket.hear(m => m.say === 'lesson')
      else await refused(socket, 'not-yours')
      // Whoever may, hears no echo of it; everybody else is refused.
      socket.say({ say: 'point', handout: lesson.handout, at: { slate: 0, x: 1, y: 1 } })
      if (actor !== 'owner') await refused(socket, 'not-yours')
      socket.close()
    }
    const view = await lesson.teacher.must<{ number: number }>('GET', `/api/slates/${slate}`)
    expect(view.number).toBe(1)
  })

  test('who may look sees the work move, and reaches nothing else of it; who came by a code is like any student of their class', async ({
    application,
  }) => {
    const { address } = application
    const lesson = await makeLesson(address)
    const { teacher } = lesson
    const { id: handout } = await giveOutTo(teacher, lesson.board, {
      to: [{ classId: lesson.classId }],
      mode: 'one-for-everyone',
      ownPages: true,
      looking: 'after-hand-in',
    })
    const enter = async (i: number) => {
      const client = new Client(address)
      await client.enter(lesson.code, lesson.students[i]!.id, lesson.students[i]!.pictures)
      return client
    }
    const [ada, bo] = [await enter(0), await enter(1)]
    const [pageOfAda, pageOfBo] = [
      (await ada.must<{ id: string }>('POST', `/api/handouts/${handout}/page`, {})).id,
      (await bo.must<{ id: string }>('POST', `/api/handouts/${handout}/page`, {})).id,
    ]
    const socket = await bo.socket()
    socket.say({ say: 'open', slate: pageOfAda, since: 0 })
    await refused(socket, 'not-yours')
    await bo.must('GET', `/api/slates/${pageOfBo}`)
    await bo.must('POST', `/api/slates/${pageOfBo}/hand-in`, {})
    socket.say({ say: 'open', slate: pageOfAda, since: 0 })
    await socket.hear(m => m.say === 'slate' && m.slate === pageOfAda)
    socket.say({ say: 'moves', slate: pageOfAda, moves: [move('move-of-a-looker')] })
    await refused(socket, 'not-yours')
    const mover = await ada.socket()
    mover.say({ say: 'open', slate: pageOfAda, since: 0 })
    mover.say({ say: 'moves', slate: pageOfAda, moves: [move('move-of-the-holder')] })
    await socket.hear(m => m.say === 'moves' && m.slate === pageOfAda && m.moves[0]!.id === 'move-of-the-holder')
    for (const [method, path, body] of [
      ['GET', '', undefined],
      ['GET', '/feedback', undefined],
      ['POST', '/hand-in', {}],
      ['PUT', '/name', { name: 'Mine' }],
      ['PUT', '/review', { decisions: {}, comment: '' }],
    ] as const) {
      expect((await bo.ask(method, `/api/slates/${pageOfAda}${path}`, body)).status, path).toBe(403)
    }
    const {
      handouts: [open],
    } = await teacher.must<{ handouts: { id: string; code: string }[] }>(
      'POST',
      `/api/boards/${lesson.board}/handouts`,
      { newcomers: true },
    )
    const guest = new Client(address)
    await guest.must('POST', '/api/join/newcomer', { code: open!.code, name: 'Guest' })
    const [own] = await guest.must<{ id: string }[]>('GET', '/api/desk')
    expect((await guest.ask('GET', `/api/slates/${own!.id}`)).status).toBe(200)
    for (const path of [
      `/api/slates/${pageOfAda}`,
      `/api/handouts/${handout}/others`,
      `/api/handouts/${handout}/frames`,
      `/api/handouts/${open!.id}`,
      `/api/classes/${lesson.classId}`,
    ])
      expect((await guest.ask('GET', path)).status, path).toBe(403)
    // Twice from one device is one person.
    expect(await guest.must('POST', '/api/join/newcomer', { code: open!.code, name: 'Guest' })).toMatchObject({
      name: 'Guest',
    })
    socket.close()
    mover.close()
  })

  test('whatever is sent, the answer is a reason, the connection lives, and the slate is unchanged', async ({
    application,
  }) => {
    const lesson = await makeLesson(application.address)
    const slate = slateOf(lesson)
    const student = new Client(application.address)
    await student.enter(lesson.code, lesson.students[0]!.id, lesson.students[0]!.pictures)
    const socket = await student.socket()
    socket.say({ say: 'open', slate, since: 0 })
    await socket.hear(m => m.say === 'slate')
    const other = lesson.slates.find(s => s.name === 'Bo Kelp')!.id
    const sent = (id: string, deed: object) => ({ say: 'moves', slate, moves: [{ id, move: deed }] })
    const BAD: [unknown, string][] = [
      ['not json at all {', 'malformed'],
      [{ say: 'shout' }, 'malformed'],
      [[], 'malformed'],
      [{ say: 'moves', slate: 'no-uuid', moves: [move('m-xxxxxxx')] }, 'malformed'],
      [{ say: 'moves', slate, moves: [] }, 'malformed'],
      [
        { say: 'moves', slate, moves: [{ id: 'm-unknown', move: { kind: 'move-zone', place: 'z0', x: 1, y: 1 } }] },
        'malformed',
      ],
      [{ say: 'moves', slate, moves: [{ id: 'm-unknown', move: { kind: 'delete-backdrop' } }] }, 'malformed'],
      [
        `{"say":"moves","slate":"${slate}","moves":[{"id":"m-infinite","move":{"kind":"put","piece":"c0","x":1e999,"y":1}}]}`,
        'malformed',
      ],
      [{ say: 'moves', slate, moves: [move('m-far-off', 'c0', 100_000)] }, 'malformed'],
      [{ say: 'moves', slate, moves: [move('m-off-page', 'c0', 5000)] }, 'off-page'],
      [{ say: 'moves', slate, moves: [move('m-ghost-x', 'ghost')] }, 'unknown-piece'],
      [{ say: 'moves', slate: other, moves: [move('m-others')] }, 'not-yours'],
      [{ say: 'moves', slate: '00000000-0000-4000-8000-000000000000', moves: [move('m-nowhere')] }, 'not-yours'],
      [sent('m-write-x', { kind: 'write', in: 'z0', text: 'on the backdrop' }), 'not-allowed'],
      [sent('m-draw-xx', { kind: 'draw', stroke: 'stroke-1', place: 'z0', points: [[1, 1]] }), 'not-allowed'],
      [sent('m-draw-no', { kind: 'draw', stroke: 'stroke-1', place: 'z0', points: [['1', null]] }), 'malformed'],
      [sent('m-join-xx', { kind: 'connect', from: 'c0', to: 'c1' }), 'not-allowed'],
      [sent('m-copy-xx', { kind: 'put', piece: 'c0~copy', x: 1, y: 1 }), 'unknown-piece'],
      [sent('m-turn-xx', { kind: 'turn', piece: 'c0', turn: 90, flipped: false }), 'not-allowed'],
      [
        sent('m-restore', {
          kind: 'restore',
          pieces: { c0: { x: -5, y: 1, z: 1 } },
          texts: {},
          arrows: {},
          strokes: [],
        }),
        'off-page',
      ],
      [
        sent('m-restor2', { kind: 'restore', pieces: {}, texts: { '__proto__:0': 'x' }, arrows: {}, strokes: [] }),
        'unknown-place',
      ],
      ['x'.repeat(LARGEST_MESSAGE + 1), 'too-big'],
    ]
    for (const [message, code] of BAD) {
      socket.say(message)
      const answer = await socket.hear(m => m.say === 'refused')
      expect.soft(answer, JSON.stringify(message).slice(0, 100)).toMatchObject({ code })
      expect.soft((answer as { detail: string }).detail.length).toBeGreaterThan(10)
    }
    expect(socket.open).toBe(true)
    // One bad move does not take its neighbours with it.
    socket.say({ say: 'moves', slate, moves: [move('m-good-1'), { id: 'm-bad-one', move: 7 }, move('m-good-2', 'c1')] })
    expect(await socket.hear(m => m.say === 'refused')).toMatchObject({ code: 'malformed', id: 'm-bad-one' })
    await socket.hear(m => m.say === 'moves' && m.moves.some(x => x.id === 'm-good-2'))
    for (let i = 0; i < 400; i++) socket.say({ say: 'close', slate })
    await refused(socket, 'too-fast')
    expect(socket.open).toBe(true)

    await student.must('POST', `/api/slates/${slate}/hand-in`, {})
    const later = await student.socket()
    later.say({ say: 'moves', slate, moves: [move('m-too-late')] })
    await refused(later, 'handed-in')
    const view = await lesson.teacher.must<{ number: number; state: { pieces: object } }>('GET', `/api/slates/${slate}`)
    expect(view.number).toBe(2)
    expect(Object.keys(view.state.pieces)).toEqual(['c0', 'c1'])
    expect(application.output()).not.toMatch(/Error|"level":(50|60)/)
    later.close()
    socket.close()
  })
})
