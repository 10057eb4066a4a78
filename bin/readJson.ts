import { readFileSync } from 'node:fs'
import { readBoard, type Board } from '../core/board/board'

/** Says in one line what is wrong, and ends with 2. */
export function fail(message: string): never {
  process.stderr.write(`${message.replace(/\s+/g, ' ')}\n`)
  process.exit(2)
}

export function readJson(file: string | undefined, usage: string): unknown {
  if (!file) fail(`usage: ${usage}`)
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as unknown
  } catch (error) {
    return fail(`${file}: ${error instanceof SyntaxError ? 'is not JSON' : "can't be read"}`)
  }
}

export function readBoardFile(file: string | undefined, usage: string): Board {
  const read = readBoard(readJson(file, usage))
  if (read.ok) return read.value
  const { reason } = read
  return fail(
    `${file}: not a board: ${reason.code === 'schema' ? `${reason.path}: ${reason.detail}` : `${reason.code} ${reason.id}`}`,
  )
}
