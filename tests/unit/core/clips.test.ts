import { describe, expect, it } from 'vitest'
import { BoardSchema, checkBoard, readBoard, type Board } from '../../../core/board/board'
import { captionAt } from '../../../core/board/captionAt'
import { MOST_CLIPS, type Cue } from '../../../core/board/clip'
import { clipFilesOf, filesOf, withFiles } from '../../../core/board/files'
import { fixedOn } from '../../../core/board/fixed'
import { hostOf, isWebAddress, readWebAddress } from '../../../core/board/webAddress'
import type { FileHash, StepId } from '../../../core/board/ids'
import { addClip, addLink, changeClip, setSpoken } from '../../../core/design/clips'
import { clipOf, pasteClip } from '../../../core/design/clip'
import { allItemsOf, moveItems, removeItems } from '../../../core/design/items'
import { addStep } from '../../../core/design/steps'
import { turnItems } from '../../../core/design/turning'
import { readBoardFile, writeBoardFile } from '../../../core/format/boardFile'
import { playerBox, playingTime, signOf, someLines, wordsBox } from '../../../core/layout/clipCard'
import { preflight } from '../../../core/preflight/preflight'
import * as v from 'valibot'
import { pageId, shore } from '../../boards'

const hash = (letter: string) => letter.repeat(64) as FileHash
const stepId = (id: string) => id as StepId
const PAGE = pageId('page')
const film = (id = 'f') => ({
  id,
  kind: 'film' as const,
  file: hash('a'),
  seconds: 61.4,
  name: 'Low tide',
  poster: hash('b'),
  pixels: { width: 1920, height: 1080 },
})
const sound = (id = 's') => ({
  id,
  kind: 'sound' as const,
  file: hash('c'),
  seconds: 9,
  name: 'Gulls',
  pixels: { width: 0, height: 0 },
})
const withBoth = () =>
  addLink(addClip(addClip(shore(), PAGE, film()), PAGE, sound()), PAGE, {
    id: 'l',
    address: 'https://example.org/pools',
    name: 'Pools',
  })
const clips = (board: Board) => board.pages[0]!.backdrop.clips!

describe('clips and links on a page', () => {
  it("stand on the page with a film's proportions, and the board can be read", () => {
    const board = withBoth()
    expect(readBoard(JSON.parse(JSON.stringify(board)))).toEqual({ ok: true, value: board })
    const [f, s] = clips(board)
    expect(f!.width / f!.height).toBeCloseTo(16 / 9, 6)
    expect(f!.height).toBeLessThanOrEqual(board.pages[0]!.height * 0.45 + 1e-9)
    expect(s).not.toHaveProperty('poster')
    expect(
      fixedOn(board.pages[0]!.backdrop)
        .map(thing => thing.id)
        .slice(-3),
    ).toEqual(['f', 's', 'l'])
  })

  it('are no more than a page can have', () => {
    let board = shore()
    for (let i = 0; i < MOST_CLIPS + 3; i++)
      board = addLink(addClip(board, PAGE, sound(`s${i}`)), PAGE, {
        id: `l${i}`,
        address: 'https://example.org/',
        name: '',
      })
    expect(clips(board)).toHaveLength(MOST_CLIPS)
    expect(v.is(BoardSchema, board)).toBe(true)
  })

  it('are caught, moved, copied and taken away like all that is printed, and stay upright', () => {
    const board = withBoth()
    expect(
      allItemsOf(board, PAGE)
        .filter(item => item.kind === 'clip' || item.kind === 'link')
        .map(item => item.id),
    ).toEqual(['f', 's', 'l'])
    const moved = moveItems({ board, pageId: PAGE, ids: ['s'], dx: 30, dy: 20 })
    expect(clips(moved)[1]).toMatchObject({ x: clips(board)[1]!.x + 30, y: clips(board)[1]!.y + 20 })
    expect(turnItems(board, PAGE, new Set(['f', 'l']), 90)).toEqual(board)
    let n = 0
    const { board: pasted, ids } = pasteClip({
      board,
      pageId: PAGE,
      clip: clipOf(board, PAGE, new Set(['s', 'l'])),
      by: { dx: 8, dy: 8 },
      fresh: () => `n${++n}`,
    })
    expect(ids).toHaveLength(2)
    expect(checkBoard(pasted)).toBeNull()
    expect(clips(removeItems(pasted, PAGE, new Set(['f', 's', ...ids])))).toEqual([])
  })

  it('have ids that nothing else on the board has', () => {
    expect(checkBoard(addClip(withBoth(), PAGE, sound('f')))).toEqual({ code: 'twice', id: 'f' })
  })
})

