/**
 * Measures what the project says of its speed, as ratios against a floor of the same run, and writes bench/RESULTS.md.
 * bin/bench starts the database and builds first.
 */
import { writeFileSync } from 'node:fs'
import { cpus, totalmem } from 'node:os'
import { startApplication } from '../application'
import { createDatabase } from '../database'
import { connect } from '../../server/database/connect'
import { migrate } from '../../server/database/migrate'
import { inFrames } from './frames'
import { givingOut } from './givingOut'
import { roundTrip } from './roundTrip'
import { scoring } from './scoring'
import { studentScript } from './script'
import { atTheWorkbench } from './workbench'

const { url, drop } = await createDatabase()
const { db } = connect(url)
await migrate(db)
await db.destroy()
const application = await startApplication(url)
const lines = [...await scoring(), ...await inFrames(), ...await givingOut(url), ...await roundTrip(application, url), ...await studentScript(application), ...await atTheWorkbench(application)]
await application.stop()
await drop()

const machine = `${cpus().length} × ${cpus()[0]?.model.trim() ?? 'unknown processor'}, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}, PostgreSQL on the same machine`
const report = [
  '# Measured', '', 'By `npm run bench`. The ratio is what counts: what was measured, divided by a floor measured in the same run.', '',
  `Machine: ${machine}. Date: ${new Date().toISOString().slice(0, 10)}.`, '',
  '| what | measured | floor | ratio |', '|---|---|---|---|',
  ...lines.map(l => `| ${l.what} | ${l.measured} | ${l.floor} | ${l.ratio.toFixed(2)} |`), '',
].join('\n')
writeFileSync('bench/RESULTS.md', report)
console.log(report)
