import { api, fetched, type Schemas } from '../../api/client'

const askEvery = 250

/** Follows a job to its end and tells each step; answers it as it ended, and rejects with the job's own sentence. */
export async function followJob(
  job: Schemas['JobView'],
  tell: (now: Schemas['JobView']) => void,
): Promise<Schemas['JobView']> {
  let now = job
  while (now.state === 'waiting' || now.state === 'running') {
    tell(now)
    await new Promise((r) => setTimeout(r, askEvery))
    now = await fetched(api.GET('/api/jobs/{job}', { params: { path: { job: job.id } } }))
  }
  if (now.state === 'failed') throw new Error(now.sentence ?? `${now.title} failed. Try again.`)
  if (now.state === 'cancelled') throw new Error(`${now.title} was cancelled; nothing was kept.`)
  return now
}
