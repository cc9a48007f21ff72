import { sentenceOf } from '../../api/client'

/** Sends several files at once, with fields beside them; rejects with the server's sentence. */
export async function sendFiles<T>(
  url: string,
  files: readonly File[],
  fields: Record<string, string> = {},
): Promise<T> {
  const form = new FormData()
  for (const file of files) form.append('files', file)
  for (const [name, value] of Object.entries(fields)) form.append(name, value)
  const response = await fetch(url, { method: 'POST', body: form })
  const answer: unknown = await response.json().catch(() => null)
  if (response.ok) return answer as T
  throw new Error(sentenceOf(answer) ?? `The files were refused (${response.status}).`)
}
