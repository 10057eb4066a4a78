import * as v from 'valibot'
import { storedText } from '../../../core/text/storedText'
import { shippedLibrary } from '../../files/shippedLibrary'
import { queryAs } from '../../http/read'
import { requireSomebody } from '../../http/session'

const MOST = 60
const Query = v.object({ q: storedText(60) })

export default defineEventHandler(async event => {
  await requireSomebody(event)
  const { q } = queryAs(event, Query)
  return (await shippedLibrary()).search(q, MOST)
})
