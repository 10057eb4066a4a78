/** Of every field of this window what hands on what was typed in it. */
export const openFields = new Set<() => void>()
/** What was typed and isn't handed on yet is handed on now. */
export const tellAllFields = () => openFields.forEach(tell => tell())
