import type { Page } from './board'

/**
 * A page without some of its pieces: gone from the ledge, from what lies there from the start, and from what activities
 * need of the ledge. None: the page as it was.
 */
export function pageWithout(page: Page, gone: ReadonlySet<string>): Page {
  if (gone.size === 0) return page
  const stays = (id: string) => !gone.has(id)
  return {
    ...page,
    pieces: page.pieces.filter(piece => stays(piece.id)),
    ledge: page.ledge.filter(stays),
    ...(page.staged && { staged: Object.fromEntries(Object.entries(page.staged).filter(([id]) => stays(id))) }),
    ...(page.steps && {
      steps: page.steps.map(step => (step.pieces ? { ...step, pieces: step.pieces.filter(stays) } : step)),
    }),
  }
}

/** What of the ledge isn't shown while this activity is done: what only others need. Nothing outside of all. */
export function neededElsewhere({ steps = [] }: Pick<Page, 'steps'>, step: string | null): ReadonlySet<string> {
  if (step === null) return new Set()
  const here = new Set<string>(steps.find(one => one.id === step)?.pieces)
  return new Set(steps.flatMap(one => one.pieces ?? []).filter(piece => !here.has(piece)))
}
