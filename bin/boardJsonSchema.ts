import { toJsonSchema } from '@valibot/to-json-schema'
import { BoardSchema } from '../core/board/board'

/**
 * Checks that JSON Schema can't say (unique ids, references, exact quantities) are left out; `docs/formats` names them.
 */
export function boardJsonSchema(): string {
  return `${JSON.stringify(toJsonSchema(BoardSchema, { errorMode: 'ignore' }), null, 1)}\n`
}
