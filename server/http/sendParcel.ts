import { Readable } from 'node:stream'
import { getRouterParam, sendStream, type H3Event } from 'h3'
import type { Kysely } from 'kysely'
import * as v from 'valibot'
import type { Database } from '../database/tables'
import { parcelFile, type ParcelsOf } from '../usecases/parcels'
import { sendAsFile } from './download'
import { refusal } from './refuse'

/** The parcel that the path names, if it is this teacher's, of this, and ready. */
export async function sendParcel(event: H3Event, db: Kysely<Database>, teacher: string, of: ParcelsOf) {
  const id = v.safeParse(v.pipe(v.string(), v.uuid()), getRouterParam(event, 'parcel'))
  const file = id.success ? await parcelFile(db, teacher, { ...of, id: id.output }) : null
  if (!file) throw refusal('not-found')
  const paper = of.kind === 'slates'
  sendAsFile(event, {
    title: file.title,
    ending: paper ? 'pdf' : 'zip',
    type: paper ? 'application/pdf' : 'application/zip',
    shown: paper,
  })
  return sendStream(event, Readable.from(file.pieces))
}
