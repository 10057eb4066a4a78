import { slateOf } from './cast'
import type { Row } from './routeRow'

const QUESTION = '00000000-0000-4000-8000-00000000a5ed'

/** What a lesson is led by while it goes on. */
export const ROUTES_OF_LESSON: Record<string, Row> = {
  'handouts/[id]/lesson.get.ts': { path: l => `/api/handouts/${l.handout}/lesson`, allowed: ['owner'] },
  'handouts/[id]/pencils.put.ts': {
    path: l => `/api/handouts/${l.handout}/pencils`,
    body: () => ({ down: false }),
    allowed: ['owner'],
  },
  'handouts/[id]/timer.put.ts': {
    path: l => `/api/handouts/${l.handout}/timer`,
    body: () => ({ timer: { seconds: 600, countdown: 10, atEnd: 'nothing', onSlates: false } }),
    allowed: ['owner'],
  },
  'handouts/[id]/timer.post.ts': {
    path: l => `/api/handouts/${l.handout}/timer`,
    body: () => ({ seconds: 60 }),
    allowed: ['owner'],
  },
  'handouts/[id]/collect.post.ts': {
    path: l => `/api/handouts/${l.handout}/collect`,
    body: () => ({ back: true }),
    allowed: ['owner'],
  },
  'handouts/[id]/callouts/index.get.ts': { path: l => `/api/handouts/${l.handout}/callouts`, allowed: ['owner'] },
  'handouts/[id]/callouts/index.post.ts': {
    path: l => `/api/handouts/${l.handout}/callouts`,
    body: () => ({ target: 'whale', page: 0 }),
    allowed: ['owner'],
  },
  'handouts/[id]/callouts/index.delete.ts': { path: l => `/api/handouts/${l.handout}/callouts`, allowed: ['owner'] },
  'handouts/[id]/questions/index.get.ts': { path: l => `/api/handouts/${l.handout}/questions`, allowed: ['owner'] },
  'handouts/[id]/questions/index.put.ts': {
    path: l => `/api/handouts/${l.handout}/questions`,
    body: () => ({ open: true, named: false }),
    allowed: ['owner'],
  },
  'handouts/[id]/questions/[question].put.ts': {
    path: l => `/api/handouts/${l.handout}/questions/${QUESTION}`,
    body: () => ({ hidden: false }),
    allowed: ['owner'],
  },
  'slates/[id]/questions/index.get.ts': { path: l => `/api/slates/${slateOf(l)}/questions`, allowed: ['student'] },
  'slates/[id]/questions/index.post.ts': {
    path: l => `/api/slates/${slateOf(l)}/questions`,
    body: () => ({ id: QUESTION, words: 'Why?' }),
    allowed: ['student'],
  },
  'slates/[id]/questions/[question].put.ts': {
    path: l => `/api/slates/${slateOf(l)}/questions/${QUESTION}`,
    body: () => ({ vote: 1 }),
    allowed: ['student'],
  },
  'handouts/[id]/screen.get.ts': { path: l => `/api/handouts/${l.handout}/screen`, allowed: ['owner'] },
  'handouts/[id]/screen.put.ts': {
    path: l => `/api/handouts/${l.handout}/screen`,
    body: () => ({ show: { what: { kind: 'nothing' }, page: 0, names: false, timer: true, pen: [] } }),
    allowed: ['owner'],
  },
  'handouts/[id]/open.get.ts': { path: l => `/api/handouts/${l.handout}/open`, allowed: ['owner'] },
  'handouts/[id]/trails.get.ts': { path: l => `/api/handouts/${l.handout}/trails`, allowed: ['owner'] },
  'slates/[id]/seen.put.ts': { path: l => `/api/slates/${slateOf(l)}/seen`, body: () => ({}), allowed: ['owner'] },
  'slates/[id]/lesson.get.ts': { path: l => `/api/slates/${slateOf(l)}/lesson`, allowed: ['student', 'owner'] },
}
