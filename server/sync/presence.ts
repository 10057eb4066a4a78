import type { Author } from '../../core/slate/actor'
import type { HandHere, Here } from '../../core/sync/presence'
import type { ServerMessage } from '../../core/sync/messages'
import type { News } from '../news/news'

/**
 * What is heard in between is told together: a class board of thirty hands costs each of them ten messages a second.
 */
const TELL_EVERY_MS = 80
/** Each process says again who is there through it, so that one that died is not believed for longer than this. */
export const AGAIN_EVERY_MS = 20_000
const BELIEVED_FOR_MS = 50_000
/** Hands in one telling: PostgreSQL refuses a payload of 8,000 bytes. */
const MOST_HANDS_TOLD = 24

type HereNews = Extract<News, { scope: 'here' }>
/** Who says that somebody is here: one of this process's sockets, or another process. */
interface Source {
  readonly here: Here
  readonly at: number
  readonly far: boolean
}

export interface PresencePorts {
  readonly origin: string
  /** To those in this process who follow the slate. */
  readonly tell: (slate: string, message: ServerMessage) => void
  /** To the other processes; what is lost is said again before long. */
  readonly announce: (news: HereNews[]) => void
  readonly now: () => number
  readonly after: (milliseconds: number, then: () => void) => void
}

/**
 * Who is on which slate of several, and what they hold. It is in memory only. Somebody with two devices is here once,
 * as the one of them that spoke last says.
 */
export class Presence {
  private readonly slates = new Map<string, Map<Author, Map<string, Source>>>()
  private changed = new Map<string, Set<Author>>()
  /** Of whom something has changed through a socket of this process. */
  private toAnnounce = new Set<string>()
  private waiting = false

  constructor(private readonly ports: PresencePorts) {}

  get size(): number {
    return this.slates.size
  }

  /** Everybody on a slate, as they are now. */
  of(slate: string): HandHere[] {
    return [...(this.slates.get(slate) ?? [])].flatMap(([author, sources]): HandHere[] =>
      sources.size ? [[author, latest(sources)!]] : [],
    )
  }

  /** Somebody is here, through a socket of this process. */
  be(socket: string, slate: string, author: Author, here: Here): void {
    this.set(socket, slate, author, { here, at: this.ports.now(), far: false })
    this.toAnnounce.add(`${slate} ${author}`)
    this.tellSoon()
  }

  /** A socket has left a slate. */
  leave(socket: string, slate: string): void {
    for (const author of this.slates.get(slate)?.keys() ?? []) {
      if (!this.remove(socket, slate, author)) continue
      this.toAnnounce.add(`${slate} ${author}`)
      this.tellSoon()
    }
  }

  hear({ from, hands }: HereNews): void {
    if (from === this.ports.origin) return
    for (const [slate, author, here] of hands) {
      if (here) this.set(from, slate, author, { here, at: this.ports.now(), far: true })
      else this.remove(from, slate, author)
    }
    this.tellSoon()
  }

  /** Says again who is here through this process, and forgets whom no process has spoken of for a while. */
  again(): void {
    const long = this.ports.now() - BELIEVED_FOR_MS
    for (const [slate, hands] of this.slates) {
      for (const [author, sources] of hands) {
        for (const [source, { far, at }] of sources) {
          if (far && at < long) this.remove(source, slate, author)
          else if (!far) this.toAnnounce.add(`${slate} ${author}`)
        }
      }
    }
    this.tellSoon()
  }

  private set(source: string, slate: string, author: Author, as: Source): void {
    const hands = this.slates.get(slate) ?? new Map<Author, Map<string, Source>>()
    this.slates.set(slate, hands)
    const sources = hands.get(author) ?? new Map<string, Source>()
    hands.set(author, sources)
    const before = sources.get(source)
    const same = !!before && JSON.stringify(before.here) === JSON.stringify(as.here)
    // Behind all others: the last one that had something new to say is believed.
    if (!same) sources.delete(source)
    sources.set(source, as)
    if (!same) this.note(slate, author)
  }

  private remove(source: string, slate: string, author: Author): boolean {
    const hands = this.slates.get(slate)
    const sources = hands?.get(author)
    if (!hands || !sources?.delete(source)) return false
    if (sources.size === 0) hands.delete(author)
    if (hands.size === 0) this.slates.delete(slate)
    this.note(slate, author)
    return true
  }

  private note(slate: string, author: Author): void {
    const authors = this.changed.get(slate) ?? new Set<Author>()
    this.changed.set(slate, authors.add(author))
  }

  private tellSoon(): void {
    if (this.waiting || (this.changed.size === 0 && this.toAnnounce.size === 0)) return
    this.waiting = true
    this.ports.after(TELL_EVERY_MS, () => {
      this.waiting = false
      this.tellNow()
    })
  }

  private tellNow(): void {
    const [changed, announced] = [this.changed, this.toAnnounce]
    this.changed = new Map()
    this.toAnnounce = new Set()
    for (const [slate, authors] of changed) {
      this.ports.tell(slate, {
        say: 'hands',
        slate,
        whole: false,
        hands: [...authors].map(author => [author, latest(this.slates.get(slate)?.get(author))]),
      })
    }
    const hands = [...announced].map((name): HereNews['hands'][number] => {
      const [slate, author] = name.split(' ') as [string, Author]
      return [slate, author, latest(near(this.slates.get(slate)?.get(author)))]
    })
    const parcels = Array.from({ length: Math.ceil(hands.length / MOST_HANDS_TOLD) }, (_, i) =>
      hands.slice(i * MOST_HANDS_TOLD, (i + 1) * MOST_HANDS_TOLD),
    )
    if (parcels.length)
      this.ports.announce(parcels.map(part => ({ scope: 'here', from: this.ports.origin, hands: part })))
  }
}

const near = (sources: ReadonlyMap<string, Source> | undefined) =>
  new Map([...(sources ?? [])].filter(([, source]) => !source.far))
const latest = (sources: ReadonlyMap<string, Source> | undefined): Here | null =>
  [...(sources?.values() ?? [])].at(-1)?.here ?? null
