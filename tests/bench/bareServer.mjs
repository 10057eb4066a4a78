// The floor of storing moves: a socket server in a process of its own that puts what it gets into a bare table, many in
// one statement while others are on their way, and says the same back when it is there. With no DATABASE: it only says
// it back.
import pg from 'pg'
import { WebSocketServer } from 'ws'

const LANES = 3
const pool = process.env.DATABASE ? new pg.Pool({ connectionString: process.env.DATABASE, max: LANES }) : null
let waiting = []
let lanes = 0

function pump() {
  while (lanes < LANES && waiting.length) {
    const batch = waiting.splice(0, 500)
    lanes++
    const rows = batch.flatMap(({ message }) =>
      message.moves.map(({ id, move }) => ({ slate: message.slate, id, move })),
    )
    pool
      .query({
        name: 'bare',
        text: 'insert into bare_moves (slate, id, move) select slate, id, move from json_to_recordset($1::json) as m (slate uuid, id text, move jsonb)',
        values: [JSON.stringify(rows)],
      })
      .then(() => {
        for (const { socket, text } of batch) socket.send(text)
        lanes--
        pump()
      })
  }
}

const server = new WebSocketServer({ port: 0, host: '127.0.0.1', perMessageDeflate: false })
server.on('connection', socket =>
  socket.on('message', data => {
    const text = data.toString()
    if (!pool) return socket.send(text)
    waiting.push({ socket, text, message: JSON.parse(text) })
    setImmediate(pump)
  }),
)
server.on('listening', () => process.send(server.address().port))