describe('the files of a board', () => {
  const spoken = (board: Board) =>
    setSpoken(
      setSpoken(addStep(board, PAGE, stepId('one')), null, { file: hash('d'), seconds: 4 }),
      { page: PAGE, step: stepId('one') },
      { file: hash('e'), seconds: 5 },
    )

  it('are also its clips, their pictures and what is spoken', () => {
    const board = spoken(withBoth())
    expect(new Set(filesOf(board))).toEqual(new Set(['a', 'b', 'c', 'd', 'e'].map(hash)))
    expect(clipFilesOf(board)).toEqual(new Set(['a', 'c', 'd', 'e'].map(hash)))
  })

  it("leave nothing behind that can't be played when they are missing", () => {
    const { board, missing } = withFiles(
      spoken(withBoth()),
      new Map([
        [hash('a'), hash('f')],
        [hash('d'), hash('9')],
      ]),
    )
    expect(missing).toBe(3)
    expect(clips(board)).toMatchObject([{ id: 'f', file: hash('f') }])
    expect(clips(board)[0]).not.toHaveProperty('poster')
    expect(board.spoken).toEqual({ file: hash('9'), seconds: 4 })
    expect(board.pages[0]!.steps![0]).not.toHaveProperty('spoken')
    expect(checkBoard(board)).toBeNull()
  })

  it('travel in a board file, clips too; a file of before has none', () => {
    const file = {
      board: withBoth(),
      pictures: {},
      clips: { [hash('c')]: { mediaType: 'audio/wav' as const, base64: 'aGk=' } },
    }
    expect(readBoardFile(JSON.parse(writeBoardFile(file)))).toEqual({ ok: true, value: file })
    expect(JSON.parse(writeBoardFile({ ...file, clips: {} }))).not.toHaveProperty('clips')
  })

  it('are no longer spoken when the recording is taken away', () => {
    const board = setSpoken(setSpoken(spoken(shore()), null, null), { page: PAGE, step: stepId('one') }, null)
    expect(filesOf(board)).toEqual([])
  })
})

// WebVTT (W3C), 2.1 and 6.4: a cue is shown from its start time on, until before its end time; cues may overlap.
describe('captions', () => {
  const cues: Cue[] = [
    { from: 0, to: 2, text: 'The tide goes out.' },
    { from: 1.5, to: 3, text: 'Look.' },
    { from: 5, to: 6, text: 'It comes back.' },
  ]
  it('stand from their beginning until before their end, together where they overlap', () => {
    expect([0, 1.5, 2, 2.999, 3, 4, 5, 6].map(at => captionAt(cues, at))).toEqual([
      'The tide goes out.',
      'The tide goes out.\nLook.',
      'Look.',
      'Look.',
      null,
      null,
      'It comes back.',
      null,
    ])
    expect(captionAt([], 1)).toBeNull()
  })

  it('end after they begin, or the board is refused', () => {
    const wrong = changeClip(withBoth(), PAGE, 's', clip => ({ ...clip, captions: [{ from: 3, to: 3, text: 'x' }] }))
    expect(readBoard(wrong)).toMatchObject({ ok: false, reason: { code: 'schema' } })
  })
})

