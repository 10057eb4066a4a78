import { createRequire } from 'node:module'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { makeLibrary } from '../../../server/files/library'
import { readPicture } from '../../../server/files/picture'

const read = (path: string) => JSON.parse(readFileSync(createRequire(import.meta.url).resolve(path), 'utf8')) as never
const library = makeLibrary(
  read('@iconify-json/fluent-emoji-flat/icons.json'),
  read('@iconify-json/fluent-emoji-flat/chars.json'),
  read('emojilib/dist/emoji-en-US.json'),
)
const names = (question: string) => library.search(question, 60).map(p => p.name)

describe('the picture library', () => {
  it('finds pictures by their names, by the beginnings of words, and by further words; names come first', () => {
    expect(names('crab')[0]).toBe('crab')
    expect(names('octop')).toContain('octopus')
    expect(names('crustacean')).toContain('crab')
    expect(names('ship')[0]).toBe('ship')
    expect(names('Sail BOAT')).toContain('sailboat')
  })

  it('wants every word of the question, and finds nothing for nothing', () => {
    expect(names('crab xylophone')).toEqual([])
    expect(names('   ')).toEqual([])
    expect(names('!!')).toEqual([])
  })

  it('shows each picture once, without its variants in other tones, and no more than asked', () => {
    const hands = names('hand')
    expect(hands.some(name => name.includes('medium-dark'))).toBe(false)
    expect(new Set(hands).size).toBe(hands.length)
    expect(library.search('a', 5)).toHaveLength(5)
  })

  it("gives drawings that become pictures like any upload, and none for a name that isn't there", async () => {
    const picture = await readPicture(Buffer.from(library.svg('crab')!))
    expect(picture).toMatchObject({ ok: true, value: { mediaType: 'image/png', width: 352, height: 264 } })
    expect(library.svg('constructor')).toBeNull()
    expect(library.svg('../icons')).toBeNull()
  })
})
