import { beforeEach, describe, expect, it } from 'vitest'
import { setSayer } from '../common/tell'
import { queries } from './queryClient'

const said: string[] = []
setSayer(({ sentence }) => said.push(sentence))

const ask = (error: Error, meta = {}) =>
  queries
    .fetchQuery({ queryKey: ['asked'], queryFn: () => Promise.reject(error), retry: false, meta })
    .catch(() => undefined)

describe('a request that fails', () => {
  beforeEach(() => {
    said.length = 0
    queries.clear()
  })

  it('is told in its own sentence', async () => {
    await ask(new Error('There is no piece 4711.'))
    expect(said).toEqual(['There is no piece 4711.'])
  })

  it('says nothing where the page shows it in its place', async () => {
    await ask(new Error('There is no piece 4711.'), { shown: true })
    expect(said).toEqual([])
  })

  it('says nothing of a connection that is lost: the banner does, and an act may have spoken meanwhile', async () => {
    await ask(new TypeError('Failed to fetch'))
    expect(said).toEqual([])
  })
})
