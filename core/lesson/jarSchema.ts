import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { LONGEST_QUESTION } from './jar'

export const JarSchema = v.strictObject({ open: v.boolean(), named: v.boolean() })

/** The id is made by who asks, so that what is sent twice stands there once. */
export const AskedSchema = v.strictObject({
  id: v.pipe(v.string(), v.uuid(), v.toLowerCase()),
  words: v.pipe(storedText(LONGEST_QUESTION), v.trim(), v.minLength(1)),
})
export type Asked = v.InferOutput<typeof AskedSchema>

export const VoteSchema = v.strictObject({ vote: v.picklist([1, 0, -1]) })

export const QuestionChangeSchema = v.strictObject({
  hidden: v.optional(v.boolean()),
  answered: v.optional(v.boolean()),
})
