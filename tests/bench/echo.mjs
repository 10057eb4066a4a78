// The floor of a round trip: a socket server in a process of its own that sends back what it gets.
import { WebSocketServer } from 'ws'

const server = new WebSocketServer({ port: 0, host: '127.0.0.1' })
server.on('connection', socket => socket.on('message', data => socket.send(data.toString())))
server.on('listening', () => process.send(server.address().port))
