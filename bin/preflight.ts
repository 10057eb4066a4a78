/**
 * `npm run --silent preflight -- BOARD.json`: prints what will go wrong on a board, the most serious first, as JSON.
 */
import { foundOn } from '../core/preflight/preflight'
import { readBoardFile } from './readJson'

const board = readBoardFile(process.argv[2], 'npm run --silent preflight -- BOARD.json')
console.log(JSON.stringify(foundOn(board), null, 2))
