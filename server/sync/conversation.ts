import * as v from 'valibot'
import { utf8Length } from '../../core/text/stored'
import {
  ClientMessageSchema,
  EnvelopeSchema,
  LARGEST_MESSAGE,
  type ClientMessage,
  type SentEnvelope,
  type ServerMessage,
} from '../../core/sync/messages'
import { REFUSALS, type RefusalCode } from '../../core/sync/refusals'
import { loadStates } from '../database/loadState'
import { log } from '../log'
import type { Actor } from '../rights/actor'
import { whoOnSlate, type Hold } from '../rights/hold'
import { may, moveOn } from '../../core/rights/rights'
import { roleOnHandout } from '../rights/roles'
import type { Services } from '../services'
import { Allowance } from './allowance'
import type { Listener } from './hub'
import { headsOf, opennessOf } from './loadKnown'

const MOVES_TO_CATCH_UP = 200
/** Slates and handouts that one socket follows: a teacher's largest class, many times over. */
const MOST_FOLLOWED = 500
/** Messages of one socket that wait for their turn. */
const MOST_WAITING = 150

export interface Wire {
  readonly id: string
  readonly send: (text: string) => void
  /** The conversation is over; the socket is to be closed. */
  readonly end: (why: 'signed-out' | 'flood') => void
}

type Asked = Pick<Services, 'db' | 'engine'>

/**
 * One socket's talk with the server. Whatever comes in, it answers in words and goes on, unless it is flooded or signed
 * out.
 */
export class Conversation {
  private readonly listener: Listener
  /** Whose hand it is on which slate, as it was last asked; the commit of moves holds it against the slate as it is. */
  private readonly holds = new Map<string, Hold>()
  private readonly slates = new Map<string, { readonly handout: string; readonly classId: string }>()
  private readonly handouts = new Set<string>()
  /** Handouts of which only the lesson is followed. */
  private readonly attended = new Set<string>()
  /** The slates on which the others see this one. */
  private readonly seenOn = new Set<string>()
  private readonly allowance: Allowance
  private turn: Promise<void> = Promise.resolve()
  private waiting = 0
  private over = false

  constructor(
    private readonly services: Asked,
    private readonly actor: Actor,
    private readonly wire: Wire,
    now: () => number,
  ) {
    this.allowance = new Allowance(now)
    this.listener = {
      id: wire.id,
      session: actor.session,
      open: () => (actor.kind === 'student' ? [...this.holds.keys()].map(slate => ({ slate, student: actor.id })) : []),
      tell: (_, text) => wire.send(text),
      askAgain: about => void this.inTurn(() => this.askAgain(about)),
      ended: () => this.endSession(),
    }
    services.engine.hub.join(this.listener)
  }

  /** Messages are answered one after the other, so that moves keep the order in which they were sent. */
  hear(raw: string): Promise<void> {
    if (this.over) return this.turn
    // Counted when it comes, not when its turn comes: a flood must not wait in memory.
    const spent = this.allowance.spend(raw.length)
    if (spent === 'flood') {
      this.finish('flood')
      return this.turn
    }
    if (spent === 'too-fast' || this.waiting >= MOST_WAITING) {
      this.refuse('too-fast')
      return this.turn
    }
    this.waiting++
    return this.inTurn(async () => {
      this.waiting--
      await this.take(raw)
    })
  }

  private inTurn(work: () => Promise<void>): Promise<void> {
    this.turn = this.turn.then(() => (this.over ? undefined : work()))
    return this.turn
  }

  private async take(raw: string): Promise<void> {
    if (raw.length > LARGEST_MESSAGE || utf8Length(raw) > LARGEST_MESSAGE) return this.refuse('too-big')
    const message = parse(raw)
    if (!message) return this.refuse('malformed')
    try {
      await this.answer(message)
    } catch (error) {
      // The database is away, most likely. The client keeps its moves and tries again.
      log.error(
        {
          error: error instanceof Error ? { message: error.message.split('\n')[0], stack: error.stack } : String(error),
        },
        'a message could not be answered',
      )
      this.refuse('trouble', 'slate' in message ? { slate: message.slate } : { handout: message.handout })
    }
  }

  end(): void {
    this.over = true
    for (const slate of this.seenOn) this.services.engine.presence.leave(this.wire.id, slate)
    this.seenOn.clear()
    const open = this.listener.open()
    this.services.engine.hub.leave(this.listener)
    for (const one of open) this.services.engine.open.note(one)
  }

