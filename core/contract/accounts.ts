import * as v from 'valibot'
import { NAME_LONGEST } from '../roster/classList'
import { tidy } from '../roster/names'
import { PASSWORD_LENGTH, PASSWORD_PICTURES } from '../roster/picturePassword'
import { storedText } from '../text/storedText'
import { EmailTyped, Id, NamedThing, NewPassword, StudentIn, TeacherIn } from './fields'
import { DONE, type Route, type RouteName } from './route'

/** Coming in and going out, and what a teacher's account is. */
export const ACCOUNTS = {
  'GET /api/session': { who: 'anybody', answer: v.nullable(v.variant('kind', [TeacherIn, StudentIn])), refusals: [] },
  'POST /api/session': {
    who: 'anybody',
    body: v.object({ email: EmailTyped, password: storedText(200) }),
    size: 'anybody',
    answer: TeacherIn,
    refusals: ['too-often', 'wrong-sign-in'],
  },
  'DELETE /api/session': { who: 'anybody', answer: DONE, refusals: [] },
  'POST /api/teachers': {
    who: 'anybody',
    body: v.object({
      name: v.pipe(storedText(80), v.trim(), v.minLength(1)),
      email: v.pipe(EmailTyped, v.email()),
      password: NewPassword,
    }),
    size: 'anybody',
    answer: TeacherIn,
    refusals: ['too-often', 'taken'],
  },
  'POST /api/teachers/address': {
    who: 'teacher',
    body: v.object({ link: v.optional(storedText(60)) }),
    size: 'anybody',
    answer: DONE,
    refusals: ['no-such-link', 'no-mail', 'too-often'],
  },
  'POST /api/teachers/link': {
    who: 'anybody',
    body: v.object({ email: v.pipe(EmailTyped, v.email()) }),
    size: 'anybody',
    answer: DONE,
    refusals: ['no-mail', 'too-often'],
  },
  'POST /api/teachers/password': {
    who: 'anybody',
    body: v.object({ link: storedText(60), password: NewPassword }),
    size: 'anybody',
    answer: TeacherIn,
    refusals: ['too-often', 'no-such-link'],
  },
  'POST /api/join': {
    who: 'anybody',
    body: v.object({ code: storedText(40) }),
    size: 'anybody',
    answer: v.strictObject({
      name: v.string(),
      code: v.string(),
      newcomers: v.boolean(),
      students: v.array(NamedThing),
    }),
    refusals: ['too-often', 'no-such-code'],
  },
  'POST /api/join/link': {
    who: 'anybody',
    body: v.object({ link: storedText(40) }),
    size: 'anybody',
    answer: StudentIn,
    refusals: ['too-often', 'no-such-link'],
  },
  'POST /api/join/newcomer': {
    who: 'anybody',
    body: v.object({ code: storedText(40), name: v.pipe(storedText(NAME_LONGEST), v.transform(tidy)) }),
    size: 'anybody',
    answer: StudentIn,
    refusals: ['bad-name', 'too-often', 'no-such-code', 'full'],
  },
  'POST /api/join/student': {
    who: 'anybody',
    body: v.object({
      code: storedText(40),
      student: Id,
      pictures: v.pipe(v.array(v.picklist(PASSWORD_PICTURES)), v.length(PASSWORD_LENGTH)),
    }),
    size: 'anybody',
    answer: StudentIn,
    refusals: ['too-often', 'wrong-pictures'],
  },
  'POST /api/invitations': {
    who: 'teacher',
    body: v.object({ invite: storedText(40) }),
    size: 'anybody',
    answer: NamedThing,
    refusals: ['too-often', 'no-such-invitation', 'not-now'],
  },
} as const satisfies Record<RouteName, Route>
