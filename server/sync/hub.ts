import type { Kysely } from 'kysely'
import type { Pointed } from '../../core/sync/pointing'
import type { NumberedMove, ServerMessage } from '../../core/sync/messages'
import { NOW } from '../database/clock'
import type { Database } from '../database/tables'
import type { News } from '../news/news'
import { headsOf, opennessOf } from './loadKnown'
import type { OpenSlate } from './openSlates'

/** Whoever can be told something: a socket, or a test. */
export interface Listener {
  readonly id: string
  /** The session it speaks for. */
  readonly session: string
  /** What its student has open; nothing for a teacher. */
  readonly open: () => readonly OpenSlate[]
  /** The message, and the same as text: many are told the same bytes. */
  readonly tell: (message: ServerMessage, text: string) => void
  /** Who may do what has changed: what it follows is asked about anew. */
  readonly askAgain: (about: { slate?: string; classId?: string }) => void
  /** Its session has ended. */
  readonly ended: () => void
}

const MOST_MOVES = 500

/** Who in this process follows which slate or handout, and what they have been told. */
export class Hub {
  private readonly all = new Map<string, Listener>()
  private readonly bySlate = new Groups()
  private readonly byHandout = new Groups()
  private readonly byLesson = new Groups()
  /** Up to which number the followers of a slate have been told. Absent: nobody here followed it so far. */
  private readonly told = new Map<string, number>()
  /** Tellings of one slate go one after the other: what is read back must not overtake what is told from memory. */
  private readonly turns = new Map<string, Promise<void>>()

  constructor(private readonly db: Kysely<Database>) {}

  join(listener: Listener): void {
    this.all.set(listener.id, listener)
  }

  followSlate(listener: Listener, slate: string): void {
    this.bySlate.add(slate, listener)
  }

  unfollowSlate(listener: Listener, slate: string): void {
    this.bySlate.remove(slate, listener)
  }

  followHandout(listener: Listener, handout: string): void {
    this.byHandout.add(handout, listener)
  }

  unfollowHandout(listener: Listener, handout: string): void {
    this.byHandout.remove(handout, listener)
  }

  /** Hears what the teacher does with the class at work, and of no slate. */
  attend(listener: Listener, handout: string): void {
    this.byLesson.add(handout, listener)
  }

  unattend(listener: Listener, handout: string): void {
    this.byLesson.remove(handout, listener)
  }

  leave(listener: Listener): void {
    this.all.delete(listener.id)
    this.bySlate.drop(listener)
    this.byHandout.drop(listener)
    this.byLesson.drop(listener)
  }

  /** To those who follow this very slate. */
  tellFollowers(slate: string, message: ServerMessage): void {
    tell([...(this.bySlate.of(slate) ?? [])], message)
  }

  /** To the class screens of a handout, but for the one that points. */
  tellPoint(handout: string, at: Pointed | null, besides?: Listener): void {
    const screens = [...(this.byLesson.of(handout) ?? [])].filter(listener => listener !== besides)
    tell(screens, { say: 'point', handout, at })
  }

  /** The sessions that have a socket in this process. */
  sessions(): string[] {
    return [...new Set([...this.all.values()].map(listener => listener.session))]
  }

  /** What students have open through this process. */
  open(): OpenSlate[] {
    return [...this.all.values()].flatMap(listener => listener.open())
  }

  /** How many are here, and how many slates and handouts are followed: for whoever watches the process. */
  get size() {
    return {
      listeners: this.all.size,
      slates: this.bySlate.size,
      handouts: this.byHandout.size,
      told: this.told.size,
      turns: this.turns.size,
    }
  }

  /** Moves that this very process has committed: told without reading them back. */
  made(slate: string, handout: string, moves: readonly NumberedMove[]): void {
    const turn = this.turns.get(slate)
    if (turn) void this.inTurn(slate, () => this.tellMade(slate, handout, moves)).catch(() => {})
    else if (!this.tellAtOnce(slate, handout, moves))
      void this.inTurn(slate, () => this.tellMade(slate, handout, moves)).catch(() => {})
  }

  /** False where something has to be read back first. */
  private tellAtOnce(slate: string, handout: string, moves: readonly NumberedMove[]): boolean {
    const told = this.told.get(slate) ?? 0
    const [first, last] = [moves[0], moves.at(-1)]
    if (!first || !last || last.number <= told) return true
    if (told > 0 && first.number > told + 1) return false
    const audience = this.audience(slate, handout)
    if (audience.length === 0) this.told.delete(slate)
    else {
      this.told.set(slate, last.number)
      tell(audience, { say: 'moves', slate, moves: first.number > told ? moves : moves.filter(m => m.number > told) })
    }
    return true
  }

