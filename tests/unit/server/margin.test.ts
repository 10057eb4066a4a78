import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { WrittenItem } from '../../../core/margin/item'
import { roleOnFile } from '../../../server/rights/roles'
import { handBack, handIn } from '../../../server/usecases/openness'
import { addToMargin, setMarginRemoved } from '../../../server/usecases/review'
import { noteSentence, sentencesOf } from '../../../server/usecases/sentences'
import { beginAgain } from '../../../server/usecases/tries'
import type { FileHash } from '../../../core/board/ids'
import { pageId, pieceId, placeId, shore } from '../../boards'
import { put, twoProcesses, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
const SOUND = 'ab'.repeat(32) as FileHash
const OTHERS = 'cd'.repeat(32) as FileHash
beforeAll(async () => {
  two = await twoProcesses(shore(), 4)
  const { db } = two.connection
  for (const hash of [SOUND, OTHERS])
    await db
      .insertInto('files')
      .values({
        hash,
        media_type: 'audio/webm',
        bytes: null,
        pixel_width: null,
        pixel_height: null,
        size: 9,
        seconds: 4,
      })
      .execute()
  await db.insertInto('file_owners').values({ file_hash: SOUND, teacher_id: two.school.teacher }).execute()
})
afterAll(() => two.close())

const slateAt = (i: number) => two.school.slates[i]!
const add = (i: number, item: WrittenItem, shown = false) =>
  addToMargin(two.services, slateAt(i).id, two.school.teacher, { item, shown })
const page = pageId('page')
const onPiece = { to: 'piece', piece: pieceId('c0') } as const
const spoken = (file: FileHash, seconds = 4): WrittenItem => ({ kind: 'spoken', page, at: onPiece, file, seconds })

describe('what the margin is about', () => {
  const tick = (at: Extract<WrittenItem, { kind: 'tick' }>['at']): WrittenItem => ({ kind: 'tick', page, at })
  it('is a piece, a place or a spot that the edition under the slate has', async () => {
    const [place] = shore().pages[0]!.places
    for (const at of [onPiece, { to: 'place', place: place!.id }, { to: 'spot', x: 5, y: 5 }] as const)
      expect(await add(0, tick(at))).toMatchObject({ ok: true })
    for (const at of [
      { to: 'piece', piece: pieceId('nowhere') },
      { to: 'place', place: placeId('nowhere') },
      { to: 'spot', x: 1e5, y: 5 },
      { to: 'spot', x: -1, y: 5 },
    ] as const)
      expect(await add(0, tick(at))).toEqual({ ok: false, reason: 'unknown' })
    expect(await add(0, { kind: 'tick', page: pageId('other'), at: onPiece })).toEqual({ ok: false, reason: 'unknown' })
  })
})

describe('a spoken note', () => {
  it('is a sound that this teacher has recorded, with its own length', async () => {
    expect(await add(0, spoken(OTHERS))).toEqual({ ok: false, reason: 'unknown' })
    expect(await add(0, spoken(SOUND, 60))).toEqual({ ok: false, reason: 'unknown' })
    expect(await add(0, spoken('ee'.repeat(32) as FileHash))).toEqual({ ok: false, reason: 'unknown' })
  })

  it('is heard by its own student, and not before the margin is theirs', async () => {
    const { db } = two.connection
    const { id, student } = slateAt(1)
    const hears = (i: number) => roleOnFile(db, two.as(slateAt(i).student), SOUND)
    await two.submit(id, two.as(student), [put('c0', 160)])
    const added = await add(1, spoken(SOUND))
    if (!added.ok) throw new Error(added.reason)
    expect(await hears(1)).toBe('outsider')
    await handIn(two.services, id, student)
    expect(await hears(1)).toBe('outsider')
    await handBack(two.services, id)
    expect(await hears(1)).toBe('holder')
    expect(await hears(2)).toBe('outsider')
    // In the next try they still hear what was said of the one before.
    await beginAgain(two.services, id, true)
    expect(await hears(1)).toBe('holder')
    await setMarginRemoved(two.services, id, added.value.id, true)
    expect(await hears(1)).toBe('outsider')
    await add(2, spoken(SOUND), true)
    expect(await hears(2)).toBe('holder')
    expect(await roleOnFile(db, null, SOUND)).toBe('nobody')
  })
})

describe('the bank of sentences', () => {
  it('offers first what was said most about this piece, then what is most used', async () => {
    const { db } = two.connection
    const { teacher } = two.school
    const bank = (about: string | null) => sentencesOf(db, teacher, about)
    for (let i = 0; i < 3; i++) await noteSentence(db, teacher, 'Look at the foot', 'c0')
    for (let i = 0; i < 9; i++) await noteSentence(db, teacher, 'Well seen')
    await noteSentence(db, teacher, 'Look at the shell', 'c1')
    await noteSentence(db, teacher, 'Look at the foot', 'c1')
    await noteSentence(db, teacher, 'Look at the foot', 'c1')
    expect(await bank('c0')).toEqual(['Look at the foot', 'Well seen', 'Look at the shell'])
    expect(await bank('c1')).toEqual(['Look at the foot', 'Look at the shell', 'Well seen'])
    expect(await bank(null)).toEqual(['Well seen', 'Look at the foot', 'Look at the shell'])
    expect(await bank('c9')).toEqual(await bank(null))
  })
})
