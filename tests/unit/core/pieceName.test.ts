import { describe, expect, it } from 'vitest'
import { aloudOf } from '../../../core/board/pieceName'
import type { Piece } from '../../../core/board/piece'
import { tilesOf } from '../../../core/design/tiles'
import { masterId, pieceId } from '../../boards'

const card = (text: string): Piece => ({ kind: 'card', id: pieceId('p'), master: masterId('m'), text })
const aloud = (text: string, fixed = false) => aloudOf(card(text), { fixed })

describe('what a piece is called aloud', () => {
  it('is a letter where it stands on a tile of its own, and a word on a card that follows its text', () => {
    for (const letter of ['a', 'I', 'é', 'e\u0301', 'ж', 'א'])
      expect(aloud(letter, true), letter).toEqual({ kind: 'letter' })
    expect(aloud('I')).toBeNull()
    for (const other of ['山', 'sh', '7', '+', '']) expect(aloud(other, true), other).toBeNull()
  })

  it('is a fraction however it is written, and no date, ratio of more, or sum', () => {
    const fraction = (count: number, parts: number, negative = false) => ({ kind: 'fraction', negative, count, parts })
    expect(aloud('1/2')).toEqual(fraction(1, 2))
    expect(aloud('½')).toEqual(fraction(1, 2))
    expect(aloud('⅜')).toEqual(fraction(3, 8))
    expect(aloud('−3/4')).toEqual(fraction(3, 4, true))
    expect(aloud('11/24')).toEqual(fraction(11, 24))
    for (const other of ['1/1', '1/25', '1/2/3', '1/2 + 1/4', '24/12/2026', '1½', '0.5', 'and/or'])
      expect(aloud(other), other).toBeNull()
  })

  it('is known for every tile of the families of letters and of fractions', () => {
    for (const family of ['letters', 'fraction-bars', 'fraction-circles'] as const)
      for (const { piece, master } of tilesOf(family, '')) {
        const whole = { ...piece, id: pieceId('p'), master: masterId('m') } as Piece
        if (piece.text !== '1') expect(aloudOf(whole, master), piece.text).not.toBeNull()
      }
  })
})
