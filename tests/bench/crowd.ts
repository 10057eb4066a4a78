/** How crowded the page is on which placement is measured. */
export const PIECES = 300
export const PLACES = 60
