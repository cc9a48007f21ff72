import createClient from 'openapi-fetch'
import { isLost } from '../common/tell'
import { lost } from './connection'
import type { components, paths } from './schema'

/** The typed client; paths and bodies come from the served OpenAPI document. */
export const api = createClient<paths>({ baseUrl: location.origin })
api.use({
  onError: ({ error }) => {
    if (isLost(error)) lost()
  },
})

export type Schemas = components['schemas']
export type Piece = Schemas['PieceView']
export type Finding = Schemas['FindingView']
export type Difference = Schemas['DifferenceView']
export type Line = Schemas['LineView']
export type Stroke = Schemas['StrokeView']
export type Decision = Schemas['DecisionView']
export type Passage = Schemas['PassageView']
export type Section = Schemas['SectionView']
export type ShelfPiece = Schemas['ShelfView']
export type Ready = Schemas['ReadyView']
export type Player = Schemas['PlayerView']
export type Remark = Schemas['RemarkView']

/** A refusal of the server, in its own sentence. */
export class Refusal extends Error {
  constructor(
    public readonly status: number,
    sentence: string,
  ) {
    super(sentence)
  }
}

/** True where somebody else changed or removed it meanwhile. */
export const isStale = (e: unknown) => e instanceof Refusal && (e.status === 409 || e.status === 404)

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** The answer's data, or its sentence as an error. */
export async function fetched<T>(answer: Promise<Answer<T>>): Promise<T> {
  const { data, error, response } = await answer
  if (response.ok) return data as T
  throw new Refusal(response.status, sentenceOf(error) ?? `The server answered ${response.status}. Try again.`)
}

/** The sentence of a problem+json body, or null. */
export function sentenceOf(problem: unknown): string | null {
  const detail = (problem as { detail?: unknown } | null)?.detail
  return typeof detail === 'string' ? detail : null
}
