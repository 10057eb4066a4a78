import { ACTORS, slateOf, type ActorName } from './cast'
import type { Row } from './routeRow'
import { ROUTES_OF_LESSON } from './routesOfLesson'

const EVERYONE = ACTORS
const STUDENTS: readonly ActorName[] = ['student', 'otherStudent', 'strangerStudent']
const TEACHERS: readonly ActorName[] = ['otherTeacher', 'owner']

/** Every route there is, by its file. A route that isn't listed fails the test below. */
export const ROUTES: Record<string, Row> = {
  'session.get.ts': { path: () => '/api/session', allowed: EVERYONE },
  'session.post.ts': {
    path: () => '/api/session',
    body: () => ({ email: 'x@y.example', password: 'wrong' }),
    allowed: [],
  },
  'teachers.post.ts': { path: () => '/api/teachers', body: () => ({ name: '', email: '', password: '' }), allowed: [] },
  'join/index.post.ts': { path: () => '/api/join', body: l => ({ code: l.code }), allowed: EVERYONE },
  'join/student.post.ts': {
    path: () => '/api/join/student',
    body: l => ({ code: l.code, student: l.students[0]!.id, pictures: ['bell', 'bell', 'bell'] }),
    allowed: [],
  },
  'join/link.post.ts': { path: () => '/api/join/link', body: () => ({ link: 'nobody has such a link' }), allowed: [] },
  'desk.get.ts': { path: () => '/api/desk', allowed: STUDENTS },
  'boards/index.get.ts': { path: () => '/api/boards', allowed: TEACHERS },
  'boards/index.post.ts': { path: () => '/api/boards', body: () => ({ title: 'New' }), allowed: TEACHERS },
  'boards/[id].get.ts': { path: l => `/api/boards/${l.board}`, allowed: ['owner'] },
  'boards/[id].put.ts': {
    path: l => `/api/boards/${l.board}`,
    body: async (_, e) => ({ version: await e.version(), board: e.board }),
    allowed: ['owner'],
  },
  'boards/import.post.ts': { path: () => '/api/boards/import', body: (_, e) => e.board, allowed: TEACHERS },
  'boards/[id]/file.get.ts': { path: l => `/api/boards/${l.board}/file`, allowed: ['owner'] },
  'boards/[id]/shelf.put.ts': {
    path: l => `/api/boards/${l.board}/shelf`,
    body: () => ({ organizer: false }),
    allowed: ['owner'],
  },
  'library/index.get.ts': { path: () => '/api/library?q=crab', allowed: [...TEACHERS, ...STUDENTS] },
  'library/[name].get.ts': { path: () => '/api/library/crab', allowed: [...TEACHERS, ...STUDENTS] },
  'library/[name].post.ts': { path: () => '/api/library/crab', body: () => ({}), allowed: TEACHERS },
  'boards/[id]/handouts.post.ts': {
    path: l => `/api/boards/${l.board}/handouts`,
    body: l => ({ to: [{ classId: l.classId }] }),
    allowed: ['owner'],
  },
  'classes/index.get.ts': { path: () => '/api/classes', allowed: TEACHERS },
  'classes/index.post.ts': { path: () => '/api/classes', body: () => ({ name: 'Another' }), allowed: TEACHERS },
  'classes/[id].get.ts': { path: l => `/api/classes/${l.classId}`, allowed: ['owner'] },
  'classes/[id].put.ts': {
    path: l => `/api/classes/${l.classId}`,
    body: () => ({ putAway: false }),
    allowed: ['owner'],
  },
  'classes/[id]/list.post.ts': {
    path: l => `/api/classes/${l.classId}/list`,
    body: () => ({ students: [{ name: 'Somebody New' }], missing: 'stay' }),
    allowed: ['owner'],
  },
  'classes/[id]/year.get.ts': { path: l => `/api/classes/${l.classId}/year`, allowed: ['owner'] },
  'classes/[id]/students/[student]/year.get.ts': {
    path: l => `/api/classes/${l.classId}/students/${l.students[3]!.id}/year`,
    allowed: ['owner'],
  },
  'classes/[id]/students/[student]/left.put.ts': {
    path: l => `/api/classes/${l.classId}/students/${l.students[3]!.id}/left`,
    body: () => ({ left: false }),
    allowed: ['owner'],
  },
  'classes/[id]/students/[student]/pictures.post.ts': {
    path: l => `/api/classes/${l.classId}/students/${l.students[3]!.id}/pictures`,
    body: () => ({}),
    allowed: ['owner'],
  },
  'classes/[id]/cards.get.ts': { path: l => `/api/classes/${l.classId}/cards`, allowed: ['owner'] },
  'classes/[id]/students/[student]/link.post.ts': {
    path: l => `/api/classes/${l.classId}/students/${l.students[3]!.id}/link`,
    body: () => ({ to: 'none' }),
    allowed: ['owner'],
  },
  'classes/[id]/assistants/index.get.ts': { path: l => `/api/classes/${l.classId}/assistants`, allowed: ['owner'] },
  'classes/[id]/assistants/invite.put.ts': {
    path: l => `/api/classes/${l.classId}/assistants/invite`,
    body: () => ({ on: false }),
    allowed: ['owner'],
  },
  'classes/[id]/assistants/[teacher].delete.ts': {
    path: l => `/api/classes/${l.classId}/assistants/${l.classId}`,
    allowed: ['owner'],
  },
  'invitations.post.ts': {
    path: () => '/api/invitations',
    body: () => ({ invite: 'nobody was asked by this' }),
    allowed: TEACHERS,
  },
  'classes/[id]/groups.get.ts': { path: l => `/api/classes/${l.classId}/groups?day=2026-03-02`, allowed: ['owner'] },
  'classes/[id]/sets/index.post.ts': {
    path: l => `/api/classes/${l.classId}/sets`,
    body: () => ({ name: 'Lab', groups: [{ name: 'Oak', mark: 'oak', students: [] }] }),
    allowed: ['owner'],
  },
  'classes/[id]/sets/[set].put.ts': {
    path: l => `/api/classes/${l.classId}/sets/${l.classId}`,
    body: () => ({ name: 'Lab', groups: [{ name: 'Oak', mark: 'oak', students: [] }] }),
    allowed: ['owner'],
  },
  'classes/[id]/sets/[set].delete.ts': { path: l => `/api/classes/${l.classId}/sets/${l.classId}`, allowed: ['owner'] },
  'classes/[id]/wishes.put.ts': {
    path: l => `/api/classes/${l.classId}/wishes`,
    body: () => ({ wishes: [] }),
    allowed: ['owner'],
  },
  'classes/[id]/students/[student]/absent.put.ts': {
    path: l => `/api/classes/${l.classId}/students/${l.students[3]!.id}/absent`,
    body: () => ({ day: '2026-03-02', absent: true }),
    allowed: ['owner'],
  },
  'pronunciations.post.ts': { path: () => '/api/pronunciations', body: () => ({ words: ['boat'] }), allowed: TEACHERS },
  'files/index.post.ts': { path: () => '/api/files', body: () => new FormData(), allowed: TEACHERS },
  'clips/index.post.ts': { path: () => '/api/clips', body: () => new Blob(['no clip']), allowed: TEACHERS },
  'clips/[hash].get.ts': { path: (_, e) => `/api/clips/${e.clip}`, allowed: ['student', 'otherStudent', 'owner'] },
  'files/[hash].get.ts': { path: (_, e) => `/api/files/${e.file}`, allowed: ['student', 'otherStudent', 'owner'] },
  'handouts/index.get.ts': { path: () => '/api/handouts', allowed: TEACHERS },
  'handouts/[id].get.ts': { path: l => `/api/handouts/${l.handout}`, allowed: ['owner'] },
  'slates/[id].get.ts': { path: l => `/api/slates/${slateOf(l)}`, allowed: ['student', 'owner'] },
  'slates/[id]/review.put.ts': {
    path: l => `/api/slates/${slateOf(l)}/review`,
    body: () => ({ decisions: {}, comment: '' }),
    allowed: ['owner'],
  },
  'slates/[id]/margin/index.post.ts': {
    path: l => `/api/slates/${slateOf(l)}/margin`,
    body: () => ({ item: { kind: 'note', page: 'page', at: { to: 'piece', piece: 'c0' }, text: 'Hm' } }),
    allowed: ['owner'],
  },
  'slates/[id]/history.get.ts': { path: l => `/api/slates/${slateOf(l)}/history`, allowed: ['owner'] },
  'slates/[id]/second-thoughts.post.ts': {
    path: l => `/api/slates/${slateOf(l)}/second-thoughts`,
    body: () => ({ pieces: [{ piece: 'c0', lay: { x: 10, y: 10 } }], why: '' }),
    allowed: ['owner'],
  },
  'slates/[id]/nudges/[nudge].put.ts': {
    path: l => `/api/slates/${slateOf(l)}/nudges/00000000-0000-4000-8000-00000000000b`,
    body: () => ({}),
    allowed: ['student'],
  },
  'handouts/[id]/put-up.get.ts': { path: l => `/api/handouts/${l.handout}/put-up`, allowed: ['owner'] },
  'handouts/[id]/nudges.post.ts': {
    path: l => `/api/handouts/${l.handout}/nudges`,
    body: () => ({ words: 'Read it once more' }),
    allowed: ['owner'],
  },
  'sentences/index.get.ts': { path: () => '/api/sentences', allowed: TEACHERS },
  'sentences/forget.post.ts': { path: () => '/api/sentences/forget', body: () => ({ words: 'Hm' }), allowed: TEACHERS },
  'slates/[id]/margin/[item].put.ts': {
    path: (l, e) => `/api/slates/${slateOf(l)}/margin/${e.margin}`,
    body: () => ({ removed: true }),
    allowed: ['owner'],
  },
  'slates/[id]/feedback.get.ts': { path: l => `/api/slates/${slateOf(l)}/feedback`, allowed: ['student'] },
  'slates/[id]/hand-in.post.ts': {
    path: l => `/api/slates/${slateOf(l)}/hand-in`,
    body: () => ({}),
    allowed: ['student'],
  },
  'slates/[id]/hand-back.post.ts': {
    path: l => `/api/slates/${slateOf(l)}/hand-back`,
    body: () => ({}),
    allowed: ['owner'],
  },
  'slates/[id]/done.put.ts': {
    path: l => `/api/slates/${slateOf(l)}/done`,
    body: () => ({ done: true }),
    allowed: ['student'],
  },
  'slates/[id]/hand.put.ts': {
    path: l => `/api/slates/${slateOf(l)}/hand`,
    body: () => ({ up: false }),
    allowed: ['student'],
  },
  'slates/[id]/again.post.ts': { path: l => `/api/slates/${slateOf(l)}/again`, body: () => ({}), allowed: ['student'] },
  'slates/[id]/take-back.post.ts': {
    path: l => `/api/slates/${slateOf(l)}/take-back`,
    body: () => ({}),
    allowed: ['student'],
  },
  'slates/[id]/talk/index.get.ts': { path: l => `/api/slates/${slateOf(l)}/talk`, allowed: ['student', 'owner'] },
  'slates/[id]/talk/index.post.ts': {
    path: l => `/api/slates/${slateOf(l)}/talk`,
    body: () => ({ id: '00000000-0000-4000-8000-00000000000a', words: 'Hello' }),
    allowed: ['student', 'owner'],
  },
  'slates/[id]/talk/[line].put.ts': {
    path: l => `/api/slates/${slateOf(l)}/talk/00000000-0000-4000-8000-00000000000a`,
    body: () => ({ hidden: true }),
    allowed: ['owner'],
  },
  'slates/[id]/pictures/index.get.ts': {
    path: l => `/api/slates/${slateOf(l)}/pictures`,
    allowed: ['student', 'owner'],
  },
  'slates/[id]/pictures/[picture]/index.get.ts': {
    path: l => `/api/slates/${slateOf(l)}/pictures/none-there`,
    allowed: ['student', 'owner'],
  },
  'slates/[id]/pictures/[picture]/index.put.ts': {
    path: l => `/api/slates/${slateOf(l)}/pictures/none-there`,
    body: () => ({}),
    allowed: ['student'],
  },
  'slates/[id]/pictures/[picture]/approved.put.ts': {
    path: l => `/api/slates/${slateOf(l)}/pictures/none-there/approved`,
    body: () => ({ approved: true }),
    allowed: ['owner'],
  },
  'slates/[id]/hidden.put.ts': {
    path: l => `/api/slates/${slateOf(l)}/hidden`,
    body: () => ({ id: 'move-hide-1', thing: 'text-thing-a', hidden: true }),
    allowed: ['owner'],
  },
  'handouts/[id].delete.ts': { path: l => `/api/handouts/${l.handout}`, allowed: ['owner'] },
  'handouts/due.get.ts': { path: () => '/api/handouts/due', allowed: TEACHERS },
  'handouts/[id]/give-out.post.ts': {
    path: l => `/api/handouts/${l.handout}/give-out`,
    body: () => ({}),
    allowed: ['owner'],
  },
  'handouts/[id].put.ts': {
    path: l => `/api/handouts/${l.handout}`,
    body: () => ({ word: 'Ten minutes' }),
    allowed: ['owner'],
  },
  ...ROUTES_OF_LESSON,
  'handouts/[id]/correction.get.ts': { path: l => `/api/handouts/${l.handout}/correction`, allowed: ['owner'] },
  'handouts/[id]/correction.post.ts': {
    path: l => `/api/handouts/${l.handout}/correction`,
    body: () => ({}),
    allowed: ['owner'],
  },
  'handouts/[id]/members.put.ts': {
    path: l => `/api/handouts/${l.handout}/members`,
    body: l => ({ student: l.students[0]!.id, to: null }),
    allowed: ['owner'],
  },
  'join/newcomer.post.ts': {
    path: () => '/api/join/newcomer',
    body: () => ({ code: 'NO SUCH', name: 'Bo' }),
    allowed: [],
  },
  'beginnings.get.ts': { path: () => '/api/beginnings', allowed: STUDENTS },
  'handouts/[id]/page.post.ts': {
    path: l => `/api/handouts/${l.handout}/page`,
    body: () => ({}),
    allowed: ['student', 'otherStudent'],
  },
  'handouts/[id]/frames.get.ts': {
    path: l => `/api/handouts/${l.handout}/frames`,
    allowed: ['student', 'otherStudent'],
  },
  'handouts/[id]/frames.post.ts': {
    path: l => `/api/handouts/${l.handout}/frames`,
    body: () => ({ what: 'take', wanted: null, mates: [] }),
    allowed: ['student', 'otherStudent'],
  },
  'handouts/[id]/others.get.ts': {
    path: (_, e) => `/api/handouts/${e.shown}/others`,
    allowed: ['student', 'otherStudent'],
  },
  'slates/[id]/name.put.ts': {
    path: l => `/api/slates/${slateOf(l)}/name`,
    body: () => ({ name: 'Mine' }),
    allowed: ['student'],
  },
  'handouts/[id]/outcomes.post.ts': {
    path: l => `/api/handouts/${l.handout}/outcomes`,
    body: () => ({}),
    allowed: ['owner'],
  },
  'handouts/[id]/findings.get.ts': { path: l => `/api/handouts/${l.handout}/findings`, allowed: ['owner'] },
  'handouts/[id]/hand-back.post.ts': {
    path: l => `/api/handouts/${l.handout}/hand-back`,
    body: l => ({ slates: [slateOf(l)] }),
    allowed: ['owner'],
  },
  'handouts/[id]/hand-back.get.ts': { path: l => `/api/handouts/${l.handout}/hand-back`, allowed: ['owner'] },
  'handouts/[id]/hand-back.delete.ts': { path: l => `/api/handouts/${l.handout}/hand-back`, allowed: ['owner'] },
  'handouts/[id]/line.get.ts': { path: l => `/api/handouts/${l.handout}/line`, allowed: ['owner'] },
  'handouts/[id]/answers.get.ts': {
    path: l => `/api/handouts/${l.handout}/answers?item=key/limpet`,
    allowed: ['owner'],
  },
  'handouts/[id]/decisions.put.ts': {
    path: l => `/api/handouts/${l.handout}/decisions`,
    body: l => ({ item: 'key/limpet', verdict: null, slates: [slateOf(l)] }),
    allowed: ['owner'],
  },
  'handouts/[id]/also-right.post.ts': {
    path: l => `/api/handouts/${l.handout}/also-right`,
    body: l => ({ item: 'key/limpet', slate: slateOf(l), apply: false }),
    allowed: ['owner'],
  },
  'slates/[id]/outcomes.get.ts': { path: l => `/api/slates/${slateOf(l)}/outcomes`, allowed: ['owner'] },
  'slates/[id]/heading.put.ts': {
    path: l => `/api/slates/${slateOf(l)}/heading`,
    body: () => ({ hidden: true }),
    allowed: ['owner'],
  },
  'classes/[id]/newcomers.put.ts': {
    path: l => `/api/classes/${l.classId}/newcomers`,
    body: () => ({ to: 'closed' }),
    allowed: ['owner'],
  },
  'classes/[id]/students/[student]/same.post.ts': {
    path: l => `/api/classes/${l.classId}/students/${l.students[3]!.id}/same`,
    body: l => ({ other: l.students[2]!.id }),
    allowed: ['owner'],
  },
  'classes/[id]/students/[student]/index.put.ts': {
    path: l => `/api/classes/${l.classId}/students/${l.students[3]!.id}`,
    body: () => ({ level: 'A' }),
    allowed: ['owner'],
  },
  'teachers/link.post.ts': { path: () => '/api/teachers/link', body: () => ({ email: 'no address' }), allowed: [] },
  'teachers/password.post.ts': {
    path: () => '/api/teachers/password',
    body: () => ({ link: 'opens nothing', password: 'ten letters or more' }),
    allowed: [],
  },
  'teachers/address.post.ts': { path: () => '/api/teachers/address', body: () => ({}), allowed: TEACHERS },
  'records/index.get.ts': { path: () => '/api/records', allowed: TEACHERS },
  'records/students.get.ts': { path: () => '/api/records/students?record=y56', allowed: TEACHERS },
  'classes/[id]/list.get.ts': { path: l => `/api/classes/${l.classId}/list`, allowed: ['owner'] },
  'handouts/[id]/versions.put.ts': {
    path: l => `/api/handouts/${l.handout}/versions`,
    body: l => ({ slate: slateOf(l), version: null }),
    allowed: ['owner'],
  },
  'rubrics/index.get.ts': { path: () => '/api/rubrics', allowed: TEACHERS },
  'rubrics/index.put.ts': {
    path: () => '/api/rubrics',
    body: () => ({ name: 'R', criteria: [{ name: 'Reasons', levels: [{ name: 'a' }, { name: 'b' }] }] }),
    allowed: TEACHERS,
  },
  'rubrics/[id].delete.ts': { path: l => `/api/rubrics/${l.classId}`, allowed: TEACHERS },
  'classes/[id]/levels.put.ts': {
    path: l => `/api/classes/${l.classId}/levels`,
    body: () => ({ levels: [] }),
    allowed: ['owner'],
  },
  'classes/[id]/code.post.ts': { path: l => `/api/classes/${l.classId}/code`, body: () => ({}), allowed: ['owner'] },
  'handouts/[id]/students.post.ts': {
    path: l => `/api/handouts/${l.handout}/students`,
    body: l => ({ students: [l.students[0]!.id] }),
    allowed: ['owner'],
  },
  'session.delete.ts': { path: () => '/api/session', allowed: EVERYONE },
}
