import type { Board } from '../../core/board/board'
import { shore } from '../boards'
import { once } from 'node:events'
import { Client } from '../../demo/client'
import { makeLesson, type Lesson } from '../e2e/lesson'

/**
 * A socket that looks for the one answer it waits for, and reads nothing else: the driver must not be what is measured.
 */
export interface Working {
  readonly slate: string
  readonly ask: (message: object, last: string) => Promise<void>
  /** Until something with this id is heard. */
  readonly hear: (id: string) => Promise<void>
  readonly say: (message: object) => void
  readonly close: () => void
}

const A_CLASS = 200
const AT_ONCE = 40
const letter = (n: number) => String.fromCharCode(65 + (n % 26))

/** Classes of so many students together, each with a copy of the board. */
export async function lessonsOf(address: string, students: number, board: Board = shore()): Promise<Lesson[]> {
  const lessons: Lesson[] = []
  for (let left = students; left > 0; left -= A_CLASS) {
    lessons.push(
      await makeLesson(
        address,
        Array.from({ length: Math.min(left, A_CLASS) }, (_, i) => `Student ${letter(i)}${letter(Math.floor(i / 26))}`),
        board,
      ),
    )
  }
  return lessons
}

const ownSlate = (lesson: Lesson, student: { name: string }) => lesson.slates.find(s => s.name === student.name)!.id

/** Every student comes in, and opens the slate over a socket of their own, at one of the addresses in turn. */
export async function allAtWork(
  lessons: readonly Lesson[],
  addresses: readonly string[],
  slateOf = ownSlate,
): Promise<Working[]> {
  const coming = lessons.flatMap(lesson => lesson.students.map(student => ({ lesson, student })))
  const working: Working[] = []
  for (let i = 0; i < coming.length; i += AT_ONCE) {
    working.push(
      ...(await Promise.all(
        coming.slice(i, i + AT_ONCE).map(async ({ lesson, student }, n) => {
          const client = new Client(addresses[(i + n) % addresses.length]!)
          await client.enter(lesson.code, student.id, student.pictures)
          const slate = slateOf(lesson, student)
          const socket = client.bareSocket()
          await once(socket, 'open')
          let [awaited, answered] = ['', (_: string) => {}]
          socket.on('message', data => {
            const text = String(data)
            if (text.includes(awaited)) answered(text)
          })
          const heard = (last: string) => new Promise<string>(resolve => ([awaited, answered] = [last, resolve]))
          const say = (message: object) => socket.send(JSON.stringify(message))
          const said = (message: object, last: string) => {
            const answer = heard(last)
            say(message)
            return answer
          }
          await said({ say: 'open', slate, since: 0 }, '"say":"slate"')
          return {
            slate,
            async ask(message: object, last: string) {
              const text = await said(message, `"${last}"`)
              if (text.includes('"refused"')) throw new Error(text)
            },
            hear: async (id: string) => void (await heard(`"${id}"`)),
            say,
            close: () => socket.close(),
          }
        }),
      )),
    )
  }
  return working
}

let made = 0
/** A message of so many moves, and the id of the last. */
export function moves(slate: string, count = 1): { message: object; last: string } {
  const ids = Array.from({ length: count }, () => `bench-move-${++made}`)
  return {
    message: {
      say: 'moves',
      slate,
      moves: ids.map(id => ({ id, move: { kind: 'put', piece: `c${made % 6}`, x: 100 + (made % 700), y: 100 } })),
    },
    last: ids.at(-1)!,
  }
}

/** Sends a message and waits until the server has stored all of it. */
export async function stored({ ask, slate }: Working, count = 1): Promise<void> {
  const { message, last } = moves(slate, count)
  await ask(message, last)
}
