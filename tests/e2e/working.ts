import { Client } from '../../demo/client'
import { middleOf } from '../boards'
import type { Board } from '../../core/board/board'
import type { Lesson } from './lesson'

/**
 * A student without a screen works as told over the socket, each card ("c0") into a place ("z1"), and hands in where
 * that is wanted.
 */
export async function workOn(
  lesson: Lesson,
  name: string,
  {
    board,
    cards,
    handIn = true,
    round = 'laid',
  }: {
    readonly board: Board
    readonly cards: Readonly<Record<string, string>>
    readonly handIn?: boolean
    /** Tells the moves of one time from those of another. */
    readonly round?: string
  },
): Promise<void> {
  const client = new Client(lesson.teacher.address)
  const student = lesson.students.find(one => one.name === name)!
  await client.enter(lesson.code, student.id, student.pictures)
  const slate = lesson.slates.find(one => one.name === name)!.id
  const socket = await client.socket()
  socket.say({ say: 'open', slate, since: 0 })
  await socket.hear(m => m.say === 'slate')
  const moves = Object.entries(cards).map(([piece, place]) => ({
    id: `${round}-${piece}-${slate.slice(0, 8)}`,
    move: { kind: 'put', piece, ...middleOf(board, place) },
  }))
  socket.say({ say: 'moves', slate, moves })
  const last = moves.at(-1)!.id
  await socket.hear(m => m.say === 'moves' && m.moves.some(move => move.id === last))
  socket.close()
  if (handIn) await client.must('POST', `/api/slates/${slate}/hand-in`, {})
}
