/** Who is asking. Nobody is null. */
export type Actor =
  | { readonly kind: 'teacher'; readonly id: string; readonly name: string; readonly session: string }
  | {
      readonly kind: 'student'
      readonly id: string
      readonly classId: string
      readonly name: string
      readonly session: string
    }
