/** What the pictures that ship are about, in the order in which they are offered. */
export const SUBJECTS = ['nature', 'food', 'travel', 'things', 'play', 'faces', 'people', 'signs'] as const
export type Subject = (typeof SUBJECTS)[number]
/** Pictures on a page of hits. */
export const LIBRARY_PAGE = 60
