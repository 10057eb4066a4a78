import * as v from 'valibot'

/** Who hands a frame in: any member, or whoever does it once all have said that they are done. */
const HAND_IN_BY = ['anyone', 'all-done'] as const

/** Whether students may change what others wrote: as is usual on such a slate, or said by the teacher. */
const CHANGE_OTHERS = ['as-usual', 'nobody', 'everybody'] as const

/**
 * What students may do around their work. All of it can be changed while they work; what isn't said is as it is here,
 * so that a rule that comes later is off for what was given out before.
 */
export const RulesSchema = v.object({
  handInBy: v.optional(v.picklist(HAND_IN_BY), 'anyone'),
  /**
   * Members of a frame, or the class on one board, write to each other beside the page; the teacher reads along. Where
   * each has a slate, each writes to the teacher.
   */
  talk: v.optional(v.boolean(), false),
  /** What is handed in can be taken back by its student until it is looked at. */
  takeBack: v.optional(v.boolean(), false),
  /** Students' pictures are seen by others only once the teacher has let them through. */
  approve: v.optional(v.boolean(), false),
  /** Once it is handed in, students may begin again from what they have; the first is kept beside it. */
  secondTry: v.optional(v.boolean(), false),
  /** Notes that somebody else wrote: on a class board nobody changes them, in a frame its members do. */
  changeOthers: v.optional(v.picklist(CHANGE_OTHERS), 'as-usual'),
  /** A part of a frame that nobody has stays nobody's; else all of the group work in it. */
  keepParts: v.optional(v.boolean(), false),
})
export type Rules = v.InferOutput<typeof RulesSchema>
