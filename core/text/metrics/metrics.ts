/** A font's own measures, in units of which `unitsPerEm` make an em. */
export interface Metrics {
  readonly unitsPerEm: number
  readonly ascent: number
  readonly descent: number
  readonly capHeight: number
  readonly xHeight: number
  /** Each run is a code point and the advances of it and of those that follow it. */
  readonly runs: readonly (readonly number[])[]
}
