import * as v from 'valibot'

export const ColourSchema = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/i))
