import type { Application } from '../application'
import { giveOutTo, type Lesson } from '../e2e/lesson'
import { ms, type Line } from './measure'
import { echo, insert, load, middle, ROUNDS } from './roundTrip'
import { allAtWork, lessonsOf, moves, type Working } from './students'

const FRAMES = 36
const OF = 4
/** Milliseconds between what each says of what it carries. */
const CARRIED_EVERY = 200

/**
 * A year group in frames of four on one process: everyone carries something about, two of each frame put theirs down
 * twice a second, and the other two see it.
 */
export async function framesAtWork(application: Application, url: string): Promise<Line[]> {
  const frames = await inFrames(application.address)
  const { slates } = frames
  const members = new Map(slates.flatMap(slate => slate.members.map(member => [member.name, slate.id] as const)))
  const working = await allAtWork([frames], [application.address], (_, student) => members.get(student.name)!)
  const stop = carrying(working)
  const pairs = slates.flatMap(({ id }) => {
    const [a, b, c, d] = working.filter(one => one.slate === id) as [Working, Working, Working, Working]
    return [
      [a, c],
      [b, d],
    ] as const
  })
  const seen = pairs.map(
    ([from, by]) =>
      () =>
        seenBy(from, by),
  )
  await load(seen)
  const [echoes, inserts, whole]: number[][][] = [[], [], []]
  for (let i = 0; i < ROUNDS; i++) {
    echoes!.push(await echo(pairs.length))
    inserts!.push(await insert(url, pairs.length))
    whole!.push(await load(seen))
  }
  stop()
  for (const { close } of working) close()
  return (
    [
      ['median', 0.5],
      ['95th percentile', 0.95],
    ] as const
  ).map(([name, share]) => {
    const [socket, row, measured] = [middle(echoes!, share), middle(inserts!, share), middle(whole!, share)]
    return {
      what: `until a move is seen by another of the frame, ${FRAMES} frames of ${OF} who all carry something, ${name} (middle of ${ROUNDS} rounds)`,
      measured: ms(measured),
      floor: `socket echo ${ms(socket)} + insert ${ms(row)}`,
      ratio: measured / (socket + row),
    }
  })
}

interface InFrames extends Lesson {
  slates: (Lesson['slates'][number] & { members: { name: string }[] })[]
}

async function inFrames(address: string): Promise<InFrames> {
  const [lesson] = (await lessonsOf(address, FRAMES * OF)) as [Lesson]
  const groups = Array.from({ length: FRAMES }, (_, i) => ({
    name: `Group ${i + 1}`,
    mark: 'oak',
    students: lesson.students.slice(OF * i, OF * i + OF).map(s => s.id),
  }))
  const { id: set } = await lesson.teacher.must<{ id: string }>('POST', `/api/classes/${lesson.classId}/sets`, {
    name: 'All',
    groups,
  })
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId, set }],
    mode: 'frame-per-group',
  })
  const { slates } = await lesson.teacher.must<Pick<InFrames, 'slates'>>('GET', `/api/handouts/${handout}`)
  return { ...lesson, handout, slates }
}

function carrying(working: readonly Working[]): () => void {
  const timers = working.map((one, i) =>
    setInterval(
      () => {
        one.say({
          say: 'here',
          slate: one.slate,
          here: { page: 'page', holds: { piece: `c${i % 6}`, x: 100 + (Date.now() % 700), y: 200 } },
        })
      },
      CARRIED_EVERY + (i % 40),
    ),
  )
  return () => timers.forEach(clearInterval)
}

async function seenBy(from: Working, by: Working): Promise<void> {
  const { message, last } = moves(from.slate)
  const seen = by.hear(last)
  from.say(message)
  await seen
}
