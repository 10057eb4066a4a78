import { allFindings, type FindingsData } from '../../core/findings/findings'
import { scoresOf } from '../../core/findings/scores'
import { outcomesOf } from '../../core/keys/outcomes'
import { seeded } from '../../core/layout/random'
import { emptySlate } from '../../core/slate/state'
import { largeSort, strewn } from './largeSort'
import { ms, time, type Line } from './measure'

const SLATES = 1000
const PIECES = 30
const ZONES = 6
const PROMISED_MS = 1000

/** Findings of a large handout as the worker has them: everything is known but what they say together. */
export async function findings(): Promise<Line[]> {
  const random = seeded(3)
  const { plain, page, edition } = largeSort(PIECES, ZONES)
  const marked = Array.from({ length: SLATES }, (_, i) => {
    const pieces = strewn(page, random)
    return {
      slate: `s${i}`,
      ...outcomesOf({ ...emptySlate, pieces }, edition, { number: 1, edition: '' }),
      decisions: {},
    }
  })
  const data: FindingsData = {
    board: edition.board,
    slates: marked.map(({ slate }) => ({ slate, name: slate, group: null, status: 'handed-in' })),
    scores: scoresOf(marked),
    lies: marked.map(one => one.lies),
    headings: marked.map(() => ({})),
    orders: [],
    before: scoresOf(marked.slice(0, SLATES / 2)),
    puts: marked.flatMap(({ slate }) => page.pieces.map(({ id }) => ({ slate, piece: id, seconds: random() * 600 }))),
  }
  const measured = await time(7, () => void allFindings(data))
  const open = await time(3, () => void allFindings({ ...data, board: plain }))
  return [
    { what: `findings of ${SLATES} slates of ${PIECES} pieces, all of them`, said: measured },
    { what: 'the same of an open sort, its tree included', said: open },
  ].map(({ what, said }) => ({
    what,
    measured: ms(said),
    floor: `promised ${ms(PROMISED_MS)}`,
    ratio: said / PROMISED_MS,
  }))
}
