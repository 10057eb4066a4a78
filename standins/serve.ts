import { createServer, type IncomingMessage } from 'node:http'
import { startMailbox } from './mail'
import { RecordsService, WELL, type Behaviour } from './records'
import { TERNHAVEN } from './ternhaven'

/**
 * Both stand-ins for the demo: `serve.ts PORT SMTP_PORT`, on loopback. Prints how the application finds the records.
 */
const [port, smtpPort] = process.argv.slice(2).map(Number)
const mailbox = await startMailbox(smtpPort)
const records = new RecordsService(TERNHAVEN)

const escaped = (text: string) => text.replace(/[&<>"]/g, sign => `&#${sign.codePointAt(0)};`)
const linked = (text: string) => escaped(text).replace(/https?:\/\/[^\s<]+/g, link => `<a href="${link}">${link}</a>`)
const page = (
  title: string,
  body: string,
) => `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${title}</title>
<style>body{font:17px/1.5 system-ui,sans-serif;max-width:46rem;margin:2rem auto;padding:0 1rem}pre{white-space:pre-wrap;font:inherit;background:#f2f3ef;padding:1rem;border-radius:.5rem}label{display:block;margin:.5rem 0}nav a{margin-right:1rem}button,input{font:inherit}</style>
<nav><a href="/">Outbox</a><a href="/records">The school's records</a></nav><h1>${title}</h1>${body}`

const outbox = () =>
  page(
    'Outbox',
    mailbox.letters.length
      ? mailbox.letters
          .map(
            ({ to, subject, text, at }) =>
              `<article><h2>${escaped(subject)}</h2><p>To ${escaped(to)}, ${at.toLocaleTimeString('en-GB')}</p><pre>${linked(text)}</pre></article>`,
          )
          .join('')
      : '<p>No letter has been sent. What Dappled Slate mails is shown here instead of being delivered.</p>',
  )

const SWITCHES: Readonly<Record<'half' | 'stops' | 'odd', string>> = {
  half: 'Answers break off in the middle',
  stops: 'It stops after the first page',
  odd: 'Odd rows are among the others',
}
const NUMBERS: Readonly<Record<'slow' | 'fail' | 'page', string>> = {
  slow: 'Milliseconds before each answer',
  fail: 'So many answers fail',
  page: 'Rows a page, at most',
}
function controls(): string {
  const now = records.behaviour
  return page(
    "The school's records",
    `<p>How shall they behave?</p><form method="post" action="/records">
${Object.entries(NUMBERS)
  .map(
    ([name, words]) =>
      `<label>${words} <input type="number" min="0" name="${name}" value="${now[name as keyof typeof NUMBERS]}"></label>`,
  )
  .join('')}
${Object.entries(SWITCHES)
  .map(
    ([name, words]) =>
      `<label><input type="checkbox" name="${name}" ${now[name as keyof typeof SWITCHES] ? 'checked' : ''}> ${words}</label>`,
  )
  .join('')}
<button>Behave like this</button></form>`,
  )
}
function behave(form: URLSearchParams): Behaviour {
  const number = (name: keyof typeof NUMBERS) => Math.max(0, Math.min(60_000, Number(form.get(name)) || WELL[name]))
  return {
    slow: number('slow'),
    fail: number('fail'),
    page: Math.max(1, number('page')),
    half: form.has('half'),
    stops: form.has('stops'),
    odd: form.has('odd'),
  }
}
async function bodyOf(request: IncomingMessage): Promise<string> {
  let text = ''
  for await (const chunk of request as AsyncIterable<Buffer>) {
    text += chunk.toString()
    if (text.length > 4000) break
  }
  return text
}

createServer((request, response) => {
  void (async () => {
    if (await records.answer(request, response)) return
    if (request.method === 'POST' && request.url === '/records') {
      records.behaviour = behave(new URLSearchParams(await bodyOf(request)))
      response.writeHead(303, { location: '/records' }).end()
      return
    }
    response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' })
    response.end(request.url === '/records' ? controls() : outbox())
  })().catch((error: unknown) => {
    console.error(error)
    response.destroy()
  })
}).listen(port, '127.0.0.1', () => console.log(JSON.stringify({ client: records.client, secret: records.secret })))
