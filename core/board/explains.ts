/** What reasons are asked for on a page: one for all of it, or one for each of its places that take pieces. */
export const EXPLAINS = ['page', 'places'] as const
