import { readFileSync } from 'node:fs'
import type { Application } from '../application'
import { Client } from '../../demo/client'
import { makeLesson } from '../e2e/lesson'
import type { Line } from './measure'

const SOCKETS = 1000
const AT_ONCE = 18

/** The memory of the application's process before and after 1,000 sockets have come, opened a slate, and gone. */
export async function memory(application: Application): Promise<Line[]> {
  const lesson = await makeLesson(
    application.address,
    Array.from({ length: 26 }, (_, i) => `Student ${String.fromCharCode(65 + i)}`),
  )
  const clients = await Promise.all(
    lesson.students.map(async student => {
      const client = new Client(application.address)
      await client.enter(lesson.code, student.id, student.pictures)
      return { client, slate: lesson.slates.find(s => s.name === student.name)!.id }
    }),
  )
  const comeAndGo = async (count: number) => {
    for (let i = 0; i < count; i += AT_ONCE) {
      await Promise.all(
        Array.from({ length: AT_ONCE }, async (_, n) => {
          const { client, slate } = clients[(i + n) % clients.length]!
          const socket = await client.socket()
          socket.say({ say: 'open', slate, since: 0 })
          await socket.hear(m => m.say === 'slate')
          socket.close()
        }),
      )
    }
  }
  const megabytes = async () => {
    await new Promise(resolve => setTimeout(resolve, 3000))
    return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${application.pid}/status`, 'utf8'))![1]) / 1024
  }
  // Once before it counts: what is read once, stays.
  await comeAndGo(SOCKETS)
  const before = await megabytes()
  await comeAndGo(SOCKETS)
  const after = await megabytes()
  return [
    {
      what: `memory after ${SOCKETS} more sockets have come and gone`,
      measured: `${Math.round(after)} MB`,
      floor: `before ${Math.round(before)} MB`,
      ratio: after / before,
    },
  ]
}
