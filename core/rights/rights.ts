import type { SlateKind } from '../slate/kind'

/**
 * What somebody is to a thing. *owner*: the teacher whose board, class or handout it is. *assistant*: a teacher who
 * helps with the class. *holder*: the student whose copy or page it is. *frame-member*: one of those whose frame it is,
 * or of the class whose board it is. *other-frame*: a student with another frame of the same handout. *class-member*: a
 * student of the class, those who came by its code included. *looker*: one of these, where the teacher lets them see
 * what others have made. *outsider*: signed in, and nothing to it. *nobody*: not signed in.
 */
export const ROLES = [
  'owner',
  'assistant',
  'holder',
  'frame-member',
  'other-frame',
  'looker',
  'class-member',
  'outsider',
  'nobody',
] as const
export type Role = (typeof ROLES)[number]

export const ACTIONS = [
  'board.read',
  'board.change',
  'board.give-out',
  'class.read',
  'class.change',
  'handout.walk',
  'handout.pause',
  'handout.show',
  'handout.jar',
  'handout.close',
  'handout.collect',
  'handout.call',
  'handout.correct',
  'handout.review',
  'handout.take-back',
  'handout.begin',
  'handout.look',
  'slate.read',
  'slate.look',
  'slate.name',
  'slate.move',
  'slate.move-together',
  'slate.hand-in',
  'slate.feedback',
  'slate.ask-for-help',
  'slate.question',
  'slate.see',
  'slate.talk',
  'slate.hide',
  'slate.set-aside',
  'slate.members',
  'slate.outcomes',
  'slate.review',
  'slate.hand-back',
  'margin.write',
  'file.read',
] as const
export type Action = (typeof ACTIONS)[number]

/** The whole of it: who may do what. Routes, the socket and the commit of moves ask here and nowhere else. */
export const RIGHTS = {
  owner: [
    'board.read',
    'board.change',
    'board.give-out',
    'class.read',
    'class.change',
    'handout.walk',
    'handout.pause',
    'handout.show',
    'handout.jar',
    'handout.close',
    'handout.collect',
    'handout.call',
    'handout.correct',
    'handout.review',
    'handout.take-back',
    'slate.read',
    'slate.look',
    'slate.move-together',
    'slate.see',
    'slate.talk',
    'slate.hide',
    'slate.set-aside',
    'slate.members',
    'slate.outcomes',
    'slate.review',
    'slate.hand-back',
    'margin.write',
    'file.read',
  ],
  assistant: [
    'class.read',
    'handout.walk',
    'handout.show',
    'handout.jar',
    'slate.read',
    'slate.look',
    'slate.move-together',
    'slate.see',
    'slate.talk',
    'slate.hide',
    'slate.set-aside',
    'slate.outcomes',
    'margin.write',
    'file.read',
  ],
  holder: [
    'slate.read',
    'slate.look',
    'slate.name',
    'slate.move',
    'slate.move-together',
    'slate.hand-in',
    'slate.feedback',
    'slate.ask-for-help',
    'slate.question',
    'slate.talk',
    'file.read',
  ],
  'frame-member': [
    'slate.read',
    'slate.look',
    'slate.move',
    'slate.move-together',
    'slate.hand-in',
    'slate.feedback',
    'slate.ask-for-help',
    'slate.question',
    'slate.talk',
    'file.read',
  ],
  'other-frame': ['file.read'],
  looker: ['slate.look', 'file.read'],
  'class-member': ['handout.begin', 'handout.look', 'file.read'],
  outsider: [],
  nobody: [],
} as const satisfies Record<Role, readonly Action[]>

/** An action that nobody may do is one that was forgotten; it doesn't compile. */
type Forgotten = Exclude<Action, (typeof RIGHTS)[Role][number]>
true satisfies [Forgotten] extends [never] ? true : Forgotten

export function may(role: Role, action: Action): boolean {
  return (RIGHTS[role] as readonly Action[]).includes(action)
}

/** A copy is its student's alone to move on; on what belongs to several the teacher has a hand too. */
export const moveOn = (kind: SlateKind): Action => (kind === 'copy' ? 'slate.move' : 'slate.move-together')
