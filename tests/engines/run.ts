import { startApplication, type Application } from '../application'
import { createDatabase } from '../database'
import { firefox } from './firefox'
import { PARTS } from './walk'
import { webkit } from './webkit'

/**
 * The loop of teacher and student in the engines of other browsers: `npm run engines`, or its short form with
 * `--short`; `--only=firefox` and `--about=WORDS` choose. The last line is "passed failed".
 */
const short = process.argv.includes('--short')
const named = (name: string) => process.argv.find(one => one.startsWith(`--${name}=`))?.slice(`--${name}=`.length)
const [only, about] = [named('only'), named('about')]
const { url, drop } = await createDatabase()
let application: Application = await startApplication(url)
const port = Number(new URL(application.address).port)
const stage = {
  application: () => application,
  gone: () => application.stop('SIGKILL'),
  back: async () => void (application = await startApplication(url, port)),
}
let [passed, failed] = [0, 0]
for (const start of [firefox, webkit]) {
  const engine = await start()
  if (!only || engine.name.toLowerCase() === only)
    for (const part of PARTS.filter(one => (one.short || !short) && (!about || one.name.includes(about)))) {
      const begun = Date.now()
      const trouble = await part.walk(engine, stage).then(
        () => null,
        (error: unknown) => error,
      )
      console.log(
        `  ${trouble ? '✘' : '✓'} ${engine.name}: ${part.name} (${Math.round((Date.now() - begun) / 1000)} s)`,
      )
      if (trouble) {
        failed++
        console.error(trouble)
        if (application.output().includes('Error')) console.error(application.output().slice(-2000))
      } else passed++
    }
  await engine.close()
}
await application.stop()
await drop()
console.log(`${passed} ${failed}`)
process.exit(failed ? 1 : 0)
