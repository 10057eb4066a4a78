import type { Finding, Rule } from '../finding'

/**
 * What is only heard or seen is lost on whoever can't hear, can't see, or has no sound in the room (WCAG 2.2, 1.2.1 to
 * 1.2.3).
 */
export const withoutWords: Rule = {
  name: 'without-words',
  look: board => {
    const clips = board.pages.flatMap((page): Finding[] => {
      const silent = (page.backdrop.clips ?? []).filter(clip => !clip.words?.trim() && !clip.captions)
      return silent.length
        ? [
            {
              rule: 'without-words',
              severity: 'warning',
              page: page.id,
              subjects: silent.map(clip => clip.id),
              words: { count: silent.length, names: silent.map(clip => clip.name).join(', ') },
            },
          ]
        : []
    })
    const steps = board.pages.flatMap((page): Finding[] => {
      const unread = (page.steps ?? []).filter(step => step.spoken && !step.instructions.trim())
      return unread.length
        ? [
            {
              rule: 'only-spoken',
              severity: 'warning',
              page: page.id,
              subjects: unread.map(step => step.id),
              words: {},
            },
          ]
        : []
    })
    return [
      ...clips,
      ...steps,
      ...(board.spoken && !board.instructions.trim()
        ? [{ rule: 'only-spoken', severity: 'warning' as const, page: board.pages[0]!.id, subjects: [], words: {} }]
        : []),
    ]
  },
}
