import pg from 'pg'
import { startApplication } from '../application'
import { makeLesson } from '../e2e/lesson'
import { ownPostgres } from './postgres'
import { comeToWork } from './student'

export interface Plan {
  readonly students: number
  readonly kills: number
  readonly crashes: number
}
export interface Outcome {
  readonly made: number
  readonly stored: number
  /**
   * Moves that the server had acknowledged and doesn't have, that it has twice, that stand in another order than they
   * were made, and gaps in the numbers.
   */
  readonly lost: number
  readonly doubled: number
  readonly disordered: number
  readonly gaps: number
  /** Milliseconds from the server's return until every student's waiting moves were stored, the longest. */
  readonly slowestReturn: number
}

const wait = (milliseconds: number) => new Promise(resolve => setTimeout(resolve, milliseconds))
const letter = (n: number) => String.fromCharCode(65 + (n % 26))

/**
 * Students work all the time while the application is killed and the database crashes, again and again; then what is
 * stored is held against what was made.
 */
export async function faults(
  { students, kills, crashes }: Plan,
  say: (line: string) => void = () => {},
): Promise<Outcome> {
  const database = await ownPostgres()
  let application = await startApplication(database.url)
  const { address } = application
  const port = Number(new URL(address).port)
  const lesson = await makeLesson(
    address,
    Array.from({ length: students }, (_, i) => `Student ${letter(i)}${letter(Math.floor(i / 26))}`),
  )
  const working = await Promise.all(lesson.students.map((student, i) => comeToWork(address, lesson, student, i)))
  const clock = setInterval(() => working.forEach(student => Math.random() < 0.4 && student.work()), 50)
  let slowestReturn = 0

  async function allArrived(): Promise<void> {
    const since = performance.now()
    const waiting = working.map(student => student.made.length)
    // Everybody goes on working meanwhile: what was made until now has to arrive.
    while (working.some((student, i) => student.made.length - student.unsent() < waiting[i]!)) {
      if (performance.now() - since > 30_000)
        throw new Error(`they did not come back; the application said: ${application.output().slice(-2000)}`)
      await wait(20)
    }
    slowestReturn = Math.max(slowestReturn, performance.now() - since)
  }

  const deeds = [
    ...Array.from({ length: kills }, () => 'kill' as const),
    ...Array.from({ length: crashes }, () => 'crash' as const),
  ]
  // A crash after every so many kills.
  const order = deeds
    .map((deed, i) => ({ deed, at: deed === 'kill' ? i / kills : (i - kills + 0.5) / crashes }))
    .toSorted((a, b) => a.at - b.at)
  for (const [i, { deed }] of order.entries()) {
    await wait(150 + Math.random() * 250)
    if (deed === 'kill') {
      await application.stop('SIGKILL')
      application = await startApplication(database.url, port)
    } else {
      await database.crash()
      await wait(Math.random() * 400)
      await database.start()
    }
    await allArrived()
    if (i % 10 === 9) say(`${i + 1} of ${order.length}: all back, the slowest after ${Math.round(slowestReturn)} ms`)
  }
  clearInterval(clock)
  await allArrived()
  working.forEach(student => student.stop())

  const client = new pg.Client({ connectionString: database.url })
  await client.connect()
  const found = { lost: 0, doubled: 0, disordered: 0, gaps: 0, made: 0, stored: 0 }
  for (const { slate, made } of working) {
    const { rows } = await client.query<{ number: number; id: string }>(
      'select number, id from moves where slate_id = $1 order by number',
      [slate],
    )
    const ids = rows.map(row => row.id)
    found.made += made.length
    found.stored += rows.length
    found.lost += made.filter(id => !ids.includes(id)).length
    found.doubled += ids.length - new Set(ids).size
    found.gaps += rows.filter((row, i) => row.number !== i + 1).length
    found.disordered += ids.filter((id, i) => id !== made[i]).length
  }
  await client.end()
  await application.stop()
  await database.remove()
  return { ...found, slowestReturn }
}
