/** `npm run attack`: a bounded run on this machine against an application and a database of its own. */
import { startApplication } from '../application'
import { createDatabase } from '../database'
import { attack } from './attack'

const { url, drop } = await createDatabase()
const application = await startApplication(url)
const findings = await attack(application.address, { messages: 3000, guesses: 400, bodies: 60, timed: true })
await application.stop()
await drop()
console.log(findings.length ? findings : 'nothing found')
process.exit(findings.length ? 1 : 0)
