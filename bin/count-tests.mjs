// Prints "passed failed" from a test runner's JSON report. A skipped test counts as failed: nothing is skipped here on
// purpose.
import { readFileSync } from 'node:fs'

const [runner, file] = process.argv.slice(2)
const report = JSON.parse(readFileSync(file, 'utf8'))
const counts = {
  vitest: () => [
    report.numPassedTests,
    report.numTotalTests
      - report.numPassedTests
      + report.testResults.filter(r => r.status === 'failed' && r.assertionResults.length === 0).length,
  ],
  playwright: () => [
    report.stats.expected,
    report.stats.unexpected + report.stats.flaky + report.stats.skipped + report.errors.length,
  ],
}
console.log(counts[runner]().join(' '))
