import type { Services } from '../services'
import { loadStates } from '../database/loadState'
import { emptySlate } from '../../core/slate/state'
import { namesOf } from './slates'

/** Everything the walk-round begins with; from there on the socket brings the changes. */
export async function walkRound({ db, engine }: Services, id: string) {
  const handout = await db.selectFrom('handouts').innerJoin('classes', 'classes.id', 'handouts.class_id')
    .select(['handouts.id', 'handouts.edition_hash', 'handouts.board_id as boardId', 'handouts.created_at', 'classes.id as classId', 'classes.name as className', 'classes.code'])
    .where('handouts.id', '=', id).executeTakeFirstOrThrow()
  const edition = await engine.editions.get(db, handout.edition_hash)
  // One reading in one transaction, so that number, status and state belong together.
  const slates = await db.transaction().setIsolationLevel('repeatable read').execute(async (trx) => {
    const rows = await trx.selectFrom('slates').select(['id', 'status', 'kind', 'edition_hash', 'last_number', 'moved_at', 'handed_in_at'])
      .where('handout_id', '=', id).execute()
    const states = await loadStates(trx, engine.editions, rows.map(row => ({ id: row.id, edition: row.edition_hash, last: row.last_number })))
    const names = await namesOf(trx, rows.map(row => row.id))
    return rows.map(({ moved_at, handed_in_at, edition_hash, last_number, ...row }) => ({
      ...row, name: names.get(row.id) ?? '', edition: edition_hash, movedAt: moved_at?.toISOString() ?? null, handedInAt: handed_in_at?.toISOString() ?? null,
      // One that can't be read says so, and harms no other.
      ...states.get(row.id) ?? { number: last_number, state: emptySlate }, unreadable: !states.get(row.id),
    })).toSorted((a, b) => a.name.localeCompare(b.name, 'en'))
  })
  const { edition_hash, created_at, ...rest } = handout
  return { ...rest, edition: edition_hash, createdAt: created_at.toISOString(), board: edition.board, slates }
}

export async function handoutsOf({ db }: Services, teacher: string) {
  const rows = await db.selectFrom('handouts').innerJoin('classes', 'classes.id', 'handouts.class_id').innerJoin('boards', 'boards.id', 'handouts.board_id')
    .innerJoin('slates', 'slates.handout_id', 'handouts.id')
    .select(eb => [
      'handouts.id', 'boards.title', 'classes.name as className', 'handouts.created_at',
      eb.fn.countAll<string>().as('all'),
      eb.fn.countAll<string>().filterWhere('slates.status', '=', 'handed-in').as('handedIn'),
      eb.fn.countAll<string>().filterWhere('slates.status', '=', 'under-way').as('underWay'),
    ])
    .where('classes.teacher_id', '=', teacher).groupBy(['handouts.id', 'boards.title', 'classes.name']).orderBy('handouts.created_at', 'desc').execute()
  return rows.map(({ created_at, ...row }) => ({
    ...row, createdAt: created_at.toISOString(), all: Number(row.all), handedIn: Number(row.handedIn), underWay: Number(row.underWay),
  }))
}
