import { createRequire } from 'node:module'
import { readFileSync } from 'node:fs'
import type { IconifyJSON } from '@iconify/types'
import { describe, expect, it } from 'vitest'
import { SUBJECTS } from '../../../core/board/librarySubjects'
import { LEFT_OUT } from '../../../server/files/leftOut'
import { makeLibrary } from '../../../server/files/library'
import { readPicture } from '../../../server/files/picture'

const read = <T>(path: string) => JSON.parse(readFileSync(createRequire(import.meta.url).resolve(path), 'utf8')) as T
const { categories } = read<{ categories: Record<string, string[]> }>('@iconify-json/fluent-emoji-flat/metadata.json')
const icons = read<IconifyJSON>('@iconify-json/fluent-emoji-flat/icons.json')
const library = makeLibrary({
  icons,
  names: read('@iconify-json/fluent-emoji-flat/chars.json'),
  keywords: read('emojilib/dist/emoji-en-US.json'),
  categories,
})
const ALL = { from: 0, most: 10_000 }
const names = (question: string) => library.search(question, ALL).pictures.map(p => p.name)

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
    expect(library.search('a', { from: 0, most: 5 }).pictures).toHaveLength(5)
  })

  it("gives drawings that become pictures like any upload, and none for a name that isn't there", async () => {
    const picture = await readPicture(Buffer.from(library.svg('crab')!))
    expect(picture).toMatchObject({ ok: true, value: { mediaType: 'image/png', width: 352, height: 264 } })
    expect(library.svg('constructor')).toBeNull()
    expect(library.svg('../icons')).toBeNull()
  })

  it('gives all hits, a page at a time, each once', () => {
    const of = library.search('face', ALL).of
    const pages = [0, 20, 40, 60, 80, 100, 120, 140, 160, 180, 200].flatMap(
      from => library.search('face', { from, most: 20 }).pictures,
    )
    expect(of).toBeGreaterThan(100)
    expect(new Set(pages.map(p => p.name)).size).toBe(of)
    expect(library.search('face', { from: 10_000, most: 20 })).toEqual({ pictures: [], of })
  })

  it('shows every picture under one subject before anything is asked, but those left out', () => {
    const shown = SUBJECTS.flatMap(subject => library.about(subject, ALL).pictures.map(p => p.name))
    expect(new Set(shown).size).toBe(shown.length)
    const known = Object.values(categories).flat()
    const tones = /-(?:light|medium-light|medium|medium-dark|dark)(?:-|$)/
    const flags = categories.Flags!
    expect(shown.toSorted()).toEqual(
      known.filter(name => !tones.test(name) && !LEFT_OUT.has(name) && !flags.includes(name)).toSorted(),
    )
  })

  it('leaves out what does not belong before children, by name, whatever is asked and in every tone', () => {
    for (const name of LEFT_OUT) expect(Object.keys(icons.icons), name).toContain(name)
    const asked =
      'beer wine drunk alcohol cocktail cigarette smoking gun weapon bomb knife sword kiss sexy fuck rude shit'
    for (const word of asked.split(' ')) expect(names(word).filter(name => LEFT_OUT.has(name), word)).toEqual([])
    expect(names('beer')).toEqual([])
    expect(names('cigarette')).toEqual([])
    expect(names('finger')).not.toContain('middle-finger')
    for (const name of ['middle-finger', 'middle-finger-dark', 'beer-mug', 'bomb', 'cigarette'])
      expect(library.svg(name), name).toBeNull()
  })
})
