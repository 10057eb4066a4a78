import type { SlateStatus } from '../slate/status'

/** A slate as it stands in the line of those to review. */
export interface InLine {
  readonly id: string
  readonly name: string
  /** Its group's mark, for a frame. */
  readonly mark: string | null
  readonly status: SlateStatus
  /** A teacher's review of it was saved since it was handed in. */
  readonly reviewed: boolean
  /** Items on the line that the teacher hasn't decided on. */
  readonly unsure: number
}

/**
 * *waiting*: what is to be reviewed first. *state*: by how far it has come. *group* and *name* as they are written,
 * numbers by their value.
 */
export const LINE_ORDERS = ['waiting', 'state', 'group', 'name'] as const
export type LineOrder = (typeof LINE_ORDERS)[number]

const STATE_ORDER: Readonly<Record<SlateStatus, number>> = {
  'handed-in': 0,
  'under-way': 1,
  'not-opened': 2,
  'handed-back': 3,
}

/** Waits for its teacher: handed in, and not handed back. */
export const waits = ({ status }: Pick<InLine, 'status'>) => status === 'handed-in'

/** In the order asked for; ties by name, then by id, so that it is the same however they come. */
export function lineUp<S extends InLine>(slates: readonly S[], order: LineOrder): S[] {
  const names = new Intl.Collator('en', { numeric: true })
  const byName = (a: S, b: S) => names.compare(a.name, b.name) || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
  const byState = (a: S, b: S) => STATE_ORDER[a.status] - STATE_ORDER[b.status]
  const first: Readonly<Record<LineOrder, (a: S, b: S) => number>> = {
    // What the machine is unsure of comes first, what has been looked at last.
    waiting: (a, b) => byState(a, b) || Number(a.reviewed) - Number(b.reviewed) || b.unsure - a.unsure,
    state: byState,
    group: (a, b) => names.compare(a.mark ?? '', b.mark ?? ''),
    name: () => 0,
  }
  return slates.toSorted((a, b) => first[order](a, b) || byName(a, b))
}

/**
 * The next in the line, after one of its slates, that waits and wasn't reviewed; from the end it goes on at the
 * beginning. Null where none does.
 */
export function nextWaiting<S extends InLine>(line: readonly S[], after: string): S | null {
  const at = line.findIndex(slate => slate.id === after)
  const turned = [...line.slice(at + 1), ...line.slice(0, Math.max(at, 0))]
  return turned.find(slate => waits(slate) && !slate.reviewed) ?? null
}
