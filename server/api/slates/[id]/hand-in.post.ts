import * as v from 'valibot'
import { storedText } from '../../../../core/text/storedText'
import { requireRightOnSlate } from '../../../http/onSlate'
import { LARGEST } from '../../../../core/contract/sizes'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { handIn } from '../../../usecases/openness'

const BodySchema = v.object({ word: v.optional(storedText(500)) })

export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnSlate(event, 'slate.hand-in')
  const { word } = await readJson(event, BodySchema, LARGEST.anybody)
  const done = await handIn(all, id, actor.id, word)
  if (!done.ok) throw done.reason === 'not-all-done' ? refusal('not-all-done') : refusal('not-now', done.reason)
  // Whoever reviews it finds it marked.
  void all.outcomes.ahead(id)
  return { status: done.value }
})
