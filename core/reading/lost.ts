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

/** Things of one page that are read at all: more than a page can have, whatever becomes of them. */
const MOST_THINGS = 1500

/** Notes what is lost while a file is read: things of one sort on one page are one entry. */
export class Losses {
  readonly #counts = new Map<string, Lost>()
  #page: number | null = null
  #things = 0

  /** From 1; null for the file as a whole. */
  set page(page: number | null) {
    this.#page = page
    this.#things = 0
  }
  get page(): number | null {
    return this.#page
  }

  /** Whether there is room for one more thing on the page; what is beyond it is lost. */
  room(): boolean {
    if (++this.#things <= MOST_THINGS) return true
    this.note('figures-too-many')
    return false
  }

  note(code: LostCode, count = 1): void {
    if (count <= 0) return
    const at = `${this.#page} ${code}`
    const before = this.#counts.get(at)
    this.#counts.set(at, { code, page: this.#page, count: (before?.count ?? 0) + count })
  }
  get all(): readonly Lost[] {
    return [...this.#counts.values()]
  }
}
