import type { AddressInfo } from 'node:net'
import PostalMime from 'postal-mime'
import { SMTPServer } from 'smtp-server'

export interface Delivered {
  readonly to: string
  readonly subject: string
  readonly text: string
  readonly at: Date
}

const MOST_LETTERS = 200

/** A mail server that delivers nothing: what is sent can be read here, the newest first. */
export async function startMailbox(
  port = 0,
): Promise<{ url: string; letters: readonly Delivered[]; close: () => Promise<void> }> {
  const letters: Delivered[] = []
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    size: 1_000_000,
    logger: false,
    onData(stream, session, done) {
      const chunks: Buffer[] = []
      stream.on('data', (chunk: Buffer) => void chunks.push(chunk))
      stream.on('error', done)
      stream.on('end', () => {
        PostalMime.parse(Buffer.concat(chunks)).then(letter => {
          letters.unshift({
            to: session.envelope.rcptTo.map(to => to.address).join(', '),
            subject: letter.subject ?? '',
            text: letter.text ?? '',
            at: new Date(),
          })
          letters.length = Math.min(letters.length, MOST_LETTERS)
          done()
        }, done)
      })
    },
  })
  server.on('error', () => {})
  await new Promise<void>(resolve => server.listen(port, '127.0.0.1', resolve))
  return {
    url: `smtp://127.0.0.1:${(server.server.address() as AddressInfo).port}`,
    letters,
    close: () => new Promise(resolve => server.close(() => resolve())),
  }
}
