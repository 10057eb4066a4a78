import { createError } from 'h3'
import { STATUS_OF, type HttpRefusal } from '../../core/contract/refusals'

/** An error that the client reads by its code. `detail` is for whoever reads the answer without the interface. */
export function refusal(code: HttpRefusal, detail = '') {
  return createError({ statusCode: STATUS_OF[code], statusMessage: code, data: { code, detail } })
}
