import { createHash } from 'node:crypto'
import type { Kysely, Transaction } from 'kysely'
import { nanoid } from 'nanoid'
import type { Database, MailedPurpose } from '../database/tables'
import { hashPassword } from '../http/passwords'
import type { Mail } from '../mail'
import type { Services } from '../services'
import { endSessions } from './sessions'

/** 32 letters of 64. */
const LENGTH = 32
const HOURS = 1
const hashOf = (link: string) => createHash('sha256').update(link).digest('base64url')

/** The pages that mailed links lead to. */
const PAGE: Record<MailedPurpose, string> = { 'new-password': 'new-password', 'prove-address': 'my-address' }
const LETTERS: Record<MailedPurpose, { subject: string; text: (link: string) => string }> = {
  'new-password': {
    subject: 'A new password for Dappled Slate',
    text: link =>
      `Somebody, most likely you, asked for a new password for Dappled Slate.\n\nOpen this link within an hour and choose one. It opens once:\n${link}\n\nIf it wasn't you, do nothing: your password stays as it is.\n`,
  },
  'prove-address': {
    subject: 'Is this your address?',
    text: link =>
      `Open this link within an hour, so that Dappled Slate knows that this address is yours. It opens once:\n${link}\n\nIf you didn't ask for it, do nothing.\n`,
  },
}

/** A fresh link, which makes all earlier ones for this purpose open nothing. */
export async function newLink(
  db: Kysely<Database>,
  teacher: string,
  purpose: MailedPurpose,
  now = new Date(),
): Promise<string> {
  const link = nanoid(LENGTH)
  await db.transaction().execute(async trx => {
    // Held, so that of two who ask at once only the last link opens.
    await trx.selectFrom('teachers').select('id').where('id', '=', teacher).forUpdate().executeTakeFirstOrThrow()
    await trx.deleteFrom('mailed_links').where('teacher_id', '=', teacher).where('purpose', '=', purpose).execute()
    await trx
      .insertInto('mailed_links')
      .values({
        hash: hashOf(link),
        teacher_id: teacher,
        purpose,
        ends_at: new Date(now.getTime() + HOURS * 3_600_000),
      })
      .execute()
  })
  return link
}

/** Where a link leads: behind the #, which no server log and no referrer has. */
export const addressOfLink = (publicUrl: string, purpose: MailedPurpose, link: string) =>
  `${publicUrl}/${PAGE[purpose]}#${link}`

/**
 * Mails a link to whoever has this address; to an address that nobody has, nothing goes, and nobody can tell the
 * difference.
 */
export async function mailLink(db: Kysely<Database>, mail: Mail, email: string, purpose: MailedPurpose): Promise<void> {
  const teacher = await db.selectFrom('teachers').select('id').where('email', '=', email).executeTakeFirst()
  if (!teacher) return
  const link = await newLink(db, teacher.id, purpose)
  const { subject, text } = LETTERS[purpose]
  await mail.send({ to: email, subject, text: text(addressOfLink(mail.publicUrl, purpose, link)) })
}

/** Whose link it is; it opens nothing afterwards. Null for one that opens nothing. */
async function useUp(
  trx: Transaction<Database>,
  link: string,
  purpose: MailedPurpose,
  now: Date,
): Promise<string | null> {
  const row = await trx
    .deleteFrom('mailed_links')
    .where('hash', '=', hashOf(link))
    .where('purpose', '=', purpose)
    .where('ends_at', '>', now)
    .returning('teacher_id')
    .executeTakeFirst()
  return row?.teacher_id ?? null
}

/** Another password, by a mailed link; whoever was signed in with the old one is out. Whose it is, or null. */
export async function setPassword(
  services: Pick<Services, 'db' | 'wire'>,
  link: string,
  password: string,
  now = new Date(),
): Promise<{ id: string; name: string } | null> {
  const known = await services.db
    .selectFrom('mailed_links')
    .select('hash')
    .where('hash', '=', hashOf(link))
    .executeTakeFirst()
  if (!known) return null
  const password_hash = await hashPassword(password)
  const teacher = await services.db.transaction().execute(async trx => {
    const id = await useUp(trx, link, 'new-password', now)
    return id === null
      ? null
      : trx
          .updateTable('teachers')
          .set({ password_hash, email_proven_at: now })
          .where('id', '=', id)
          .returning(['id', 'name'])
          .executeTakeFirstOrThrow()
  })
  if (teacher) await endSessions(services, ends => ends.where('teacher_id', '=', teacher.id))
  return teacher
}

/** The address is the teacher's own, for they read what was mailed there. */
export async function proveAddress(db: Kysely<Database>, link: string, now = new Date()): Promise<boolean> {
  return db.transaction().execute(async trx => {
    const id = await useUp(trx, link, 'prove-address', now)
    if (id !== null) await trx.updateTable('teachers').set({ email_proven_at: now }).where('id', '=', id).execute()
    return id !== null
  })
}
