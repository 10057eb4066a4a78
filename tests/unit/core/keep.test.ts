import { readdirSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { describe, expect, it } from 'vitest'
import { readBoard, type Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import type { Key } from '../../../core/keys/key'
import { alsoRight, kindsFor } from '../../../core/keys/kinds'
import { keepKeys } from '../../../core/design/answers'
import { readWork } from '../../../core/format/work'
import { answerSlate } from '../../../core/keys/answerSlate'
import { keysByDoing } from '../../../core/keys/keep'
import { markSlate } from '../../../core/keys/mark'
import { startOf } from '../../../core/slate/state'
import { keyId } from '../../boards'

const folder = resolve(import.meta.dirname, '../../../docs/formats/examples')
const names = readdirSync(folder)
  .filter(f => f.endsWith('.board.json'))
  .map(f => f.replace('.board.json', ''))
const json = (name: string, part: string) =>
  JSON.parse(readFileSync(`${folder}/${name}.${part}.json`, 'utf8')) as unknown
function boardOf(name: string): Board {
  const read = readBoard(json(name, 'board'))
  if (!read.ok) throw new Error(JSON.stringify(read.reason))
  return read.value
}
/** Of these no slate follows from the key: many choices of tiles, and many strokes, are right; or nothing is. */
const OPEN = new Set<Key['kind']>(['total', 'balance', 'expression', 'ink', 'vote', 'spectrum'])

describe('a key', () => {
  const laidOut = names.filter(name => !OPEN.has(boardOf(name).keys[0]!.kind))

  it.each(laidOut)('of the %s example, laid out as its own answer, is right in every item', name => {
    const edition = makeEdition(boardOf(name))
    const [marked] = markSlate(answerSlate(edition.board.pages[0]!, edition), edition)
    expect(marked!.items.filter(i => i.verdict !== 'right').map(i => [i.item, i.reason])).toEqual([])
    expect(marked!.points).toBe(marked!.of)
  })

  it.each(names)('set by doing on the %s example is one that its own doing meets', name => {
    const board = boardOf(name)
    const [page, key] = [board.pages[0]!, board.keys[0]!]
    const edition = makeEdition(board)
    const work = readWork(json(name, 'work'), edition)
    if (!work.ok) throw new Error(work.reason)
    const done = OPEN.has(key.kind) ? work.value : answerSlate(page, edition)
    const { keys, unsure } = keysByDoing({ kind: key.kind, page, state: done, edition, newId: () => keyId('new') })
    expect([keys.length, unsure]).toEqual([1, []])
    const again = keepKeys(board, page.id, key.kind, keys)
    expect(readBoard(again).ok).toBe(true)
    const [marked] = markSlate(done, makeEdition(again))
    expect(marked!.items.filter(i => i.verdict !== 'right' && i.verdict !== 'noted')).toEqual([])
  })

  it.each(names)('of the %s example is of a kind that its page has places and pieces for', name => {
    const board = boardOf(name)
    expect(kindsFor(board.pages[0]!)).toContain(board.keys[0]!.kind)
  })

  it('says nothing where nothing was done', () => {
    for (const name of [
      'order',
      'slots',
      'match',
      'total',
      'label',
      'cover',
      'arrows',
      'write',
      'ink',
      'expression',
      'scale',
    ]) {
      const edition = makeEdition(boardOf(name))
      expect(
        keysByDoing({
          kind: edition.board.keys[0]!.kind,
          page: edition.board.pages[0]!,
          state: startOf(edition),
          edition,
          newId: () => keyId('new'),
        }).keys,
        name,
      ).toEqual([])
    }
  })

  it('takes a second way as right beside the first', () => {
    const written = boardOf('write').keys[0] as Extract<Key, { kind: 'write' }>
    const second: Key = { ...written, answers: { knot: { accepts: ['the bowline', 'bowline'] } } }
    expect((alsoRight(written, second) as typeof written).answers).toMatchObject({
      knot: { accepts: ['bowline', 'a bowline', 'the bowline'] },
      rope: { accepts: ['25 cm'] },
    })
    const slots = boardOf('gaps').keys[0] as Extract<Key, { kind: 'slots' }>
    expect(
      (alsoRight(slots, { ...slots, fits: { 'story:0,0': ['foot' as never] } }) as typeof slots).fits['story:0,0'],
    ).toEqual(['tide', 'foot'])
  })
})
