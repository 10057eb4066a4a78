/** What comes when the time is up. */
export const TIMER_ENDS = ['nothing', 'pencils-down', 'hand-in'] as const
export type TimerEnd = (typeof TIMER_ENDS)[number]

/** Seconds: a double lesson and more is no timer but a due day. */
export const LONGEST_TIMER = 3 * 60 * 60
/** Common practice, no source: about ten seconds; a minute is too long. */
export const USUAL_COUNTDOWN = 10
export const LONGEST_COUNTDOWN = 60

/** A timer as it is set; what is read of it: `timerSchema.ts`. */
export interface TimerSetting {
  readonly seconds: number
  /** Seconds that are counted down one by one at its end. */
  readonly countdown: number
  readonly atEnd: TimerEnd
  /** Whether students see it on their slates. */
  readonly onSlates: boolean
}

/**
 * A timer that runs, or has run out, as it is told: how many milliseconds are left when it is told (0: it is over), so
 * that a device with a wrong clock shows the right time.
 */
export interface Timer extends Omit<TimerSetting, 'seconds'> {
  readonly left: number
}

/** What is shown of the time that is left. */
export type TimeLeft =
  /** Whole minutes, begun ones counted: "5 minutes" for the first second of five minutes and for the last of them. */
  | { readonly kind: 'minutes'; readonly minutes: number }
  /** In the last minute before the countdown, so that it doesn't come as a surprise. */
  | { readonly kind: 'last-minute' }
  | { readonly kind: 'countdown'; readonly seconds: number }
  | { readonly kind: 'over' }

/**
 * Minutes, then a short countdown, then nothing more. `left` in milliseconds; nothing but what is said here changes
 * while it runs, so whoever listens to it hears it once a minute.
 */
export function timeLeft(left: number, countdown: number): TimeLeft {
  if (!(left > 0)) return { kind: 'over' }
  if (left <= countdown * 1000) return { kind: 'countdown', seconds: Math.ceil(left / 1000) }
  return left <= 60_000 ? { kind: 'last-minute' } : { kind: 'minutes', minutes: Math.ceil(left / 60_000) }
}
