import type { MoveRefusal } from '../slate/operation'

/**
 * What becomes of a move that the server doesn't take. *passing*: it is kept and comes again when the cause is gone.
 * *final*: it is told and dropped. *damaged*: it can't be read; it is told, set aside on the device, and never blocks
 * what stands behind it.
 */
export const FATES = ['passing', 'final', 'damaged'] as const
export type Fate = (typeof FATES)[number]

interface Refusal {
  readonly fate: Fate
  readonly detail: string
}

/**
 * Every code of a refusal over the socket, with its fate, and with words for whoever reads the answer without the
 * interface.
 */
export const REFUSALS = {
  trouble: { fate: 'passing', detail: 'The server is in trouble just now. Nothing is lost; it will be tried again.' },
  'too-fast': { fate: 'passing', detail: 'Too many messages at once. Wait a moment and send it again.' },
  'signed-out': {
    fate: 'passing',
    detail: 'This session has ended, or somebody else has signed in. Sign in again and send it then.',
  },
  paused: { fate: 'passing', detail: 'Pencils are down. Send it again when they are up.' },
  collected: {
    fate: 'passing',
    detail: 'The teacher has handed this in for all. Keep your moves: they can come once it is yours again.',
  },
  unreadable: {
    fate: 'passing',
    detail: "What is stored of this slate can't be read. Nothing was changed; keep your moves.",
  },
  'not-yours': { fate: 'final', detail: 'This is not yours.' },
  'not-your-part': { fate: 'final', detail: 'That space belongs to somebody else in the group.' },
  'unknown-piece': { fate: 'final', detail: 'There is no such piece on this board.' },
  'unknown-place': { fate: 'final', detail: 'There is no such place on this board.' },
  'off-page': { fate: 'final', detail: 'That is off the page. The piece stays where it was.' },
  'not-allowed': { fate: 'final', detail: "This board doesn't let students do that there." },
  full: { fate: 'final', detail: 'A slate holds no more than this.' },
  'handed-in': { fate: 'final', detail: 'This slate is handed in. Nothing moves until it comes back.' },
  closed: { fate: 'final', detail: 'This slate is closed. Nothing moves on it any more.' },
  'nothing-to-undo': {
    fate: 'final',
    detail: 'There is nothing of yours to take back: it is gone, or somebody has changed it since.',
  },
  malformed: { fate: 'damaged', detail: "This can't be read." },
  'too-big': { fate: 'damaged', detail: 'This is bigger than a message may be.' },
} as const satisfies Record<MoveRefusal['code'], Refusal> & Record<string, Refusal>

export type RefusalCode = keyof typeof REFUSALS
export const REFUSAL_CODES = Object.keys(REFUSALS) as [RefusalCode, ...RefusalCode[]]
export const fateOf = (code: RefusalCode): Fate => REFUSALS[code].fate
