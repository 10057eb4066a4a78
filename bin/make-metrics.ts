/**
 * Reads the shipped fonts once and writes the advance widths that core/text measures with.
 * Run by hand (`npm run metrics`) when a font is changed; the result is committed.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import * as fontkit from 'fontkit'
import type { Metrics } from '../core/text/metrics/metrics'

const faces = { andikaRegular: 'Andika_400Regular.ttf', andikaBold: 'Andika_700Bold.ttf' }
const folder = new URL('../node_modules/@expo-google-fonts/andika/', import.meta.url)

for (const [name, file] of Object.entries(faces)) {
  const font = fontkit.create(readFileSync(new URL(file, folder)))
  if (!('characterSet' in font)) throw new Error(`${file} holds more than one font`)
  // Runs of [first code point, advance, advance, ...] keep the table small.
  const runs: number[][] = []
  let previous = -2
  for (const codePoint of [...font.characterSet].sort((a, b) => a - b)) {
    if (codePoint < 32 || codePoint > 0xffff) continue
    const advance = Math.round(font.glyphForCodePoint(codePoint).advanceWidth)
    if (codePoint === previous + 1) runs.at(-1)!.push(advance)
    else runs.push([codePoint, advance])
    previous = codePoint
  }
  const metrics: Metrics = {
    unitsPerEm: font.unitsPerEm,
    ascent: font.ascent,
    descent: -font.descent,
    capHeight: font.capHeight,
    xHeight: font.xHeight,
    runs,
  }
  const source = [
    `import type { Metrics } from './metrics'`,
    '',
    `/** Made by bin/make-metrics.ts from ${file}; not written by hand. */`,
    `export const ${name}: Metrics = ${JSON.stringify(metrics).replaceAll('"', '')}`,
    '',
  ]
  writeFileSync(new URL(`../core/text/metrics/${name}.ts`, import.meta.url), source.join('\n'))
  console.log(`${name}: ${font.characterSet.length} characters`)
}