  private async tellMade(slate: string, handout: string, moves: readonly NumberedMove[]): Promise<void> {
    if (!this.tellAtOnce(slate, handout, moves)) await this.readBack(slate, handout, moves.at(-1)!.number)
  }

  async hear(news: News): Promise<void> {
    switch (news.scope) {
      case 'moves':
        await Promise.all(news.slates.map(([slate, number]) => this.heardOfMoves(slate, news.handout, number)))
        return
      case 'slate':
        return this.heardOfSlate(news)
      case 'handout':
        if (news.changed === 'words') return this.tellWords(news.handout)
        if (news.changed === 'lesson') return this.tellLesson(news.handout, await this.followedOf(news.handout))
        return this.tellOpenness(await this.followedOf(news.handout), news.changed)
      case 'class':
        for (const listener of this.all.values()) listener.askAgain({ classId: news.class })
        return
      case 'here':
      case 'point':
        return
      case 'session':
        for (const listener of this.all.values()) if (listener.session === news.session) listener.ended()
        return
    }
  }

  private heardOfMoves(slate: string, handout: string, number: number): Promise<void> | undefined {
    if (!this.isFollowed(slate, handout)) {
      this.told.delete(slate)
      return undefined
    }
    return this.catchUp(slate, handout, number)
  }

  private async heardOfSlate({ slate, handout, changed }: Extract<News, { scope: 'slate' }>): Promise<void> {
    const audience = this.audience(slate, handout)
    switch (changed) {
      case 'margin':
      case 'words':
      case 'talk':
      case 'pictures':
      case 'closing':
        return tell(audience, { say: changed, slate })
      case 'members':
        // Whoever was told the slate is theirs may have it no longer, or have it now.
        for (const listener of audience) listener.askAgain({ slate })
        return tell(this.audience(slate, handout), { say: 'members', slate })
      case 'status':
      case 'edition':
        return this.tellOpenness(audience.length ? [slate] : [], changed)
    }
  }

  /** Those slates of a handout that somebody here follows. */
  private async followedOf(handout: string): Promise<string[]> {
    const followed = [...this.bySlate.keys()]
    const whole = this.byHandout.has(handout)
    if (!whole && followed.length === 0) return []
    const query = this.db.selectFrom('slates').select('id').where('handout_id', '=', handout)
    const rows = await (whole ? query : query.where('id', 'in', followed)).execute()
    return rows.map(row => row.id)
  }

  private async tellWords(handout: string): Promise<void> {
    for (const slate of await this.followedOf(handout)) tell(this.audience(slate, handout), { say: 'words', slate })
  }

  /** Once to each, whichever of its slates they follow. */
  private tellLesson(handout: string, slates: readonly string[]): void {
    const near = slates.flatMap(slate => [...(this.bySlate.of(slate) ?? [])])
    const far = [...(this.byHandout.of(handout) ?? []), ...(this.byLesson.of(handout) ?? [])]
    tell([...new Set([...near, ...far])], { say: 'lesson', handout })
  }

  private async tellOpenness(slates: readonly string[], changed: 'status' | 'edition'): Promise<void> {
    if (slates.length === 0) return
    const heads = await headsOf(this.db).where('slates.id', 'in', slates).execute()
    for (const head of heads) {
      const audience = this.audience(head.id, head.handout_id)
      if (changed === 'edition') tell(audience, { say: 'edition', slate: head.id, edition: head.edition_hash })
      else tell(audience, { say: 'status', slate: head.id, openness: opennessOf(head) })
    }
  }

  /** After a gap in the news nobody knows what was missed: every follower is told the whole of it by number. */
  async recover(): Promise<void> {
    for (const listener of this.all.values()) listener.askAgain({})
    for (const handout of this.byLesson.keys()) this.tellLesson(handout, [])
    const slates = new Set(this.bySlate.keys())
    for (const handout of this.byHandout.keys()) for (const slate of await this.followedOf(handout)) slates.add(slate)
    if (slates.size === 0) return
    const heads = await headsOf(this.db)
      .where('slates.id', 'in', [...slates])
      .execute()
    for (const head of heads) {
      await this.catchUp(head.id, head.handout_id, head.last_number)
      const audience = this.audience(head.id, head.handout_id)
      tell(audience, { say: 'status', slate: head.id, openness: opennessOf(head) })
      tell(audience, { say: 'edition', slate: head.id, edition: head.edition_hash })
      tell(audience, { say: 'margin', slate: head.id })
      tell(audience, { say: 'words', slate: head.id })
      tell(audience, { say: 'talk', slate: head.id })
      tell(audience, { say: 'pictures', slate: head.id })
    }
    for (const handout of new Set(heads.map(head => head.handout_id)))
      this.tellLesson(
        handout,
        heads.flatMap(head => (head.handout_id === handout ? [head.id] : [])),
      )
  }

