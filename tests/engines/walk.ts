import type { Board } from '../../core/board/board'
import type { FileHash } from '../../core/board/ids'
import { addClip, changeClip } from '../../core/design/clips'
import type { Application } from '../application'
import { pageId, placeId, shore } from '../boards'
import { makeLesson, toOneFrame, type Lesson } from '../e2e/lesson'
import { boardOf, box, card } from '../keyBoards'
import { PICTURE_WORDS } from '../pictureWords'
import { film } from '../film'
import { wav } from '../sounds'
import { Person, type Engine, type Manner, type Spot, type Way } from './window'

const SIZE = { width: 1280, height: 800 }
const NAMES = ['Ada Fern', 'Bo Kelp']

/** What a walk has to do with: an application that can go away and come back at the same address. */
export interface Stage {
  readonly application: () => Application
  readonly gone: () => Promise<void>
  readonly back: () => Promise<void>
}

/** One thing that is tried, and whether it belongs to the short form. */
interface Part {
  readonly name: string
  readonly short?: true
  readonly walk: (engine: Engine, stage: Stage) => Promise<void>
}

async function comeIn(
  engine: Engine,
  address: string,
  lesson: Lesson,
  ...[name, manner]: [name: string, manner?: Manner]
): Promise<Person> {
  const person = new Person(await engine.open(SIZE, manner))
  const student = lesson.students.find(one => one.name === name)!
  await person.goto(`${address}/join?class=${lesson.code}&handout=${lesson.handout}`)
  await person.press('button', name)
  for (const picture of student.pictures) await person.press('button', PICTURE_WORDS[picture])
  await person.where('group', 'Page')
  return person
}

async function signIn(engine: Engine, address: string, lesson: Lesson): Promise<Person> {
  const teacher = new Person(await engine.open(SIZE))
  await teacher.goto(`${address}/sign-in`)
  await teacher.write('E-mail address', lesson.email)
  await teacher.write('Password', lesson.password)
  await teacher.press('button', 'Sign in')
  await teacher.until(`find('heading', 'Shelf')[0]`, 'the shelf')
  return teacher
}

const written = (): Board => ({
  ...boardOf(
    [
      {
        kind: 'writing',
        id: placeId('w'),
        heading: 'The market',
        lines: 'many',
        textSize: 20,
        shape: box(40, 60, 420, 200),
      },
      { kind: 'drawing', id: placeId('d'), heading: 'The boats', shape: box(500, 60, 420, 300) },
    ],
    [card('limpet')],
    null,
  ),
  tools: ['pen', 'note'],
})

async function frameOfTwo(address: string, board: Board): Promise<Lesson> {
  const lesson = await makeLesson(address, NAMES, board)
  return toOneFrame(lesson)
}

const lettersOf = (text: string) => [...text].toSorted().join('')

/** The test board with a film in its backdrop. */
async function withFilm(teacher: Lesson['teacher']): Promise<Board> {
  const { hash: file } = await teacher.must<{ hash: FileHash }>(
    'POST',
    '/api/clips',
    new Blob([new Uint8Array(await film())]),
  )
  const board = addClip(shore(), pageId('page'), {
    id: 'tide',
    kind: 'film',
    file,
    seconds: 2.5,
    name: 'Low tide',
    pixels: { width: 640, height: 360 },
  })
  return changeClip(board, pageId('page'), 'tide', clip => ({ ...clip, words: 'The water goes out.' }))
}

/** The test board with a sound in its backdrop. */
async function withSound(teacher: Lesson['teacher']): Promise<Board> {
  const { hash: file } = await teacher.must<{ hash: FileHash }>(
    'POST',
    '/api/clips',
    new Blob([new Uint8Array(wav(3))]),
  )
  const board = addClip(shore(), pageId('page'), {
    id: 'gulls',
    kind: 'sound',
    file,
    seconds: 3,
    name: 'Gulls',
    pixels: { width: 0, height: 0 },
  })
  return changeClip(board, pageId('page'), 'gulls', clip => ({ ...clip, words: 'Gulls call.' }))
}

/** In the middle of one of three zones in a row, or lower in it. */
async function inZone(person: Person, index: number, down = 0.5): Promise<Spot> {
  const page = await person.until<{ x: number; y: number; width: number; height: number }>(
    `(box => box && { x: box.x, y: box.y, width: box.width, height: box.height })(find('group', 'Page')[0]?.getBoundingClientRect())`,
  )
  return { x: page.x + (page.width * (index + 0.5)) / 3, y: page.y + page.height * (0.15 + 0.75 * down) }
}
const lies = (person: Person, name: string, where: string) =>
  person.until(`find('button', ${JSON.stringify(`${name}, ${where}`)})[0]`, `${name} ${where}`)

async function drags(person: Person, way: Way): Promise<void> {
  const from = (name: string) => person.where('button', `${name}, `, false)
  await person.drag(await person.where('button', 'limpet, on the ledge'), await inZone(person, 0), way)
  await lies(person, 'limpet', 'in Clings')
  await person.drag(await person.where('button', 'limpet, in Clings'), await inZone(person, 1), way)
  await lies(person, 'limpet', 'in Crawls')
  await person.press('button', 'goby, on the ledge', { way })
  await person.window.stroke([await inZone(person, 2, 0.8)], way)
  await lies(person, 'goby', 'in Swims')
  await from('prawn')
}

