import { Refused } from '~/composables/common/useApi'

interface Answered {
  readonly data?: { readonly code?: string; readonly detail?: string }
}

/**
 * Sends a file that may be large; `progress` hears what share of it has gone, from 0 to 1. Refusals are thrown as they
 * are by `ask`. (fetch has no way to tell how much of a body has gone.)
 */
export function sendFile<Answer>(path: string, file: Blob, progress: (share: number) => void): Promise<Answer> {
  forgetAskedAhead()
  return new Promise((done, fail) => {
    const request = new XMLHttpRequest()
    request.open('POST', path)
    request.responseType = 'json'
    request.setRequestHeader('Content-Type', 'application/octet-stream')
    request.upload.addEventListener('progress', ({ loaded, total }) => progress(total ? loaded / total : 0))
    request.addEventListener('error', () => fail(new Refused('offline')))
    request.addEventListener('load', () => {
      const said = request.response as (Answer & Answered) | null
      if (request.status < 300) return done(said as Answer)
      fail(new Refused(said?.data?.code ?? 'trouble', said?.data?.detail))
    })
    request.send(file)
  })
}
