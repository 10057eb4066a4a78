import * as v from 'valibot'
import { storedText } from '../../core/text/storedText'
import { LARGEST } from '../../core/contract/sizes'
import { readJson } from '../http/read'
import { requireTeacher } from '../http/session'
import { soundsOf } from '../sound/dictionary'

const Words = v.object({ words: v.pipe(v.array(storedText(60)), v.maxLength(3000)) })

/**
 * How words are said; those that the dictionary doesn't know are left out. Too large to send to a browser as a whole.
 */
export default defineEventHandler(async event => {
  await requireTeacher(event)
  const { words } = await readJson(event, Words, LARGEST.list)
  return { sounds: [...(await soundsOf([...new Set(words)]))] }
})
