import { describe, expect, it } from 'vitest'
import { partOf } from '../../../server/http/range'

// RFC 9110, 14.1.2: its examples are of a representation of 10,000 bytes.
describe('a part that is asked for', () => {
  it("is what the standard's examples say", () => {
    expect(partOf('bytes=0-499', 10_000)).toEqual({ first: 0, last: 499 })
    expect(partOf('bytes=500-999', 10_000)).toEqual({ first: 500, last: 999 })
    expect(partOf('bytes=-500', 10_000)).toEqual({ first: 9500, last: 9999 })
    expect(partOf('bytes=9500-', 10_000)).toEqual({ first: 9500, last: 9999 })
    expect(partOf('bytes=0-0', 10_000)).toEqual({ first: 0, last: 0 })
    // "the last byte only"
    expect(partOf('bytes=-1', 10_000)).toEqual({ first: 9999, last: 9999 })
  })

  it('ends where the whole ends, and a suffix longer than it is all of it', () => {
    expect(partOf('bytes=9000-20000', 10_000)).toEqual({ first: 9000, last: 9999 })
    expect(partOf('bytes=-20000', 10_000)).toEqual({ first: 0, last: 9999 })
  })

  it('is outside where nothing of it is there (14.1.2, 15.5.17)', () => {
    expect(partOf('bytes=10000-', 10_000)).toBe('outside')
    expect(partOf('bytes=20000-20001', 10_000)).toBe('outside')
    expect(partOf('bytes=-0', 10_000)).toBe('outside')
    expect(partOf('bytes=-5', 0)).toBe('outside')
  })

  it('is all of it where the header says nothing that can be followed', () => {
    for (const header of [
      undefined,
      '',
      'bytes=',
      'bytes=-',
      'bytes=a-b',
      'lines=1-2',
      'bytes=0-1,5-6',
      'bytes=9-3',
      `bytes=${'9'.repeat(40)}-`,
    ])
      expect(partOf(header, 10_000), header).toBe('whole')
  })
})
