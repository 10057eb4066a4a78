import type { Board } from '../../core/board/board'
import { makeEdition } from '../../core/board/edition'
import { heldBackOn } from '../../core/handout/heldBack'
import { carry, CARRY_CHANGES, type CarryChange } from '../../core/slate/carry'
import { editionHash, keepEdition } from '../database/editions'
import { loadStates } from '../database/loadState'
import { withNews } from '../news/wire'
import { ok, refuse, type Result } from '../../core/result'
import type { Services } from '../services'
import { shelfVersions } from './versions'

type Told = Pick<Services, 'db' | 'wire' | 'engine'>

/**
 * What would change on each slate if this board were laid under it; null for one that can't be read. Nothing is done.
 */
export async function previewCorrection(
  { db, engine }: Told,
  slates: readonly string[],
  board: Board,
): Promise<Map<string, readonly CarryChange[] | null>> {
  const to = makeEdition(board)
  const rows = slates.length
    ? await db.selectFrom('slates').select(['id', 'edition_hash', 'last_number']).where('id', 'in', slates).execute()
    : []
  const states = await loadStates(
    db,
    engine.editions,
    rows.map(row => ({ id: row.id, edition: row.edition_hash, last: row.last_number })),
  )
  return new Map(
    await Promise.all(
      rows.map(async (row): Promise<[string, readonly CarryChange[] | null]> => {
        const loaded = states.get(row.id)
        return [
          row.id,
          loaded ? carry(loaded.state, await engine.editions.get(db, row.edition_hash), to).changes : null,
        ]
      }),
    ),
  )
}

export interface CorrectionPreview {
  /** Every slate, and the handout, lies over the board as it is now. */
  readonly upToDate: boolean
  /** Pages of the board that are held back still. */
  readonly heldBack: number
  readonly slates: number
  /** How many slates each kind of change touches; what isn't there touches none. */
  readonly touched: readonly { readonly what: CarryChange['what']; readonly slates: number }[]
  readonly unreadable: number
}

/**
 * What it would do to the slates of a handout if the boards as they are on the shelf now were laid under them, each its
 * version.
 */
export async function previewHandout(services: Told, handout: string): Promise<CorrectionPreview> {
  const { db } = services
  const rows = await db
    .selectFrom('slates')
    .select(['id', 'edition_hash', 'version'])
    .where('handout_id', '=', handout)
    .execute()
  const { edition_hash, held_opened, document } = await db
    .selectFrom('handouts')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .select(['handouts.edition_hash', 'handouts.held_opened', 'boards.document'])
    .where('handouts.id', '=', handout)
    .executeTakeFirstOrThrow()
  const boards = await shelfVersions(db, handout)
  const changes: (readonly CarryChange[] | null)[] = []
  let older = 0
  for (const [version, board] of boards) {
    const hash = editionHash(board)
    const slates = rows.filter(row => row.version === version && row.edition_hash !== hash).map(row => row.id)
    older += slates.length
    changes.push(...(await previewCorrection(services, slates, board)).values())
  }
  return {
    heldBack: held_opened ? 0 : heldBackOn(document),
    upToDate: edition_hash === editionHash(boards.get(null)!) && older === 0,
    slates: rows.length,
    unreadable: changes.filter(change => change === null).length,
    touched: CARRY_CHANGES.map(what => ({
      what,
      slates: changes.filter(change => change?.some(one => one.what === what)).length,
    })).filter(one => one.slates > 0),
  }
}

/** Lays the boards as they are on the shelf now under a handout and all its slates, each its version. */
export async function correctHandout(services: Told, handout: string): Promise<Corrected> {
  const boards = await shelfVersions(services.db, handout)
  const all = { edition: '', changed: [] as string[], unreadable: [] as string[] }
  for (const [version, board] of boards) {
    const done = await correctEdition(services, handout, board, { version })
    if (version === null) all.edition = done.edition
    all.changed.push(...done.changed)
    all.unreadable.push(...done.unreadable)
  }
  return all
}

/**
 * The pages that were held back are open from now on, and come to everybody with the board as it is on the shelf now.
 */
export async function openHeldPages(services: Told, handout: string): Promise<Corrected> {
  await services.db.updateTable('handouts').set({ held_opened: true }).where('id', '=', handout).execute()
  return correctHandout(services, handout)
}

export interface Corrected {
  readonly edition: string
  readonly changed: readonly string[]
  readonly unreadable: readonly string[]
}

