import { sentenceOf } from '../api/client'

/** Sends a score and tells how much of it has left; rejects with the server's sentence. */
export function sendScore(
  file: File,
  onProgress: (share: number) => void,
): { done: Promise<{ id: number; title: string }>; cancel: () => void } {
  const request = new XMLHttpRequest()
  const done = new Promise<{ id: number; title: string }>((resolve, reject) => {
    request.open('POST', '/api/pieces')
    request.responseType = 'json'
    request.upload.onprogress = (e) => e.lengthComputable && onProgress(e.loaded / e.total)
    request.onload = () => {
      if (request.status === 201) resolve(request.response as { id: number; title: string })
      else reject(new Error(sentenceOf(request.response) ?? `${file.name} was refused (${request.status}).`))
    }
    request.onerror = () => reject(new Error('The server cannot be reached. Is it running?'))
    request.onabort = () => reject(new Error(`Import of ${file.name} cancelled; nothing was kept.`))
    const form = new FormData()
    form.append('file', file)
    request.send(form)
  })
  return { done, cancel: () => request.abort() }
}
