/** How far a parcel is: a file that takes a while to pack and is fetched when it is ready, or to unpack. */
export type ParcelStatus = 'waiting' | 'making' | 'ready' | 'failed'

/** A handout's slates on paper; all that a class has made, to be kept; all that a teacher has. */
export type PackedKind = 'slates' | 'class' | 'everything'
/** *coming*: all that a teacher has, from elsewhere. */
export type ParcelKind = PackedKind | 'coming'

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

/** What is unpacked of a parcel that came, one after the other. */
export type ThingKind = 'board' | 'class' | 'rubric' | 'sentences'

/** How many of each have come out of a parcel by now, and how many couldn't be read. */
export interface CameOut {
  readonly boards: number
  readonly classes: number
  readonly slates: number
  readonly rubrics: number
  readonly unread: number
}
/** A parcel that came, as it stands in a list. */
export interface ComingInList extends Pick<ParcelInList, 'id' | 'status' | 'done' | 'of' | 'askedAt'> {
  readonly came: CameOut
}
