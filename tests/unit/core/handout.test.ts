import fc from 'fast-check'
import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { daysUntil, dueMoment, dueOfSeries, isZone } from '../../../core/handout/due'
import { HandoutSettingsSchema } from '../../../core/handout/settings'
import { suggestMode } from '../../../core/handout/suggest'
import { leafPath, LEAVES, markOf, MOST_GROUPS, colourOf, GROUP_COLOURS } from '../../../core/groups/marks'
import { ORGANIZERS } from '../../../core/organizers/organizers'
import { boardOf } from '../../../core/organizers/plan'
import { DaySchema } from '../../../core/roster/day'
import { hex } from 'wcag-contrast'
import { keyId, pageId, pieceId, placeId, shore } from '../../boards'

describe('a series', () => {
  it('is due as long after each of its days as after the first, also over the change of clocks and at the end of a year', () => {
    expect(dueOfSeries({ day: '2026-03-27', time: '09:00' }, { day: '2026-03-25' }, { day: '2026-04-01' })).toEqual({
      day: '2026-04-03',
      time: '09:00',
    })
    expect(dueOfSeries({ day: '2026-12-30' }, { day: '2026-12-28' }, { day: '2027-01-04' })).toEqual({
      day: '2027-01-06',
    })
    expect(dueOfSeries({ day: '2026-02-26' }, { day: '2026-02-26' }, { day: '2026-02-26' })).toEqual({
      day: '2026-02-26',
    })
  })
})

describe('a due day', () => {
  // Changes of summer time from the IANA time zone database: Europe/London on 29 March and 25 October 2026, at 01:00
  // UTC.
  it.each([
    ['Europe/London', '2026-03-28', undefined, '2026-03-28T23:59:59.000Z'],
    ['Europe/London', '2026-03-29', undefined, '2026-03-29T22:59:59.000Z'],
    ['Europe/London', '2026-03-29', '01:30', '2026-03-29T01:30:00.000Z'],
    ['Europe/London', '2026-10-25', '01:30', '2026-10-25T00:30:00.000Z'],
    ['Europe/London', '2026-10-25', undefined, '2026-10-25T23:59:59.000Z'],
    ['America/New_York', '2026-07-01', '08:00', '2026-07-01T12:00:00.000Z'],
    ['Asia/Kathmandu', '2026-07-01', '08:00', '2026-07-01T02:15:00.000Z'],
    ['No/Such_Place', '2026-07-01', '08:00', '2026-07-01T08:00:00.000Z'],
  ])('in %s on %s at %s is %s', (zone, day, time, moment) =>
    expect(dueMoment({ day, ...(time && { time }) }, zone).toISOString()).toBe(moment),
  )
  it('is so many days from now as calendars there count, also across a change', () => {
    const now = new Date('2026-03-28T23:30:00Z')
    expect(
      ['Europe/London', 'Europe/Athens', 'America/New_York'].map(zone => daysUntil({ day: '2026-03-30' }, zone, now)),
    ).toEqual([2, 1, 2])
    expect(daysUntil({ day: '2026-03-01' }, 'Europe/London', now)).toBe(-27)
  })
  it('comes in order, whatever the zone', () => {
    const days = fc
      .date({ min: new Date('2020-01-01'), max: new Date('2035-01-01'), noInvalidDate: true })
      .map(d => d.toISOString().slice(0, 10))
    fc.assert(
      fc.property(
        days,
        days,
        fc.constantFrom('Europe/London', 'Australia/Lord_Howe', 'Pacific/Apia', 'America/St_Johns'),
        (a, b, zone) => {
          expect(isZone(zone)).toBe(true)
          expect(Math.sign(dueMoment({ day: a }, zone).getTime() - dueMoment({ day: b }, zone).getTime())).toBe(
            Math.sign(a.localeCompare(b)),
          )
        },
      ),
    )
  })
  it('is one that a calendar has', () => {
    const is = (day: string) => v.safeParse(DaySchema, day).success
    expect(['2026-02-28', '2024-02-29', '2026-02-29', '2026-13-01', '2026-00-10', '26-01-01', ''].map(is)).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
      false,
    ])
    expect(v.safeParse(HandoutSettingsSchema, { due: { day: '2026-03-02', time: '24:00' } }).success).toBe(false)
  })
})

