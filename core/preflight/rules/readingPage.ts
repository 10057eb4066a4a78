import { withPage } from '../../design/lookup'
import type { Finding, Rule } from '../finding'

/** A key on a page that is only to be read: nobody can answer it. */
export const readingPage: Rule = {
  name: 'reading-page',
  look: board =>
    board.pages.flatMap((page): Finding[] =>
      page.reading && board.keys.some(key => key.page === page.id)
        ? [
            {
              rule: 'reading-page',
              severity: 'stops',
              page: page.id,
              subjects: [],
              words: {},
              fix: { code: 'let-work', apply: b => withPage(b, page.id, ({ reading: _, ...rest }) => rest) },
            },
          ]
        : [],
    ),
}
