import type { Connection, ConnectionEvents } from '~~/core/sync/liveSession'
import type { ClientMessage, ServerMessage } from '~~/core/sync/messages'

const FIRST_WAIT = 300
const LONGEST_WAIT = 5000
/** A connection that hasn't come about by then is given up; browsers wait for minutes. */
const LONGEST_CONNECT = 8000

export type ConnectionState = 'connecting' | 'open' | 'waiting'

/** The code with which a connection is closed for a message that is too big (RFC 6455, 7.4.1). */
const TOO_BIG = 1009

/**
 * A socket that comes back by itself, each time a little later, at once when the device says that it is online again.
 */
export function openSocket(on: ConnectionEvents, state: (now: ConnectionState) => void): Connection {
  let wait = FIRST_WAIT
  let timer: ReturnType<typeof setTimeout> | undefined
  let current: WebSocket | undefined
  let closed = false

  function connect() {
    clearTimeout(timer)
    if (closed) return
    state('connecting')
    const socket = new WebSocket(`${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/socket`)
    current = socket
    timer = setTimeout(renew, LONGEST_CONNECT)
    socket.onopen = () => {
      clearTimeout(timer)
      wait = FIRST_WAIT
      state('open')
      on.opened()
    }
    socket.onmessage = event => on.message(JSON.parse(event.data as string) as ServerMessage)
    socket.onclose = ({ code }) => {
      if (current !== socket || closed) return
      clearTimeout(timer)
      if (code === TOO_BIG) on.tooBig()
      state('waiting')
      on.lost()
      // A class whose server restarts must not come back all in the same moment.
      timer = setTimeout(connect, wait * (0.5 + Math.random()))
      wait = Math.min(wait * 2, LONGEST_WAIT)
    }
  }

  function renew() {
    const old = current
    current = undefined
    on.lost()
    old?.close()
    wait = FIRST_WAIT
    connect()
  }

  function offline() {
    state('waiting')
    on.lost()
    current?.close()
  }

  window.addEventListener('online', renew)
  window.addEventListener('offline', offline)
  connect()

  return {
    send(message: ClientMessage) {
      if (current?.readyState !== WebSocket.OPEN) return false
      current.send(JSON.stringify(message))
      return true
    },
    renew,
    close() {
      closed = true
      clearTimeout(timer)
      window.removeEventListener('online', renew)
      window.removeEventListener('offline', offline)
      current?.close()
    },
  }
}
