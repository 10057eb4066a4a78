import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { BoxSchema } from '../geometry/shape'
import { FileHashSchema } from './ids'
import { isWebAddress } from './webAddress'

/** A sound is heard, a film is also seen. */
const CLIP_KINDS = ['sound', 'film'] as const
export type ClipKind = (typeof CLIP_KINDS)[number]

/** Seconds. */
export const LONGEST_CLIP = 20 * 60
/** Seconds that a teacher can speak at the workbench in one go. */
export const LONGEST_RECORDING = 3 * 60
/** Bytes: some three minutes of film as a phone takes it, or an hour of speech. */
export const LARGEST_CLIP = 50 * 1024 * 1024
/** Clips of a page, and links of a page. */
export const MOST_CLIPS = 12
export const MOST_CUES = 500

const SecondsSchema = v.pipe(v.number(), v.minValue(0), v.maxValue(LONGEST_CLIP))

/** What is said from one moment to another, in seconds from the start. */
const CueSchema = v.pipe(
  v.object({ from: SecondsSchema, to: SecondsSchema, text: v.pipe(storedText(500), v.minLength(1)) }),
  v.check(({ from, to }) => to > from, 'A caption ends after it begins'),
)

/** A clip that students play where it stands, with the words beside it for whoever can't hear or see it. */
export const ClipSchema = v.object({
  id: v.pipe(storedText(40), v.minLength(1)),
  kind: v.picklist(CLIP_KINDS),
  file: FileHashSchema,
  ...BoxSchema.entries,
  seconds: SecondsSchema,
  name: storedText(120),
  /** What is said in it, or what there is to see. */
  words: v.optional(storedText(4000)),
  /** In order; they may overlap. */
  captions: v.optional(v.pipe(v.array(CueSchema), v.minLength(1), v.maxLength(MOST_CUES))),
  /** A picture of the film, to be seen before it is played. */
  poster: v.optional(FileHashSchema),
})

/** A card that leads out of the application, and says where to. */
export const LinkSchema = v.object({
  id: v.pipe(storedText(40), v.minLength(1)),
  ...BoxSchema.entries,
  address: v.pipe(storedText(2000), v.check(isWebAddress, 'Only addresses of the web lead anywhere')),
  name: storedText(120),
})

/** Words that the teacher has spoken. */
export const SpokenSchema = v.object({ file: FileHashSchema, seconds: SecondsSchema })

export type Cue = v.InferOutput<typeof CueSchema>
export type Clip = v.InferOutput<typeof ClipSchema>
export type Link = v.InferOutput<typeof LinkSchema>
export type Spoken = v.InferOutput<typeof SpokenSchema>
