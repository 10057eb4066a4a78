import type { Kysely } from 'kysely'
import type { NumberedMove, ServerMessage } from '../../core/sync/messages'
import type { Database } from '../database/tables'
import type { News } from './channel'

/** Whoever can be told something: a socket, or a test. */
export interface Listener { readonly id: string, tell: (message: ServerMessage) => void }

const MOST_MOVES = 500

/** Who in this process follows which slate or handout, and what they have been told. */
export class Hub {
  private readonly bySlate = new Map<string, Map<string, Listener>>()
  private readonly byHandout = new Map<string, Map<string, Listener>>()
  /** Up to which number the followers of a slate have been told. Absent: nobody here followed it so far. */
  private readonly told = new Map<string, number>()
  /** Tellings of one slate go one after the other: what is read back must not overtake what is told from memory. */
  private readonly turns = new Map<string, Promise<void>>()

  constructor(private readonly db: Kysely<Database>) {}

  followSlate(listener: Listener, slate: string): void {
    join(this.bySlate, slate, listener)
  }

  unfollowSlate(listener: Listener, slate: string): void {
    this.bySlate.get(slate)?.delete(listener.id)
  }

  followHandout(listener: Listener, handout: string): void {
    join(this.byHandout, handout, listener)
  }

  leave(listener: Listener): void {
    for (const groups of [this.bySlate, this.byHandout]) {
      for (const [key, group] of groups) {
        group.delete(listener.id)
        if (group.size === 0) groups.delete(key)
      }
    }
  }

  /** Moves that this very process has committed: told without reading them back. */
  made(slate: string, handout: string, moves: readonly NumberedMove[]): Promise<void> {
    return this.inTurn(slate, () => this.tellMade(slate, handout, moves))
  }

  private async tellMade(slate: string, handout: string, moves: readonly NumberedMove[]): Promise<void> {
    const told = this.told.get(slate) ?? 0
    const news = moves.filter(move => move.number > told)
    const first = news[0]
    const last = news.at(-1)
    if (!first || !last) return
    if (told > 0 && first.number > told + 1) return this.readBack(slate, handout, last.number)
    this.told.set(slate, last.number)
    this.tell(slate, handout, { say: 'moves', slate, moves: news })
  }

  async hear(news: News): Promise<void> {
    const { slate, handout } = news
    if (this.audience(slate, handout).length === 0) {
      this.told.delete(slate)
      return
    }
    switch (news.what) {
      case 'moves': return this.catchUp(slate, handout, news.number)
      case 'status': return this.tell(slate, handout, { say: 'status', slate, status: news.status })
      case 'margin': return this.tell(slate, handout, { say: 'margin', slate })
    }
  }

  /** After a gap in the news nobody knows what was missed: every follower is told the whole of it by number. */
  async recover(): Promise<void> {
    const slates = new Set(this.bySlate.keys())
    if (this.byHandout.size) {
      const rows = await this.db.selectFrom('slates').select('id').where('handout_id', 'in', [...this.byHandout.keys()]).execute()
      for (const { id } of rows) slates.add(id)
    }
    if (slates.size === 0) return
    const rows = await this.db.selectFrom('slates').select(['id', 'handout_id', 'last_number', 'status']).where('id', 'in', [...slates]).execute()
    for (const { id, handout_id, last_number, status } of rows) {
      await this.catchUp(id, handout_id, last_number)
      this.tell(id, handout_id, { say: 'status', slate: id, status })
      this.tell(id, handout_id, { say: 'margin', slate: id })
    }
  }

  private catchUp(slate: string, handout: string, number: number): Promise<void> {
    return this.inTurn(slate, () => this.readBack(slate, handout, number))
  }

  private inTurn(slate: string, work: () => Promise<void>): Promise<void> {
    const turn = (this.turns.get(slate) ?? Promise.resolve()).then(work)
    const quiet = turn.catch(() => {}).then(() => {
      if (this.turns.get(slate) === quiet) this.turns.delete(slate)
    })
    this.turns.set(slate, quiet)
    return turn
  }

  private async readBack(slate: string, handout: string, number: number): Promise<void> {
    // Without knowing what was told, one move makes each client see its own gap and ask for the rest.
    const told = this.told.get(slate) ?? number - 1
    if (told >= number) return
    const rows = await this.db.selectFrom('moves').select(['id', 'number', 'move', 'undoes', 'at'])
      .where('slate_id', '=', slate).where('number', '>', told).orderBy('number').limit(MOST_MOVES).execute()
    this.told.set(slate, Math.max(number, rows.at(-1)?.number ?? 0))
    const moves = rows.map(({ undoes, at, ...row }) => ({ ...row, undoes: undoes ?? undefined, at: at.toISOString() }))
    if (moves.length) this.tell(slate, handout, { say: 'moves', slate, moves })
  }

  private tell(slate: string, handout: string, message: ServerMessage): void {
    for (const listener of this.audience(slate, handout)) listener.tell(message)
  }

  private audience(slate: string, handout: string): Listener[] {
    return [...new Map([...this.bySlate.get(slate) ?? [], ...this.byHandout.get(handout) ?? []]).values()]
  }
}

function join(groups: Map<string, Map<string, Listener>>, key: string, listener: Listener): void {
  const group = groups.get(key) ?? new Map<string, Listener>()
  group.set(listener.id, listener)
  groups.set(key, group)
}
