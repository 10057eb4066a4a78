/** `npm run faults`: 100 kills of the application and 20 crashes of PostgreSQL under 50 students. About ten minutes. */
import { faults } from './faults'

const outcome = await faults(
  { students: 50, kills: Number(process.env.KILLS ?? 100), crashes: Number(process.env.CRASHES ?? 20) },
  line => console.log(line),
)
console.log(outcome)
const { lost, doubled, disordered, gaps, slowestReturn } = outcome
process.exit(lost || doubled || disordered || gaps || slowestReturn > 5000 ? 1 : 0)
