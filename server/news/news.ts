import * as v from 'valibot'
import { PointedSchema } from '../../core/sync/pointing'
import { HereSchema } from '../../core/sync/presence'
import { AuthorSchema } from '../../core/slate/actor'

const id = v.pipe(v.string(), v.uuid())
/** One slate, all slates of a handout, all people of a class, one person's session. */
const NewsSchema = v.variant('scope', [
  v.object({ scope: v.literal('moves'), handout: id, slates: v.array(v.strictTuple([id, v.number()])) }),
  v.object({
    scope: v.literal('slate'),
    slate: id,
    handout: id,
    changed: v.picklist(['status', 'members', 'edition', 'margin', 'words', 'talk', 'pictures', 'closing']),
  }),
  v.object({ scope: v.literal('handout'), handout: id, changed: v.picklist(['status', 'edition', 'words', 'lesson']) }),
  v.object({ scope: v.literal('class'), class: id }),
  v.object({ scope: v.literal('session'), session: id }),
  /** Where a teacher points on the class screen, as another process hears it. */
  v.object({ scope: v.literal('point'), from: v.string(), handout: id, at: v.nullable(PointedSchema) }),
  /** Who is on which slates of several, as another process sees it. */
  v.object({
    scope: v.literal('here'),
    from: v.string(),
    hands: v.array(v.strictTuple([id, AuthorSchema, v.nullable(HereSchema)])),
  }),
])

/** What one process tells all: only ids and numbers, the rest is read. */
export type News = v.InferOutput<typeof NewsSchema>

/** Slates in one telling of moves: PostgreSQL refuses a payload of 8,000 bytes. */
export const MOST_SLATES_TOLD = 150

/**
 * News as text, with the process it comes from in front, so that a process knows its own without reading them.
 * News of moves, by far the most, are "ORIGIN m HANDOUT SLATE:NUMBER,..."; all others "ORIGIN j JSON".
 */
export function encodeNews(origin: string, news: News): string {
  if (news.scope !== 'moves') return `${origin} j ${JSON.stringify(news)}`
  return `${origin} m ${news.handout} ${news.slates.map(([slate, number]) => `${slate}:${number}`).join(',')}`
}

/** Null for what is none, and for moves that this very process has told already. */
export function decodeNews(origin: string, text: string): News | null {
  const [from, kind] = text.split(' ', 2)
  const rest = text.slice((from?.length ?? 0) + 3)
  if (kind === 'j') {
    try {
      const news = v.safeParse(NewsSchema, JSON.parse(rest))
      return news.success ? news.output : null
    } catch {
      return null
    }
  }
  if (kind !== 'm' || from === origin) return null
  const [handout, slates] = rest.split(' ')
  const told = (slates ?? '').split(',').map(part => {
    const [slate, number] = part.split(':')
    return [slate, Number(number)]
  })
  const news = v.safeParse(NewsSchema, { scope: 'moves', handout, slates: told })
  return news.success ? news.output : null
}
