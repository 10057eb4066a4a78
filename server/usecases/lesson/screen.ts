import * as v from 'valibot'
import { withoutAnswers } from '../../../core/board/edition'
import { NOTHING_SHOWN, SHOWN_FOR_MS, ShowSchema, withRevealed, type Show } from '../../../core/lesson/show'
import { countsOf } from '../../../core/findings/counts'
import { emptySlate, startOf } from '../../../core/slate/state'
import { loadStates } from '../../database/loadState'
import { withNews } from '../../news/wire'
import type { Services } from '../../services'
import { namesOf } from '../slates'
import { questionsOf } from './jar'
import { timerOf } from './timer'

type Reading = Pick<Services, 'db' | 'engine'>

/** What is shown now; nothing of a lesson that is long over. */
export async function showOf({ db }: Pick<Services, 'db'>, handout: string, now = new Date()): Promise<Show> {
  const row = await db
    .selectFrom('screens')
    .select(['show', 'shown_at'])
    .where('handout_id', '=', handout)
    .executeTakeFirst()
  if (!row || now.getTime() - row.shown_at.getTime() > SHOWN_FOR_MS) return NOTHING_SHOWN
  const read = v.safeParse(ShowSchema, row.show)
  return read.success ? read.output : NOTHING_SHOWN
}

export const setShow = (services: Pick<Services, 'db' | 'wire'>, handout: string, show: Show): Promise<void> =>
  withNews(services, async (trx, news) => {
    const values = { show: JSON.stringify(show), shown_at: new Date() }
    await trx
      .insertInto('screens')
      .values({ handout_id: handout, ...values })
      .onConflict(conflict => conflict.column('handout_id').doUpdateSet(values))
      .execute()
    news.push({ scope: 'handout', handout, changed: 'lesson' })
  })

/**
 * All that the class screen has, and nothing else: no name where names aren't shown, no answer that isn't revealed, no
 * slate but those that stand on it. Slates that are gone, or another handout's, are left out.
 */
export async function classScreen({ db, engine }: Reading, handout: string) {
  const show = await showOf({ db }, handout)
  const { edition_hash, code, newcomers } = await db
    .selectFrom('handouts')
    .innerJoin('classes', 'classes.id', 'handouts.class_id')
    .select(['handouts.edition_hash', 'classes.code', 'classes.newcomers'])
    .where('handouts.id', '=', handout)
    .executeTakeFirstOrThrow()
  const edition = await engine.editions.get(db, edition_hash)
  const common = {
    kind: show.what.kind,
    title: edition.board.title,
    page: show.page,
    pen: show.pen,
    timer: show.timer ? await timerOf(db, handout) : null,
    code: show.what.kind === 'way-in' && newcomers !== 'closed' ? code : null,
  }
  if (show.what.kind === 'question') {
    const question = await questionOnScreen(db, handout, show.what.question)
    return { ...common, boards: {}, slates: [], question }
  }
  if (show.what.kind === 'class') return { ...common, ...(await classOn({ db, engine }, handout, edition_hash)) }
  if (show.what.kind === 'slates') return { ...common, ...(await slatesOn({ db, engine }, handout, show)) }
  const page = edition.board.pages[show.page] ?? edition.board.pages[0]!
  if (show.what.kind !== 'board') return { ...common, boards: {}, slates: [] }
  return {
    ...common,
    boards: { [edition_hash]: withoutAnswers(edition.board) },
    slates: [
      {
        id: null,
        edition: edition_hash,
        number: 0,
        state: withRevealed(page, edition, show.what.revealed),
        name: null,
      },
    ],
  }
}

/** What all slates together make of what is only counted, with the board as it is given out; of who nothing. */
async function classOn({ db, engine }: Reading, handout: string, hash: string) {
  const edition = await engine.editions.get(db, hash)
  const rows = await db
    .selectFrom('slates')
    .select(['id', 'edition_hash', 'last_number'])
    .where('handout_id', '=', handout)
    .where('last_number', '>', 0)
    .execute()
  const states = await loadStates(
    db,
    engine.editions,
    rows.map(row => ({ id: row.id, edition: row.edition_hash, last: row.last_number })),
  )
  return {
    boards: { [hash]: withoutAnswers(edition.board) },
    slates: [{ id: null, edition: hash, number: 0, state: startOf(edition), name: null }],
    counts: countsOf(
      [...states.values()].flatMap(loaded => (loaded ? [loaded.state] : [])),
      edition,
    ),
  }
}

/** A question as the class sees it: nameless unless it was asked by name; null where it is hidden or gone. */
async function questionOnScreen(db: Reading['db'], handout: string, id: string) {
  const asked = (await questionsOf(db, handout, { kind: 'class' })).find(question => question.id === id)
  return asked ? { words: asked.words, name: asked.name, up: asked.up, down: asked.down } : null
}

async function slatesOn({ db, engine }: Reading, handout: string, show: Show) {
  const wanted = show.what.kind === 'slates' ? show.what.slates : []
  const rows = await db
    .selectFrom('slates')
    .select(['id', 'edition_hash', 'last_number'])
    .where('handout_id', '=', handout)
    .where('id', 'in', wanted)
    .execute()
  const states = await loadStates(
    db,
    engine.editions,
    rows.map(row => ({ id: row.id, edition: row.edition_hash, last: row.last_number })),
  )
  const names = show.names
    ? await namesOf(
        db,
        rows.map(row => row.id),
      )
    : null
  const boards = await Promise.all(
    [...new Set(rows.map(row => row.edition_hash))].map(
      async hash => [hash, withoutAnswers((await engine.editions.get(db, hash)).board)] as const,
    ),
  )
  return {
    boards: Object.fromEntries(boards),
    slates: rows
      .toSorted((a, b) => wanted.indexOf(a.id) - wanted.indexOf(b.id))
      .map(({ id, edition_hash, last_number }) => ({
        id,
        edition: edition_hash,
        ...(states.get(id) ?? { number: last_number, state: emptySlate }),
        name: names?.get(id) ?? null,
      })),
  }
}
