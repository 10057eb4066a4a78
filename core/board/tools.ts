/**
 * What a teacher can give students to make things of their own with, beside the pieces. Arrows between pieces, notes
 * that stand on the ledge and room to draw belong to the board itself and need none of these.
 */
export const TOOLS = [
  'write',
  'note',
  'pen',
  'highlighter',
  'line',
  'arrow',
  'shape',
  'sign',
  'colour',
  'picture',
  'photo',
] as const
export type Tool = (typeof TOOLS)[number]

/** Of these, what a key reads: cells that are coloured in, signs that are votes. */
export const KEYED_TOOLS: readonly Tool[] = ['colour', 'sign']
