/** A picture or PDF that was chosen to start a board from, on its way to the workbench. */
export const useWaitingFile = () => useState<File | null>('waiting-file', () => null)
