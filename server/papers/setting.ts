import bidiFactory from 'bidi-js'
import type { GlyphRun } from 'fontkit'
import { setWith, type Face, type Weight } from './fonts'

const bidi = bidiFactory()

/** Board text is measured without ligatures and kerning, and set so. */
export const FEATURES = { liga: false, clig: false, dlig: false, kern: false } as const

/** Part of a line in one font and one direction, with where it begins from the left end of the line. Points. */
export interface SetRun {
  readonly face: Face
  /** In the order in which it is read, brackets as they are seen. */
  readonly text: string
  readonly fromRight: boolean
  readonly x: number
  readonly width: number
  readonly glyphs: GlyphRun
}

export interface SetLine {
  /** From left to right. */
  readonly runs: readonly SetRun[]
  readonly width: number
}

interface Setting {
  readonly size: number
  readonly weight: Weight
  /** The direction of the whole line. */
  readonly fromRight?: boolean | undefined
}

/** A line of text as it is put on paper: letters of both directions in their visual order (UAX 9, rules L2 and L4). */
export function setLine(text: string, { size, weight, fromRight = false }: Setting): SetLine {
  const embedding = bidi.getEmbeddingLevels(text, fromRight ? 'rtl' : 'ltr')
  const pieces = setWith(text, weight).flatMap(run =>
    splitByLevel(run.text, run.from, embedding.levels).map(part => ({ ...part, face: run.face })),
  )
  let x = 0
  const runs = inVisualOrder(pieces).map(({ face, text: part, level }) => {
    const odd = level % 2 === 1
    const shown = odd ? mirrored(part) : part
    const glyphs = face.font.layout(shown, FEATURES, undefined, undefined, odd ? 'rtl' : 'ltr')
    const width = (glyphs.advanceWidth / face.font.unitsPerEm) * size
    const run = { face, text: shown, fromRight: odd, x, width, glyphs }
    x += width
    return run
  })
  return { runs, width: x }
}

interface Leveled {
  readonly text: string
  readonly level: number
}

function splitByLevel(text: string, from: number, levels: Uint8Array): Leveled[] {
  const parts: { text: string; level: number }[] = []
  let at = from
  for (const letter of text) {
    const level = levels[at] ?? 0
    const last = parts.at(-1)
    if (last?.level === level) last.text += letter
    else parts.push({ text: letter, level })
    at += letter.length
  }
  return parts
}

/** Rule L2: from the highest level down to the lowest odd one, what is at that level or above is turned round. */
function inVisualOrder<Part extends Leveled>(parts: readonly Part[]): Part[] {
  const order = [...parts]
  const levels = order.map(part => part.level)
  const lowestOdd = Math.min(...levels.filter(level => level % 2 === 1), Infinity)
  for (let level = Math.max(0, ...levels); level >= lowestOdd; level--) {
    for (let i = 0; i < order.length; i++) {
      if (order[i]!.level < level) continue
      let end = i
      while (end + 1 < order.length && order[end + 1]!.level >= level) end++
      order.splice(i, end - i + 1, ...order.slice(i, end + 1).toReversed())
      i = end
    }
  }
  return order
}

const mirrored = (text: string) => [...text].map(letter => bidi.getMirroredCharacter(letter) ?? letter).join('')
