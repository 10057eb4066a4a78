/**
 * A student who works while others attack, in a process of their own: what the attacker's process is busy with must not
 * count as the server's. Takes where to work as JSON; works until its input ends, then says how many milliseconds the
 * slowest move took.
 */
import type { PasswordPicture } from '../../core/roster/picturePassword'
import { Client } from '../../demo/client'

export interface Workplace {
  readonly address: string
  readonly code: string
  readonly slate: string
  readonly student: string
  readonly pictures: readonly PasswordPicture[]
}

const { address, code, slate, student, pictures } = JSON.parse(process.argv[2]!) as Workplace
const client = new Client(address)
await client.enter(code, student, pictures)
const socket = await client.socket()
socket.say({ say: 'open', slate, since: 0 })
await socket.hear(m => m.say === 'slate')
let [over, slowest] = [false, 0]
process.stdin.on('end', () => (over = true)).resume()
process.stdout.write('at work\n')
for (let i = 0; !over; i++) {
  const id = `bystander-${i}`
  const start = performance.now()
  socket.say({ say: 'moves', slate, moves: [{ id, move: { kind: 'put', piece: 'c0', x: i % 900, y: 100 } }] })
  await socket.hear(m => m.say === 'moves' && m.moves.some(move => move.id === id))
  slowest = Math.max(slowest, performance.now() - start)
  await new Promise(resolve => setTimeout(resolve, 50))
}
socket.close()
process.stdout.write(`${Math.round(slowest)}\n`)
