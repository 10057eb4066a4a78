/**
 * Keeps what slates of this release look like from their first move on, for every release after it to read the same.
 * Run by hand when a release is made (`npm run histories`); what is kept is never written anew.
 */
import { readFileSync } from 'node:fs'
import { keepHistories } from '../tests/histories'

const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string }
keepHistories(version)
console.log(`histories of ${version} are kept`)
