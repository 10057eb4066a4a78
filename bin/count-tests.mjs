// Prints "passed failed" from a test runner's JSON report, and then a line for each that failed, so that the end of a
// long log says which. A skipped test counts as failed: nothing is skipped here on purpose.
import { readFileSync } from 'node:fs'

const [runner, file] = process.argv.slice(2)
const report = JSON.parse(readFileSync(file, 'utf8'))
const runners = { vitest, playwright }

function vitest() {
  const broken = report.testResults.filter(r => r.status === 'failed' && r.assertionResults.length === 0)
  const named = report.testResults.flatMap(r =>
    r.assertionResults
      .filter(one => one.status !== 'passed')
      .map(one => `${r.name}: ${one.fullName}: ${(one.failureMessages?.[0] ?? one.status).split('\n', 1)[0]}`),
  )
  return {
    passed: report.numPassedTests,
    failed: report.numTotalTests - report.numPassedTests + broken.length,
    named: [...named, ...broken.map(r => `${r.name}: ${(r.message ?? '').split('\n', 1)[0]}`)],
  }
}

function playwright() {
  const { expected, unexpected, flaky, skipped } = report.stats
  const specs = suite => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)]
  const failed = report.suites.flatMap(specs).filter(spec => spec.tests.some(test => test.status !== 'expected'))
  return {
    passed: expected,
    failed: unexpected + flaky + skipped + report.errors.length,
    named: [...failed.map(spec => `${spec.file}:${spec.line}: ${spec.title}`), ...report.errors.map(e => e.message)],
  }
}

const { passed, failed, named } = runners[runner]()
console.log(`${passed} ${failed}`)
for (const name of named) console.log(name)
