import { Client } from '../../demo/client'
import type { Lesson } from './lesson'

export const ACTORS = ['nobody', 'student', 'otherStudent', 'strangerStudent', 'otherTeacher', 'owner'] as const
export type ActorName = (typeof ACTORS)[number]
export type Cast = Record<ActorName, Client>

export async function cast(address: string, lesson: Lesson, stranger: Lesson): Promise<Cast> {
  const enter = async (l: Lesson, i: number) => {
    const client = new Client(address)
    await client.enter(l.code, l.students[i]!.id, l.students[i]!.pictures)
    return client
  }
  return {
    nobody: new Client(address),
    student: await enter(lesson, 0),
    otherStudent: await enter(lesson, 1),
    strangerStudent: await enter(stranger, 0),
    otherTeacher: stranger.teacher,
    owner: lesson.teacher,
  }
}

export const slateOf = (l: Lesson) => l.slates.find(s => s.name === 'Ada Fern')!.id
