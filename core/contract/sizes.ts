const KB = 1024
const MB = 1024 * KB

/** What a body may be at most, by what is asked; the first is for everybody, before it is known who asks. */
export const LARGEST = {
  anybody: 4 * KB,
  usual: 64 * KB,
  list: 512 * KB,
  board: 4 * MB,
  file: 80 * MB,
  parcel: 2500 * MB,
} as const
export type Size = keyof typeof LARGEST
