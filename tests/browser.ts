/** Debian's chromium-headless-shell: Chromium without the windows around a page, which nobody sees here. */
export const CHROMIUM = '/usr/bin/chromium-headless-shell'
