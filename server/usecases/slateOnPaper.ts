import { USUAL_LANGUAGE } from '../../core/text/spoken'
import { ok, refuse, type Result } from '../../core/result'
import { loadStates } from '../database/loadState'
import type { Services } from '../services'
import { picturesFor } from './papers'
import { drawSlates, type Made } from './parcel/drawSlates'
import { byNames } from './slates'

interface OnPaper {
  readonly slate: string
  readonly author: string
  /** With what the key and the teacher say. */
  readonly marked: boolean
}

/** One slate as a PDF in a folder. */
export async function slatePaper(
  folder: string,
  services: Made,
  { slate, author, marked }: OnPaper,
): Promise<Result<{ path: string; title: string }, 'too-heavy'>> {
  const { handout, title } = await titleOf(services, slate)
  const order = { arrange: 'one', sheet: 'own', names: true, marked, grey: false } as const
  const info = { title, author, language: USUAL_LANGUAGE, made: new Date() }
  const drawn = await drawSlates(folder, services, { handout, slate, order, info })
  return drawn ? ok({ path: drawn.path, title }) : refuse('too-heavy')
}

/** A slate with all that is needed for a picture of it; null where it can't be read. */
export async function slateForPicture({ db, engine }: Pick<Services, 'db' | 'engine'>, slate: string) {
  const { edition, last, title } = await titleOf({ db }, slate)
  const loaded = (await loadStates(db, engine.editions, [{ id: slate, edition, last }])).get(slate)
  if (!loaded) return null
  const { board } = await engine.editions.get(db, edition)
  return {
    board,
    title,
    state: loaded.state,
    pictures: await picturesFor(db, board, { id: slate, state: loaded.state }),
  }
}

async function titleOf({ db }: Pick<Services, 'db'>, slate: string) {
  const row = await db
    .selectFrom('slates')
    .innerJoin('handouts', 'handouts.id', 'slates.handout_id')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .select([
      'slates.id',
      'slates.handout_id as handout',
      'slates.edition_hash as edition',
      'slates.last_number as last',
      'boards.title',
    ])
    .where('slates.id', '=', slate)
    .executeTakeFirstOrThrow()
  const [named] = await byNames(db, [row])
  return { ...row, title: [row.title, named!.name].filter(Boolean).join(' · ') }
}
