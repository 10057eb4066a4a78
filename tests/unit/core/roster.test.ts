import { describe, expect, it } from 'vitest'
import { seeded } from '../../../core/layout/random'
import { readClassList, shortName, MOST_STUDENTS } from '../../../core/roster/classList'
import { makeClassCode, makePicturePassword, tidyClassCode } from '../../../core/roster/picturePassword'
import { canonicalJson } from '../../../core/format/canonical'
import { readWordList } from '../../../core/design/pieces'

describe('a pasted class list', () => {
  it('keeps names in order, passes over empty lines, and numbers the lines as they were pasted', () => {
    expect(readClassList('Marlo Tern\r\n\n  Inka\tPetrel \nSkua, Juno\n')).toEqual([
      { line: 1, name: 'Marlo Tern' }, { line: 3, name: 'Inka Petrel' }, { line: 4, name: 'Juno Skua' },
    ])
  })

  it('shows doubles, names already in the class, and lines that are no names', () => {
    const rows = readClassList(`Ada\nada\nBram\n123\n${'x'.repeat(61)}`, ['Bram'])
    expect(rows.map(r => r.problem)).toEqual([undefined, 'double', 'in-class', 'no-letters', 'too-long'])
  })

  it('keeps accents and right-to-left names, and drops characters nobody can see', () => {
    expect(readClassList('Zoë Núñez\nنور الدين\nמרים\nMa\u200brlo').map(r => r.name)).toEqual(['Zoë Núñez', 'نور الدين', 'מרים', 'Marlo'])
    expect(readClassList('Zoe\u0301\nZoé').map(r => r.problem)).toEqual([undefined, 'double'])
  })

  it('says from where on a list of 500 is too long', () => {
    const rows = readClassList(Array.from({ length: 500 }, (_, i) => `Name ${i}`).join('\n'))
    expect(rows.filter(r => r.problem === 'too-many')).toHaveLength(500 - MOST_STUDENTS)
  })

  it('shortens names for plates', () => {
    expect(shortName('Marlo Tern')).toBe('Marlo T.')
    expect(shortName('Inka de la Mer')).toBe('Inka M.')
    expect(shortName('Bo')).toBe('Bo')
  })
})

describe('codes and picture passwords', () => {
  it('never repeat a picture and come back the same from the same numbers', () => {
    for (let seed = 0; seed < 200; seed++) {
      const password = makePicturePassword(seeded(seed))
      expect(new Set(password).size).toBe(3)
      expect(makePicturePassword(seeded(seed))).toEqual(password)
    }
  })

  it('are read as students type them', () => {
    const code = makeClassCode(seeded(3))
    expect(tidyClassCode(` ${code.slice(0, 3).toLowerCase()}-${code.slice(3)} `)).toBe(code)
    expect(code).toMatch(/^[^AEIOU015LS]{7}$/)
  })
})

describe('canonical JSON', () => {
  it('is the same for equal documents, whatever the order of their members', () => {
    expect(canonicalJson({ b: [1, { d: null, c: 'é' }], a: undefined })).toBe('{"b":[1,{"c":"é","d":null}]}')
    expect(canonicalJson({ x: 1, y: 2 })).toBe(canonicalJson({ y: 2, x: 1 }))
    expect(() => canonicalJson({ x: NaN })).toThrow()
  })
})

describe('a word list', () => {
  it('has one word a line, tidied; what is too long or too much is counted, not hidden', () => {
    expect(readWordList(' limpet \n\n sea   star\nlimpet')).toEqual({ words: ['limpet', 'sea star', 'limpet'], cut: 0, left: 0 })
    expect(readWordList('a\nb\nc', 2)).toMatchObject({ words: ['a', 'b'], left: 1 })
    expect(readWordList('y'.repeat(300))).toMatchObject({ cut: 1 })
  })
})
