import type { Application } from '../application'
import { ms, quantile, type Line } from './measure'
import { echo, insert } from './roundTrip'
import { allAtWork, lessonsOf } from './students'

const CLASS = 36
const PRESSES = 20
/** What was promised of a whole class on one machine. */
const PROMISED_MS = 200

/** From the teacher's press until the last of a class has heard that pencils are down, and up again. */
export async function pencilsDown({ address }: Application, url: string): Promise<Line[]> {
  const lessons = await lessonsOf(address, CLASS)
  const [lesson] = lessons
  const working = await allAtWork(lessons, [address])
  const taken: number[] = []
  // Once each way before it counts.
  for (let i = -2; i < PRESSES; i++) {
    const down = i % 2 === 0
    const heard = Promise.all(working.map(one => one.hear(`paused":${down},"closed`)))
    const start = performance.now()
    await Promise.all([lesson!.teacher.must('PUT', `/api/handouts/${lesson!.handout}/pencils`, { down }), heard])
    if (i >= 0) taken.push(performance.now() - start)
  }
  for (const { close } of working) close()
  const [socket, row] = [quantile(await echo(CLASS), 0.5), quantile(await insert(url, CLASS), 0.5)]
  const [median, slow] = [quantile(taken, 0.5), quantile(taken, 0.95)]
  return [
    {
      what: `pencils down or up until the last of ${CLASS} has heard it, median`,
      measured: ms(median),
      floor: `socket echo ${ms(socket)} + insert ${ms(row)}`,
      ratio: median / (socket + row),
    },
    {
      what: `the same, 95th percentile`,
      measured: ms(slow),
      floor: `promised ${PROMISED_MS} ms`,
      ratio: slow / PROMISED_MS,
    },
  ]
}
