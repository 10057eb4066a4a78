/** Between two looks at something that is waited for. */
export const delay = (milliseconds: number) => new Promise<void>(resolve => setTimeout(resolve, milliseconds))
