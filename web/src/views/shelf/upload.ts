import { sentenceOf } from '../../api/client'

export interface Sending<T> {
  done: Promise<T>
  cancel: () => void
}

/** Sends a score file and tells how much of it has left; rejects with the server's sentence. */
export function sendScore<T>(
  url: string,
  file: File,
  onProgress: (share: number) => void,
  fields: Record<string, string> = {},
): Sending<T> {
  const request = new XMLHttpRequest()
  const done = new Promise<T>((resolve, reject) => {
    request.open('POST', url)
    request.responseType = 'json'
    request.upload.onprogress = (e) => e.lengthComputable && onProgress(e.loaded / e.total)
    request.onload = () => {
      if (request.status < 300) resolve(request.response as T)
      else reject(new Error(sentenceOf(request.response) ?? `${file.name} was refused (${request.status}).`))
    }
    request.onerror = () => reject(new Error('The server cannot be reached. Is it running?'))
    request.onabort = () => reject(new Error(`Import of ${file.name} cancelled; nothing was kept.`))
    const form = new FormData()
    form.append('file', file)
    for (const [name, value] of Object.entries(fields)) form.append(name, value)
    request.send(form)
  })
  return { done, cancel: () => request.abort() }
}
