import { createError } from 'h3'

/** Every refusal that a route can give; the message catalogue has words for each. */
export const STATUS_OF = {
  'bad-request': 400,
  'bad-board': 400,
  'bad-picture': 400,
  'bad-clip': 400,
  'bad-names': 400,
  'bad-name': 400,
  'signed-out': 401,
  'wrong-sign-in': 401,
  'wrong-pictures': 401,
  'not-yours': 403,
  'not-found': 404,
  'no-such-code': 404,
  'no-such-link': 404,
  'no-such-invitation': 404,
  'changed-elsewhere': 409,
  'not-now': 409,
  taken: 409,
  'put-away': 409,
  'no-students': 409,
  'empty-set': 409,
  past: 409,
  'due-before': 409,
  closed: 409,
  elsewhere: 409,
  'too-many': 409,
  'none-free': 409,
  'nothing-left': 409,
  full: 409,
  'no-room': 409,
  'not-yet': 409,
  'not-all-done': 409,
  'looked-at': 409,
  'talk-closed': 409,
  unproven: 409,
  'no-mail': 409,
  'no-records': 409,
  'records-away': 503,
  'records-odd': 502,
  'records-half': 502,
  'too-heavy': 422,
  'not-played': 422,
  unreadable: 500,
  trouble: 503,
  busy: 503,
  'too-big': 413,
  'too-long': 413,
  'too-many-pixels': 413,
  'too-often': 429,
} as const
export type HttpRefusal = keyof typeof STATUS_OF

/** An error that the client reads by its code. `detail` is for whoever reads the answer without the interface. */
export function refusal(code: HttpRefusal, detail = '') {
  return createError({ statusCode: STATUS_OF[code], statusMessage: code, data: { code, detail } })
}
