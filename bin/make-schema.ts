/** Writes the JSON Schema of a board from the schemas of the core (`npm run schema`); a test holds the file to them. */
import { writeFileSync } from 'node:fs'
import { boardJsonSchema } from './boardJsonSchema'

writeFileSync(new URL('../docs/formats/board.schema.json', import.meta.url), boardJsonSchema())
