/** What merges texts comes to this device with the first that is written, here or by others. */
export const learnTexts = () => import('~~/core/slate/withTexts').then(({ knowTexts }) => knowTexts())