  private finish(why: 'signed-out' | 'flood'): void {
    if (this.over) return
    this.end()
    this.wire.end(why)
  }

  /** The session was ended or has run out: the device is told, and must sign in again. */
  endSession(): void {
    this.refuse('signed-out')
    this.finish('signed-out')
  }

  private async answer(message: ClientMessage): Promise<void> {
    switch (message.say) {
      case 'open':
        return this.open(message)
      case 'close':
        return this.close(message.slate)
      case 'moves':
        return this.moves(message.slate, message.moves)
      case 'here':
        return this.here(message)
      case 'walk':
        return this.walk(message.handout)
      case 'attend':
        return this.attend(message.handout)
      case 'point':
        return this.point(message)
    }
  }

  private async open({ slate, since, as, edition }: Extract<ClientMessage, { say: 'open' }>): Promise<void> {
    // The device believes that somebody else is signed in: what it holds is theirs, and is kept until they come back.
    if (as !== undefined && as !== this.actor.id) return this.refuse('signed-out', { slate })
    if (!(await this.follow(slate))) return this.refuse('not-yours', { slate })
    const { db } = this.services
    const head = await headsOf(db).where('slates.id', '=', slate).executeTakeFirstOrThrow()
    const missed = head.last_number - since
    const sameEdition = edition === undefined || edition === head.edition_hash
    if (sameEdition && since > 0 && missed >= 0 && missed <= MOVES_TO_CATCH_UP) {
      const rows = await db
        .selectFrom('moves')
        .select(['id', 'number', 'move', 'undoes', 'by', 'at'])
        .where('slate_id', '=', slate)
        .where('number', '>', since)
        .orderBy('number')
        .execute()
      if (rows.length)
        this.tell({
          say: 'moves',
          slate,
          moves: rows.map(({ undoes, at, ...r }) => ({ ...r, undoes: undoes ?? undefined, at: at.toISOString() })),
        })
      return this.tell({ say: 'status', slate, openness: opennessOf(head) })
    }
    const loaded = (
      await loadStates(db, this.services.engine.editions, [
        { id: slate, edition: head.edition_hash, last: head.last_number },
      ])
    ).get(slate)
    if (!loaded) return this.refuse('unreadable', { slate })
    this.tell({ say: 'slate', slate, ...loaded, edition: head.edition_hash, openness: opennessOf(head) })
  }

  /**
   * Follows a slate that this person may look at, and remembers whose hand theirs is. Followed before it is read: what
   * happens in between comes twice rather than never.
   */
  private async follow(slate: string): Promise<boolean> {
    const { role, handout, classId, kind, hold } = await whoOnSlate(this.services.db, this.actor, slate)
    if (!handout || !classId || !kind || !may(role, 'slate.look')) {
      this.close(slate)
      return false
    }
    if (!this.slates.has(slate) && this.slates.size >= MOST_FOLLOWED) this.close(this.slates.keys().next().value!)
    this.slates.set(slate, { handout, classId })
    this.setHold(slate, hold && may(role, moveOn(kind)) ? hold : null)
    this.services.engine.hub.followSlate(this.listener, slate)
    return true
  }

  private setHold(slate: string, hold: Hold | null): void {
    const before = this.holds.has(slate)
    if (hold) this.holds.set(slate, hold)
    else this.holds.delete(slate)
    const { id: student, kind } = this.actor
    if (before !== (hold !== null) && kind === 'student') this.services.engine.open.note({ slate, student })
  }

  private close(slate: string): void {
    this.slates.delete(slate)
    this.setHold(slate, null)
    this.services.engine.hub.unfollowSlate(this.listener, slate)
    if (this.seenOn.delete(slate)) this.services.engine.presence.leave(this.wire.id, slate)
  }

  /** Whoever has a hand on the slate is seen there by the others; whoever only looks is not. */
  private async here({ slate, here }: Extract<ClientMessage, { say: 'here' }>): Promise<void> {
    if (!this.slates.has(slate) && !(await this.follow(slate))) return this.refuse('not-yours', { slate })
    const hold = this.holds.get(slate)
    if (!hold) return
    const { presence } = this.services.engine
    presence.be(this.wire.id, slate, hold.actor.author, here)
    if (this.seenOn.has(slate)) return
    this.seenOn.add(slate)
    this.tell({ say: 'hands', slate, hands: presence.of(slate), whole: true })
  }

