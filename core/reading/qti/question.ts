import type { Shape } from '../../geometry/shape'

interface Option {
  readonly id: string
  readonly text: string
  /** Where its picture is in the package. */
  readonly picture?: string | undefined
}

/** One interaction of an item with what is right, by the identifiers of the file. */
export type Question = { readonly prompt: string } & (
  | {
      readonly kind: 'choice'
      readonly options: readonly Option[]
      readonly right: readonly string[]
      readonly one: boolean
    }
  | {
      readonly kind: 'order'
      readonly options: readonly Option[]
      readonly right: readonly string[]
      readonly column: boolean
    }
  | {
      readonly kind: 'match'
      readonly cards: readonly Option[]
      readonly homes: readonly Option[]
      readonly right: readonly (readonly [card: string, home: string])[]
      /** A home takes one card. */
      readonly single: boolean
    }
  | {
      readonly kind: 'pairs'
      readonly cards: readonly Option[]
      readonly right: readonly (readonly [string, string])[]
    }
  | {
      readonly kind: 'gaps'
      /** With "____" for each gap. */
      readonly text: string
      readonly cards: readonly Option[]
      /** For each gap the cards that are right. */
      readonly right: readonly (readonly string[])[]
    }
  | {
      readonly kind: 'typed'
      readonly text: string
      readonly right: readonly { readonly accepts: readonly string[]; readonly capitals: boolean }[]
    }
  | {
      readonly kind: 'spots'
      readonly picture: {
        readonly source: string
        readonly width: number
        readonly height: number
        readonly alt: string
      }
      readonly spots: readonly { readonly id: string; readonly shape: Shape }[]
      /** None: the spots themselves are chosen, so many at most. */
      readonly cards: readonly Option[] | null
      /** Cards with spots, or spots alone. */
      readonly right: readonly (readonly [card: string | null, spot: string])[]
      readonly most: number
    }
  | { readonly kind: 'open' }
)
export type { Option }
