import { soundsOf } from '../sound/dictionary'
import { answering } from '../http/answering'

/**
 * How words are said; those that the dictionary doesn't know are left out. Too large to send to a browser as a whole.
 */
export default answering('POST /api/pronunciations', async ({ body: { words } }) => {
  return { sounds: [...(await soundsOf([...new Set(words)]))] }
})
