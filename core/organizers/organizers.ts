import { CAUSE } from './cause'
import { CLASSIFY } from './classify'
import { COMPARE } from './compare'
import { DESCRIBE } from './describe'
import { NUMBER } from './number'
import type { Organizer } from './plan'
import { PLAN, REFLECT } from './planReflect'
import { SEQUENCE } from './sequence'

/** All organizers that ship with the application, by purpose. */
export const ORGANIZERS: readonly Organizer[] = [
  ...COMPARE,
  ...SEQUENCE,
  ...CAUSE,
  ...CLASSIFY,
  ...DESCRIBE,
  ...PLAN,
  ...REFLECT,
  ...NUMBER,
]

export const organizerNamed = (name: string): Organizer | undefined =>
  ORGANIZERS.find(organizer => organizer.name === name)
