import { createHash } from 'node:crypto'
import { fileTypeFromBuffer } from 'file-type'
import sharp from 'sharp'
import type { FileHash } from '../../core/board/ids'
import { ok, refuse, type Result } from '../../core/result'

export const LARGEST_PICTURE = 25 * 1024 * 1024
/**
 * A photo of 48 megapixels passes; a file made to blow up does not. The header is read first, so nothing is decoded for
 * it.
 */
const MOST_PIXELS = 50_000_000
/** Sharp on a class screen four metres wide; larger pictures are made smaller. */
const LONGEST_SIDE = 2560
const SVG_LARGEST = 2 * 1024 * 1024
const TAKEN = new Set(['image/png', 'image/jpeg', 'image/webp', 'image/gif', 'image/avif', 'image/tiff'])

export interface Picture {
  readonly hash: FileHash
  readonly mediaType: 'image/png' | 'image/jpeg' | 'image/webp'
  readonly bytes: Buffer
  readonly width: number
  readonly height: number
}
export type PictureRefusal = 'not-a-picture' | 'too-many-pixels' | 'too-big' | 'too-heavy'

/**
 * Makes any uploaded picture harmless: it is decoded and encoded anew, which leaves out places, programs and scripts.
 * Transparency stays. An SVG becomes pixels. Of an animated picture the first frame is kept.
 */
export async function readPicture(
  input: Buffer,
  from: 'anywhere' | 'the library' = 'anywhere',
): Promise<Result<Picture, PictureRefusal>> {
  if (input.length > LARGEST_PICTURE) return refuse('too-big')
  const type = await fileTypeFromBuffer(input)
  const svg = looksLikeSvg(input)
  if (svg ? input.length > SVG_LARGEST : !type || !TAKEN.has(type.mime))
    return refuse(svg ? 'too-big' : 'not-a-picture')
  if (svg && from === 'anywhere' && isHeavySvg(input.toString('utf8'))) return refuse('too-heavy')
  try {
    const image = sharp(input, { limitInputPixels: false, failOn: 'error' })
    const { width, height, hasAlpha } = await image.metadata()
    if (!width || !height) return refuse('not-a-picture')
    if (width * height > MOST_PIXELS) return refuse('too-many-pixels')
    const sized = sharp(input, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .autoOrient()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
    const encoded = await (hasAlpha || svg ? sized.png({ palette: false }) : sized.jpeg({ quality: 88 })).toBuffer({
      resolveWithObject: true,
    })
    return ok({
      hash: createHash('sha256').update(encoded.data).digest('hex') as FileHash,
      mediaType: hasAlpha || svg ? 'image/png' : 'image/jpeg',
      bytes: encoded.data,
      width: encoded.info.width,
      height: encoded.info.height,
    })
  } catch {
    return refuse('not-a-picture')
  }
}

function looksLikeSvg(input: Buffer): boolean {
  const start = input
    .subarray(0, 4096)
    .toString('utf8')
    .replace(/^\uFEFF/, '')
    .trimStart()
  return /^(<\?xml|<!--|<!doctype svg|<svg)/i.test(start) && /<svg[\s>]/i.test(start)
}

const MOST_SVG_LETTERS = 20_000
const MOST_SVG_REPEATS = 200

/**
 * Drawings whose few bytes are a lot of work: filters, entities that unfold, things that repeat things that repeat,
 * endless text. A drawing that a teacher has from anywhere needs none of that to be a picture.
 */
function isHeavySvg(text: string): boolean {
  if (/<!ENTITY|<filter[\s>]|<fe[A-Z]|filter\s*[:=]/.test(text)) return true
  const repeats = text.match(/<(?:\w+:)?(?:use|pattern|mask|clipPath|marker|symbol|image)[\s>]/g)?.length ?? 0
  const letters = [...text.matchAll(/<(?:\w+:)?text[\s>]([\s\S]*?)(?:<\/(?:\w+:)?text>|$)/g)].reduce(
    (sum, [all]) => sum + all.length,
    0,
  )
  return repeats > MOST_SVG_REPEATS || letters > MOST_SVG_LETTERS || dashesIn(text) > MOST_SVG_DASHES
}

const MOST_SVG_DASHES = 200_000
const NUMBER = /-?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi
const numbersIn = (text: string) => (text.match(NUMBER) ?? []).map(Number)

/**
 * How many dashes a drawing may have at most: the length of what it draws, taken as long as its numbers could make it,
 * by the length of its shortest pattern. Dashes that are said for more than one thing are counted on all of it.
 */
function dashesIn(text: string): number {
  const tags = text.match(/<[^>]*>/g) ?? []
  const patterns = tags.map(tag => /dasharray\s*[:=]\s*["']?\s*([^;"'>]*)/.exec(tag)?.[1])
  const shared =
    /<style[\s>][\s\S]*?dasharray/.test(text) || tags.some((tag, i) => patterns[i] && /^<(?:g|svg|a)\b/.test(tag))
  const shortest = (pattern: string) => numbersIn(pattern).reduce((sum, n) => sum + Math.abs(n), 0)
  if (shared) {
    const found = [...text.matchAll(/dasharray\s*[:=]\s*["']?\s*([\d.,\s%a-z-]*)/gi)].map(([, one]) => shortest(one!))
    return lengthOf(numbersIn(tags.join(' '))) / Math.min(...found.filter(sum => sum > 0), Infinity)
  }
  return tags.reduce((sum, tag, i) => {
    const pattern = patterns[i] ? shortest(patterns[i]) : 0
    return pattern > 0 ? sum + lengthOf(numbersIn(tag)) / pattern : sum
  }, 0)
}

/** Between two points there are at most as many units as the numbers of both. */
const lengthOf = (numbers: readonly number[]) => numbers.reduce((sum, n) => sum + 2 * Math.abs(n), 0)
