import * as v from 'valibot'
import { ClientMessageSchema, EnvelopeSchema, LARGEST_MESSAGE, type ClientMessage, type Envelope, type RefusalCode } from '../../core/sync/messages'
import type { Actor } from '../rights/actor'
import { may, roleOnHandout, roleOnSlate, type Role } from '../rights/rights'
import type { Services } from '../services'
import { loadStates } from './loadState'
import type { Listener } from './hub'

const MESSAGES_A_SECOND = 40
const BURST = 120
const MOVES_TO_CATCH_UP = 200

/** One socket's talk with the server. Whatever comes in, it answers in words and goes on. */
export class Conversation {
  /** Slates this person has shown to have a right to; asked of the database once in a conversation. */
  private readonly roles = new Map<string, { role: Role, handout: string }>()
  private allowance = BURST
  private last: number
  private turn: Promise<void> = Promise.resolve()

  constructor(
    private readonly services: Services, private readonly actor: Actor,
    private readonly listener: Listener, private readonly now: () => number,
  ) {
    this.last = now()
  }

  /** Messages are answered one after the other, so that moves keep the order in which they were sent. */
  hear(raw: string): Promise<void> {
    // Counted when it comes, not when its turn comes: a flood must not wait in memory.
    if (!this.spend()) {
      this.refuse('too-fast', 'Too many messages at once. Wait a moment and send it again.')
      return this.turn
    }
    this.turn = this.turn.then(() => this.take(raw))
    return this.turn
  }

  private async take(raw: string): Promise<void> {
    if (raw.length > LARGEST_MESSAGE) return this.refuse('too-big', `A message may have ${LARGEST_MESSAGE} bytes.`)
    const message = parse(raw)
    if (!message) return this.refuse('malformed', 'This message can\'t be read.')
    try {
      await this.answer(message)
    }
    catch {
      // The database is away, most likely. The client keeps its moves and tries again.
      this.refuse('trouble', 'The server is in trouble just now. Nothing is lost; it will be tried again.', 'slate' in message ? message.slate : undefined)
    }
  }

  end(): void {
    this.services.engine.hub.leave(this.listener)
  }

  private async answer(message: ClientMessage): Promise<void> {
    switch (message.say) {
      case 'open': return this.open(message.slate, message.since)
      case 'close': return this.services.engine.hub.unfollowSlate(this.listener, message.slate)
      case 'moves': return this.moves(message.slate, message.moves)
      case 'walk': return this.walk(message.handout)
    }
  }

  private async open(slate: string, since: number): Promise<void> {
    const known = await this.roleOn(slate)
    if (!known || !may(known.role, 'slate.read')) return this.refuse('not-yours', 'This slate is not yours to open.', slate)
    const { db, engine } = this.services
    // Followed before it is read: what happens in between comes twice rather than never.
    engine.hub.followSlate(this.listener, slate)
    const row = await db.selectFrom('slates').innerJoin('handouts', 'handouts.id', 'slates.handout_id')
      .select(['slates.status', 'slates.last_number', 'handouts.edition_hash']).where('slates.id', '=', slate).executeTakeFirstOrThrow()
    const missed = row.last_number - since
    if (since > 0 && missed >= 0 && missed <= MOVES_TO_CATCH_UP) {
      const rows = await db.selectFrom('moves').select(['id', 'number', 'move', 'undoes', 'at'])
        .where('slate_id', '=', slate).where('number', '>', since).orderBy('number').execute()
      if (rows.length) this.listener.tell({ say: 'moves', slate, moves: rows.map(({ undoes, at, ...r }) => ({ ...r, undoes: undoes ?? undefined, at: at.toISOString() })) })
      return this.listener.tell({ say: 'status', slate, status: row.status })
    }
    const edition = await engine.editions.get(db, row.edition_hash)
    const { number, state } = (await loadStates(db, [{ id: slate, edition }])).get(slate)!
    this.listener.tell({ say: 'slate', slate, number, state, status: row.status })
  }

  private async moves(slate: string, candidates: readonly unknown[]): Promise<void> {
    const known = await this.roleOn(slate)
    const allowed = known && may(known.role, 'slate.move')
    const envelopes: Envelope[] = []
    for (const candidate of candidates) {
      const parsed = v.safeParse(EnvelopeSchema, candidate)
      if (!allowed) this.refuse('not-yours', 'This slate is not yours to work on.', slate, idOf(candidate))
      else if (parsed.success) envelopes.push(parsed.output)
      else this.refuse('malformed', `This is no move: ${parsed.issues[0].message}`, slate, idOf(candidate))
    }
    if (!allowed || envelopes.length === 0) return
    const outcomes = await this.services.engine.submit(known.handout, envelopes.map(envelope => ({ slate, student: this.actor.id, envelope })))
    outcomes.forEach((outcome, i) => {
      if (!outcome.ok) return this.refuse(outcome.code, REFUSED[outcome.code] ?? outcome.code, slate, envelopes[i]!.id)
      // A fresh move has come to its maker with everybody else; one sent twice is answered here.
      if (!outcome.fresh) this.listener.tell({ say: 'moves', slate, moves: [outcome.move] })
    })
  }

  private async walk(handout: string): Promise<void> {
    const role = await roleOnHandout(this.services.db, this.actor, handout)
    if (!may(role, 'handout.walk')) return this.refuse('not-yours', 'This handout is not yours to walk round.')
    this.services.engine.hub.followHandout(this.listener, handout)
    this.listener.tell({ say: 'walking', handout })
  }

  private async roleOn(slate: string): Promise<{ role: Role, handout: string } | null> {
    const known = this.roles.get(slate)
    if (known) return known
    const { role, handout } = await roleOnSlate(this.services.db, this.actor, slate)
    if (!handout) return null
    this.roles.set(slate, { role, handout })
    return { role, handout }
  }

  private refuse(code: RefusalCode, detail: string, slate?: string, id?: string): void {
    this.listener.tell({ say: 'refused', code, detail, ...(slate && { slate }), ...(id && { id }) })
  }

  /** A bucket that fills at a steady rate: a burst passes, a flood does not. */
  private spend(): boolean {
    const now = this.now()
    this.allowance = Math.min(BURST, this.allowance + (now - this.last) / 1000 * MESSAGES_A_SECOND)
    this.last = now
    if (this.allowance < 1) return false
    this.allowance--
    return true
  }
}

const REFUSED: Partial<Record<RefusalCode, string>> = {
  'handed-in': 'This slate is handed in. Nothing moves until it comes back.',
  'unknown-piece': 'There is no such piece on this board.',
  'off-page': 'That is off the page. The piece stays where it was.',
  'unknown-slate': 'There is no such slate any more.',
}

function parse(raw: string): ClientMessage | null {
  try {
    const parsed = v.safeParse(ClientMessageSchema, JSON.parse(raw))
    return parsed.success ? parsed.output : null
  }
  catch {
    return null
  }
}

function idOf(candidate: unknown): string | undefined {
  const id = (candidate as { id?: unknown } | null)?.id
  return typeof id === 'string' && id.length <= 40 ? id : undefined
}