/**
 * Lays another edition under a handout: those who come later get it, and every slate goes over to it, each under its
 * own lock, so that no move falls between. Some slates only, or those of one version. A slate that can't be read stays
 * as it is. Done again after it was broken off, it goes on where it stopped.
 */
export async function correctEdition(
  services: Told,
  handout: string,
  board: Board,
  { some, version = null }: { readonly some?: readonly string[]; readonly version?: number | null } = {},
): Promise<Corrected> {
  const edition = await services.db.transaction().execute(trx => keepEdition(trx, board))
  if (!some && version === null)
    await services.db.updateTable('handouts').set({ edition_hash: edition }).where('id', '=', handout).execute()
  if (!some && version !== null)
    await services.db
      .updateTable('handout_versions')
      .set({ edition_hash: edition })
      .where('handout_id', '=', handout)
      .where('number', '=', version)
      .execute()
  const rows = await services.db
    .selectFrom('slates')
    .select('id')
    .where('handout_id', '=', handout)
    .$if(!!some, query => query.where('id', 'in', [...(some ?? []), NONE]))
    .$if(!some, query => query.where('version', 'is not distinct from', version))
    .orderBy('id')
    .execute()
  const changed: string[] = []
  const unreadable: string[] = []
  for (const { id } of rows) {
    const done = await layUnder(services, id, edition)
    if (done === 'changed') changed.push(id)
    else if (done === 'unreadable') unreadable.push(id)
  }
  return { edition, changed, unreadable }
}

/** So that a list of none is a list. */
const NONE = '00000000-0000-0000-0000-000000000000'

/** Lays an edition under a slate, under its lock; with a version, that is the slate's from now on. */
async function layUnder(
  services: Told,
  slate: string,
  edition: string,
  version?: number | null,
): Promise<'changed' | 'same' | 'unreadable'> {
  const { engine } = services
  return withNews(services, async (trx, news) => {
    const row = await trx
      .selectFrom('slates')
      .select(['handout_id', 'edition_hash', 'last_number'])
      .where('id', '=', slate)
      .forUpdate()
      .executeTakeFirstOrThrow()
    const change = version === undefined ? {} : { version }
    if (row.edition_hash === edition) {
      if (version !== undefined) await trx.updateTable('slates').set(change).where('id', '=', slate).execute()
      return 'same'
    }
    const loaded = (
      await loadStates(trx, engine.editions, [{ id: slate, edition: row.edition_hash, last: row.last_number }])
    ).get(slate)
    if (!loaded) return 'unreadable'
    const [from, to] = [await engine.editions.get(trx, row.edition_hash), await engine.editions.get(trx, edition)]
    const { turn } = await trx
      .selectFrom('edition_changes')
      .select(e => e.fn.coalesce(e.fn.max('turn'), e.lit(0)).as('turn'))
      .where('slate_id', '=', slate)
      .executeTakeFirstOrThrow()
    await trx
      .insertInto('edition_changes')
      .values({
        slate_id: slate,
        turn: turn + 1,
        number: row.last_number,
        from_hash: row.edition_hash,
        to_hash: edition,
      })
      .execute()
    const snapshot = { state: JSON.stringify(carry(loaded.state, from, to).state), edition_hash: edition }
    await trx
      .insertInto('snapshots')
      .values({ slate_id: slate, number: row.last_number, ...snapshot })
      .onConflict(c => c.columns(['slate_id', 'number']).doUpdateSet(snapshot))
      .execute()
    await trx
      .updateTable('slates')
      .set({ ...change, edition_hash: edition })
      .where('id', '=', slate)
      .execute()
    news.push({ scope: 'slate', slate, handout: row.handout_id, changed: 'edition' })
    return 'changed'
  })
}

/** Another version for one student, at any time: what they did stays where the new one has room for it. */
export async function changeVersion(
  services: Told,
  handout: string,
  slate: string,
  number: number | null,
): Promise<Result<null, 'not-found' | 'unreadable'>> {
  const { db } = services
  const to =
    number === null
      ? await db.selectFrom('handouts').select('edition_hash').where('id', '=', handout).executeTakeFirst()
      : await db
          .selectFrom('handout_versions')
          .select('edition_hash')
          .where('handout_id', '=', handout)
          .where('number', '=', number)
          .executeTakeFirst()
  const known = await db
    .selectFrom('slates')
    .select('id')
    .where('id', '=', slate)
    .where('handout_id', '=', handout)
    .where('kind', '=', 'copy')
    .executeTakeFirst()
  if (!to || !known) return refuse('not-found')
  return (await layUnder(services, slate, to.edition_hash, number)) === 'unreadable' ? refuse('unreadable') : ok(null)
}
