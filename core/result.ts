/** What an operation that may properly be refused gives back. Misuse throws; a refusal is normal and says why. */
export type Result<Value, Reason> =
  { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly reason: Reason }

export const ok = <Value>(value: Value) => ({ ok: true, value }) as const
export const refuse = <Reason>(reason: Reason) => ({ ok: false, reason }) as const
