/** What a file had and a board can't carry, or not yet. Each has words in the catalogue. */
export const LOST = [
  'animations',
  'speaker-notes',
  'comments',
  'sounds-and-films',
  'charts',
  'embedded',
  'pictures-elsewhere',
  'pictures-unread',
  'shapes-simplified',
  'holes',
  'gradients',
  'effects',
  'words-turned-upright',
  'pictures-turned-upright',
  'words-cut',
  'words-colours',
  'grounds-lightened',
  'links',
  'pages-too-many',
  'figures-too-many',
  'lines-too-many',
  'pictures-too-many',
  'pieces-too-many',
  'formulas',
  'unknown-interaction',
  'no-answer',
  'points',
  'feedback',
  'programs',
] as const
export type LostCode = (typeof LOST)[number]

/** So many of one sort, on one page (from 1) or in the file as a whole. */
export interface Lost {
  readonly code: LostCode
  readonly page: number | null
  readonly count: number
}

/** Notes what is lost while a file is read: things of one sort on one page are one entry. */
export class Losses {
  readonly #counts = new Map<string, Lost>()
  page: number | null = null

  note(code: LostCode, count = 1): void {
    if (count <= 0) return
    const at = `${this.page} ${code}`
    const before = this.#counts.get(at)
    this.#counts.set(at, { code, page: this.page, count: (before?.count ?? 0) + count })
  }
  get all(): readonly Lost[] {
    return [...this.#counts.values()]
  }
}
