import { shuffled, type Random } from '../layout/random'

export const SHARE_BY = ['number', 'size', 'random'] as const
/** Counted off over all frames; frame after frame filled up to a size; counted off in an order that chance makes. */
export type ShareBy = (typeof SHARE_BY)[number]

export interface SharedOut<Student, Frame> {
  readonly student: Student
  readonly frame: Frame
}

/**
 * Who comes onto which of the frames that are there, `there` being how many work on each already. By number and at
 * random each goes where fewest are; by size each to the first frame that has fewer than that, and where fewest are
 * once all have. Of frames alike the first. Nobody is shared out where there is no frame.
 */
export function shareOut<Student, Frame>({
  students,
  frames,
  by,
  size,
  random,
}: {
  readonly students: readonly Student[]
  readonly frames: readonly { readonly frame: Frame; readonly there: number }[]
  readonly by: ShareBy
  readonly size: number
  readonly random: Random
}): SharedOut<Student, Frame>[] {
  if (frames.length === 0) return []
  const now = frames.map(one => ({ ...one }))
  const fewest = () => now.reduce((least, one) => (one.there < least.there ? one : least))
  return (by === 'random' ? shuffled(students, random) : students).map(student => {
    const to = (by === 'size' && now.find(one => one.there < size)) || fewest()
    to.there++
    return { student, frame: to.frame }
  })
}