describe('what leads out', () => {
  it('is an address of the web and nothing else', () => {
    for (const good of ['https://example.org/', 'http://a.example:8080/x?y#z', 'https://xn--mller-kva.example/'])
      expect(isWebAddress(good), good).toBe(true)
    for (const bad of [
      'javascript:alert(1)',
      'data:text/html,x',
      'file:///etc/passwd',
      'https://bank.example@elsewhere.example/',
      'https:///x',
      'https://a b.example/',
      'ftp://a.example/',
      'https://-a.example/',
      ' https://a.example/',
      'https://exämple.org/',
    ]) {
      expect(isWebAddress(bad), bad).toBe(false)
    }
  })

  // RFC 3492, 7.1, and the URL standard: hosts are written out in ASCII ("bücher" is the standard's own example for
  // IDNA).
  it('is written out as a browser does it, from what people type', () => {
    expect(readWebAddress('example.org')).toBe('https://example.org/')
    expect(readWebAddress('  HTTP://Example.ORG/Rock pools'.replace(' pools', '%20pools'))).toBe(
      'http://example.org/Rock%20pools',
    )
    expect(readWebAddress('example.org:8080/x')).toBe('https://example.org:8080/x')
    expect(readWebAddress('https://bücher.example/')).toBe('https://xn--bcher-kva.example/')
    for (const none of [
      '',
      'rock pools',
      'javascript:alert(1)',
      'mailto:a@b.example',
      'https://user:pw@b.example/',
      'localhost',
      'x'.repeat(2100),
      'https://',
    ])
      expect(readWebAddress(none), none).toBeNull()
  })

  it('says where to, without the letters that say nothing', () => {
    expect(hostOf('https://www.example.org:8080/x')).toBe('example.org')
    expect(hostOf('no address')).toBe('')
  })
})

describe("a clip's card", () => {
  it('has its sign inside, and its words beside it', () => {
    const things = [...clips(withBoth()), withBoth().pages[0]!.backdrop.links![0]!]
    for (const thing of things) {
      const { middle, radius } = signOf(thing)
      expect(middle.x - radius).toBeGreaterThanOrEqual(thing.x)
      expect(middle.y + radius).toBeLessThanOrEqual(thing.y + thing.height)
      const box = wordsBox(thing)
      expect(box.x + box.width).toBeLessThanOrEqual(thing.x + thing.width + 1e-9)
    }
  })

  it('shortens a name that has no room, and never grows', () => {
    expect(someLines('Gulls', 200, 18, 1)).toEqual(['Gulls'])
    const long = someLines('What the gulls on the harbour wall are quarrelling about', 120, 18, 2)
    expect(long).toHaveLength(2)
    expect(long[1]).toMatch(/…$/)
  })

  it('says how long it is', () => {
    expect([0, 9, 59.6, 61.4, 600].map(playingTime)).toEqual(['0:00', '0:09', '1:00', '1:01', '10:00'])
  })

  it('is played in a box large enough for its controls, held in the room there is', () => {
    expect(
      playerBox(
        { x: 900, y: 10, width: 60, height: 30 },
        { width: 300, height: 200 },
        { x: 0, y: 0, width: 960, height: 480 },
      ),
    ).toEqual({ x: 660, y: 0, width: 300, height: 200 })
    expect(
      playerBox(
        { x: 0, y: 0, width: 50, height: 50 },
        { width: 300, height: 200 },
        { x: 0, y: 0, width: 250, height: 125 },
      ),
    ).toEqual({ x: 0, y: 0, width: 250, height: 125 })
    // A page that is pushed about: only some of it is in sight.
    expect(
      playerBox(
        { x: 10, y: 10, width: 60, height: 30 },
        { width: 300, height: 200 },
        { x: 100, y: 40, width: 340, height: 260 },
      ),
    ).toEqual({ x: 100, y: 40, width: 300, height: 200 })
  })
})

describe('preflight', () => {
  const rules = (board: Board) => preflight(board).map(finding => finding.rule)
  it('warns of what is only heard or seen, until its words stand beside it', () => {
    const board = withBoth()
    expect(preflight(board).find(finding => finding.rule === 'without-words')).toMatchObject({
      severity: 'warning',
      subjects: ['f', 's'],
      words: { count: 2 },
    })
    const worded = changeClip(
      changeClip(board, PAGE, 's', clip => ({ ...clip, words: 'Gulls call.' })),
      PAGE,
      'f',
      clip => ({ ...clip, captions: [{ from: 0, to: 1, text: 'Waves.' }] }),
    )
    expect(rules(worded)).not.toContain('without-words')
    expect(rules(changeClip(worded, PAGE, 's', clip => ({ ...clip, words: '  ' })))).toContain('without-words')
  })

  it('warns of instructions that are only spoken', () => {
    const board = setSpoken({ ...shore(), instructions: '' }, null, { file: hash('d'), seconds: 4 })
    expect(rules(board)).toContain('only-spoken')
    expect(rules({ ...board, instructions: 'Sort them.' })).not.toContain('only-spoken')
  })
})
