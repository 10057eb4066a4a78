import { sql } from 'kysely'
import { makeEdition, type Edition } from '../../core/board/edition'
import type { KeyId } from '../../core/board/ids'
import { acceptedToo } from '../../core/keys/accept'
import { withDecisions, type Decision, type Decisions } from '../../core/keys/mark'
import type { KeyMark } from '../../core/keys/outcome'
import type { OneAnswer } from '../../core/review/answers'
import { ok, refuse, type Result } from '../../core/result'
import { carry } from '../../core/slate/carry'
import type { SlateState } from '../../core/slate/state'
import { editionHash } from '../database/editions'
import { loadStates } from '../database/loadState'
import type { Services } from '../services'
import { correctEdition } from './editions'
import { namesOf } from './slates'

/** An item of a key, by the name under which a teacher decides on it: "key/item". */
export interface ItemName {
  readonly key: KeyId
  readonly item: string
}
const itemNameOf = (name: string): ItemName => {
  const at = name.indexOf('/')
  return { key: name.slice(0, at) as KeyId, item: name.slice(at + 1) }
}

export interface AnswerOnSlate extends OneAnswer {
  readonly name: string
  /** The hash of the edition that lies under it. */
  readonly edition: string
  readonly state: SlateState
}

interface SlateRow {
  readonly id: string
  readonly version: number | null
  readonly edition: string
  readonly last: number
  readonly decisions: Decisions | null
}

const slatesOf = (db: Services['db'], handout: string): Promise<SlateRow[]> =>
  db
    .selectFrom('slates')
    .leftJoin('reviews', 'reviews.slate_id', 'slates.id')
    .select([
      'slates.id',
      'slates.version',
      'slates.edition_hash as edition',
      'slates.last_number as last',
      'reviews.decisions',
    ])
    .where('slates.handout_id', '=', handout)
    .where('slates.last_number', '>', 0)
    .orderBy('slates.id')
    .execute()

/**
 * What all students of a handout did about one item, in the order of their names; whoever did nothing at all is left
 * out, and so is who has another version without it.
 */
export async function answersOn({ db, engine, outcomes }: Services, handout: string, name: string) {
  const rows = await slatesOf(db, handout)
  const marked = await outcomes.of(rows.map(row => row.id))
  const states = await loadStates(db, engine.editions, rows)
  const names = await namesOf(
    db,
    rows.map(row => row.id),
  )
  const { key, item } = itemNameOf(name)
  const answers = rows.flatMap((row): AnswerOnSlate[] => {
    const [one, state] = [marked.get(row.id), states.get(row.id)?.state]
    const mark = one?.ok
      ? one.value.keys.find(mark => mark.key === key)?.items.find(mark => mark.item === item)
      : undefined
    if (!mark || !state) return []
    return [
      {
        slate: row.id,
        name: names.get(row.id) ?? '',
        edition: row.edition,
        mark,
        decided: row.decisions?.[name] ?? null,
        state,
      },
    ]
  })
  const hashes = [...new Set(answers.map(answer => answer.edition))]
  const boards = await Promise.all(
    hashes.map(async hash => [hash, (await engine.editions.get(db, hash)).board] as const),
  )
  const inOrder = new Intl.Collator('en', { numeric: true })
  return { boards: Object.fromEntries(boards), answers: answers.toSorted((a, b) => inOrder.compare(a.name, b.name)) }
}

/**
 * The teacher's word on one item of some slates of a handout; null takes it back. How many slates it is on now. None of
 * them counts as reviewed by that.
 */
export async function decideOn(
  { db }: Pick<Services, 'db'>,
  handout: string,
  teacher: string,
  { item, verdict, slates }: { item: string; verdict: Decision | null; slates: readonly string[] },
): Promise<number> {
  const done = await sql`
    insert into reviews (slate_id, teacher_id, decisions, comment, updated_at)
    select id, ${teacher}, ${verdict === null ? '{}' : JSON.stringify({ [item]: verdict })}::jsonb, '', 'epoch' from slates
    where handout_id = ${handout} and id = any(${[...slates]}::uuid[])
    on conflict (slate_id) do update set
      decisions = (reviews.decisions - ${item}::text) || excluded.decisions`.execute(db)
  return Number(done.numAffectedRows ?? 0n)
}

export interface AlsoRightPreview {
  /** Slates of which the key says something else then, with their points before and after. */
  readonly changes: readonly {
    readonly slate: string
    readonly name: string
    readonly before: number
    readonly after: number
  }[]
  /** Whether the board on the shelf has it too; null where that wasn't asked for. */
  readonly onShelf: boolean | null
}
export interface AlsoRight {
  readonly item: string
  readonly slate: string
  readonly apply: boolean
  /** Also on the board that the handout came from. */
  readonly shelf?: boolean
}
/** *one-answer*: it can't be right as well: it is right already, isn't clear, or the key has one answer to it. */
export type AlsoRightRefusal = 'one-answer' | 'not-found'

