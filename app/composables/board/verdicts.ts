import type { Verdict } from '~~/core/keys/outcome'

/** What needs a student's look comes first. */
export const byNeed = byRank<Verdict>({ wrong: 0, 'on-the-line': 1, 'not-placed': 2, noted: 3, right: 4 })
