/** Of the private use area: no sign of any language, and nothing that a device would show. */
const [BEGINS, ENDS] = ['\ue000', '\ue001']

/**
 * Words of a board that go into a sentence of the application, marked as such wherever in it they will stand, so that
 * whoever shows the sentence can say in which language they are: `BoardMixed` does.
 */
export const boardWords = (words: string) => words && BEGINS + plainWords(words) + ENDS
/** A sentence without the marks, for where nothing but plain words can stand. */
export const plainWords = (sentence: string) => sentence.replace(/[\ue000\ue001]/g, '')

/** A sentence in parts: the words of the board, and what stands around them. */
export const partsOfSentence = (sentence: string) =>
  sentence.split(/(\ue000[^\ue001]*\ue001)/).flatMap(part => {
    const words = plainWords(part)
    return words ? [{ words, ofBoard: part.startsWith(BEGINS) }] : []
  })
