import { TASKS, type TaskName } from './tasks'

export interface Order {
  readonly id: number
  readonly task: TaskName
  readonly input: unknown
}
export type Answer =
  | { readonly id: number; readonly ok: 'going'; readonly done: number }
  | { readonly id: number; readonly ok: true; readonly output: unknown }
  | { readonly id: number; readonly ok: false; readonly error: string }

/** The other end: does one task after the other until its parent goes. */
export function workForParent(): void {
  process.on('message', (order: Order) => {
    const run = TASKS[order.task] as (input: unknown, progress: (done: number) => void) => Promise<unknown>
    const progress = (done: number) => process.send!({ id: order.id, ok: 'going', done } satisfies Answer)
    void run(order.input, progress).then(
      output => process.send!({ id: order.id, ok: true, output } satisfies Answer),
      (error: unknown) =>
        process.send!({
          id: order.id,
          ok: false,
          error: error instanceof Error ? error.message : 'unknown',
        } satisfies Answer),
    )
  })
  process.on('disconnect', () => process.exit(0))
  process.send!('ready')
}