/** What changes for whom if what was done on one slate about an item is right for all; with `apply` it is so. */
export async function alsoRight(
  services: Services,
  handout: string,
  { item: name, slate, apply, shelf = false }: AlsoRight,
): Promise<Result<AlsoRightPreview, AlsoRightRefusal>> {
  const { db, engine, marking, outcomes } = services
  const rows = await slatesOf(db, handout)
  const row = rows.find(one => one.id === slate)
  if (!row) return refuse('not-found')
  const states = await loadStates(db, engine.editions, rows)
  const state = states.get(slate)?.state
  if (!state) return refuse('not-found')
  const item = itemNameOf(name)
  if (!acceptedToo(state, await engine.editions.get(db, row.edition), item)) return refuse('one-answer')
  // Each version of the board that has the item takes it, and all its slates go over to it.
  const corrected = (await versionsOf(services, handout)).flatMap(({ version, edition }) => {
    const board = acceptedToo(state, edition, item)
    return board ? [{ version, board }] : []
  })
  const before = await outcomes.of(rows.map(one => one.id))
  const names = await namesOf(
    db,
    rows.map(one => one.id),
  )
  const changes: AlsoRightPreview['changes'][number][] = []
  for (const { version, board } of corrected) {
    const to = makeEdition(board)
    const those = await Promise.all(
      rows
        .filter(one => one.version === version && states.get(one.id))
        .map(async one => {
          const loaded = states.get(one.id)!
          const from = await engine.editions.get(db, one.edition)
          return { id: one.id, number: loaded.number, state: carry(loaded.state, from, to).state }
        }),
    )
    const after = await marking.mark({ edition: editionHash(board), board, slates: those })
    for (const { id } of those) {
      const [was, is] = [before.get(id), after.get(id)]
      if (!was?.ok || !is?.ok) continue
      const decisions = rows.find(one => one.id === id)!.decisions ?? {}
      const points = [was.value.keys, is.value.keys].map(keys => pointsOf(keys, decisions)) as [number, number]
      if (points[0] !== points[1])
        changes.push({ slate: id, name: names.get(id) ?? '', before: points[0], after: points[1] })
    }
  }
  if (apply) for (const { version, board } of corrected) await correctEdition(services, handout, board, { version })
  const onShelf = apply && shelf ? await alsoOnShelf(services, handout, item, { state, edition: row.edition }) : null
  const inOrder = new Intl.Collator('en', { numeric: true })
  return ok({ changes: changes.toSorted((a, b) => inOrder.compare(a.name, b.name)), onShelf })
}

/** False where the board is no longer such that what was done could be right on it. */
function alsoOnShelf(
  { db, engine }: Services,
  handout: string,
  item: ItemName,
  done: { readonly state: SlateState; readonly edition: string },
): Promise<boolean> {
  return db.transaction().execute(async trx => {
    const shelf = await trx
      .selectFrom('boards')
      .innerJoin('handouts', 'handouts.board_id', 'boards.id')
      .select(['boards.id', 'boards.document'])
      .where('handouts.id', '=', handout)
      .forUpdate('boards')
      .executeTakeFirst()
    if (!shelf) return false
    const [from, to] = [await engine.editions.get(trx, done.edition), makeEdition(shelf.document)]
    const board = acceptedToo(carry(done.state, from, to).state, to, item)
    if (!board) return false
    await trx
      .updateTable('boards')
      .set(eb => ({ document: JSON.stringify(board), version: eb('version', '+', 1), updated_at: new Date() }))
      .where('id', '=', shelf.id)
      .execute()
    return true
  })
}

const pointsOf = (keys: readonly KeyMark[], decisions: Decisions) =>
  withDecisions(keys, decisions).reduce((sum, key) => sum + key.points, 0)

/** What everybody gets (null), and what some got instead. */
async function versionsOf(
  { db, engine }: Services,
  handout: string,
): Promise<{ version: number | null; edition: Edition }[]> {
  const rows = await db
    .selectFrom('handout_versions')
    .select(['number as version', 'edition_hash'])
    .where('handout_id', '=', handout)
    .execute()
  const all = await db.selectFrom('handouts').select('edition_hash').where('id', '=', handout).executeTakeFirstOrThrow()
  return Promise.all(
    [{ version: null, edition_hash: all.edition_hash }, ...rows].map(async ({ version, edition_hash }) => ({
      version,
      edition: await engine.editions.get(db, edition_hash!),
    })),
  )
}