describe('how a board asks to be given out', () => {
  const base = shore()
  it('by its parts, its votes, its notes, its key', () => {
    expect(suggestMode(base)).toEqual({ mode: 'copy-each', because: 'usual' })
    const withPart = {
      ...base,
      pages: base.pages.map(page => ({
        ...page,
        places: page.places.map((place, i) => (i ? place : { ...place, part: 2 })),
      })),
    }
    expect(suggestMode(withPart as typeof base)).toEqual({ mode: 'frame-per-group', because: 'parts' })
    const sort = {
      kind: 'sort' as const,
      id: keyId('k'),
      page: pageId('page'),
      homes: { [pieceId('c0')]: [placeId('z0')] },
    }
    expect(suggestMode({ ...base, keys: [sort] })).toEqual({ mode: 'copy-each', because: 'key' })
    expect(suggestMode({ ...base, keys: [{ kind: 'vote', id: keyId('v') } as never] })).toEqual({
      mode: 'one-for-everyone',
      because: 'vote',
    })
    // One token is one voice: on one board for all it would be the class's.
    const alone = { ...base, pages: base.pages.map(page => ({ ...page, pieces: page.pieces.slice(0, 1) })) }
    const vote = { kind: 'vote', id: keyId('v') } as never
    expect(suggestMode({ ...alone, keys: [vote] })).toEqual({ mode: 'copy-each', because: 'voice' })
    const bin = alone.pages.map(page => ({
      ...page,
      pieces: page.pieces.map(piece => ({ ...piece, bin: true as const })),
    }))
    expect(suggestMode({ ...alone, pages: bin, keys: [vote] })).toEqual({ mode: 'one-for-everyone', because: 'vote' })
    const empty = { ...base, pages: base.pages.map(page => ({ ...page, pieces: [] })), tools: ['note' as const] }
    expect(suggestMode(empty)).toEqual({ mode: 'one-for-everyone', because: 'notes' })
    // Where there is room to write, thirty on one sheet would write over each other.
    const { shape } = base.pages[0]!.places[0]!
    const writing = {
      kind: 'writing' as const,
      id: placeId('w'),
      heading: 'Why?',
      lines: 'many' as const,
      textSize: 18,
    }
    const sheet = empty.pages.map(page => ({ ...page, places: [{ ...writing, shape } as never] }))
    expect(suggestMode({ ...empty, pages: sheet })).toEqual({ mode: 'copy-each', because: 'usual' })
    expect(suggestMode({ ...base, keys: [{ kind: 'vote', id: keyId('v') } as never, sort] })).toEqual({
      mode: 'copy-each',
      because: 'key',
    })
  })
  it('says something of every organizer', () => {
    for (const organizer of ORGANIZERS) expect(suggestMode(boardOf(organizer)).mode).toBeTruthy()
  })
})

describe('marks of groups', () => {
  it('are all different, drawn, and stand out from chalk at 3 : 1 (WCAG 2.2, 1.4.11)', () => {
    const marks = Array.from({ length: MOST_GROUPS }, (_, i) => markOf(i))
    expect(new Set(marks).size).toBe(MOST_GROUPS)
    for (const leaf of LEAVES) expect(leafPath(leaf)).toMatch(/^M.*Z$/)
    for (const colour of GROUP_COLOURS) expect(hex(colour, '#fbf9f3')).toBeGreaterThanOrEqual(3)
    // Neighbours differ in colour too.
    marks.slice(1).forEach((mark, i) => expect(colourOf(mark)).not.toBe(colourOf(marks[i]!)))
  })
})
