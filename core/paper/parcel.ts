/** How far a parcel is: a file that takes a while to pack, and is fetched when it is ready. */
export type ParcelStatus = 'waiting' | 'making' | 'ready' | 'failed'

/** A handout's slates on paper; all that a class has made, to be kept; all that a teacher has. */
export type ParcelKind = 'slates' | 'class' | 'everything'

/** A parcel as it stands in a list. */
export interface ParcelInList {
  readonly id: string
  readonly title: string
  readonly status: ParcelStatus
  /** So many of its parts are packed. */
  readonly done: number
  readonly of: number
  /** Of paper. */
  readonly sheets: number | null
  /** An ISO moment. */
  readonly askedAt: string
}
