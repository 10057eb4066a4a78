import pino from 'pino'

/** The one log of a process. Nothing in it may name a student or hold words that people wrote. */
export const log = pino()
