import { markSlate } from '../../core/keys/mark'
import { seeded } from '../../core/layout/random'
import { emptySlate, type SlateState } from '../../core/slate/state'
import { largeSort, strewn } from './largeSort'
import { ms, time, type Line } from './measure'

const SLATES = 1000
const PIECES = 60
const ZONES = 12

/** Marking every slate of a large handout, against a loop that only reads the same positions. */
export async function scoring(): Promise<Line[]> {
  const random = seeded(1)
  const { page, edition } = largeSort(PIECES, ZONES)
  const slates: SlateState[] = Array.from({ length: SLATES }, () => ({ ...emptySlate, pieces: strewn(page, random) }))
  let sum = 0
  const floor = await time(15, () => {
    for (const { pieces } of slates) for (const { id } of page.pieces) sum += pieces[id]!.x + pieces[id]!.y
  })
  const measured = await time(7, () => {
    for (const slate of slates) sum += markSlate(slate, edition)[0]!.points
  })
  if (!Number.isFinite(sum)) throw new Error('nothing was read')
  return [
    {
      what: `marking ${SLATES} slates of ${PIECES} pieces on ${ZONES} zones`,
      measured: ms(measured),
      floor: `reading the same positions ${ms(floor)}`,
      ratio: measured / floor,
    },
  ]
}
