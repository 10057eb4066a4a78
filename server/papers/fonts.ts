import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { create, type Font } from 'fontkit'
import { FONT_FAMILIES } from './fontFamilies'
import { sfntOf } from './woff'

const require = createRequire(import.meta.url)

export type Weight = 'regular' | 'bold'
/** A font file: its name, and the font as papers are set with it. */
export interface Face {
  readonly name: string
  readonly sfnt: Buffer
  readonly font: Font
}
const opened = new Map<string, readonly Face[]>()

function facesOf(family: (typeof FONT_FAMILIES)[number], weight: Weight): readonly Face[] {
  const key = `${family.name} ${weight}`
  const known = opened.get(key)
  if (known) return known
  const folder = join(dirname(require.resolve(`${family.name}/package.json`)), 'files')
  const faces = readdirSync(folder)
    .filter(file => file.endsWith(`-${family[weight]}-normal.woff`))
    .map(file => {
      const sfnt = sfntOf(readFileSync(join(folder, file)))
      return { name: file, sfnt, font: knowingLetters(create(sfnt) as Font) }
    })
  opened.set(key, faces)
  return faces
}

/**
 * The library keeps each glyph with the letters that it first stood for; where letters share a glyph, each is to have
 * its own.
 */
function knowingLetters(font: Font): Font {
  const kept = font.getGlyph.bind(font)
  font.getGlyph = (id, codePoints = []) => {
    const glyph = kept(id, codePoints)
    const same = glyph.codePoints.join() === codePoints.join()
    return same ? glyph : Object.create(glyph, { codePoints: { value: codePoints } })
  }
  return font
}

const found = new Map<string, Face | null>()
function faceFor(point: number, weight: Weight): Face | null {
  const key = `${point} ${weight}`
  let face = found.get(key)
  if (face === undefined) {
    face = null
    for (const font of FONT_FAMILIES) {
      face = facesOf(font, weight).find(one => one.font.hasGlyphForCodePoint(point)) ?? null
      if (face) break
    }
    found.set(key, face)
  }
  return face
}

function simplerLetters(segment: string, weight: Weight): string {
  const apart = segment.normalize('NFKD')
  return faceFor(apart.codePointAt(0)!, weight) ? apart : NO_LETTER
}

/** Part of a text that one font has. `from` counts UTF-16 units from the beginning of the text. */
export interface FontRun {
  readonly face: Face
  readonly text: string
  readonly from: number
}

const LETTERS = new Intl.Segmenter('und', { granularity: 'grapheme' })

/** Stands for a letter that none of the fonts has, so that it is seen that something is missing. */
const NO_LETTER = '□'

/**
 * The fonts that a text is set with, piece by piece. A letter stays with its marks as far as its font has them. What
 * none of the fonts has is written with simpler letters where Unicode knows any (⅔ as 2⁄3), else as an empty box.
 */
export function setWith(text: string, weight: Weight = 'bold'): FontRun[] {
  const runs: { face: Face; text: string; from: number }[] = []
  for (const { segment, index } of LETTERS.segment(text)) {
    const last = runs.at(-1)
    // A space goes with what stands before it.
    const known = segment === ' ' && last ? last.face : faceFor(segment.codePointAt(0)!, weight)
    const simpler = known ? segment : simplerLetters(segment, weight)
    const face = known ?? faceFor(simpler.codePointAt(0)!, weight)
    if (!face) continue
    const letters = [...simpler].filter(one => face.font.hasGlyphForCodePoint(one.codePointAt(0)!)).join('')
    if (last?.face === face && last.from + last.text.length === index) last.text += letters
    else runs.push({ face, text: letters, from: index })
  }
  return runs
}
