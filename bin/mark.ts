/** `npm run --silent mark -- BOARD.json WORK.json`: marks a file without the application and prints JSON. */
import { makeEdition } from '../core/board/edition'
import { readWork } from '../core/format/work'
import { reportOn } from '../core/format/report'
import { fail, readBoardFile, readJson } from './readJson'

const USAGE = 'npm run --silent mark -- BOARD.json WORK.json'
const [boardFile, workFile] = process.argv.slice(2)
const edition = makeEdition(readBoardFile(boardFile, USAGE))
const work = readWork(readJson(workFile, USAGE), edition)
if (!work.ok) fail(`${workFile}: not work on this board: ${work.reason}`)
console.log(JSON.stringify(reportOn(work.value, edition), null, 2))
