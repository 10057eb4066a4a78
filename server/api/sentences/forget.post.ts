import * as v from 'valibot'
import { storedText } from '../../../core/text/storedText'
import { LONGEST_NOTE } from '../../../core/margin/item'
import { readJson } from '../../http/read'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { forgetSentence } from '../../usecases/sentences'

const BodySchema = v.strictObject({ words: storedText(LONGEST_NOTE) })

/** A sentence isn't offered any more. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const { words } = await readJson(event, BodySchema)
  await forgetSentence((await services()).db, teacher.id, words)
  return {}
})
