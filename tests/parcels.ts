import { createWriteStream } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { unzipSync } from 'fflate'
import { expect } from 'vitest'
import { ok } from '../core/result'
import { TASKS, type TaskName } from '../server/labour/tasks'
import type { Services } from '../server/services'
import { orderParcel, packParcel, parcelFile, type ParcelOf } from '../server/usecases/parcels'
import { parcelsThatCame, takeParcel, unpackParcel } from '../server/usecases/parcelsThatCome'
import type { TwoProcesses } from './lesson'
import { markHere } from './markHere'

export type Files = Record<string, Uint8Array>
export const textIn = (files: Files, name: string) => new TextDecoder().decode(files[name])
export const namesIn = (files: Files, name: RegExp) => Object.keys(files).filter(one => name.test(one))

/** Done here, as processes of their own would. */
const pool = {
  async do(name: TaskName, input: never, progress: (done: number) => void) {
    return ok(await (TASKS[name] as (input: never, progress?: (done: number) => void) => unknown)(input, progress))
  },
}

export const parcelServices = (two: TwoProcesses) =>
  ({
    ...two.services,
    marking: markHere(),
    labour: { papers: pool, files: pool },
    jobs: { at: () => Promise.resolve() },
  }) as unknown as Services

/** What lies in a parcel that a teacher has packed. */
export async function packed(two: TwoProcesses, folder: string, of: ParcelOf, teacher = two.school.teacher) {
  const ordered = await orderParcel(parcelServices(two), teacher, of)
  if (!ordered.ok) throw new Error(ordered.reason)
  const { id } = ordered.value
  await packParcel(parcelServices(two), id)
  const listed = of.kind === 'class' ? { kind: of.kind, classId: of.classId } : { kind: of.kind }
  const file = await parcelFile(two.connection.db, teacher, { ...listed, id })
  const path = join(folder, id)
  await pipeline(file!.pieces, createWriteStream(path))
  return unzipSync(await readFile(path)) as Files
}

/** What comes out of a parcel that a teacher brings; why it isn't taken. */
export async function broughtIn(two: TwoProcesses, teacher: string, path: string) {
  const taken = await takeParcel(parcelServices(two), teacher, path)
  if (!taken.ok) return taken
  await unpackParcel(parcelServices(two), taken.value.id)
  const [parcel] = await parcelsThatCame(two.connection.db, teacher)
  expect(parcel!.id).toBe(taken.value.id)
  expect([parcel!.status, parcel!.done]).toEqual(['ready', parcel!.of])
  return ok(parcel!.came)
}

export async function anotherTeacher(two: TwoProcesses): Promise<string> {
  const { id } = await two.connection.db
    .insertInto('teachers')
    .values({ email: `t${Math.random()}@ternhaven.example`, name: 'Ivo Brandt', password_hash: 'none' })
    .returning('id')
    .executeTakeFirstOrThrow()
  return id
}
