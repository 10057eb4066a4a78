import type { PasswordPicture } from '../core/roster/picturePassword'
import en from '../app/locales/en'

/** What each password picture is called on its button. */
export const PICTURE_WORDS: Record<PasswordPicture, string> = en.pictures
