import { createTransport } from 'nodemailer'
import { log } from './log'

export interface Letter {
  readonly to: string
  readonly subject: string
  readonly text: string
}

/** How mail leaves: by the SMTP server that MAIL_URL names. */
export interface Mail {
  /**
   * Where people find the application, for links in letters; never taken from a request, which could name any place.
   */
  readonly publicUrl: string
  /** Never throws: a letter that can't be sent is logged without what is in it. */
  readonly send: (letter: Letter) => Promise<void>
}

const WAIT_MS = 10_000

/** Null where no mail is set up. Throws where it is set up by half. */
export function startMail(
  { MAIL_URL, PUBLIC_URL, MAIL_FROM = 'no-reply@dappled-slate.invalid' } = process.env as Partial<
    Record<'MAIL_URL' | 'PUBLIC_URL' | 'MAIL_FROM', string>
  >,
): Mail | null {
  if (!MAIL_URL) return null
  if (!PUBLIC_URL || !URL.canParse(PUBLIC_URL))
    throw new Error('MAIL_URL is set, so PUBLIC_URL must say where people find the application.')
  const transport = createTransport(MAIL_URL, { from: MAIL_FROM })
  return {
    publicUrl: PUBLIC_URL.replace(/\/+$/, ''),
    async send(letter) {
      const late = new Promise<never>((_, reject) =>
        setTimeout(() => reject(new Error('the mail server does not answer')), WAIT_MS).unref(),
      )
      await Promise.race([transport.sendMail(letter), late]).catch((error: unknown) =>
        log.error({ error: error instanceof Error ? error.message : String(error) }, 'a letter could not be sent'),
      )
    },
  }
}
