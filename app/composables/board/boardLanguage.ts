import type { InjectionKey } from 'vue'
import { USUAL_LANGUAGE, type Language } from '~~/core/text/spoken'

const BOARD_LANGUAGE: InjectionKey<() => Language> = Symbol('the language of a board')

/** Says in which language everything below here is written. */
export const provideBoardLanguage = (language: () => Language | undefined) =>
  provide(BOARD_LANGUAGE, () => language() ?? USUAL_LANGUAGE)
export const useBoardLanguage = () => inject(BOARD_LANGUAGE, () => USUAL_LANGUAGE)
