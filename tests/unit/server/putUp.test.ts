import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { setBoardTools } from '../../../core/design/tools'
import type { Own } from '../../../core/slate/own'
import type { SentEnvelope } from '../../../core/sync/messages'
import { hideHeading, nameSlate, ownPage } from '../../../server/usecases/beginning'
import { workOfOthers } from '../../../server/usecases/looking'
import { askQuestion, setJar } from '../../../server/usecases/lesson/jar'
import { putUpOn } from '../../../server/usecases/lesson/putUp'
import { hideLine, speak } from '../../../server/usecases/talk'
import { changeHandout } from '../../../server/usecases/openness'
import type { Services } from '../../../server/services'
import { NO_RULES } from '../../../core/handout/noRules'
import { pageId, shore } from '../../boards'
import { frameWith, listener, moreStudents, said, twoProcesses, until, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
beforeAll(async () => {
  two = await twoProcesses(setBoardTools(shore(), ['note', 'pen']), 2)
})
afterAll(() => two.close())
const services = () => two.services as unknown as Services
const own = (thing: string, as: Own, by: 'student:1' | 'student:2'): SentEnvelope => ({
  id: `move-${thing}`,
  move: { kind: 'own', thing, as, by },
})
const note = (text: string): Own => ({
  kind: 'note',
  page: pageId('page'),
  x: 200,
  y: 200,
  width: 120,
  height: 80,
  fill: 'straw',
  text,
})

describe('what students put where others see it', () => {
  it('is in one queue with who and when, the last first: things, talk and questions; nothing of a copy, and no strokes', async () => {
    const { frame, people } = await frameWith(
      two,
      (await moreStudents(two, 2)).map(student => ({ student })),
    )
    const [ada, bo] = people as [(typeof people)[number], (typeof people)[number]]
    await changeHandout(services(), two.school.handout, { rules: { ...NO_RULES, talk: true } })
    const stroke: Own = {
      kind: 'ink',
      page: pageId('page'),
      wide: 'thin',
      pen: { tip: 'pen', ink: 'sea' },
      points: [[1, 1]],
    }
    expect(said(await two.submit(frame, ada, [own('note-of-ada', note('It clings'), 'student:1')]))).toEqual([1])
    expect(said(await two.submit(frame, bo, [own('ink-of-bo-1', stroke, 'student:2')]))).toEqual([2])
    // A copy is seen by its student and the teacher alone.
    const copy = two.school.slates[0]!
    expect(
      said(await two.submit(copy.id, two.as(copy.student), [own('note-on-copy', note('Mine'), 'student:1')])),
    ).toEqual([1])
    const line = randomUUID()
    await speak(
      services(),
      { slate: frame, kind: 'frame', by: 'student:2', staff: false },
      { id: line, words: 'Silly' },
    )
    await setJar(services(), two.school.handout, { open: true, named: false })
    await askQuestion(services(), two.school.handout, copy.student, { id: randomUUID(), words: 'Why?' })
    const queue = async () => putUpOn(services(), two.school.handout)
    expect((await queue()).map(({ kind, words, slate, hidden }) => [kind, words, slate, hidden])).toEqual([
      ['question', 'Why?', null, false],
      ['line', 'Silly', frame, false],
      ['thing', 'It clings', frame, false],
    ])
    const names = new Map((await queue()).map(one => [one.words, one.by]))
    const students = await two.connection.db.selectFrom('students').select(['id', 'name']).execute()
    const nameOf = (id: string) => students.find(student => student.id === id)!.name
    expect(names.get('Silly')).toBe(nameOf(bo.id))
    expect(names.get('It clings')).toBe(nameOf(ada.id))
    // The teacher knows who asked, also where the class doesn't.
    expect(names.get('Why?')).toBe(nameOf(copy.student))
    expect((await queue()).every(one => !Number.isNaN(Date.parse(one.at)))).toBe(true)
    await hideLine(services(), frame, line, true)
    expect((await queue()).find(one => one.words === 'Silly')?.hidden).toBe(true)
  })

  it('has the headings of own pages; one that is hidden is kept from the others, and stays so under another name', async () => {
    const { handout } = two.school
    const [ada, bo] = await moreStudents(two, 2)
    await two.connection.pool.query(
      `update handouts set mode = 'one-for-everyone', own_pages = true, looking = 'always' where id = $1`,
      [handout],
    )
    const page = async (student: string) => {
      const made = await ownPage(services(), handout, student)
      if (!made.ok) throw new Error(made.reason)
      return made.value.id
    }
    const [adas] = [await page(ada!), await page(bo!)]
    await nameSlate(services(), adas, 'Rude')
    const headings = async () => (await putUpOn(services(), handout)).filter(one => one.kind === 'heading')
    expect(await headings()).toMatchObject([{ slate: adas, words: 'Rude', hidden: false }])
    const seenBy = async (student: string) => {
      const shown = await workOfOthers(services(), handout, student)
      if (!shown.ok) throw new Error(shown.reason)
      return shown.value.slates.find(slate => slate.id === adas)!.heading
    }
    expect([await seenBy(ada!), await seenBy(bo!)]).toEqual(['Rude', 'Rude'])
    const device = listener("the student's")
    two.engines[0].hub.followSlate(device, adas)
    await hideHeading(services(), adas, true)
    // Its student is told at once.
    await until(() => device.heard.some(message => message.say === 'words'))
    two.engines[0].hub.leave(device)
    expect([await seenBy(ada!), await seenBy(bo!)]).toEqual(['Rude', null])
    await nameSlate(services(), adas, 'Ruder')
    expect([await seenBy(ada!), await seenBy(bo!)]).toEqual(['Ruder', null])
    expect(await headings()).toMatchObject([{ words: 'Ruder', hidden: true }])
    await hideHeading(services(), adas, false)
    expect(await seenBy(bo!)).toBe('Ruder')
  })
})
