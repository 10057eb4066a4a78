import type { Verdict } from '~~/core/keys/outcome'

/** What needs a student's look comes first. */
export const byNeed = byRank<Verdict>({ wrong: 0, 'on-the-line': 1, 'not-placed': 2, noted: 3, right: 4 })

/** What a student is shown instead of "wrong". */
export type Sign = Verdict | 'again'
export const kindSign = (verdict: Verdict): Sign => (verdict === 'wrong' ? 'again' : verdict)

/** The sign for each verdict, drawn around the origin. */
export const SHAPES: Record<Sign, { path: string; fill: string; ink: string }> = {
  right: { path: 'M-5 0.5L-1.5 4L5 -3.5', fill: '#26704c', ink: '#ffffff' },
  wrong: { path: 'M-4 -4L4 4M4 -4L-4 4', fill: '#8c2840', ink: '#ffffff' },
  again: { path: 'M3.8 -3.2A5 5 0 1 0 5 1M4.6 -6V-2.6H1.2', fill: '#e9ad3f', ink: '#14191a' },
  'on-the-line': {
    path: 'M0 -6V-2.5M0 2.5V6M2.5 0A2.5 2.5 0 1 1 -2.5 0A2.5 2.5 0 1 1 2.5 0',
    fill: '#f8e2b2',
    ink: '#7a4b00',
  },
  noted: { path: 'M-4 -3H4M-4 0H4M-4 3H1', fill: '#e8ece9', ink: '#3c494a' },
  'not-placed': { path: 'M-4 0H4', fill: '#e8ece9', ink: '#3c494a' },
}