  private async moves(slate: string, candidates: readonly unknown[]): Promise<void> {
    const envelopes: SentEnvelope[] = []
    for (const candidate of candidates) {
      const parsed = v.safeParse(EnvelopeSchema, candidate)
      if (parsed.success) envelopes.push(parsed.output)
      else this.refuse('malformed', { slate, id: idOf(candidate) }, `This is no move: ${parsed.issues[0].message}`)
    }
    if (envelopes.length === 0) return
    this.allowance.spendOn(envelopes)
    const reply = await this.services.engine.submit({
      slate,
      who: this.actor,
      hold: this.holds.get(slate) ?? null,
      envelopes,
    })
    this.setHold(slate, reply.hold)
    const followed = this.slates.has(slate)
    reply.outcomes.forEach((outcome, i) => {
      if (!outcome.ok) this.refuse(outcome.code, { slate, id: envelopes[i]!.id })
      // A fresh move has come to its maker with everybody else who follows; one sent twice, or by who doesn't, is
      // answered here.
      else if (!outcome.fresh || !followed) this.tell({ say: 'moves', slate, moves: [outcome.move] })
    })
  }

  private async walk(handout: string): Promise<void> {
    if (!(await this.mayWalk(handout))) return this.refuse('not-yours', { handout })
    if (this.handouts.size >= MOST_FOLLOWED) return this.refuse('too-fast', { handout })
    this.handouts.add(handout)
    this.services.engine.hub.followHandout(this.listener, handout)
    this.tell({ say: 'walking', handout })
  }

  private async attend(handout: string): Promise<void> {
    if (!(await this.mayWalk(handout))) return this.refuse('not-yours', { handout })
    if (this.attended.size >= MOST_FOLLOWED) return this.refuse('too-fast', { handout })
    this.attended.add(handout)
    this.services.engine.hub.attend(this.listener, handout)
    // What has changed before it was followed is read now.
    this.tell({ say: 'lesson', handout })
  }

  /** Whoever attends may walk round, and so point; nobody else. */
  private point({ handout, at }: Extract<ClientMessage, { say: 'point' }>): void {
    if (this.attended.has(handout)) this.services.engine.point(handout, at, this.listener)
    else this.refuse('not-yours', { handout })
  }

  private mayWalk = async (handout: string) =>
    may(await roleOnHandout(this.services.db, this.actor, handout), 'handout.walk')

  /**
   * Who may do what has changed: whatever is no longer this person's is followed no more. Nothing named: everything is
   * asked about.
   */
  private async askAgain({ slate, classId }: { slate?: string; classId?: string }): Promise<void> {
    try {
      const about = [...this.slates].filter(
        ([id, of]) => (slate === undefined || id === slate) && (classId === undefined || of.classId === classId),
      )
      for (const [id] of about) if (!(await this.follow(id))) this.refuse('not-yours', { slate: id })
      if (slate !== undefined) return
      for (const handout of this.handouts) {
        if (await this.mayWalk(handout)) continue
        this.handouts.delete(handout)
        this.services.engine.hub.unfollowHandout(this.listener, handout)
        this.refuse('not-yours', { handout })
      }
      for (const handout of this.attended) {
        if (await this.mayWalk(handout)) continue
        this.attended.delete(handout)
        this.services.engine.hub.unattend(this.listener, handout)
        this.refuse('not-yours', { handout })
      }
    } catch {
      // Not to be known just now: nothing more is followed that may not be theirs. The client comes back and asks.
      for (const id of [...this.slates.keys()]) this.close(id)
      this.refuse('trouble')
    }
  }

  private tell(message: ServerMessage): void {
    this.wire.send(JSON.stringify(message))
  }

  private refuse(
    code: RefusalCode,
    of: { slate?: string; handout?: string; id?: string | undefined } = {},
    detail: string = REFUSALS[code].detail,
  ): void {
    this.tell({ say: 'refused', code, detail, ...of })
  }
}

function parse(raw: string): ClientMessage | null {
  try {
    const parsed = v.safeParse(ClientMessageSchema, JSON.parse(raw))
    return parsed.success ? parsed.output : null
  } catch {
    return null
  }
}

function idOf(candidate: unknown): string | undefined {
  const id = (candidate as { id?: unknown } | null)?.id
  return typeof id === 'string' && id.length <= 40 ? id : undefined
}
