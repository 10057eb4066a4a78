import { describe, expect, it } from 'vitest'
import type { FileHash } from '../../../core/board/ids'
import { checkBoard } from '../../../core/board/board'
import { filesOf, withFiles } from '../../../core/board/files'
import { addPictureCards } from '../../../core/design/pieces'
import { readGroups, wordSort } from '../../../core/design/wordSort'
import { readBoardFile, writeBoardFile } from '../../../core/format/boardFile'
import { keyId, masterId, pageId, pieceId, placeId, shore } from '../../boards'

const hash = (letter: string) => letter.repeat(64) as FileHash
const pictured = () => {
  let n = 0
  const cards = ['a', 'b', 'a'].map(letter => ({
    file: hash(letter),
    pixelWidth: 10,
    pixelHeight: 10,
    text: '',
    alt: `picture ${letter}`,
  }))
  return addPictureCards(shore(), pageId('page'), cards, {
    piece: () => pieceId(`p${++n}`),
    master: () => masterId('pm'),
  })
}

describe('a board as a file', () => {
  it('comes back as it went out, with its pictures', () => {
    const file = {
      board: pictured(),
      pictures: { [hash('a')]: { mediaType: 'image/png' as const, base64: 'aGk=' } },
      clips: {},
    }
    expect(readBoardFile(JSON.parse(writeBoardFile(file)))).toEqual({ ok: true, value: file })
  })

  it('may be a bare board; anything else says what is wrong with it', () => {
    expect(readBoardFile(shore())).toMatchObject({ ok: true, value: { pictures: {} } })
    expect(readBoardFile({ format: 'something else' })).toEqual({ ok: false, reason: { code: 'no-file' } })
    expect(readBoardFile(null)).toMatchObject({ ok: false })
    expect(readBoardFile({ ...shore(), pages: [] })).toMatchObject({
      ok: false,
      reason: { code: 'schema', path: 'pages' },
    })
  })

  it('finds its pictures under their new names; what is missing becomes words, and nothing else is lost', () => {
    expect(filesOf(pictured())).toEqual([hash('a'), hash('b')])
    const { board, missing } = withFiles(pictured(), new Map([[hash('a'), hash('c')]]))
    expect(missing).toBe(1)
    expect(board.pages[0]!.pieces.slice(-3)).toMatchObject([
      { kind: 'picture-card', file: hash('c') },
      { kind: 'card', text: 'picture b' },
      { kind: 'picture-card' },
    ])
    expect(checkBoard(board)).toBeNull()
  })
})

describe('a sort from words', () => {
  const make = (text: string) => {
    let n = 0
    const next = () => `i${++n}`
    return wordSort('Sort', readGroups(text), {
      piece: () => pieceId(next()),
      master: () => masterId(next()),
      place: () => placeId(next()),
      key: () => keyId(next()),
      page: () => pageId(next()),
    })
  }

  it('reads groups with a colon, and words that have none yet', () => {
    expect(readGroups('Clings: limpet, barnacle;mussel\n\nSwims:\nblenny')).toEqual({
      groups: [
        { heading: 'Clings', words: ['limpet', 'barnacle', 'mussel'] },
        { heading: 'Swims', words: [] },
      ],
      loose: ['blenny'],
    })
  })

  it('reads columns from a spreadsheet, headings first', () => {
    expect(readGroups('Even\tOdd\n2\t3\n4\t')).toEqual({
      groups: [
        { heading: 'Even', words: ['2', '4'] },
        { heading: 'Odd', words: ['3'] },
      ],
      loose: [],
    })
  })

  it('makes zones, cards and the key; the cards are scrambled', () => {
    const board = make('Clings: limpet, barnacle, mussel\nSwims: goby, prawn\nblenny')
    expect(checkBoard(board)).toBeNull()
    expect(board.pages[0]!.places.map(p => p.heading)).toEqual(['Clings', 'Swims'])
    const [key] = board.keys
    if (key?.kind !== 'sort') throw new Error('a sort has a sort key')
    expect(Object.keys(key.homes)).toHaveLength(5)
    expect(board.pages[0]!.ledge).not.toEqual(board.pages[0]!.pieces.map(p => p.id))
    expect(make('').keys).toEqual([])
  })
})
