import { type APIRequestContext } from '@playwright/test'

/** A passage as it sounds. */
export interface Performance {
  seconds: number
  startsAt: number
  clicks: { seconds: number; measure: string | null; countOff: boolean; accent: boolean }[]
  notes: { part: string; seconds: number; length: number; midi: number; velocity: number }[]
  tempos: { seconds: number; quarterBpm: number }[]
}

export const perform = async (
  request: APIRequestContext,
  url: string,
  piece: number,
  body: object,
): Promise<Performance> => (await request.post(`${url}/api/pieces/${piece}/performance`, { data: body })).json()
