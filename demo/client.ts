import { once } from 'node:events'
import WebSocket from 'ws'
import type { PasswordPicture } from '../core/roster/picturePassword'
import type { ServerMessage } from '../core/sync/messages'

export interface Reply {
  readonly status: number
  readonly body: unknown
  readonly code: string | undefined
}

/** A browser without a screen: keeps its cookie, asks, and talks over the socket. */
export class Client {
  private cookie = ''
  constructor(readonly address: string) {}

  /** As a browser would send them. */
  get cookies(): string {
    return this.cookie
  }

  async ask(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Reply> {
    const asItIs = body instanceof FormData || body instanceof Blob
    const response = await fetch(`${this.address}${path}`, {
      method,
      redirect: 'manual',
      headers: {
        ...(this.cookie && { cookie: this.cookie }),
        ...(body !== undefined && !asItIs && { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(body !== undefined && { body: asItIs ? body : typeof body === 'string' ? body : JSON.stringify(body) }),
    })
    const given = response.headers
      .getSetCookie()
      .map(c => c.split(';')[0]!)
      .find(c => c.startsWith('dappled-slate='))
    if (given) this.cookie = given
    const text = await response.text()
    const parsed: unknown = /json/.test(response.headers.get('content-type') ?? '') && text ? JSON.parse(text) : text
    return { status: response.status, body: parsed, code: (parsed as { data?: { code?: string } } | null)?.data?.code }
  }

  /** The body of an answer that must be good. */
  async must<T>(method: string, path: string, body?: unknown): Promise<T> {
    const reply = await this.ask(method, path, body)
    if (reply.status >= 300) throw new Error(`${method} ${path}: ${reply.status} ${JSON.stringify(reply.body)}`)
    return reply.body as T
  }

  signUp(email: string, password = 'ten letters or more') {
    return this.must<{ id: string }>('POST', '/api/teachers', { name: 'T. Est', email, password })
  }

  enter(code: string, student: string, pictures: readonly PasswordPicture[]) {
    return this.must<{ id: string }>('POST', '/api/join/student', { code, student, pictures })
  }

  bareSocket(): WebSocket {
    return new WebSocket(`${this.address.replace('http', 'ws')}/socket`, { headers: { cookie: this.cookie } })
  }

  async socket(): Promise<Socket> {
    const socket = this.bareSocket()
    const talk = new Socket(socket)
    await once(socket, 'open')
    return talk
  }
}

export class Socket {
  readonly heard: ServerMessage[] = []
  private wake = () => {}
  constructor(private readonly socket: WebSocket) {
    socket.on('message', data => {
      this.heard.push(JSON.parse(String(data)) as ServerMessage)
      this.wake()
    })
    socket.on('close', () => this.wake())
  }

  say(message: unknown): void {
    this.socket.send(typeof message === 'string' ? message : JSON.stringify(message))
  }

  /** The first message heard, from now or before, for which this holds; it is taken off the list. */
  async hear(holds: (message: ServerMessage) => boolean): Promise<ServerMessage> {
    for (;;) {
      const index = this.heard.findIndex(holds)
      if (index >= 0) return this.heard.splice(index, 1)[0]!
      if (this.socket.readyState >= WebSocket.CLOSING) throw new Error('the socket was closed')
      await new Promise<void>(resolve => {
        this.wake = resolve
      })
    }
  }

  get open(): boolean {
    return this.socket.readyState === WebSocket.OPEN
  }

  close(): void {
    this.socket.close()
  }
}
