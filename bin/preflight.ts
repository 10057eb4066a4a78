/** `npm run --silent preflight -- BOARD.json`: prints what will go wrong on a board, the most serious first, as JSON. */
import { preflight } from '../core/preflight/preflight'
import { readBoardFile } from './readJson'

const board = readBoardFile(process.argv[2], 'npm run --silent preflight -- BOARD.json')
const findings = preflight(board).map(({ fix, ...finding }) => ({ ...finding, fix: fix?.code ?? null }))
console.log(JSON.stringify(findings, null, 2))
