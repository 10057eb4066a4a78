import { readdirSync, readFileSync } from 'node:fs'
import type { Board } from '../core/board/board'

const FOLDER = 'docs/formats/examples'
/** The documented boards, one of each kind. */
export const examples = readdirSync(FOLDER)
  .filter(f => f.endsWith('.board.json'))
  .map(file => ({ file, board: JSON.parse(readFileSync(`${FOLDER}/${file}`, 'utf8')) as Board }))