  /**
   * What was never heard of, because a process died before it had told of it or the news were lost on their way: looked
   * for now and then.
   */
  async lookRound(): Promise<void> {
    await this.endGone()
    await this.catchUpAll()
  }

  /** Whoever was signed out goes, though nobody said so. */
  private async endGone(): Promise<void> {
    const here = this.sessions()
    if (here.length === 0) return
    const rows = await this.db
      .selectFrom('sessions')
      .select('id')
      .where('id', 'in', here)
      .where('ends_at', '>', NOW)
      .execute()
    const lasting = new Set(rows.map(({ id }) => id))
    for (const listener of this.all.values()) if (!lasting.has(listener.session)) listener.ended()
  }

  private async catchUpAll(): Promise<void> {
    const slates = new Set(this.bySlate.keys())
    for (const handout of this.byHandout.keys()) for (const slate of await this.followedOf(handout)) slates.add(slate)
    if (slates.size === 0) return
    const rows = await this.db
      .selectFrom('slates')
      .select(['id', 'handout_id', 'last_number'])
      .where('id', 'in', [...slates])
      .where('last_number', '>', 0)
      .execute()
    for (const { id, handout_id, last_number } of rows)
      if (this.told.get(id) !== last_number) await this.catchUp(id, handout_id, last_number)
  }

  private catchUp(slate: string, handout: string, number: number): Promise<void> {
    return this.inTurn(slate, () => this.readBack(slate, handout, number))
  }

  private inTurn(slate: string, work: () => Promise<void>): Promise<void> {
    const turn = (this.turns.get(slate) ?? Promise.resolve()).then(work)
    const quiet = turn
      .catch(() => {})
      .then(() => {
        if (this.turns.get(slate) === quiet) this.turns.delete(slate)
      })
    this.turns.set(slate, quiet)
    return turn
  }

  private async readBack(slate: string, handout: string, number: number): Promise<void> {
    // Without knowing what was told, one move makes each client see its own gap and ask for the rest.
    const told = this.told.get(slate) ?? number - 1
    if (told >= number) return
    const rows = await this.db
      .selectFrom('moves')
      .select(['id', 'number', 'move', 'undoes', 'by', 'at'])
      .where('slate_id', '=', slate)
      .where('number', '>', told)
      .orderBy('number')
      .limit(MOST_MOVES)
      .execute()
    this.told.set(slate, Math.max(number, rows.at(-1)?.number ?? 0))
    const moves = rows.map(({ undoes, at, ...row }) => ({ ...row, undoes: undoes ?? undefined, at: at.toISOString() }))
    if (moves.length) tell(this.audience(slate, handout), { say: 'moves', slate, moves })
  }

  private isFollowed(slate: string, handout: string): boolean {
    return this.bySlate.has(slate) || this.byHandout.has(handout)
  }

  private audience(slate: string, handout: string): Listener[] {
    const [near, far] = [this.bySlate.of(slate), this.byHandout.of(handout)]
    if (!far) return near ? [...near] : []
    return near ? [...new Set([...near, ...far])] : [...far]
  }
}

function tell(audience: readonly Listener[], message: ServerMessage): void {
  if (audience.length === 0) return
  const text = JSON.stringify(message)
  for (const listener of audience) listener.tell(message, text)
}

/** Listeners by what they follow, and back, so that leaving costs what one listener follows and not what all do. */
class Groups {
  private readonly groups = new Map<string, Set<Listener>>()
  private readonly followed = new Map<Listener, Set<string>>()

  add(key: string, listener: Listener): void {
    const group = this.groups.get(key) ?? new Set<Listener>()
    this.groups.set(key, group.add(listener))
    const keys = this.followed.get(listener) ?? new Set<string>()
    this.followed.set(listener, keys.add(key))
  }

  remove(key: string, listener: Listener): void {
    const group = this.groups.get(key)
    group?.delete(listener)
    if (group?.size === 0) this.groups.delete(key)
    const keys = this.followed.get(listener)
    keys?.delete(key)
    if (keys?.size === 0) this.followed.delete(listener)
  }

  drop(listener: Listener): void {
    for (const key of [...(this.followed.get(listener) ?? [])]) this.remove(key, listener)
  }

  has(key: string): boolean {
    return this.groups.has(key)
  }

  of(key: string): ReadonlySet<Listener> | undefined {
    return this.groups.get(key)
  }

  keys(): IterableIterator<string> {
    return this.groups.keys()
  }

  get size(): number {
    return this.groups.size
  }
}
