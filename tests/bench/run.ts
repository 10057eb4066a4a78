/**
 * Measures what the project says of its speed, as ratios against a floor of the same run, and writes bench/RESULTS.md.
 * bin/bench starts the database and builds first.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { cpus, totalmem } from 'node:os'
import { startApplication } from '../application'
import { createDatabase } from '../database'
import { connect } from '../../server/database/connect'
import { migrate } from '../../server/database/migrate'
import { inFrames } from './frames'
import { framesAtWork } from './framesAtWork'
import { givingOut } from './givingOut'
import { growth } from './growth'
import { memory } from './memory'
import { pencilsDown } from './pencils'
import { underLoad } from './roundTrip'
import { asBuilt } from './asBuilt'
import type { Line } from './measure'
import { papers } from './papers'
import { reviewing } from './reviewing'
import { studentScript } from './script'
import { atTheSlate } from './slate'
import { takingUp } from './takingUp'
import { tenTeachers, walkRound } from './walkRound'
import { atTheWorkbench } from './workbench'

const databases = await Promise.all([createDatabase(), createDatabase(), createDatabase()])
for (const { url } of databases) {
  const { db, close } = connect(url)
  await migrate(db)
  await close()
}
const [{ url }, ...empty] = databases as [
  (typeof databases)[number],
  (typeof databases)[number],
  (typeof databases)[number],
]
const [application, second] = [await startApplication(url), await startApplication(url)]
const measures: [string, () => Promise<Line[]>][] = [
  ['load', () => underLoad(application, second, url)],
  ['frames of four', () => framesAtWork(application, url)],
  ['pencils', () => pencilsDown(application, url)],
  ['walk-round', () => walkRound(application)],
  ['ten teachers', () => tenTeachers(application, url)],
  ['growth', () => growth([empty[0].url, empty[1].url])],
  ['giving out', () => givingOut(url)],
  ['memory', () => memory(application)],
  ['taking up', () => takingUp(application)],
  ['scoring', async () => (await asBuilt<typeof import('./scoring')>('scoring.ts')).scoring()],
  ['findings', async () => (await asBuilt<typeof import('./findings')>('findings.ts')).findings()],
  ['papers', papers],
  ['frames', inFrames],
  ['script', () => studentScript(application)],
  ['workbench', () => atTheWorkbench(application)],
  ['slate', () => atTheSlate(application)],
  ['reviewing', () => reviewing(application)],
]
const only = process.env.ONLY?.split(',')
const lines: Line[] = []
for (const [name, measure] of measures)
  if (!only || only.includes(name)) {
    const made = await measure()
    lines.push(...made)
    for (const line of made) console.log(`${line.what}: ${line.measured}, ${line.floor}, ${line.ratio.toFixed(2)}`)
  }
await Promise.all([application.stop(), second.stop()])
for (const { drop } of databases) await drop()

const machine = `${cpus().length} × ${cpus()[0]?.model.trim() ?? 'unknown processor'}, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}, PostgreSQL on the same machine`
const report = [
  '# Measured',
  '',
  'By `npm run bench`. The ratio is what counts: what was measured, divided by a floor measured in the same run.',
  '',
  `Machine: ${machine}. Date: ${new Date().toISOString().slice(0, 10)}.`,
  '',
  '| what | measured | floor | ratio |',
  '|---|---|---|---|',
  ...lines.map(l => `| ${l.what} | ${l.measured} | ${l.floor} | ${l.ratio.toFixed(2)} |`),
  '',
  readFileSync('bench/not-reached.md', 'utf8'),
].join('\n')
if (!only) writeFileSync('bench/RESULTS.md', report)
console.log(report)