/** Played, or said why not, with its words; then the page is worked on as before. */
async function plays(
  engine: Engine,
  stage: Stage,
  ...[board, button]: [board: (teacher: Lesson['teacher']) => Promise<Board>, button: string]
): Promise<void> {
  const { address } = stage.application()
  const lesson = await makeLesson(address, NAMES, board)
  const ada = await comeIn(engine, address, lesson, 'Ada Fern')
  await ada.press('button', button)
  await ada.until(
    `document.querySelector('audio, video')?.currentTime > 0.2 || document.body.innerText.includes("can't be played")`,
    'it played, or why not',
  )
  await ada.says('In words')
  await ada.press('button', 'Close')
  await drags(ada, 'mouse')
  await ada.window.close()
}

export const PARTS: readonly Part[] = [
  {
    name: 'a student sorts by mouse, by finger and by keys, and hands in; the teacher reviews it and hands it back',
    short: true,
    async walk(engine, stage) {
      const { address } = stage.application()
      const lesson = await makeLesson(address, NAMES)
      const ada = await comeIn(engine, address, lesson, 'Ada Fern')
      await drags(ada, 'mouse')
      await ada.evaluate(`find('button', 'prawn, on the ledge')[0].focus()`)
      await ada.window.key('Enter')
      await ada.window.key('ArrowRight')
      await ada.window.key('Enter')
      await ada.until(`find('button', 'prawn, in ', false)[0]`, 'prawn in a place')
      await ada.press('button', 'Hand in')
      await ada.press('button', 'Hand it in now')
      await ada.says('Handed in')
      const bo = await comeIn(engine, address, lesson, 'Bo Kelp')
      await drags(bo, 'touch')
      const teacher = await signIn(engine, address, lesson)
      await teacher.goto(
        `${address}/handout/${lesson.handout}/review/${lesson.slates.find(one => one.name === 'Ada Fern')!.id}`,
      )
      await teacher.write('A word to the student', 'Look at its foot')
      await teacher.press('button', 'Hand back to Ada Fern')
      await teacher.says('Handed back. The student sees your margin now.')
      await ada.says('Look at its foot')
      for (const person of [ada, bo, teacher]) await person.window.close()
    },
  },
  {
    name: 'two write one text at the same time, and a drawing is whole on both screens',
    short: true,
    async walk(engine, stage) {
      const { address } = stage.application()
      const lesson = await frameOfTwo(address, written())
      const [ada, bo] = [
        await comeIn(engine, address, lesson, 'Ada Fern'),
        await comeIn(engine, address, lesson, 'Bo Kelp'),
      ]
      const sentences = ['Boats first. ', 'Children too. ']
      await Promise.all([ada, bo].map((person, i) => person.write('The market', sentences[i]!)))
      const text = `find('field', 'The market', false)[0]?.value`
      const whole = sentences.join('').length
      for (const person of [ada, bo]) await person.until(`${text}?.length === ${whole}`, 'every letter of both')
      // Letters may mix where two write at one spot; each is there once.
      const both = await Promise.all([ada, bo].map(person => person.until<string>(text)))
      if (both[0] !== both[1]) throw new Error(`they read different texts: ${both.join(' / ')}`)
      if (lettersOf(both[0]!) !== lettersOf(sentences.join(''))) throw new Error(`letters are lost: ${both[0]}`)
      await ada.evaluate('document.activeElement.blur()')
      await ada.press('tool', 'Pen')
      const middle = await ada.where('group', 'Page')
      await ada.drag({ x: middle.x + 60, y: middle.y - 60 }, { x: middle.x + 220, y: middle.y + 20 }, 'touch')
      await ada.drag({ x: middle.x + 60, y: middle.y + 20 }, { x: middle.x + 220, y: middle.y - 60 }, 'mouse')
      for (const person of [ada, bo]) await person.says('2 lines drawn')
      for (const person of [ada, bo]) await person.window.close()
    },
  },
  {
    name: 'what is done while the application is away stays on the device, also through a reload, and comes when it is back',
    async walk(engine, stage) {
      const { address } = stage.application()
      const lesson = await makeLesson(address, NAMES)
      const ada = await comeIn(engine, address, lesson, 'Ada Fern')
      await drags(ada, 'mouse')
      await ada.says('Every move is kept')
      await stage.gone()
      await ada.drag(await ada.where('button', 'prawn, on the ledge'), await inZone(ada, 2, 0.2), 'mouse')
      await ada.says('One move is kept on this device')
      await stage.back()
      await ada.says('Every move is kept')
      await ada.goto(`${address}/slate/${lesson.slates.find(one => one.name === 'Ada Fern')!.id}`)
      await lies(ada, 'prawn', 'in Swims')
      await ada.window.close()
    },
  },
  {
    name: 'a teacher adds words at the workbench and has a slate on paper; what the browser can’t record or say is said',
    async walk(engine, stage) {
      const { address } = stage.application()
      const lesson = await makeLesson(address, NAMES)
      const teacher = await signIn(engine, address, lesson)
      await teacher.goto(`${address}/board/${lesson.board}`)
      await teacher.until(`find('button', 'Give out')[0]`, 'the workbench')
      await teacher.press('button', 'Pieces', { exact: false })
      await teacher.write('Words', 'whelk')
      await teacher.press('button', 'Make 1 card', { exact: false })
      await teacher.until(`find('any', 'whelk')[0]`, 'the new card')
      // Either it can be recorded here, or it is said that it can't, and a file does as well.
      await teacher.press('button', 'Speak what is to be done')
      await teacher.press('button', 'Start recording')
      await teacher.until(
        `find('button', 'Stop')[0] || document.body.innerText.includes('gives no microphone')`,
        'recording, or why not',
      )
      const kind = await teacher.evaluate<string>(
        `fetch('/api/slates/${lesson.slates[0]!.id}/paper').then(async answer => answer.status + ' ' + (await answer.text()).slice(0, 5))`,
      )
      if (kind !== '200 %PDF-') throw new Error(`no paper: ${kind}`)
      await teacher.window.close()
    },
  },
  {
    name: 'a sound on the page is played, or it is said that this browser can’t, with its words',
    walk: (engine, stage) => plays(engine, stage, withSound, 'Play the sound: Gulls'),
  },
  {
    name: 'a film on the page is played, or it is said that this browser can’t, with its words',
    walk: (engine, stage) => plays(engine, stage, withFilm, 'Play the film: Low tide'),
  },
  {
    name: 'a photo from the camera lies on the page, or it is said that there is no camera, and the rest goes on',
    async walk(engine, stage) {
      const { address } = stage.application()
      const lesson = await makeLesson(address, NAMES, { ...shore(), tools: ['photo'] })
      const ada = await comeIn(engine, address, lesson, 'Ada Fern')
      await ada.press('tool', 'Photo')
      const found = await ada.until<string>(
        `(find('button', 'Take the photo')[0]?.disabled === false && 'camera')
          || (document.body.innerText.includes('gives no camera') && 'none')`,
        'a camera, or why not',
      )
      if (found === 'camera') {
        await ada.press('button', 'Take the photo')
        await ada.write('What is on it?', 'A boat')
        await ada.press('button', 'Put it on the page')
        await ada.until(`find('button', 'A boat', false)[0]`, 'the photo on the page')
      } else await ada.window.key('Escape')
      await drags(ada, 'mouse')
      await ada.window.close()
    },
  },
  {
    name: 'in a private window, and where nothing may be stored, the work goes on and reaches the server',
    async walk(engine, stage) {
      const { address } = stage.application()
      for (const manner of ['private', 'no-store'] as const) {
        const lesson = await makeLesson(address, NAMES)
        const ada = await comeIn(engine, address, lesson, 'Ada Fern', manner)
        await drags(ada, 'mouse')
        await ada.says('Every move is kept')
        await ada.goto(`${address}/slate/${lesson.slates.find(one => one.name === 'Ada Fern')!.id}`)
        await lies(ada, 'limpet', 'in Crawls')
        await ada.window.close()
      }
    },
  },
  {
    name: 'where cookies are refused, signing in and coming in say why it can’t be',
    async walk(engine, stage) {
      const { address } = stage.application()
      const lesson = await makeLesson(address, NAMES)
      const person = new Person(await engine.open(SIZE, 'no-cookies'))
      await person.goto(`${address}/sign-in`)
      await person.write('E-mail address', lesson.email)
      await person.write('Password', lesson.password)
      await person.press('button', 'Sign in')
      await person.says('it refuses cookies here')
      await person.goto(`${address}/join?class=${lesson.code}&handout=${lesson.handout}`)
      await person.press('button', 'Ada Fern')
      for (const picture of lesson.students[0]!.pictures) await person.press('button', PICTURE_WORDS[picture])
      await person.says('it refuses cookies here')
      await person.window.close()
    },
  },
  {
    name: 'a phone’s window shows the page, the ledge and the way to hand in',
    async walk(engine, stage) {
      const { address } = stage.application()
      const lesson = await makeLesson(address, NAMES, {
        ...shore(),
        pages: [{ ...shore().pages[0]!, id: pageId('page') }],
      })
      const person = new Person(await engine.open({ width: 500, height: 800 }))
      const student = lesson.students[0]!
      await person.goto(`${address}/join?class=${lesson.code}&handout=${lesson.handout}`)
      await person.press('button', student.name, { way: 'touch' })
      for (const picture of student.pictures) await person.press('button', PICTURE_WORDS[picture], { way: 'touch' })
      await person.where('group', 'Page')
      await person.press('button', 'limpet, on the ledge', { way: 'touch' })
      const page = await person.where('group', 'Page')
      await person.window.stroke([page], 'touch')
      await person.until(`find('button', 'limpet, in ', false)[0]`, 'limpet in a place')
      await person.press('button', 'Hand in', { way: 'touch' })
      await person.says('Not everything is done yet')
      await person.window.close()
    },
  },
]
