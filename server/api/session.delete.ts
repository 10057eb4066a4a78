import { endSession } from '../http/session'

export default defineEventHandler(async event => {
  await endSession(event)
  return { done: true }
})
