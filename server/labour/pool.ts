import { fork, type ChildProcess } from 'node:child_process'
import { readFile } from 'node:fs/promises'
import { ok, refuse, type Result } from '../../core/result'
import { log } from '../log'
import type { TaskInput, TaskName, TaskOutput } from './tasks'
import type { Answer } from './worker'

export interface PoolLimits {
  readonly processes: number
  /** Tasks that wait; more are refused at once. */
  readonly waiting: number
  readonly milliseconds: number
  readonly megabytes: number
}
/** *busy*: too much waits already. *too-heavy*: it took longer, or more memory, than it may. */
export type PoolRefusal = 'busy' | 'too-heavy'

/** What a process needs to run at all: where programs, fonts and temporary files are, and how it speaks. */
const NEEDED = /^(?:PATH|HOME|TMPDIR|TZ|LANG|LC_\w+|FONTCONFIG_\w+|NODE_(?:ENV|OPTIONS|EXTRA_CA_CERTS))$/
/**
 * The environment without addresses of databases, keys of sessions and all else that a process which reads hostile
 * files has no business with.
 */
const withoutSecrets = (env: NodeJS.ProcessEnv): NodeJS.ProcessEnv =>
  Object.fromEntries(Object.entries(env).filter(([name]) => NEEDED.test(name)))

/** Says to the process's entry that it is to work for its parent. */
export const WORKER_ROLE = 'DAPPLED_SLATE_WORKER'
const LOOK_EVERY_MS = 50
const IDLE_MS = 60_000
const START_MS = 15_000

interface Task {
  readonly name: TaskName
  readonly input: unknown
  readonly progress: (done: number) => void
  readonly done: (result: Result<unknown, PoolRefusal>) => void
  readonly fail: (error: Error) => void
}
interface Worker {
  readonly child: ChildProcess
  task: Task | null
  idle: ReturnType<typeof setTimeout> | undefined
}

/**
 * Processes that do what strangers can make long: a task that takes too much time or memory ends its process and
 * nothing else. They are started when there is work, and go when there has been none for a while.
 */
export class Pool {
  private readonly workers = new Set<Worker>()
  private readonly waiting: Task[] = []
  private ids = 0
  private stopped = false

  constructor(
    private readonly entry: string,
    private readonly limits: PoolLimits,
  ) {}

  /** How far it has come is told while it goes on, by tasks that say so. */
  do<Name extends TaskName>(
    name: Name,
    input: TaskInput<Name>,
    progress: (done: number) => void = () => {},
  ): Promise<Result<TaskOutput<Name>, PoolRefusal>> {
    if (this.stopped || this.waiting.length >= this.limits.waiting) return Promise.resolve(refuse('busy'))
    return new Promise<Result<unknown, PoolRefusal>>((done, fail) => {
      this.waiting.push({ name, input, progress, done, fail })
      this.next()
    }) as Promise<Result<TaskOutput<Name>, PoolRefusal>>
  }

  stop(): void {
    this.stopped = true
    for (const { child } of this.workers) child.kill('SIGKILL')
  }

  private next(): void {
    if (this.waiting.length === 0) return
    const free = [...this.workers].find(worker => !worker.task)
    if (free) this.give(free, this.waiting.shift()!)
    else if (this.workers.size < this.limits.processes) this.start()
  }

  private start(): void {
    const child = fork(this.entry, [], {
      env: { ...withoutSecrets(process.env), [WORKER_ROLE]: '1' },
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      execArgv: [...process.execArgv, `--max-old-space-size=${this.limits.megabytes}`],
    })
    const worker: Worker = { child, task: null, idle: undefined }
    this.workers.add(worker)
    // Until it is ready, its place is taken by nothing; a process that doesn't start fails what waits for it.
    const slow = setTimeout(() => child.kill('SIGKILL'), START_MS)
    let ready = false
    worker.task = { name: 'picture', input: null, progress: () => {}, done: () => {}, fail: () => {} }
    child.once('message', () => {
      clearTimeout(slow)
      ready = true
      worker.task = null
      this.rest(worker)
      this.next()
    })
    child.on('error', error => log.error({ error: error.message }, 'a process for heavy work did not start'))
    child.once('exit', () => {
      clearTimeout(slow)
      clearTimeout(worker.idle)
      this.workers.delete(worker)
      worker.task?.done(refuse('too-heavy'))
      worker.task = null
      // One that never came to work takes what waited for it along, or it would be tried for ever.
      if (!ready) this.waiting.shift()?.done(refuse('busy'))
      this.next()
    })
  }

  private rest(worker: Worker): void {
    worker.idle = setTimeout(() => {
      // Off the list first, so that nothing is given to one that goes.
      this.workers.delete(worker)
      worker.child.kill()
    }, IDLE_MS)
    worker.idle.unref()
  }

  private give(worker: Worker, task: Task): void {
    clearTimeout(worker.idle)
    worker.task = task
    const id = ++this.ids
    const { child } = worker
    const over = setTimeout(() => child.kill('SIGKILL'), this.limits.milliseconds)
    const looking = setInterval(() => void this.lookAt(child), LOOK_EVERY_MS)
    const hear = (answer: Answer) => {
      if (answer.id !== id) return
      if (answer.ok === 'going') return task.progress(answer.done)
      end()
      worker.task = null
      if (answer.ok) task.done(ok(answer.output))
      else task.fail(new Error(`${task.name}: ${answer.error}`))
      this.rest(worker)
      this.next()
    }
    const end = () => {
      clearTimeout(over)
      clearInterval(looking)
      child.off('message', hear)
      child.off('exit', end)
    }
    child.on('message', hear)
    child.once('exit', end)
    child.send({ id, task: task.name, input: task.input }, error => error && child.kill('SIGKILL'))
  }

  /** What decoders take isn't the script engine's to bound; where the system says how much it is, it is looked at. */
  private async lookAt(child: ChildProcess): Promise<void> {
    const text = await readFile(`/proc/${child.pid}/statm`, 'utf8').catch(() => null)
    const pages = Number(text?.split(' ')[1] ?? 0)
    if (pages * 4096 > this.limits.megabytes * 1024 * 1024) child.kill('SIGKILL')
  }
}
