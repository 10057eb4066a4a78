import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { create, type Font } from 'fontkit'
import { sfntOf } from './woff'

const require = createRequire(import.meta.url)
/**
 * The fonts that ship with the application, in the order in which they are asked for a letter; each comes in many small
 * files.
 */
const FONTS = [
  ['@fontsource/andika', '700'],
  ['@fontsource/noto-sans-arabic', '400'],
  ['@fontsource/noto-sans-sc', '400'],
] as const

/** A font file: its name, and the font as papers are set with it. */
export interface Face {
  readonly name: string
  readonly sfnt: Buffer
}
interface Open extends Face {
  readonly font: Font
}
const opened = new Map<string, readonly Open[]>()

function facesOf([name, weight]: (typeof FONTS)[number]): readonly Open[] {
  const known = opened.get(name)
  if (known) return known
  const folder = join(dirname(require.resolve(`${name}/package.json`)), 'files')
  const faces = readdirSync(folder)
    .filter(file => file.endsWith(`-${weight}-normal.woff`))
    .map(file => {
      const sfnt = sfntOf(readFileSync(join(folder, file)))
      return { name: file, sfnt, font: create(sfnt) as Font }
    })
  opened.set(name, faces)
  return faces
}

function faceFor(point: number): Face | undefined {
  for (const font of FONTS) {
    const face = facesOf(font).find(one => one.font.hasGlyphForCodePoint(point))
    if (face) return face
  }
  return undefined
}

/** The fonts that a text is set with, piece by piece; letters that none of them has are left out. */
export function setWith(text: string): { readonly face: Face; readonly text: string }[] {
  const runs: { face: Face; text: string }[] = []
  for (const letter of text) {
    const last = runs.at(-1)
    // A space goes with what stands before it.
    const face = letter === ' ' && last ? last.face : faceFor(letter.codePointAt(0)!)
    if (face === undefined) continue
    if (last?.face === face) last.text += letter
    else runs.push({ face, text: letter })
  }
  return runs
}
