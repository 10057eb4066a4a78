import { refusal } from '../../http/refuse'

/** What isn't there is not there, in JSON; without this the page would answer. */
export default defineEventHandler(() => {
  throw refusal('not-found')
})
